import Joi from 'joi'
import { techniques } from '#core/techniques/registry'
import { uuid } from '../../field-schemas'
import { protocolSchema } from '../../protocol-schema'

/** The body of `case-opened`. */
export const schema = Joi.object({
  episodeId: uuid.required(),
  injuryId: uuid.required(),
  technique: Joi.valid(...techniques.map((technique) => technique.id)).required(),
  replaces: uuid,
  oldTechnique: Joi.valid(...techniques.map((technique) => technique.id)),
  with: Joi.array().items(uuid).max(10),
  protocol: protocolSchema,
})
