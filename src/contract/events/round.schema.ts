import Joi from 'joi'
import { colours, feelings, movements, nerves, pulses, warmths } from '#core/model/observation'
import { neckItems, spineItems, strengthLimbs } from '#core/rounds/judge-column'
import { sides, swellings } from '#core/model/vocabulary'
import { text, uuid } from '../field-schemas'
import { roundOutcomes } from '../records/episode'

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

/** The body of `round`. */
export const schema = Joi.object({
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
)
