import { useWords } from '../../sync/use-words'
import { useState } from 'react'
import { betterThan, type RankedTechnique } from '#core/techniques/rank-techniques'
import { spoken } from '#core/model/vocabulary'
import type { CaseRecord } from '#contract/records/case'
import { countingRuns } from '#contract/records/run-kind'
import { Button } from '../../parts/button'
import { Dialog } from '../../parts/dialog'
import { Notice } from '../../parts/notice'
import { ToneShape } from '../../parts/tone-shape'

const verdictWords = { go: 'suits', caution: 'with a caution', stop: 'stopped' } as const
const mostCompared = 3
/** So many are in sight at first, and the chosen one. */
const mostShown = 2

/** Every technique ranked for this patient and injury, with why and with what it needs; two or three side by side. */
export function TechniqueChooser({
  record,
  ranked,
  onChoose,
}: {
  record: CaseRecord
  ranked: readonly RankedTechnique[]
  onChoose: (technique: string) => void
}) {
  const [compared, setCompared] = useState<readonly string[]>([])
  const [isComparing, setComparing] = useState(false)
  const [isAllShown, setAllShown] = useState(false)
  const better = betterThan(record.technique, ranked)
  const [stayedWith, setStayedWith] = useState<string | null>(null)
  const possible = ranked.filter((one) => one.verdict !== 'stop' || one.technique.id === record.technique)
  const first = possible.filter((one, index) => index < mostShown || one.technique.id === record.technique)
  const shown = isAllShown ? ranked : first
  const isLocked = countingRuns(record).length > 0
  const toggle = (id: string): void =>
    setCompared((before) => (before.includes(id) ? before.filter((one) => one !== id) : [...before, id].slice(-mostCompared)))
  return (
    <section aria-labelledby="technique" className="grid gap-2">
      <div className="flex flex-wrap items-center gap-3">
        <h2 id="technique" className="text-lg font-bold">
          What can be done here
        </h2>
        {first.length < ranked.length ? (
          <button type="button" onClick={() => setAllShown(!isAllShown)} className="min-h-11 font-semibold underline underline-offset-4">
            {isAllShown ? 'Only the best' : moreWords(possible.length - first.length, ranked.length - possible.length)}
          </button>
        ) : null}
        {compared.length >= 2 ? <Button onClick={() => setComparing(true)}>Compare {compared.length}</Button> : null}
      </div>
      {better && !isLocked && stayedWith !== record.technique + better.technique.id ? (
        <Notice tone="caution" lead={`${better.technique.name} suits this injury better`} role="status">
          <p className="mb-2">{ranked.find((one) => one.technique.id === record.technique)?.reasons[0]?.text}</p>
          <p className="flex flex-wrap gap-2">
            <Button onClick={() => onChoose(better.technique.id)}>Take {better.technique.name.toLowerCase()}</Button>
            <Button look="quiet" onClick={() => setStayedWith(record.technique + better.technique.id)}>
              Stay with what is chosen
            </Button>
          </p>
        </Notice>
      ) : null}
      {isLocked ? <p className="text-soft">The application has begun: another technique is another case.</p> : null}
      <ul className="grid items-start gap-2 md:grid-cols-2">
        {shown.map((one) => (
          <TechniqueRow
            key={one.technique.id}
            ranked={one}
            isChosen={one.technique.id === record.technique}
            isCompared={compared.includes(one.technique.id)}
            isLocked={isLocked}
            onChoose={() => onChoose(one.technique.id)}
            onCompare={() => toggle(one.technique.id)}
          />
        ))}
      </ul>
      <Dialog title="Side by side" isWide isOpen={isComparing} onClose={() => setComparing(false)}>
        <Comparison ranked={ranked.filter((one) => compared.includes(one.technique.id))} />
      </Dialog>
    </section>
  )
}

/** What is folded: devices that can be used too, and those that are stopped. */
function moreWords(usable: number, stopped: number): string {
  const words = [
    usable > 0 ? `${usable} more can be used` : '',
    stopped > 0 ? `${stopped} ${usable > 0 ? '' : 'more '}${stopped === 1 ? 'is' : 'are'} stopped` : '',
  ]
  return `${words.filter(Boolean).join(', ')}: show them`
}

function TechniqueRow({
  ranked,
  isChosen,
  isCompared,
  isLocked,
  onChoose,
  onCompare,
}: {
  ranked: RankedTechnique
  isChosen: boolean
  isCompared: boolean
  isLocked: boolean
  onChoose: () => void
  onCompare: () => void
}) {
  const say = useWords()
  const { technique, verdict, reasons } = ranked
  const tone = verdict === 'go' ? 'note' : verdict
  return (
    <li className={`flex items-start gap-1 rounded-2xl border bg-sheet ${isChosen ? 'border-2 border-ink' : 'border-line'}`}>
      <button
        type="button"
        aria-pressed={isChosen}
        disabled={isLocked && !isChosen}
        onClick={onChoose}
        className="grid min-h-14 min-w-0 flex-1 gap-0.5 px-4 py-2 text-left"
      >
        <span className="flex flex-wrap items-center gap-x-2">
          <span className="font-bold">{technique.name}</span>
          <span
            className={`inline-flex items-center gap-1 text-sm font-bold ${verdict === 'go' ? 'text-calm' : verdict === 'stop' ? 'text-stop' : 'text-caution'}`}
          >
            {verdict === 'go' ? <span aria-hidden>●</span> : <ToneShape tone={tone} size={13} />}
            {verdictWords[verdict]}
          </span>
          {isChosen ? <span className="rounded-md bg-ink px-2 text-sm font-bold text-paper">chosen</span> : null}
        </span>
        <span className="text-sm text-soft">{needsWords(ranked)}</span>
        {reasons.slice(0, isChosen ? 4 : 1).map((reason) => (
          <span key={reason.code + reason.text} className="text-sm">
            {say(reason.text)}
          </span>
        ))}
      </button>
      <label className="grid min-h-14 place-items-center px-3 text-[0.8rem] text-soft">
        <input
          type="checkbox"
          checked={isCompared}
          onChange={onCompare}
          className="size-6 accent-ink"
          aria-label={`Compare ${technique.name}`}
        />
        compare
      </label>
    </li>
  )
}

function needsWords({ needs }: RankedTechnique): string {
  const missing = needs.stock.filter((one) => !one.isInStock).map((one) => spoken(one.item))
  const people = `${needs.people} ${needs.people === 1 ? 'person' : 'people'}`
  return [people, `about ${Math.round(needs.minutes)} min`, missing.length > 0 ? `out of stock: ${missing.join(', ')}` : 'in stock'].join(
    ' · ',
  )
}

function Comparison({ ranked }: { ranked: readonly RankedTechnique[] }) {
  const say = useWords()
  const rows: readonly (readonly [string, (one: RankedTechnique) => string])[] = [
    ['Purpose', (one) => one.technique.purpose],
    ['Here', (one) => verdictWords[one.verdict]],
    ['Because', (one) => one.reasons.map((reason) => say(reason.text)).join(' ') || 'Nothing entered speaks against it.'],
    ['People', (one) => String(one.needs.people)],
    ['Minutes', (one) => `about ${Math.round(one.needs.minutes)}`],
    [
      'From the store',
      (one) => one.needs.stock.map((item) => `${spoken(item.item)}${item.isInStock ? '' : ' (out)'}`).join(', ') || 'nothing',
    ],
  ]
  return (
    <div className="overflow-x-auto">
      <table className="w-full min-w-[34rem] border-collapse text-left align-top">
        <thead>
          <tr>
            <th scope="col" className="w-32 p-2" />
            {ranked.map((one) => (
              <th key={one.technique.id} scope="col" className="p-2 text-lg">
                {one.technique.name}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map(([label, cell]) => (
            <tr key={label} className="border-t border-line">
              <th scope="row" className="p-2 align-top text-sm text-soft">
                {label}
              </th>
              {ranked.map((one) => (
                <td key={one.technique.id} className="p-2 align-top">
                  {cell(one)}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  )
}

/** The chosen device in one line, wherever the page stands: whether it suits, and the first thing that speaks against it. */
export function ChosenLine({ record, ranked }: { record: CaseRecord; ranked: readonly RankedTechnique[] }) {
  const say = useWords()
  const chosen = ranked.find((one) => one.technique.id === record.technique)
  if (!chosen) return null
  const { technique, verdict, reasons } = chosen
  const worst = reasons.find((reason) => reason.level === verdict)
  return (
    <p role="status" className="mr-auto min-w-0 flex-1 leading-snug">
      <strong>{technique.name}</strong>{' '}
      <span className={`font-semibold ${verdict === 'go' ? 'text-calm' : verdict === 'stop' ? 'text-stop' : 'text-caution'}`}>
        {verdictWords[verdict]}
      </span>
      {worst ? <span className="max-sm:hidden">: {say(worst.text)}</span> : null}
    </p>
  )
}
