import Joi from 'joi'
import { cannotAskReasons, colours, feelings, movements, nerves, pulses, warmths } from '#core/model/observation'
import { alsoAskedSigns, feelingLevels, keyMovements, skinWords, vitalItems, type WordItem } from '#core/model/round-items'
import { wordItemsOf } from '#core/rounds/look-at-block'
import { sides, swellings } from '#core/model/vocabulary'
import { text, uuid } from '../../field-schemas'
import { roundOutcomes } from '../../records/episode'

const cannotAssess = Joi.object({
  cannotAssess: Joi.valid(true).required(),
  reason: Joi.string().min(1).max(200).required(),
  until: text(60),
})
const item = (schema: Joi.Schema): Joi.AlternativesSchema => Joi.alternatives(schema, cannotAssess)
const nerveItems = (values: readonly string[]): Joi.ObjectSchema =>
  Joi.object(Object.fromEntries([...nerves.leg, ...nerves.arm].map((nerve) => [nerve.id, item(Joi.valid(...values))])))
const power = item(Joi.number().integer().min(0).max(5))
const skin = item(Joi.valid(...skinWords))
/** What was found on one limb. */
export const limbSchema = Joi.object({
  limb: Joi.valid('leg', 'arm').required(),
  side: Joi.valid(...sides).required(),
  colour: item(Joi.valid(...colours)),
  colourUsual: Joi.boolean(),
  warmth: item(Joi.valid(...warmths)),
  refillS: item(Joi.number().min(0).max(20)),
  pulse: item(Joi.valid(...pulses)),
  movement: nerveItems(movements),
  feeling: nerveItems(feelings),
  power: Joi.object(Object.fromEntries([...keyMovements.arm, ...keyMovements.leg].map(({ id }) => [id, power]))),
  swelling: item(Joi.valid(...swellings)),
  restPain: item(Joi.number().min(0).max(10)),
  stretchPain: item(Joi.boolean()),
  tight: item(Joi.boolean()),
  painBeyondExpected: Joi.boolean(),
  spotPain: Joi.boolean(),
  skin,
  also: Joi.array()
    .items(Joi.valid(...alsoAskedSigns))
    .max(20),
})
/** A block of findings: its own items in words, the level of feeling, figures, skin by area. */
const block = (items: readonly WordItem[], more: Record<string, Joi.Schema>): Joi.ObjectSchema =>
  Joi.object({ ...Object.fromEntries(items.map(({ id, words }) => [id, item(Joi.valid(...words))])), ...more }).pattern(
    /^skin\/[a-z-]{1,40}$/,
    skin,
  )
const figures = Object.fromEntries(vitalItems.map(({ id, greatest }) => [id, item(Joi.number().min(0).max(greatest))]))

/** The body of `round`. */
export const schema = Joi.object({
  cases: Joi.array().items(uuid).max(20).required(),
  isBaseline: Joi.boolean().required(),
  outcome: Joi.valid(...roundOutcomes).required(),
  reason: text(300).required(),
  corrects: Joi.object({ round: uuid.required(), why: Joi.string().trim().min(3).max(300).required() }),
  findings: Joi.object({
    analgesia: Joi.boolean(),
    cannotAsk: Joi.valid(...cannotAskReasons),
    limbs: Joi.array().items(limbSchema).max(4).required(),
    neck: block(wordItemsOf.neck, {}),
    spine: block(wordItemsOf.spine, { level: item(Joi.valid(...feelingLevels)) }),
    vital: block(wordItemsOf.vital, figures),
  }).required(),
}).custom((value: { outcome: string; reason: string }, helpers) =>
  value.outcome !== 'done' && value.reason.trim().length < 3 ? helpers.error('any.custom', { message: 'reason' }) : value,
)
