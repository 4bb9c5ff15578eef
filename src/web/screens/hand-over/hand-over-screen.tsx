import { useSearchParams } from 'react-router'
import type { HandOverAnswer } from '#contract/api/hand-over'
import { paths } from '#contract/api/paths'
import { isAtPlace } from '#ward/case/at-place'
import { knownAreas } from '../../case/run/places'
import { ChoiceRow } from '../../parts/choice-row'
import { Fold } from '../../parts/fold'
import { Notice } from '../../parts/notice'
import { PrintPair } from '../../parts/print-pair'
import { EmptyPage } from '../../parts/empty-page'
import { useAnswer } from '../../sync/use-answer'
import { useNow } from '../../sync/use-now'
import { HandOverCard } from './hand-over-card'

const everywhere = '*'

/** What this shift tells the next: each patient once, the worst first, taken over one by one. */
export function HandOverScreen() {
  const [params, setParams] = useSearchParams()
  const area = params.get('place') ?? ''
  const { answer, refusal } = useAnswer<HandOverAnswer>(paths.handOver(''))
  const now = useNow(10_000)
  const all = answer?.lines ?? []
  const lines = all.filter((line) => isAtPlace(line.place, area))
  const ageMin = answer ? Math.floor((now - Date.parse(answer.now)) / 60_000) : 0
  const query = new URLSearchParams({ place: area, zone: Intl.DateTimeFormat().resolvedOptions().timeZone || 'Etc/UTC' })
  return (
    <main id="main" className="page page-list">
      <div className="mb-4 flex flex-wrap items-end gap-x-5 gap-y-3">
        <div>
          <h1 className="text-2xl font-bold">Hand-over</h1>
          <p className="text-soft">
            {answer
              ? `${lines.length} ${lines.length === 1 ? 'patient' : 'patients'}, the worst first · read ${ageMin < 1 ? 'just now' : `${ageMin} min ago`}`
              : 'Reading…'}
          </p>
        </div>
        <div className="grid w-full gap-3 sm:flex sm:flex-wrap sm:items-end sm:justify-between">
          <Fold label={area ? `${area}; places and papers` : 'Places and papers'}>
            <ChoiceRow
              label="Of which places"
              value={area || everywhere}
              choices={[
                { value: everywhere, label: 'all' },
                ...knownAreas(all).map((knownArea) => ({ value: knownArea, label: knownArea })),
              ]}
              onChange={(value) => setParams(value === everywhere ? {} : { place: value }, { replace: true })}
            />
            <p className="flex flex-wrap gap-2">
              <PrintPair name="On paper" href={(sheet) => paths.handOverPaper(`${query.toString()}&sheet=${sheet}`)} />
              <PrintPair name="Downtime pack" href={(sheet) => paths.downtimePack(`${query.toString()}&sheet=${sheet}`)} />
              <a
                className="content-center px-2 underline underline-offset-4"
                href={paths.handOverTable(new URLSearchParams({ place: area }).toString())}
                download
              >
                As a table
              </a>
            </p>
          </Fold>
        </div>
      </div>
      {refusal ? (
        <div className="mb-4">
          <Notice tone="caution" lead={refusal} role="alert" />
        </div>
      ) : null}
      {answer && lines.length === 0 ? (
        <EmptyPage lead="Nobody to hand over here">
          <p>Whoever has something on stands here, the worst first.</p>
        </EmptyPage>
      ) : null}
      <ul aria-label="Patients, the worst first" className="grid gap-3">
        {lines.map((line) => (
          <HandOverCard key={line.caseId} line={line} />
        ))}
      </ul>
    </main>
  )
}
