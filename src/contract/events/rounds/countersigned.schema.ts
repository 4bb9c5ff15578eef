import Joi from 'joi'
import { uuid } from '../../field-schemas'
import { mostCountersigned } from './countersigned'

/** The body of `countersigned`. */
export const schema = Joi.object({ events: Joi.array().items(uuid).min(1).max(mostCountersigned).unique().required() })
