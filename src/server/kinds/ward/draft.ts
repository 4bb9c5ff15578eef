import { judgeProtocol } from '#core/protocols/judge-protocol'
import type { DraftNamed } from '#contract/events/ward/protocol-signed'
import type { ProtocolDraft } from '#contract/records/protocol'
import type { WardRecord } from '#contract/records/ward'
import { ApiError, invalidInput } from '../../ground/api-error'

/** The draft that somebody means. @throws ApiError 409 when there is none, or it was written again meanwhile */
export function draftMeant({ draftedAt }: DraftNamed, { draft }: WardRecord): ProtocolDraft {
  if (draft && Date.parse(draftedAt) === Date.parse(draft.at)) return draft
  throw new ApiError(409, 'stale', 'The draft was written again or put away meanwhile: look at it, then decide.')
}

/** Refuses a draft with faults. @throws ApiError 422 with all of them */
export function checkDraft({ protocol }: ProtocolDraft): void {
  const problems = judgeProtocol(protocol)
  if (problems.length > 0) throw invalidInput(problems.map((problem) => ({ ...problem, path: `draft/${problem.path}` })))
}
