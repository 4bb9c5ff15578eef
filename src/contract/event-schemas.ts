import Joi from 'joi'
import { toolIds, unitIds } from '#core/case/measurement-words'
import { injuryFlags, patientFlags, patterns, regions, sides, swellings } from '#core/case/vocabulary'
import { neckItems, spineItems, strengthLimbs } from '#core/observations/judge-column'
import { colours, feelings, movements, nerves, pulses, warmths } from '#core/observations/observation'
import { skinGrades } from '#core/body/measurements/neck'
import { listMeasurementIds, measurementWords } from '#core/techniques/measurement-ids'
import { techniques } from '#core/techniques/registry'
import type { EventKindId } from './event-kinds'
import {
  deviceSchema,
  ordersSchema,
  placeOpened,
  stockCounted,
  stockItemSchema,
  stockReceived,
  stockReleased,
  stockReserved,
  stockTaken,
} from './stock-schemas'
import { roundOutcomes } from './records/episode'
import { greatestInteger, instant, reason, text, uuid, zone } from './field-schemas'
import { roles } from './rights'
import { runSchemas } from './run-schemas'
import { streamTypes } from './event'

const personName = text(120)

const patient = Joi.object({
  name: personName.required(),
  isTemporary: Joi.boolean().required(),
  born: text(30).required(),
  number: text(40).required(),
  ageYears: Joi.number().min(0).max(130).allow(null).required(),
  isAgeEstimated: Joi.boolean().required(),
  sex: text(20).required(),
  heightCm: Joi.number().min(30).max(260).allow(null).required(),
  massKg: Joi.number().min(0.3).max(650).allow(null).required(),
  isMassEstimated: Joi.boolean().required(),
})
const injury = Joi.object({
  region: Joi.valid(...regions)
    .allow(null)
    .required(),
  side: Joi.valid(...sides)
    .allow(null)
    .required(),
  pattern: Joi.valid(...patterns).required(),
  flags: Joi.array()
    .items(Joi.valid(...injuryFlags))
    .unique()
    .required(),
  swelling: Joi.valid(...swellings).required(),
  levelCm: Joi.number().min(0).max(250).allow(null).required(),
})

const cannotAssess = Joi.object({
  cannotAssess: Joi.valid(true).required(),
  reason: Joi.string().min(1).max(200).required(),
  until: text(60),
})
const item = (schema: Joi.Schema): Joi.AlternativesSchema => Joi.alternatives(schema, cannotAssess)
const nerveItems = (values: readonly string[]): Joi.ObjectSchema =>
  Joi.object(Object.fromEntries([...nerves.leg, ...nerves.arm].map((nerve) => [nerve.id, item(Joi.valid(...values))])))
const limb = Joi.object({
  limb: Joi.valid('leg', 'arm').required(),
  side: Joi.valid(...sides).required(),
  colour: item(Joi.valid(...colours)),
  colourUsual: Joi.boolean(),
  warmth: item(Joi.valid(...warmths)),
  refillS: item(Joi.number().min(0).max(20)),
  pulse: item(Joi.valid(...pulses)),
  movement: nerveItems(movements),
  feeling: nerveItems(feelings),
  swelling: item(Joi.valid(...swellings)),
  restPain: item(Joi.number().min(0).max(10)),
  stretchPain: item(Joi.boolean()),
  tight: item(Joi.boolean()),
  painBeyondExpected: Joi.boolean(),
  spotPain: Joi.boolean(),
  skin: item(Joi.valid('intact', 'reddens-and-blanches', 'red-not-blanching', 'broken')),
  also: Joi.array().items(text(40)).max(20),
})
/** A block of findings of a neck or a spine: its own items, the strength of each limb, the level of feeling. */
const block = (items: readonly { readonly id: string; readonly words: readonly string[] }[]): Joi.ObjectSchema =>
  Joi.object({
    ...Object.fromEntries(items.map(({ id, words }) => [id, item(Joi.valid(...words))])),
    ...Object.fromEntries(strengthLimbs.map((one) => [`strength-${one}`, item(Joi.number().min(0).max(5))])),
    feelingLevel: item(text(60)),
  })

const setup = Joi.object({
  people: Joi.number().integer().min(1).max(12).allow(null).required(),
  waterC: Joi.number().min(0).max(100).required(),
  roomC: Joi.number().min(-30).max(55).required(),
  backing: Joi.valid('air', 'pillow').required(),
  packSetMin: Joi.number().min(0.5).max(60).allow(null).required(),
  wearDays: Joi.number().min(0).max(365).allow(null).required(),
})

const wordedIds = listMeasurementIds().filter((id) => measurementWords(id) !== null)
const reading = Joi.object({
  id: Joi.valid(...listMeasurementIds()).required(),
  side: Joi.valid(...sides),
  value: Joi.when('id', {
    is: Joi.valid(...wordedIds),
    then: Joi.valid(...skinGrades),
    otherwise: Joi.number().min(-10_000).max(10_000),
  }).required(),
  unit: Joi.when('id', { is: Joi.valid(...wordedIds), then: Joi.forbidden(), otherwise: Joi.valid(...unitIds).required() }),
  tool: Joi.valid(...toolIds),
  typed: text(60),
  posture: text(80),
  occasion: text(40),
  confirmed: Joi.boolean(),
  supersedes: uuid,
  breadthCm: Joi.number().min(0.8).max(3.5),
})

/** The body of each kind of event. */
export const eventBodySchemas: Readonly<Record<EventKindId, Joi.ObjectSchema>> = {
  'episode-opened': Joi.object({ patientId: uuid.required(), place: text(80).required(), zone: zone.required(), patient }),
  patient,
  flags: Joi.object({
    flags: Joi.array()
      .items(Joi.valid(...patientFlags))
      .unique()
      .required(),
  }),
  injury: Joi.object({ injuryId: uuid.required(), injury: injury.required() }),
  place: Joi.object({ place: Joi.string().min(1).max(80).required() }),
  round: Joi.object({
    cases: Joi.array().items(uuid).max(20).required(),
    isBaseline: Joi.boolean().required(),
    outcome: Joi.valid(...roundOutcomes).required(),
    reason: text(300).required(),
    findings: Joi.object({
      analgesia: Joi.boolean(),
      limbs: Joi.array().items(limb).max(4).required(),
      neck: block(neckItems),
      spine: block(spineItems),
    }).required(),
  }).custom((value: { outcome: string; reason: string }, helpers) =>
    value.outcome !== 'done' && value.reason.trim().length < 3 ? helpers.error('any.custom', { message: 'reason' }) : value,
  ),
  'case-opened': Joi.object({
    episodeId: uuid.required(),
    injuryId: uuid.required(),
    technique: Joi.valid(...techniques.map((one) => one.id)).required(),
    replaces: uuid,
    with: Joi.array().items(uuid).max(10),
  }),
  reading,
  'moved-out': Joi.object({ key: uuid.required(), toCase: uuid.required(), reason: reason.required() }),
  // The reading itself is copied by the server from where it was taken: what a client says of it is not kept.
  'moved-in': Joi.object({ key: uuid.required(), fromCase: uuid.required(), reason: reason.required(), measurement: Joi.any().strip() }),
  'reading-withdrawn': Joi.object({ key: uuid.required() }),
  technique: Joi.object({ technique: Joi.valid(...techniques.map((one) => one.id)).required() }),
  orders: Joi.object({ orders: ordersSchema.required() }),
  device: Joi.object({ device: deviceSchema.required() }),
  'plan-dropped': Joi.object({}),
  store: Joi.object({
    placeId: uuid.required(),
    placeName: text(80).required(),
    items: Joi.array().items(stockItemSchema).max(2000).required(),
  }),
  'place-opened': placeOpened,
  'stock-counted': stockCounted,
  'stock-received': stockReceived,
  'stock-taken': stockTaken,
  'stock-reserved': stockReserved,
  'stock-released': stockReleased,
  options: Joi.object({
    options: Joi.object()
      .pattern(Joi.string().max(40), Joi.alternatives(Joi.string().max(60), Joi.number()))
      .required(),
  }),
  setup,
  overrule: Joi.object({
    decision: Joi.string().max(60),
    caution: Joi.string().max(60),
    reason: reason.required(),
    value: Joi.alternatives(Joi.number(), Joi.string().max(120), Joi.boolean(), Joi.array().items(Joi.number()).max(40)),
  })
    .xor('decision', 'caution')
    .with('decision', 'value'),
  plan: Joi.object({
    plan: Joi.object({ format: Joi.valid('zesty-wren/plan').required(), pending: Joi.array().required() })
      .unknown()
      .required(),
  }),
  ...runSchemas,
  applied: Joi.object({}),
  fit: Joi.object({ testId: Joi.string().max(60).required(), isGood: Joi.boolean().required(), note: text(300).required() }),
  note: Joi.object({ text: Joi.string().min(1).max(2000).required() }),
  removed: Joi.object({ reason: reason.required() }),
  'person-added': Joi.object({
    name: Joi.string().min(1).max(120).required(),
    roles: Joi.array()
      .items(Joi.valid(...roles))
      .min(1)
      .required(),
  }),
  settings: Joi.object({
    units: Joi.valid('metric', 'inches').required(),
    fingerCm: Joi.number().min(0.8).max(3.5).allow(null).required(),
    theme: Joi.valid('system', 'light', 'dark').required(),
  }),
}

/** The envelope of an event; its body is checked by kind afterwards. */
export const eventSchema = Joi.object({
  id: uuid.required(),
  stream: Joi.object({ type: Joi.valid(...streamTypes).required(), id: uuid.required() }).required(),
  kind: Joi.valid(...Object.keys(eventBodySchemas)).required(),
  v: Joi.number().integer().min(1).max(1000).required(),
  body: Joi.object().required(),
  at: instant.required(),
  offsetMs: Joi.number().integer().min(-86_400_000).max(86_400_000).required(),
  base: Joi.number().integer().min(0).max(greatestInteger),
  queued: Joi.valid(true),
})

/** Name and password of a sign-in. */
export const signInSchema = Joi.object({
  name: Joi.string().trim().min(1).max(60).required(),
  password: Joi.string().min(1).max(200).required(),
})
