import { useEffect } from 'react'
import { paths } from '#contract/api/paths'
import type { BoardAnswer } from '#contract/views/board'
import { forgetAlone } from '../sync/alone'
import { callApi } from '../sync/api'
import { useOutbox } from '../sync/outbox'
import { useSession } from '../sync/session-store'

/** Long after a stay was begun by one tap: a Board without any is one where all are claimed or ended. */
const lookEveryMs = 30_000

/**
 * On a device that is worked on without an account: once everything is sent, and every stay begun here is claimed or ended, the entry is over.
 * Its keys go, and the page is the way in again.
 * @param isEmergency whether this page is one
 */
export function useEmergencyOver(isEmergency: boolean): void {
  useEffect(() => {
    if (!isEmergency) return
    let isOver = false
    const look = async (): Promise<void> => {
      const { state } = useSession.getState()
      if (state.status !== 'signed-in' || state.isUnproven || isAnythingLeft()) return
      const board = await callApi<BoardAnswer>('GET', paths.board)
      if (isOver || board.kind !== 'ok' || isAnythingLeft()) return
      if (board.value.rows.length > 0) return
      isOver = true
      await forgetAlone()
      await useSession.getState().signOut()
    }
    const timer = setInterval(() => void look(), lookEveryMs)
    return () => {
      isOver = true
      clearInterval(timer)
    }
  }, [isEmergency])
}

/** Whether something waits to be sent, or was refused and nobody has decided about it yet. */
function isAnythingLeft(): boolean {
  const { pending, undecided } = useOutbox.getState()
  return pending.length + undecided.length > 0
}
