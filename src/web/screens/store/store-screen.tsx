import { useEffect, useState } from 'react'
import { useNavigate, useParams } from 'react-router'
import { hasRight } from '#contract/rights'
import { paths } from '#contract/api/paths'
import { Button, ButtonLink } from '../../parts/button'
import { ChoiceRow, ChoiceSet } from '../../parts/choice-row'
import { Notice } from '../../parts/notice'
import { PrintPair } from '../../parts/print-pair'
import { TextField } from '../../parts/text-field'
import { EmptyPage } from '../../parts/empty-page'
import { usePerson } from '../../sync/session-store'
import { loadPlace, loadPlaces, useStock } from '../../sync/stock-store'
import { CsvImport } from './csv-import'
import { MovementList } from './movement-list'
import { NewPlace } from './new-place'
import { filterRows, stateWords, stockStates, toStockRows, type StockState } from './stock-rows'
import { StockTable } from './stock-table'

const zone = encodeURIComponent(Intl.DateTimeFormat().resolvedOptions().timeZone || 'Etc/UTC')

/** What each place holds: found, counted, received, taken in and out as CSV. */
export function StoreScreen() {
  const { placeId } = useParams()
  const { places: read, answer, movements, isOffline } = useStock()
  const places = read ?? []
  const person = usePerson()
  const navigate = useNavigate()
  const [typed, setTyped] = useState('')
  const [states, setStates] = useState<readonly StockState[]>([])
  const [isImporting, setImporting] = useState(false)
  const [isOpening, setOpening] = useState(false)
  const wanted = placeId ?? places[0]?.id
  useEffect(() => void loadPlaces(), [])
  useEffect(() => void (wanted ? loadPlace(wanted) : undefined), [wanted])
  const shown = answer && answer.place.id === wanted ? answer : null
  // Once there, the search stays while another place is read: what is typed meanwhile is not lost.
  const isEmpty = read?.length === 0
  const isKnown = answer !== null || isOffline || isEmpty
  const mayAdd = hasRight(person.roles, 'manage-protocols')
  const today = shown?.now.slice(0, 10) ?? ''
  const rows = shown ? toStockRows(shown.lines, today) : []
  const found = filterRows(rows, typed, states)
  const count = (state: StockState): number => rows.filter((row) => row.state === state).length
  return (
    <main id="main" className="page page-list grid content-start gap-5">
      <div className="flex flex-wrap items-end justify-between gap-3">
        <div>
          <h1 className="text-2xl font-bold">Store</h1>
          <p className="text-soft">
            {shown
              ? `${rows.length - count('absent')} items kept here, ${count('out')} with none free, ${count('low')} low, ${count('expired')} with an expired lot`
              : read || isOffline
                ? ''
                : 'Reading…'}
          </p>
        </div>
        <div className="flex flex-wrap gap-3">
          <ButtonLink to="/recall">Recall a lot</ButtonLink>
          {wanted ? (
            <ButtonLink look="next" to={`/store/${wanted}/count`}>
              Count round
            </ButtonLink>
          ) : null}
        </div>
      </div>
      {isOffline ? (
        <Notice tone="caution" lead="The store cannot be read" role="alert">
          There is no connection. What you see may be old; nothing can be changed until it is back.
        </Notice>
      ) : null}
      {isEmpty && !isOffline ? (
        <EmptyPage lead="No place keeps stock yet">
          <p>
            {mayAdd
              ? 'A place is a room with shelves or a trolley: add the first one, then import what lies there as CSV.'
              : 'A lead adds the first one.'}
          </p>
          {mayAdd ? (
            <p>
              <Button look="next" onClick={() => setOpening(true)}>
                Add a place
              </Button>
            </p>
          ) : null}
        </EmptyPage>
      ) : null}
      {/* What is known comes whole: nothing moves under a thumb. */}
      <div className={`flex flex-wrap items-end gap-x-6 gap-y-3 ${isKnown && !isEmpty ? '' : 'hidden'}`}>
        <ChoiceRow
          label="Place"
          value={wanted ?? null}
          choices={places.map(({ id, name }) => ({ value: id, label: name }))}
          onChange={(id) => void navigate(`/store/${id}`)}
        />
        <div className="w-full sm:w-72">
          <TextField
            label="Find an item or lot"
            type="search"
            value={typed}
            placeholder="slab 15"
            onChange={(event) => setTyped(event.target.value)}
          />
        </div>
        <ChoiceSet
          label="Only"
          values={states}
          choices={stockStates.filter((stockState) => stockState !== 'ok').map((value) => ({ value, label: stateWords[value] }))}
          onChange={setStates}
        />
      </div>
      {isKnown && !isEmpty && mayAdd ? (
        <div>
          <Button look="quiet" onClick={() => setOpening(true)}>
            Add a place
          </Button>
        </div>
      ) : null}
      {isOpening ? (
        <NewPlace
          onClose={() => setOpening(false)}
          onOpened={(id) => {
            setOpening(false)
            void navigate(`/store/${id}`)
          }}
        />
      ) : null}
      {shown ? (
        <>
          {rows.length > 0 && rows.length === count('absent') ? (
            <Notice tone="note" lead="Nothing is kept here yet">
              {mayAdd
                ? 'Import CSV, with what lies on the shelves; or count each item here.'
                : 'A lead imports what lies on the shelves as CSV.'}
            </Notice>
          ) : null}
          <StockTable rows={found} placeId={shown.place.id} today={today} />
          {found.length === 0 && (typed !== '' || states.length > 0) ? (
            <p role="status">Nothing here answers to that: shorten the words or take a mark off.</p>
          ) : null}
          <div className="flex flex-wrap gap-3">
            <a
              href={paths.placeCsv(shown.place.id)}
              download
              className="inline-flex min-h-12 items-center rounded-2xl border-[1.5px] border-soft bg-sheet px-5 font-semibold"
            >
              Export CSV
            </a>
            <PrintPair name="Count sheet" href={(sheet) => paths.countSheet(shown.place.id, `sheet=${sheet}&zone=${zone}`)} />
            {mayAdd ? <Button onClick={() => setImporting(true)}>Import CSV</Button> : null}
          </div>
          <MovementList movements={movements} lines={shown.lines} />
          {isImporting ? <CsvImport place={shown.place} onClose={() => setImporting(false)} /> : null}
        </>
      ) : null}
    </main>
  )
}
