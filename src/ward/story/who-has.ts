import type { CaseRecord } from '#contract/records/case'
import type { EpisodeRecord } from '#contract/records/episode'
import type { Recorded } from '#contract/records/run'

/** Who has the patient, and since when: whoever took them over last, from another shift or from the crew that brought them; null where nobody did. */
export function whoHas({ takenOver }: CaseRecord, { crewHandOver }: Pick<EpisodeRecord, 'crewHandOver'>): Recorded | null {
  const received = crewHandOver?.received
  if (!received || (takenOver && Date.parse(takenOver.at) >= Date.parse(received.at))) return takenOver ?? null
  return { at: received.at, by: received.by }
}
