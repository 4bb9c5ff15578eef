import Joi from 'joi'
import { castMaterials } from '#core/case/device'
import { day, text, uuid } from './field-schemas'
import { placeKinds } from './records/store'
import { oxygenRoutes, spinePositions } from '#core/case/orders'

const range = Joi.array().ordered(Joi.number().required(), Joi.number().required()).length(2)

/** An item as plans use it: a sized device or a length of material. */
export const stockItemSchema = Joi.object({
  item: text(40),
  technique: text(40),
  size: text(60),
  setting: Joi.number().min(0).max(60),
  widthCm: Joi.number().min(0).max(200),
  lengthCm: Joi.number().min(0).max(5000),
  fits: Joi.object().pattern(Joi.string().max(40), range),
  count: Joi.number().integer().min(0).max(1_000_000),
  prefer: Joi.valid('larger', 'smaller'),
  straps: Joi.number().integer().min(0).max(20),
  clickDeg: Joi.number().min(0).max(90),
  leastStopDeg: Joi.number().min(-20).max(160),
  greatestStopDeg: Joi.number().min(-20).max(160),
}).or('item', 'technique')

const orderedBy = { by: text(120), at: text(40) }
/** What has been ordered for a patient. */
export const ordersSchema = Joi.object({
  woundPlan: Joi.boolean(),
  openNow: Joi.boolean(),
  oxygen: Joi.valid(...oxygenRoutes),
  week: Joi.number().min(0).max(520),
  spine: Joi.valid(...spinePositions),
  weight: Joi.object(orderedBy),
  brace: Joi.object({
    ...orderedBy,
    extensionStop: Joi.number().min(-10).max(140).required(),
    flexionStop: Joi.number().min(-10).max(140).min(Joi.ref('extensionStop')).required(),
    lock: text(40).required(),
  }),
  wedges: Joi.array()
    .items(Joi.object({ week: Joi.number().min(0).max(520).required(), count: Joi.number().integer().min(0).max(10).required() }))
    .max(20),
})

/** A cast that is already on. */
export const deviceSchema = Joi.object({
  material: Joi.valid(...castMaterials),
  layers: Joi.number().min(1).max(60),
  paddingLayers: Joi.number().min(0).max(20),
  minutesSince: Joi.number().min(0).max(1_000_000),
  lastRound: Joi.valid('none', 'known', 'warn', 'review', 'urgent'),
})

/** A new place that keeps stock. */
export const placeOpened = Joi.object({ name: Joi.string().trim().min(1).max(80).required(), kind: Joi.valid(...placeKinds).required() })

/** Counts of lots: what a stock event changes. */
const count = Joi.number().integer().min(0).max(100_000)
const some = Joi.number().integer().min(1).max(100_000)
export const stockCounted = Joi.object({ lotId: uuid.required(), count: count.required(), note: text(200) })
export const stockReceived = Joi.object({
  lotId: uuid.required(),
  itemCode: Joi.string().max(80).required(),
  lot: text(40).required(),
  expiresOn: day.allow(null).required(),
  count: some.required(),
})
export const stockTaken = Joi.object({ itemCode: Joi.string().max(80).required(), count: some.required(), caseId: uuid, note: text(200) })
export const stockReserved = Joi.object({ itemCode: Joi.string().max(80).required(), count: some.required(), caseId: uuid.required() })
export const stockReleased = Joi.object({ caseId: uuid.required() })
