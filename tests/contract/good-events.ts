import type { EventKindId } from '#contract/event-kinds'
import { unknownInjury } from '#contract/records/episode'
import { defaultSetup } from '#contract/records/case'
import { planFile } from '../core/leg-slab-cases'
import { exampleOf } from '../core/example-cases'

/** Ids that the bodies below refer to each other by. */
export const runId = '01a21089-7e89-7d7d-8dbd-a7fc9a943fe8'
export const episodeId = '01a21089-7e89-7d7d-8dbd-a7fc9a943fe9'
export const caseId = '01a21089-7e89-7d7d-8dbd-a7fc9a943fea'
export const injuryId = '01a21089-7e89-7d7d-8dbd-a7fc9a943feb'
const otherId = '01a21089-7e89-7d7d-8dbd-a7fc9a943fec'

const girth = { id: 'calf-girth', side: 'left', value: 38.5, unit: 'cm', tool: 'tape', confirmed: true }

/** A good body of every kind of event, with what is optional in it wherever that is data a person enters. */
export const goodBodies: Readonly<Record<EventKindId, object>> = {
  'episode-opened': { patientId: otherId, place: 'Bay 1', zone: 'Etc/UTC' },
  patient: {
    name: 'Wenna Strood',
    isTemporary: false,
    born: '1988-03-02',
    number: 'TS-1',
    ageYears: 38,
    isAgeEstimated: false,
    sex: 'female',
    heightCm: 166,
    massKg: 62,
    isMassEstimated: true,
  },
  flags: { flags: ['diabetes', 'fragile-skin'] },
  injury: {
    injuryId,
    injury: { ...unknownInjury, region: 'ankle', side: 'left', pattern: 'malleolar-fracture', flags: ['fresh'], levelCm: 8 },
  },
  place: { place: 'Ward A, bed 2' },
  round: {
    cases: [caseId],
    isBaseline: false,
    outcome: 'done',
    reason: '',
    findings: {
      analgesia: true,
      limbs: [
        {
          limb: 'leg',
          side: 'left',
          refillS: 2,
          pulse: 'present',
          restPain: 3,
          stretchPain: { cannotAssess: true, reason: 'nerve block' },
        },
      ],
    },
  },
  'case-opened': { episodeId, injuryId, technique: 'leg-slab' },
  reading: girth,
  'moved-out': { key: otherId, toCase: otherId, reason: 'typed into the wrong case' },
  'moved-in': {
    measurement: { ...girth, key: otherId, at: '2026-01-10T08:00:00Z', by: 'Ada' },
    fromCase: otherId,
    reason: 'typed into the wrong case',
  },
  'reading-withdrawn': { key: otherId },
  technique: { technique: 'slab-and-stirrup' },
  orders: { orders: { weight: { by: 'Merryn Sale', at: '08:10' }, wedges: [{ week: 2, count: 3 }] } },
  device: { device: { material: 'plaster-slow', layers: 8, paddingLayers: 2, minutesSince: 90, lastRound: 'none' } },
  store: { placeId: otherId, placeName: 'Plaster room', items: [{ item: 'padding', widthCm: 10, count: 4 }] },
  options: { options: { extent: 'above-knee' } },
  setup: { ...defaultSetup, packSetMin: 6, wearDays: 10 },
  overrule: { decision: 'slab-width', value: 12, reason: 'old scar there' },
  plan: { plan: planFile(exampleOf('leg-slab')) },
  'run-started': { runId },
  'run-lease': { runId, device: 'wren-tab-1' },
  step: { runId, stepId: 'position', outcome: 'done', reason: '' },
  timer: { runId, timerId: 'set', label: 'Setting', minutes: 5, kind: 'set', until: 'finish' },
  'timer-ended': { runId, timerId: 'set' },
  angle: { runId, stepId: 'mould', angleId: 'ankle', deg: 88.5, tool: 'digital-goniometer' },
  pull: { runId, stepId: 'pull', kg: 5.9, painBefore: 8, painAfter: 3, isEqualLength: true, tool: 'scale' },
  strap: { runId, stepId: 'straps', strapId: 'strap-1', mark: 'snug', reason: '' },
  trouble: { runId, stepId: 'mould', troubleId: 'too-hot', label: 'Too hot', note: '' },
  crew: { members: [{ name: 'Tobin', place: 'hold-distal' }] },
  'hand-over': { runId, place: 'hold-distal', from: 'Tobin', to: 'Wilf' },
  'read-back': { what: 'Open the cast now', orderedBy: 'Merryn Sale' },
  opened: { runId },
  applied: {},
  fit: { testId: 'toes-seen', isGood: false, note: 'trimmed back' },
  note: { text: 'Toes warm.' },
  'plan-dropped': {},
  removed: { reason: 'changed for a cast' },
  'place-opened': { name: 'Sluice cupboard', kind: 'ward' },
  'stock-counted': { lotId: otherId, count: 4, note: '' },
  'stock-received': { lotId: otherId, itemCode: 'padding-10', lot: 'L-7', expiresOn: '2027-03-31', count: 12 },
  'stock-taken': { itemCode: 'padding-10', count: 1, caseId, note: '' },
  'stock-reserved': { itemCode: 'padding-10', count: 1, caseId },
  'stock-released': { caseId },
  'person-added': { name: 'Ada Quist', roles: ['clinician'] },
  settings: { units: 'inches', fingerCm: 1.7, theme: 'dark' },
}

/** Values that nobody should send and somebody will. */
export const hostileValues: readonly unknown[] = [
  null,
  '',
  '   ',
  'abc',
  'x'.repeat(5_000),
  '\u0000\u202e💥',
  '__proto__',
  -1,
  1e308,
  0.1 + 0.2,
  true,
  [],
  [null],
  {},
  { constructor: { prototype: 1 } },
  Array.from({ length: 3_000 }, () => 'x'),
]

/** The paths of all leaves and lists in a body, as far as `depth` levels down. */
export function pathsIn(value: unknown, depth = 4, at: readonly (string | number)[] = []): readonly (readonly (string | number)[])[] {
  if (typeof value !== 'object' || value === null || depth === 0) return [at]
  const below = (Object.entries(value) as [string, unknown][]).flatMap(([key, one]) =>
    pathsIn(one, depth - 1, [...at, Array.isArray(value) ? Number(key) : key]),
  )
  return at.length > 0 ? [at, ...below] : below
}

/** A deep copy of a body with another value at a path. */
export function withValue(body: object, path: readonly (string | number)[], value: unknown): object {
  const copy = structuredClone(body) as Record<string | number, unknown>
  let inner = copy
  for (const part of path.slice(0, -1)) inner = inner[part] as Record<string | number, unknown>
  inner[path.at(-1) ?? ''] = value
  return copy
}
