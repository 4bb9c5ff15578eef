import { paths } from '#contract/api/paths'
import type { CaseRecord } from '#contract/records/case'
import { PaperLinks } from '../../case/plan/paper-links'
import { Button, ButtonLink } from '../../parts/button'

const fileLink = 'inline-flex min-h-11 items-center font-semibold underline decoration-soft decoration-2 underline-offset-4'

/** What can be printed or taken along of a case that is on. @param noSheet why there is no take-home sheet now; null where there is one */
export function WatchPapers({ record, noSheet, onIncident }: { record: CaseRecord; noSheet: string | null; onIncident: () => void }) {
  return (
    <section aria-labelledby="papers" className="grid gap-2">
      <h2 id="papers" className="font-bold max-sm:sr-only">
        Papers
      </h2>
      <PaperLinks
        caseId={record.id}
        refused={noSheet ? { 'take-home': noSheet } : {}}
        papers={[
          'take-home',
          'round-chart',
          'case-summary',
          'release-card',
          'bedside-label',
          'run-record',
          ...(record.incidents?.length ? (['incident'] as const) : []),
        ]}
      />
      <p className="flex flex-wrap items-center gap-x-5 gap-y-1">
        <ButtonLink to={`/case/${record.id}/card`}>Receiver’s card</ButtonLink>
        <ButtonLink to={`/case/${record.id}/record`}>Run record</ButtonLink>
        <Button onClick={onIncident}>Report an incident</Button>
        <a className={fileLink} href={paths.calendar(record.id)} download>
          Owed work for a calendar
        </a>
        <a className={fileLink} href={paths.observations(record.id)} download>
          Observations as a table
        </a>
        <a className={fileLink} href={paths.caseFile(record.id)} download>
          Case file
        </a>
      </p>
    </section>
  )
}
