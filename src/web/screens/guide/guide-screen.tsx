import { Search } from 'lucide-react'
import { techniques } from '#core/techniques/registry'
import { useDeferredValue, useId, useState } from 'react'
import { Link, useSearchParams } from 'react-router'
import { EmptyPage } from '../../parts/empty-page'
import { CardPicture } from '../../cards/card-picture'
import { guideSections } from './guide-sections'
import { searchGuide } from './guide-index'
import { useProtocolInForce } from '../../sync/protocol-in-force'

/** Every technique to read beforehand, and a search across all of them. */
export function GuideScreen() {
  const [params, setParams] = useSearchParams()
  const [words, setWords] = useState(params.get('words') ?? '')
  const protocol = useProtocolInForce()
  const hits = searchGuide(useDeferredValue(words), protocol)
  const id = useId()
  return (
    <main id="main" className="page page-list grid content-start gap-5">
      <div className="flex flex-wrap items-baseline justify-between gap-x-4">
        <h1 className="text-2xl font-bold">Guide</h1>
        <Link to="/practice" className="inline-flex min-h-11 items-center font-semibold underline decoration-2 underline-offset-4">
          Practice without a patient
        </Link>
      </div>
      <div className="relative max-w-2xl">
        <label htmlFor={id} className="sr-only">
          Search the guide
        </label>
        <Search size={20} aria-hidden className="absolute top-4 left-4 text-soft" />
        <input
          id={id}
          type="search"
          value={words}
          maxLength={80}
          autoComplete="off"
          placeholder="Search: fibular neck, too hot, relief cuts…"
          onChange={(event) => {
            setWords(event.target.value)
            setParams(event.target.value ? { words: event.target.value } : {}, { replace: true })
          }}
          className="field-box !pl-12"
        />
      </div>
      {words.trim().length >= 2 ? (
        <section aria-label="Found">
          {hits.length === 0 ? (
            <EmptyPage lead="Nothing found">
              <p>Try other words, or fewer of them.</p>
            </EmptyPage>
          ) : (
            <p role="status" className="mb-2 text-soft">
              {hits.length === 40 ? 'The best 40' : hits.length} found
            </p>
          )}
          <ul className={hits.length === 0 ? 'hidden' : 'divide-y divide-line rounded-2xl border border-line bg-sheet'}>
            {hits.map((hit) => (
              <li key={hit.id}>
                <Link to={`/guide/${hit.technique}#${hit.section}`} className="block px-4 py-2.5">
                  <span className="block text-sm text-soft">
                    {hit.techniqueName} · {guideSections[hit.section] ?? hit.section}
                  </span>
                  <span className="block font-semibold">{hit.title}</span>
                  {hit.text ? <span className="block text-sm">{hit.text}</span> : null}
                </Link>
              </li>
            ))}
          </ul>
        </section>
      ) : (
        <ul className="grid gap-3 md:grid-cols-2 2xl:grid-cols-3">
          {techniques.map((technique) => (
            <li key={technique.id}>
              <Link
                to={`/guide/${technique.id}`}
                className="grid h-full grid-cols-[7rem_minmax(0,1fr)] items-center gap-4 rounded-2xl border border-line bg-sheet py-3 pr-4 pl-3"
              >
                <CardPicture of="techniques" id={technique.id} />
                <span className="col-start-2 grid gap-1">
                  <span className="text-lg font-bold">{technique.name}</span>
                  <span className="text-[0.95rem]">{technique.purpose}</span>
                </span>
              </Link>
            </li>
          ))}
        </ul>
      )}
    </main>
  )
}
