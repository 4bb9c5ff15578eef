import { isCaseAtRisk } from '#core/standing/case-facts'
import { toClinicalCase } from '#ward/case/clinical-case'
import { casesServed } from '#ward/rounds/related-cases'
import { CaseRound } from '../../case/run/case-round'
import { NotDoneSheet } from '../../case/run/not-done-sheet'
import { Dialog } from '../../parts/dialog'
import { roundTitle } from '../../round/round-title'
import { writeEvent, type OpenCase } from '../../sync/case-store'
import { EndingSheet } from './ending-sheet'
import { IncidentSheet } from './incident-sheet'

export type WatchSheet = 'round' | 'not-done' | 'ending' | 'incident'

/** What is entered from Watch, one sheet at a time. */
export function WatchSheets({
  open,
  sheet,
  onSheet,
}: {
  open: OpenCase
  sheet: WatchSheet | null
  onSheet: (sheet: WatchSheet | null) => void
}) {
  const { record, episode } = open
  const injury = episode.injuries[record.injuryId]
  return (
    <>
      {injury ? (
        <Dialog title={roundTitle('Round', episode, injury)} isSaidAbove isWhole isOpen={sheet === 'round'} onClose={() => onSheet(null)}>
          <CaseRound
            open={open}
            isBaseline={false}
            draftKey={`case/${record.id}/round`}
            submitLabel="Judge this round"
            onSubmit={(body, minutesAgo) => {
              onSheet(null)
              void writeEvent('round', body, minutesAgo)
            }}
          />
        </Dialog>
      ) : null}
      {sheet === 'not-done' ? (
        <NotDoneSheet
          title="Round not done"
          draftKey={`case/${record.id}/not-done`}
          {...(isCaseAtRisk(toClinicalCase(record, episode)) ? { onWake: () => onSheet('round') } : {})}
          onClose={() => onSheet(null)}
          onSave={(outcome, reason) => {
            onSheet(null)
            void writeEvent('round', { cases: casesServed(record), isBaseline: false, outcome, reason, findings: { limbs: [] } })
          }}
        />
      ) : null}
      {sheet === 'incident' ? <IncidentSheet record={record} onClose={() => onSheet(null)} /> : null}
      {sheet === 'ending' ? (
        <EndingSheet
          caseId={record.id}
          episode={episode}
          isOff={record.removedAt !== null}
          onClose={() => onSheet(null)}
          onOff={(body) => {
            onSheet(null)
            void writeEvent('removed', body)
          }}
          onEnd={(body) => {
            onSheet(null)
            void writeEvent('ended', body)
          }}
        />
      ) : null}
    </>
  )
}
