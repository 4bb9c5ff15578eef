import { limits } from '../model/limits'
import { mostOnwardPulleys, rigKinds, type RigSetting } from '../model/rig'
import type { FieldReader } from './field-reader'

/** Reads the rig of a case file: every field may be left out or null, as planned; what cannot be read is reported and left out. */
export function readRig(from: FieldReader | null): RigSetting {
  if (!from) return {}
  from.warnUnknown([
    'kind',
    'beamCm',
    'fixedCm',
    'carriedAtCm',
    'knotCm',
    'onwardCm',
    'dropCm',
    'bedEndCm',
    'suspensionKg',
    'counterweightKg',
    'cordPullKg',
    'raiseCm',
    'wheelbaseCm',
    'friction',
    'eta',
  ])
  const fields = {
    kind: from.word('kind', rigKinds),
    beamCm: from.number('beamCm', limits.rigBeamCm),
    fixedCm: readFixed(from),
    carriedAtCm: from.number('carriedAtCm', limits.rigCarriedAtCm),
    knotCm: from.number('knotCm', limits.rigKnotCm),
    onwardCm: readOnward(from),
    dropCm: from.number('dropCm', limits.rigDropCm),
    bedEndCm: from.number('bedEndCm', limits.rigBedEndCm),
    suspensionKg: from.number('suspensionKg', limits.rigKg),
    counterweightKg: from.number('counterweightKg', limits.rigKg),
    cordPullKg: from.number('cordPullKg', limits.rigKg),
    raiseCm: from.number('raiseCm', limits.rigRaiseCm),
    wheelbaseCm: from.number('wheelbaseCm', limits.rigWheelbaseCm),
    friction: from.number('friction', limits.rigFriction),
    eta: from.number('eta', limits.rigEta),
  }
  return Object.fromEntries(Object.entries(fields).filter(([, value]) => value !== undefined)) as RigSetting
}

function readFixed(from: FieldReader): readonly [number, number] | undefined {
  const value = from.raw('fixedCm')
  if (value === undefined) return undefined
  const [head, foot] = Array.isArray(value) ? (value as unknown[]) : []
  const { least, greatest } = limits.rigFixedCm
  const isPlace = (one: unknown): one is number => typeof one === 'number' && one >= least && one <= greatest
  if (Array.isArray(value) && value.length === 2 && isPlace(head) && isPlace(foot) && head < foot) return [head, foot]
  from.report('fixedCm', `rig fixedCm must be two places from ${least} to ${greatest} cm, the headward first, such as [-30, 30].`)
  return undefined
}

function readOnward(from: FieldReader): readonly number[] | undefined {
  const value = from.raw('onwardCm')
  if (value === undefined) return undefined
  const { least, greatest } = limits.rigOnwardCm
  const isPlace = (one: unknown): one is number => typeof one === 'number' && one >= least && one <= greatest
  if (Array.isArray(value) && value.length <= mostOnwardPulleys && value.every(isPlace)) return value
  from.report(
    'onwardCm',
    `rig onwardCm must be up to ${mostOnwardPulleys} places from ${least} to ${greatest} cm from the groin, such as [150].`,
  )
  return undefined
}
