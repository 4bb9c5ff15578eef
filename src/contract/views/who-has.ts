import type { CaseRecord } from '../records/case'
import type { EpisodeRecord } from '../records/episode'
import type { Recorded } from '../records/run'

/** Who has the patient, and since when: whoever took them over last, from another shift or from the crew that brought them; null where nobody did. */
export function whoHas({ takenOver }: CaseRecord, { crewHandOver }: Pick<EpisodeRecord, 'crewHandOver'>): Recorded | null {
  const received = crewHandOver?.received
  if (!received || (takenOver && Date.parse(takenOver.at) >= Date.parse(received.at))) return takenOver ?? null
  return { at: received.at, by: received.by }
}
