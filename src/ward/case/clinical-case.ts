import type { ClinicalCase } from '#core/model/clinical-case'
import { withOccasions } from './occasions'
import { assessed, nerves, watchedOf } from '#core/model/observation'
import type { InjuryFlag } from '#core/model/vocabulary'
import type { CaseRecord } from '#contract/records/case'
import type { EpisodeRecord } from '#contract/records/episode'

/**
 * The case as the core computes it: readings, injury and flags put together. A pulse that could not be
 * felt on the injured side when it was last felt for counts as the flag `pulse-absent`, feeling that was whole in every nerve as
 * `feeling-tested`.
 */
export function toClinicalCase(record: CaseRecord, episode: EpisodeRecord): ClinicalCase {
  const known = made.get(record)
  if (known?.episode === episode) return known.clinicalCase
  const clinicalCase = makeClinicalCase(record, episode)
  made.set(record, { episode, clinicalCase })
  return clinicalCase
}

/** Records do not change once they are folded. */
const made = new WeakMap<CaseRecord, { readonly episode: EpisodeRecord; readonly clinicalCase: ClinicalCase }>()

function makeClinicalCase(record: CaseRecord, episode: EpisodeRecord): ClinicalCase {
  const injury = episode.injuries[record.injuryId]
  const { patient } = episode
  const { setup } = record
  const side = injury?.side ?? null
  const watched = watchedOf(injury?.region ?? undefined)
  // The last round that felt for it decides: one that looked at something else says nothing about the pulse.
  const pulses = episode.rounds.flatMap((round) => {
    const limb = round.outcome === 'done' ? round.findings.limbs.find((one) => one.side === side && one.limb === watched) : undefined
    return assessed(limb?.pulse) ?? []
  })
  const isPulseAbsent = pulses.at(-1) === 'absent'
  const isFeelingWhole = episode.rounds.some((round) => {
    const limb = round.outcome === 'done' ? round.findings.limbs.find((one) => one.side === side && one.limb === watched) : undefined
    const feelings = watched === 'leg' || watched === 'arm' ? nerves[watched].map(({ id }) => limb?.feeling?.[id]) : []
    return feelings.length > 0 && feelings.every((feeling) => feeling === 'normal')
  })
  const found: readonly InjuryFlag[] = [
    ...(isPulseAbsent ? ['pulse-absent' as const] : []),
    ...(isFeelingWhole ? ['feeling-tested' as const] : []),
  ]
  const flags = [...new Set([...(injury?.flags ?? []), ...found])]
  return {
    technique: record.technique,
    patient: {
      flags: episode.flags,
      ...(patient.ageYears === null ? {} : { ageYears: patient.ageYears }),
      ...(patient.heightCm === null ? {} : { heightCm: patient.heightCm }),
      ...(patient.massKg === null ? {} : { massKg: patient.massKg }),
      ...(patient.sex ? { sex: patient.sex } : {}),
    },
    injury: {
      pattern: injury?.pattern ?? 'other',
      swelling: injury?.swelling ?? 'none',
      levelCm: injury?.levelCm ?? null,
      flags,
      ...(injury?.region ? { region: injury.region } : {}),
      ...(side ? { side } : {}),
    },
    options: record.options,
    measurements: withOccasions(record),
    crew: { people: setup.people },
    environment: {
      waterC: setup.waterC,
      roomC: setup.roomC,
      backing: setup.backing,
      stretcherCm: 200,
      ...(setup.packSetMin === null ? {} : { packSetMin: setup.packSetMin }),
    },
    stock: record.store?.items ?? 'catalogue',
    orders: record.orders ?? {},
    ...(record.device ? { device: record.device } : {}),
    ...(record.oldTechnique ? { replaces: record.oldTechnique } : {}),
    ...(setup.rig ? { rig: setup.rig } : {}),
    overrules: record.overrules,
    zone: episode.zone,
    ...(setup.wearDays === null ? {} : { wearDays: setup.wearDays }),
    ...(record.appliedAt ? { appliedAt: record.appliedAt } : {}),
  }
}
