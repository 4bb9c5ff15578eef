import type { WardAnswer } from '#contract/api/pager'
import { paths } from '#contract/api/paths'
import { localName, protocolInForce } from '#contract/records/protocol'
import { defaultProtocol, type Protocol } from '#core/quantities/defaults'
import { callApi } from './api'
import { currentDurable } from './session-store'
import { useAnswer } from './use-answer'

/** A case begins at once: a line that is slow counts as none. */
const waitMs = 1_500

/** The protocol in force as far as it is known here; as shipped before it has been read. */
export function useProtocolInForce(): Protocol {
  const { answer } = useAnswer<WardAnswer>(paths.ward)
  return answer ? protocolInForce(answer.ward) : defaultProtocol
}

/**
 * What a new case says that it is planned by: asked for at the server, without a line as this device read it last. Nothing where that is as
 * shipped, or was never read: then the server says it.
 */
export async function protocolOfNewCase(): Promise<{ readonly protocol?: Protocol }> {
  const slow = new Promise<null>((resolve) => setTimeout(() => resolve(null), waitMs))
  const result = await Promise.race([callApi<WardAnswer>('GET', paths.ward), slow])
  const durable = currentDurable()
  if (result?.kind === 'ok') void durable?.writeAnswer(paths.ward, result.value)
  const answer = result?.kind === 'ok' ? result.value : await durable?.readAnswer<WardAnswer>(paths.ward)
  const protocol = answer && protocolInForce(answer.ward)
  return protocol?.name === localName ? { protocol } : {}
}
