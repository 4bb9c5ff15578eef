import { useEffect, useRef } from 'react'
import { useNavigate, useSearchParams } from 'react-router'
import { v7 as uuidv7 } from 'uuid'
import { unknownInjury, unknownPatient, type InjuryRecord, type PatientDetails } from '#contract/records/episode'
import type { Technique } from '#core/planner/technique'
import { techniques } from '#core/techniques/registry'
import { triedCaseKey } from '../../case/plan/tried-case'
import { beginCase, holdNewCase } from '../../sync/case-store'
import { firstPlace, lastPlaceKey } from '../../sync/last-place'
import { makeEvent } from '../../sync/outbox'
import { protocolOfNewCase } from '../../sync/protocol-in-force'
import { currentDurable, useSession } from '../../sync/session-store'

/** Starts a case at once, before any name: its ids are made here. Nothing of it is written before something is entered. */
export function NewCase() {
  const navigate = useNavigate()
  const [asked] = useSearchParams()
  const isStarted = useRef(false)
  useEffect(() => {
    if (isStarted.current) return
    isStarted.current = true
    void start(asked.get('try')).then((caseId) => navigate(`/case/${caseId}/size-up`, { replace: true }))
  }, [navigate, asked])
  return (
    <main id="main" className="flex-1 p-6" role="status">
      Starting a case…
    </main>
  )
}

/** @param tried the technique that a newcomer tries, on somebody made up: what is hurt is filled in; null otherwise */
async function start(tried: string | null): Promise<string> {
  const [episodeId, caseId, injuryId, patientId] = [uuidv7(), uuidv7(), uuidv7(), uuidv7()]
  const zone = Intl.DateTimeFormat().resolvedOptions().timeZone || 'Etc/UTC'
  const trial = techniques.find(({ id }) => id === tried)
  const technique = (trial ?? techniques[0])?.id ?? ''
  const lastPlace = await currentDurable()?.readDraft(lastPlaceKey)
  const protocol = await protocolOfNewCase()
  const episode = { type: 'episode', id: episodeId } as const
  holdNewCase(caseId, episodeId, [
    makeEvent(
      episode,
      'episode-opened',
      {
        patientId,
        // A paired device lies somewhere, and is named after it.
        place: lastPlace ?? useSession.getState().pairedAs ?? firstPlace,
        zone,
        ...(trial ? { patient: madeUp } : {}),
      },
      0,
    ),
    makeEvent(episode, 'injury', { injuryId, injury: trial ? hurt(trial) : unknownInjury }, 1),
    makeEvent({ type: 'case', id: caseId }, 'case-opened', { episodeId, injuryId, technique, ...protocol }, 0),
  ])
  if (trial) {
    // Its region is given: it begins like any case of which something is known.
    beginCase()
    await currentDurable()?.writeDraft(triedCaseKey, caseId)
  }
  return caseId
}

const madeUp: PatientDetails = { ...unknownPatient, name: 'Somebody made up', ageYears: 34 }

function hurt({ regions, patterns }: Technique): InjuryRecord {
  return {
    ...unknownInjury,
    region: regions.find((region) => region === 'ankle') ?? regions[0] ?? null,
    side: 'left',
    pattern: patterns[0] ?? unknownInjury.pattern,
  }
}
