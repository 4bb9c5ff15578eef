import type { PaperKind } from '#contract/api/papers'
import { paths } from '#contract/api/paths'
import { PrintPair } from '../../parts/print-pair'
import { useSettings } from '../../sync/session-store'

const names: Readonly<Record<PaperKind, string>> = {
  template: 'Template 1:1',
  'run-record': 'Run record, one page',
  'release-card': 'Release-now card',
  'bedside-label': 'Bedside label',
  'take-home': 'Take-home sheet',
  'round-chart': 'Round chart',
  'receivers-card': 'Receiver’s card',
  'case-summary': 'Case summary',
  incident: 'Incident report',
}

/** Papers of a case, each on either size of sheet; of one that is not printed now, why. */
export function PaperLinks({
  caseId,
  papers,
  runId,
  refused = {},
}: {
  caseId: string
  papers: readonly PaperKind[]
  runId?: string
  refused?: Readonly<Partial<Record<PaperKind, string>>>
}) {
  const { units } = useSettings()
  return (
    <ul aria-label="Print" className="flex flex-wrap gap-2">
      {papers.map((paper) => (
        <li key={paper}>
          {refused[paper] ? (
            <p className="max-w-prose text-soft">
              {names[paper]}: {refused[paper]}
            </p>
          ) : (
            <PrintPair
              name={names[paper]}
              href={(sheet) => `${paths.paper(caseId, paper, sheet, units)}${runId && paper === 'run-record' ? `&run=${runId}` : ''}`}
            />
          )}
        </li>
      ))}
    </ul>
  )
}
