import { spoken } from '#core/model/vocabulary'
import { patientLabel, type EpisodeRecord, type InjuryRecord } from '#contract/records/episode'

/** What a round is called while it fills the screen: who it is of, and which part. */
export function roundTitle(lead: string, episode: EpisodeRecord, injury: InjuryRecord | undefined): string {
  const part = [injury?.side?.toUpperCase(), injury?.region ? spoken(injury.region) : ''].filter(Boolean).join(' ')
  return `${lead}: ${[patientLabel(episode), part].filter(Boolean).join(', ')}`
}
