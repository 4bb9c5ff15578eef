import type { ClinicalCase, Measurement } from '#core/model/clinical-case'
import type { CaseRecord } from '#contract/records/case'
import type { EpisodeRecord } from '#contract/records/episode'
import type { BodyOf, EventKindId } from '#contract/events/index'

/** One event to write, with its kind. */
export type FileEvent = { [Kind in EventKindId]: { readonly kind: Kind; readonly body: BodyOf<Kind> } }[EventKindId]

/** What a case file comes to in a case that has just been opened, and what is left to people. */
export interface TakenFile {
  readonly events: readonly FileEvent[]
  /** In words. */
  readonly left: readonly string[]
}

/** Feeling that was tested counts where a round here tested it, and nowhere else. */
const foundByRounds = 'feeling-tested'

/** Whether a file may be read into a case: nothing has been entered yet. */
export function isUntouched({ measurements, runs, appliedAt, injuryId }: CaseRecord, episode: EpisodeRecord): boolean {
  return measurements.length === 0 && runs.length === 0 && appliedAt === null && (episode.injuries[injuryId]?.region ?? null) === null
}

/**
 * The events that bring a case file into a case. What a person here decides stays with them: figures and cautions set aside, and when it
 * was applied, are left out and said.
 */
export function eventsOfFile(file: ClinicalCase, { injuryId, setup }: CaseRecord, episode: EpisodeRecord): TakenFile {
  const { patient, injury, environment } = file
  const details = {
    ...episode.patient,
    ageYears: patient.ageYears ?? episode.patient.ageYears,
    sex: patient.sex ?? episode.patient.sex,
    heightCm: patient.heightCm ?? episode.patient.heightCm,
    massKg: patient.massKg ?? episode.patient.massKg,
  }
  const options = Object.keys(file.options).length > 0
  const orders = Object.keys(file.orders).length > 0
  const superseded = new Set(file.measurements.flatMap((measurement) => measurement.supersedes ?? []))
  const readings = file.measurements.filter((measurement) => !measurement.key || !superseded.has(measurement.key))
  const events: readonly FileEvent[] = [
    { kind: 'patient', body: details },
    ...(patient.flags.length > 0 ? [{ kind: 'flags', body: { flags: patient.flags } } as const] : []),
    {
      kind: 'injury',
      body: {
        injuryId,
        injury: {
          region: injury.region ?? null,
          side: injury.side ?? null,
          pattern: injury.pattern,
          swelling: injury.swelling,
          levelCm: injury.levelCm,
          flags: injury.flags.filter((flag) => flag !== foundByRounds),
        },
      },
    },
    { kind: 'technique', body: { technique: file.technique } },
    ...(options ? [{ kind: 'options', body: { options: file.options } } as const] : []),
    {
      kind: 'setup',
      body: {
        ...setup,
        people: file.crew.people,
        waterC: environment.waterC,
        roomC: environment.roomC,
        backing: environment.backing,
        packSetMin: environment.packSetMin ?? null,
        wearDays: file.wearDays ?? null,
      },
    },
    ...(orders ? [{ kind: 'orders', body: { orders: file.orders } } as const] : []),
    ...(file.device ? [{ kind: 'device', body: { device: file.device } } as const] : []),
    ...readings.map((reading) => ({ kind: 'reading', body: readingOf(reading) }) as const),
  ]
  const left = [
    ...(file.overrules.length > 0 ? ['what was overruled or set aside'] : []),
    ...(injury.flags.includes(foundByRounds) ? ['the test of feeling'] : []),
    ...(file.appliedAt ? ['when it was applied'] : []),
    ...(file.rig ? ['the rig as it was tried'] : []),
    ...(file.stock === 'catalogue' ? [] : ['the stock that it was planned from']),
  ]
  return { events, left }
}

/** A reading as it is entered here: who took it there, and under which key, stays there. */
function readingOf({
  id,
  side,
  value,
  unit,
  tool,
  typed,
  posture,
  stepId,
  takenFor,
  confirmed,
  breadthCm,
  planeCm,
}: Measurement): BodyOf<'reading'> {
  return {
    id,
    value,
    ...(typeof value === 'number' ? { unit: unit ?? 'cm' } : {}),
    ...(side ? { side } : {}),
    tool: tool ?? 'tape',
    typed: typed ?? '',
    posture: posture ?? '',
    ...(stepId ? { stepId } : {}),
    ...(takenFor ? { takenFor } : {}),
    ...(confirmed ? { confirmed } : {}),
    ...(breadthCm === undefined ? {} : { breadthCm }),
    ...(planeCm === undefined ? {} : { planeCm }),
  }
}
