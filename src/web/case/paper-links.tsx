import { Printer } from 'lucide-react'
import type { PaperKind } from '#contract/api/papers'
import { paths } from '#contract/api/paths'

const names: Readonly<Record<PaperKind, string>> = {
  template: 'Template 1:1',
  'run-record': 'Run record, one page',
  'release-card': 'Release-now card',
  'bedside-label': 'Bedside label',
  'take-home': 'Take-home sheet',
  'round-chart': 'Round chart',
}

/** Papers of a case, each on either size of sheet. */
export function PaperLinks({ caseId, papers, runId }: { caseId: string; papers: readonly PaperKind[]; runId?: string }) {
  const link = 'inline-flex min-h-11 items-center px-3 font-semibold'
  return (
    <ul aria-label="Print" className="flex flex-wrap gap-2">
      {papers.map((paper) => (
        <li key={paper} className="inline-flex items-center divide-x divide-line rounded-2xl border-[1.5px] border-soft bg-sheet">
          {(['a4', 'letter'] as const).map((sheet) => (
            <a
              key={sheet}
              className={link}
              target="_blank"
              rel="noreferrer"
              href={`${paths.paper(caseId, paper, sheet)}${runId && paper === 'run-record' ? `&run=${runId}` : ''}`}
            >
              {sheet === 'a4' ? (
                <>
                  <Printer size={17} aria-hidden className="mr-2" />
                  {names[paper]}, A4
                </>
              ) : (
                <>
                  <span className="sr-only">{names[paper]}, </span>Letter
                </>
              )}
            </a>
          ))}
        </li>
      ))}
    </ul>
  )
}
