import { useState } from 'react'
import { paths } from '#contract/api/paths'
import type { StepBand } from '#contract/api/practice-overview'
import type { SittingSheets } from '#ward/practice/sitting-sheets'
import type { Agreement } from '#core/practice/stations/agreement'
import type { Plan } from '#core/model/plan'
import type { Station } from '#core/practice/stations/station'
import { stepName } from '#core/runs/step-name'
import { ButtonLink } from '../../../parts/button'
import { ChoiceRow } from '../../../parts/choice-row'
import { Notice } from '../../../parts/notice'
import { PrintPair } from '../../../parts/print-pair'
import { DebriefNotes } from './debrief-notes'
import { StationSheet } from './station-sheet'

/** The sheets of a run that was examined: one for each examiner, and how far two agree. */
export function RunSheets({
  id,
  station,
  plan,
  sheets: { sheets, agreement, result },
  bands,
  isOwn,
  isOver,
}: {
  id: string
  station: Station
  plan: Plan
  sheets: SittingSheets
  bands: readonly StepBand[]
  isOwn: boolean
  /** Everybody who marks it has ended it, and the server has it all. */
  isOver: boolean
}) {
  const [shownId, setShownId] = useState<string | null>(null)
  const sheet = sheets.find((one) => one.by.id === shownId) ?? sheets[0]
  if (!sheet) return null
  const zone = Intl.DateTimeFormat().resolvedOptions().timeZone
  return (
    <>
      {isOver ? null : (
        <Notice tone="note" lead="This is your own sheet.">
          It counts once everybody who marks the run has ended it and the server has it.
        </Notice>
      )}
      {sheets.length > 1 ? (
        <ChoiceRow
          label={`Examined by two; together ${result?.total.toFixed(1) ?? ''} of 100`}
          value={sheet.by.id}
          choices={sheets.map((one) => ({ value: one.by.id, label: `${one.by.name}: ${one.score.total.toFixed(1)}` }))}
          onChange={setShownId}
        />
      ) : null}
      {agreement ? <AgreementLine agreement={agreement} /> : null}
      <StationSheet station={station} plan={plan} sheet={sheet} bands={bands} isOwn={isOwn}>
        <ButtonLink look="next" to={`/practice/station/${station.id}`}>
          Again
        </ButtonLink>
        {isOver ? (
          <>
            <PrintPair name="Sheet" href={(paper) => `${paths.practiceSheet(id, 'pdf')}?sheet=${paper}&zone=${encodeURIComponent(zone)}`} />
            <a
              href={paths.practiceSheet(id, 'csv')}
              download
              className="inline-flex min-h-12 items-center rounded-2xl border-[1.5px] border-soft bg-sheet px-5 font-semibold"
            >
              Export CSV
            </a>
          </>
        ) : null}
      </StationSheet>
      <DebriefNotes run={id} />
    </>
  )
}

function AgreementLine({ agreement: { observed, kappa, apart } }: { agreement: Agreement }) {
  return (
    <section aria-label="How far the examiners agree" className="rounded-2xl border border-line bg-sheet px-5 py-3">
      <p>
        <strong>{Math.round(100 * (observed ?? 0))} % of the steps seen alike.</strong>{' '}
        <span className="numeral text-soft">
          {kappa === null ? 'Both saw everything alike: kappa says nothing then.' : `Cohen’s kappa ${kappa.toFixed(2)}.`}
        </span>
      </p>
      {apart.length > 0 ? <p className="text-soft">Apart on: {apart.map((step) => stepName({ id: step })).join(', ')}.</p> : null}
    </section>
  )
}
