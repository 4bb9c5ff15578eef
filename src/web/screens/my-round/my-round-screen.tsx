import { useEffect, useState, type ReactNode } from 'react'
import { paths } from '#contract/api/paths'
import type { BoardAnswer, BoardRow } from '#contract/api/board'
import { knownAreas } from '../../case/run/places'
import { NotDoneSheet } from '../../case/run/not-done-sheet'
import { ChoiceSet } from '../../parts/choice-row'
import { EmptyPage } from '../../parts/empty-page'
import { Fold } from '../../parts/fold'
import { Notice } from '../../parts/notice'
import { keepCases } from '../../sync/case-store'
import { makeEvent, sendEvent } from '../../sync/outbox'
import { serverNow } from '../../sync/server-clock'
import { useAnswer } from '../../sync/use-answer'
import { saveSettings } from '../../sync/save-settings'
import { usePerson } from '../../sync/session-store'
import { useDraft } from '../../sync/use-draft'
import { useNow } from '../../sync/use-now'
import { BedCard } from './bed-card'
import { BedRound } from './bed-round'
import { planWalk, type WalkedHere } from './walk'

/** Bed to bed through what is due at my places, at all of them until I chose some: without a line too. */
export function MyRoundScreen() {
  const { answer, refusal } = useAnswer<BoardAnswer>(paths.board)
  const now = useNow(10_000)
  const person = usePerson()
  const [walkedText, setWalked] = useDraft('my-round/walked')
  const areas = person.settings.places ?? []
  const walked = (walkedText ? JSON.parse(walkedText) : {}) as WalkedHere
  const rows = answer?.rows ?? []
  const walk = planWalk(rows, areas, walked, now)
  const [sheet, setSheet] = useState<{ readonly what: 'round' | 'not-done'; readonly row: BoardRow } | null>(null)
  // Nobody's case is read, and kept here, before somebody said that they walk there.
  const ids = areas.length === 0 ? '' : walk.beds.map((row) => row.caseId).join(' ')
  useEffect(() => {
    // Kept here before the line is gone.
    if (ids) void keepCases(ids.split(' '))
  }, [ids])
  const markDone = (row: BoardRow): void => setWalked(JSON.stringify({ ...walked, [row.caseId]: serverNow() }))
  const total = walk.beds.length + walk.done.length
  return (
    <main id="main" className="page page-text">
      <h1 className="text-2xl font-bold">My round</h1>
      <p className={`mb-3 text-soft ${rows.length === 0 ? 'hidden' : ''}`} role="status">
        {areas.length === 0 && rows.length > 0
          ? 'All places. Choose yours: they are remembered, and kept on this device for when there is no connection. '
          : ''}
        {total === 0
          ? `Nothing is due for the next half hour${walk.laterCount > 0 ? `; ${walk.laterCount} later` : ''}.`
          : `${walk.done.length} of ${total} done${walk.laterCount > 0 ? `, ${walk.laterCount} later` : ''}.`}
      </p>
      {refusal ? <Notice tone="caution" lead={refusal} role="alert" /> : null}
      {answer && rows.length === 0 ? (
        <div className="mt-3">
          <EmptyPage lead="Nobody has anything on">
            <p>Whoever is in a device stands here when a round is due, in the order of the beds.</p>
          </EmptyPage>
        </div>
      ) : answer ? (
        <PlacesFold areas={areas}>
          <ChoiceSet
            label="My places"
            values={areas}
            choices={[...new Set([...knownAreas(answer.rows), ...areas])].map((value) => ({ value, label: value }))}
            onChange={(places) => saveSettings({ ...person.settings, places })}
          />
        </PlacesFold>
      ) : (
        <p className="text-soft">Reading…</p>
      )}
      <ol aria-label="Beds to go to" className="mt-5 grid gap-3">
        {walk.beds.map((row, index) => (
          <BedCard
            key={row.caseId}
            row={row}
            now={now}
            isNext={index === 0}
            onRound={() => setSheet({ what: 'round', row })}
            onNotDone={() => setSheet({ what: 'not-done', row })}
          />
        ))}
      </ol>
      {sheet?.what === 'round' ? (
        <BedRound key={sheet.row.caseId} row={sheet.row} onDone={() => markDone(sheet.row)} onClose={() => setSheet(null)} />
      ) : null}
      {sheet?.what === 'not-done' ? (
        <NotDoneSheet
          title={`Round not done: ${sheet.row.patient}, ${sheet.row.place}`}
          draftKey={`case/${sheet.row.caseId}/not-done`}
          {...(sheet.row.isAtRisk ? { onWake: () => setSheet({ what: 'round', row: sheet.row }) } : {})}
          onClose={() => setSheet(null)}
          onSave={(outcome, reason) => {
            const { caseId, episodeId } = sheet.row
            const body = { cases: [caseId], isBaseline: false, outcome, reason, findings: { limbs: [] } }
            setSheet(null)
            markDone(sheet.row)
            void sendEvent(makeEvent({ type: 'episode', id: episodeId }, 'round', body, 0))
          }}
        />
      ) : null}
    </main>
  )
}

/** Places that were chosen before make room on a phone for the beds; while they are chosen all stay in sight. */
function PlacesFold({ areas, children }: { areas: readonly string[]; children: ReactNode }) {
  const [isChoosing] = useState(areas.length === 0)
  return isChoosing ? children : <Fold label={`My places: ${areas.join(', ')}`}>{children}</Fold>
}
