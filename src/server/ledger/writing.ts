import type { Sequelize } from 'sequelize'
import type { EventInput } from '#contract/event'
import type { Clock } from '../ground/clock'
import type { Planner } from '../planning/planner'
import type { Countersigns } from '../repositories/countersigns'
import type { EventRepository } from '../repositories/events'
import type { Account, PeopleRepository } from '../repositories/people'
import type { StockRepository } from '../repositories/stock'
import type { StreamRepository } from '../repositories/streams'
import type { AdmittedTime } from './admit-time'

// What passes between the services that keep an event.

export type Actor = Pick<Account, 'id' | 'name' | 'roles'>

export interface AppendDeps {
  readonly db: Sequelize
  readonly events: EventRepository
  readonly streams: StreamRepository
  readonly people: PeopleRepository
  readonly stock: StockRepository
  readonly countersigns: Countersigns
  readonly planner: Planner
  readonly clock: Clock
}

/** One event on its way into a stream. */
export interface Writing {
  readonly input: EventInput
  readonly actor: Actor
  readonly receivedAt: string
  readonly time: AdmittedTime
  /** For an accepted plan: what it was compared with. */
  readonly checked: CheckedPlan | null
}

/** What a plan was compared with: when either has moved on, it is compared again. */
export interface CheckedPlan {
  readonly caseVersion: number
  readonly episodeVersion: number
}

/** Somebody wrote between planning and keeping: it is planned again. */
export class MovedOn extends Error {}
