import type { OtherItem } from '#core/standing/judge-standing'
import { isCaseAtRisk } from '#core/standing/case-facts'
import type { CaseRecord } from '#contract/records/case'
import type { EpisodeRecord } from '#contract/records/episode'
import { injuredPart } from './case-rounds'
import { toClinicalCase } from '../case/clinical-case'
import { casesServed } from './related-cases'

/** A limb at risk that was left asleep in two rounds one after the other: nobody has looked, and sleep hides pain. */
export function asleepTwice(record: CaseRecord, episode: EpisodeRecord): readonly OtherItem[] {
  if (record.appliedAt === null || record.removedAt !== null || !isCaseAtRisk(toClinicalCase(record, episode))) return []
  const served = casesServed(record)
  const tried = episode.rounds
    .filter((round) => !round.isBaseline && served.some((id) => round.cases.includes(id)))
    .toSorted((a, b) => Date.parse(a.at) - Date.parse(b.at))
  const [before, last] = tried.slice(-2)
  if (before?.outcome !== 'asleep' || last?.outcome !== 'asleep') return []
  return [
    {
      id: 'run/asleep-twice',
      from: 'run',
      level: 'review',
      text: 'Asleep at two rounds in a row, and at risk: nobody has looked',
      part: injuredPart(record, episode),
      sinceMs: Date.parse(before.at),
      binds: { stages: [], steps: [] },
      ends: 'A round that is done.',
      isEndedByWord: false,
      danger: 'own',
      ownSteps: [
        'Wake the patient now and look: pulse, toes or fingers, feeling, pain on stretch.',
        'Who cannot be woken is not asleep: airway, oxygen, sugar, and call.',
      ],
    },
  ]
}
