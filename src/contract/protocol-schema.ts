import Joi from 'joi'
import type { Protocol } from '#core/quantities/defaults'

const stretches = Joi.array()
  .items(Joi.object({ everyMin: Joi.number().required(), times: Joi.number().required() }))
  .min(1)
  .max(20)

/** The shape of a local protocol, in an event and in a file; what its figures may be is judged by the core. */
export const protocolSchema = Joi.object<Protocol>({
  name: Joi.string().max(60).required(),
  version: Joi.number().integer().min(0).max(100_000).required(),
  numbers: Joi.object()
    .pattern(/^.{1,60}$/, Joi.number())
    .max(300)
    .required(),
  options: Joi.object()
    .pattern(/^.{1,80}$/, Joi.alternatives(Joi.string().max(60), Joi.number()))
    .max(300)
    .required(),
  stopTables: Joi.object()
    .pattern(
      /^.{1,60}$/,
      Joi.array()
        .items(
          Joi.object({
            fromWeek: Joi.number().required(),
            extensionStopDeg: Joi.number().required(),
            flexionStopDeg: Joi.number().required(),
            lock: Joi.string().max(20).required(),
          }),
        )
        .max(60),
    )
    .max(40),
  rounds: Joi.object({ usual: stretches, atRisk: stretches, shifts: Joi.array().items(Joi.string().max(10)).max(12) }),
})
