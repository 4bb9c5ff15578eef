import { useEffect } from 'react'
import { paths } from '#contract/api/paths'
import type { BoardAnswer } from '#contract/api/board'
import { forgetAlone } from '../sync/alone'
import { callApi } from '../sync/api'
import type { PatientHere } from '../sync/device'
import { useOutbox } from '../sync/outbox'
import { askAfterPatients, usePatientsHere } from '../sync/patients-here'
import { useSession } from '../sync/session-store'

/** So often it is asked what became of this device's patients. */
const lookEveryMs = 30_000

/**
 * On a device that is worked on without an account: once everything is sent, and every patient of it was handed over on both sides or the case
 * has ended, the entry is over. Its keys go, and the page is the way in again.
 * @param isEmergency whether this page is one
 */
export function useEmergencyOver(isEmergency: boolean): void {
  useEffect(() => {
    if (!isEmergency) return
    let isOver = false
    const look = async (): Promise<void> => {
      const { state } = useSession.getState()
      if (state.status !== 'signed-in' || state.isUnproven) return
      const board = await callApi<BoardAnswer>('GET', paths.board)
      if (isOver || board.kind !== 'ok') return
      const onBoard = board.value.rows.map(({ caseId }) => caseId)
      await askAfterPatients(onBoard, state.person.id, isWaiting)
      if (isOver || isAnythingLeft() || onBoard.length > 0) return
      const own = usePatientsHere.getState().patients.filter(({ personId }) => personId === state.person.id)
      // Where nothing was begun yet there is nothing to be over.
      if (own.length === 0 || own.some(({ gone }) => gone === undefined)) return
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

/** Whether something of a patient has yet to be sent: the server may know nothing of them. */
function isWaiting({ caseId, episodeId }: PatientHere): boolean {
  return useOutbox.getState().pending.some(({ stream }) => stream.id === caseId || stream.id === episodeId)
}
