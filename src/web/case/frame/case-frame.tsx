import { useEffect } from 'react'
import { createPortal } from 'react-dom'
import { Outlet, useOutletContext, useParams } from 'react-router'
import { useShallow } from 'zustand/react/shallow'
import type { ShellParts } from '../../parts/shell-parts'
import { Notice } from '../../parts/notice'
import { ButtonLink } from '../../parts/button'
import { loadCase, useCase, useCaseStore } from '../../sync/case-store'
import { CaseStrip } from './case-strip'
import { ChangeBar } from './change-bar'
import { ClaimBar } from './claim-bar'
import { EndedBar } from './ended-bar'
import { GiveOverBar } from './give-over-bar'
import { goneWords } from './gone-words'
import { FirstHint } from './first-hint'
import { keepPatientOf } from './keep-patient'
import { keepTimers } from '../../strip/timer-store'
import { PathRail } from './path-rail'
import { PatientHead } from './patient-head'
import { RelatedBar } from './related-bar'
import { LoadingTape } from '../../parts/tape'
import { SayWhyForm } from '../run/say-why-form'
import { SheetHead } from '../../parts/sheet-host'
import { Strip } from '../../strip/strip'

/** Every stage of a case below the top row: what else is on this patient, the path, and the stage itself. */
export function CaseFrame() {
  const { caseId } = useParams()
  // What the server has taken is drawn already: only these four are looked at.
  const [status, asked, held, gone] = useCaseStore(useShallow((store) => [store.status, store.asked, store.caseId, store.gone]))
  const open = useCase()
  const { caseSlot, stripSlot } = useOutletContext<ShellParts>()
  useEffect(() => {
    if (caseId) void loadCase(caseId)
  }, [caseId])
  useEffect(() => {
    if (!open) return
    keepTimers(open)
    keepPatientOf(open)
  }, [open])
  const skinTone = open?.episode.patient.skinTone ?? 'neutral'
  useEffect(() => {
    document.documentElement.dataset['skin'] = skinTone
    return () => {
      delete document.documentElement.dataset['skin']
    }
  }, [skinTone])
  if (open && held === caseId && status !== 'say-why' && status !== 'gone') {
    return (
      <SheetHead value={<PatientHead open={open} />}>
        {/* In the same moment as the page below, so that nothing of it moves. */}
        {caseSlot ? createPortal(<PatientHead open={open} />, caseSlot) : null}
        {stripSlot ? createPortal(<CaseStrip open={open} />, stripSlot) : null}
        <RelatedBar open={open} />
        <ClaimBar open={open} />
        <GiveOverBar open={open} />
        <EndedBar open={open} />
        <PathRail open={open} />
        <ChangeBar open={open} />
        <FirstHint caseId={open.record.id} />
        <Outlet />
      </SheetHead>
    )
  }
  return (
    <main id="main" className="mx-auto grid w-full max-w-lg flex-1 content-start gap-4 p-6">
      {stripSlot ? createPortal(<Strip isKept />, stripSlot) : null}
      {status === 'missing' ? (
        <Notice tone="caution" lead="There is no case at this address">
          Look for it on the Board. A new case in which nothing was entered is not kept: begin it again.
        </Notice>
      ) : null}
      {gone ? <Notice tone="note" lead={goneWords(gone)} /> : null}
      {asked && caseId ? <SayWhyForm caseId={caseId} words={asked.words} /> : null}
      {status === 'offline' ? (
        <Notice tone="caution" lead="No connection, and this device has not seen the case before">
          It opens as soon as the server answers.
        </Notice>
      ) : null}
      {status === 'loading' ? <LoadingTape words="Opening the case…" /> : <ButtonLink to="/">To the Board</ButtonLink>}
    </main>
  )
}
