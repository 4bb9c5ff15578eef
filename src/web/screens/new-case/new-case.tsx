import { useEffect, useRef } from 'react'
import { useNavigate } from 'react-router'
import { v7 as uuidv7 } from 'uuid'
import { unknownInjury } from '#contract/records/episode'
import { techniques } from '#core/techniques/registry'
import { holdNewCase } from '../../sync/case-store'
import { firstPlace, lastPlaceKey } from '../../sync/last-place'
import { makeEvent } from '../../sync/outbox'
import { protocolOfNewCase } from '../../sync/protocol-in-force'
import { currentDurable } from '../../sync/session-store'

/** Starts a case at once, before any name: its ids are made here. Nothing of it is written before something is entered. */
export function NewCase() {
  const navigate = useNavigate()
  const isStarted = useRef(false)
  useEffect(() => {
    if (isStarted.current) return
    isStarted.current = true
    void start().then((caseId) => navigate(`/case/${caseId}/size-up`, { replace: true }))
  }, [navigate])
  return (
    <main id="main" className="flex-1 p-6" role="status">
      Starting a case…
    </main>
  )
}

async function start(): Promise<string> {
  const [episodeId, caseId, injuryId, patientId] = [uuidv7(), uuidv7(), uuidv7(), uuidv7()]
  const zone = Intl.DateTimeFormat().resolvedOptions().timeZone || 'Etc/UTC'
  const technique = techniques[0]?.id ?? ''
  const lastPlace = await currentDurable()?.readDraft(lastPlaceKey)
  const protocol = await protocolOfNewCase()
  const episode = { type: 'episode', id: episodeId } as const
  holdNewCase(caseId, episodeId, [
    makeEvent(episode, 'episode-opened', { patientId, place: lastPlace ?? firstPlace, zone }, 0),
    makeEvent(episode, 'injury', { injuryId, injury: unknownInjury }, 1),
    makeEvent({ type: 'case', id: caseId }, 'case-opened', { episodeId, injuryId, technique, ...protocol }, 0),
  ])
  return caseId
}
