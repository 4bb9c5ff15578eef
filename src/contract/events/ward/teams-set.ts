import type { WardRecord } from '../../records/ward'
import type { Team } from '../../records/ward'
import { wardKind } from '../kind'

export interface TeamsSetBody {
  readonly teams: readonly Team[]
}

/** Who works where: teams with the areas that are theirs. */
export const teamsSet = wardKind<TeamsSetBody>({
  nature: 'replacing',
  right: 'set-teams',
  fold: (record, { body }): WardRecord => ({ ...record, teams: body.teams }),
  example: { teams: [{ name: 'Orthopaedics', areas: ['Ward A', 'Ward B'] }] },
})
