import Joi from 'joi'
import { moveKinds } from '#core/practice/drill/drill-state'
import { nights } from '#core/practice/drill/nights'
import { criticalIds } from '#core/practice/stations/station'
import { markKinds, type MarkBody } from '#core/practice/stations/marks'
import { instant, shortId, uuid } from '../field-schemas'
import { sittingWays, teamRoleIds } from '../records/practice'
import { limbSchema } from '../events/rounds/round.schema'
import { leastNightMin, longestSeed, mostMarksAtOnce, mostMoves } from './practice'

/** Three hours at most, and half of that again until nothing is left of the time. */
const mostMs = 5 * 3_600_000
const mostTeam = 6
const mostMembers = 60

/** A field that marks of one kind have, and no other. */
const only = (kind: MarkBody['kind'], schema: Joi.Schema): Joi.Schema =>
  schema.when('kind', { is: kind, then: Joi.required(), otherwise: Joi.forbidden() })

const what = Joi.object({
  kind: Joi.valid(...markKinds).required(),
  stepId: only('tick', shortId),
  error: only('critical', Joi.valid(...criticalIds)),
  decision: only('answer', shortId),
  given: only('answer', Joi.string().allow('').max(40)),
  ask: only('told', Joi.number().integer().min(0).max(99)),
  of: only('undo', uuid),
}).required()

export const sittingSchema = Joi.object({
  way: Joi.valid(...sittingWays).required(),
  // Read by the core, which names every fault of it.
  station: Joi.object().unknown().required(),
  candidates: Joi.array()
    .items(Joi.object({ id: uuid.required(), role: Joi.valid(...teamRoleIds, null).required() }))
    .min(1)
    .max(mostTeam)
    .unique('id')
    .required(),
  begunAt: instant.required(),
  marks: Joi.array()
    .items(Joi.object({ id: uuid.required(), atMs: Joi.number().integer().min(0).max(mostMs).required(), what }))
    .max(mostMarksAtOnce)
    .required(),
})

export const ownStationSchema = Joi.object({ station: Joi.object().unknown().required() })

/** A group without members is one that ends. */
export const groupSchema = Joi.object({
  name: Joi.string().trim().min(2).max(80).required(),
  members: Joi.array().items(uuid).max(mostMembers).unique().required(),
})

const longestNightMin = 12 * 60
const mostBeds = 20
const onlyWhen = (kind: (typeof moveKinds)[number], schema: Joi.Schema): Joi.Schema =>
  schema.when('kind', { is: kind, then: Joi.required(), otherwise: Joi.forbidden() })

export const drillSchema = Joi.object({
  night: Joi.valid(...nights.map((night) => night.id)).required(),
  seed: Joi.string().max(longestSeed).required(),
  moves: Joi.array()
    .items(
      Joi.object({
        kind: Joi.valid(...moveKinds).required(),
        atMin: Joi.number().integer().min(0).max(longestNightMin).required(),
        bed: Joi.number().integer().min(1).max(mostBeds).required(),
        wakes: onlyWhen('look', Joi.boolean()),
        analgesia: onlyWhen('record', Joi.boolean()),
        limbs: onlyWhen('record', Joi.array().items(limbSchema).max(2)),
      }),
    )
    .max(mostMoves)
    .required(),
  endedAtMin: Joi.number().integer().min(leastNightMin).max(longestNightMin),
})
