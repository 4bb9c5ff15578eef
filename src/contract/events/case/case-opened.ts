import type { CaseRecord } from '../../records/case'
import type { Protocol } from '#core/quantities/defaults'
import { defaultSetup } from '../../records/case'
import { exampleEpisodeId, exampleInjuryId } from '../example-ids'
import { caseKind } from '../kind'

export interface CaseOpenedBody {
  readonly episodeId: string
  readonly injuryId: string
  readonly technique: string
  readonly replaces?: string
  /** The technique of what it replaces; the server adds it where it is left out. */
  readonly oldTechnique?: string
  readonly with?: readonly string[]
  /** The version of the local protocol that was in force where it was opened; the server adds it where it is left out. */
  readonly protocol?: Protocol
}

/** A case begins: one device on one patient. */
export const caseOpened = caseKind<CaseOpenedBody>({
  nature: 'opening',
  right: 'add',
  names: ({ episodeId, replaces, with: others = [] }) => [episodeId, replaces, ...others],
  isOfOthers: ({ replaces, with: others = [] }) => replaces !== undefined || others.length > 0,
  isCompletedByServer: true,
  asSent: ({ oldTechnique: _, protocol: __, ...sent }) => sent,
  open: (streamId, { at, body }): CaseRecord => ({
    id: streamId,
    ...body,
    openedAt: at,
    options: {},
    setup: defaultSetup,
    measurements: [],
    overrules: [],
    accepted: null,
    runs: [],
    appliedAt: null,
    fit: [],
    notes: [],
    removedAt: null,
  }),
  example: { episodeId: exampleEpisodeId, injuryId: exampleInjuryId, technique: 'leg-slab' },
})
