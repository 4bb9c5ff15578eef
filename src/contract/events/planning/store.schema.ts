import Joi from 'joi'
import { text, uuid } from '../../field-schemas'

const range = Joi.array().ordered(Joi.number().required(), Joi.number().required()).length(2)
/** An item as plans use it: a sized device or a length of material. */
const item = Joi.object({
  item: text(40),
  technique: text(40),
  size: text(60),
  setting: Joi.number().min(0).max(60),
  widthCm: Joi.number().min(0).max(200),
  lengthCm: Joi.number().min(0).max(5000),
  fits: Joi.object().pattern(/^.{1,40}$/, range),
  count: Joi.number().integer().min(0).max(1_000_000),
  prefer: Joi.valid('larger', 'smaller'),
  straps: Joi.number().integer().min(0).max(20),
  clickDeg: Joi.number().min(0).max(90),
  leastStopDeg: Joi.number().min(-20).max(160),
  greatestStopDeg: Joi.number().min(-20).max(160),
  bareBarCm: Joi.number().min(0).max(60),
  strapNames: Joi.array().items(text(40)).max(20),
  strapDirection: text(80),
}).or('item', 'technique')

/** The body of `store`. */
export const schema = Joi.object({
  placeId: uuid.required(),
  placeName: text(80).required(),
  items: Joi.array().items(item).max(2000).required(),
})
