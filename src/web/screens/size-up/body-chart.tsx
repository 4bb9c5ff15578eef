import { useId, useState } from 'react'
import { spoken, type Region, type Side } from '#core/case/vocabulary'
import { ChoiceRow } from '../../parts/choice-row'
import { bodyViews, matchParts, zonesOf, type BodyView, type BodyZone } from './body-zones'

const viewNames: Record<BodyView, string> = { front: 'Front', back: 'Back', side: 'Side' }

/** Region and side in one tap on the body, or a few typed letters. */
export function BodyChart({
  region,
  side,
  onPick,
}: {
  region: Region | null
  side: Side | null
  onPick: (region: Region, side: Side | null) => void
}) {
  const [view, setView] = useState<BodyView>('front')
  const zones = zonesOf(view, side ?? 'left')
  return (
    <section aria-label="Body chart" className="grid content-start gap-3 rounded-3xl border border-line bg-sheet p-3 sm:p-4">
      <PartSearch onPick={onPick} />
      <svg viewBox="0 0 300 470" className="mx-auto block h-[26rem] max-w-full select-none" role="group" aria-label={`Body, ${view}`}>
        <ellipse cx="150" cy="34" rx={view === 'side' ? 26 : 24} ry="30" fill="var(--well)" stroke="var(--line)" strokeWidth="1.5" />
        {view === 'front' ? (
          <path d="M142 32 h4 M154 32 h4 M144 46 h12" stroke="var(--soft)" strokeWidth="2" strokeLinecap="round" fill="none" />
        ) : null}
        {view === 'side' ? <path d="M176 32 q7 5 0 9" stroke="var(--line)" strokeWidth="1.5" fill="var(--well)" /> : null}
        {view === 'side' ? null : (
          <path
            d="M94 128 q-16 4 -20 44 M206 128 q16 4 20 44"
            stroke="var(--line)"
            strokeWidth="22"
            strokeLinecap="round"
            fill="none"
            opacity="0.7"
          />
        )}
        {zones.map((zone) => (
          <Zone
            key={`${zone.region}-${zone.side ?? ''}`}
            zone={zone}
            isChosen={zone.region === region && zone.side === side}
            onPick={onPick}
          />
        ))}
        {view === 'side' ? null : (
          <g className="fill-soft text-[13px] font-bold" aria-hidden>
            <text x={view === 'front' ? 262 : 38} y="160" textAnchor="middle">
              LEFT
            </text>
            <text x={view === 'front' ? 38 : 262} y="160" textAnchor="middle">
              RIGHT
            </text>
          </g>
        )}
      </svg>
      <ChoiceRow
        label="Seen from"
        value={view}
        choices={bodyViews.map((value) => ({ value, label: viewNames[value] }))}
        onChange={setView}
      />
    </section>
  )
}

function Zone({ zone, isChosen, onPick }: { zone: BodyZone; isChosen: boolean; onPick: (region: Region, side: Side | null) => void }) {
  const pick = (): void => onPick(zone.region, zone.side)
  return (
    <rect
      x={zone.x}
      y={zone.y}
      width={zone.width}
      height={zone.height}
      rx={zone.radius}
      role="button"
      tabIndex={0}
      aria-label={`${zone.side ? `${zone.side} ` : ''}${spoken(zone.region)}`}
      aria-pressed={isChosen}
      onClick={pick}
      onKeyDown={(event) => {
        if (event.key !== 'Enter' && event.key !== ' ') return
        event.preventDefault()
        pick()
      }}
      className="body-zone"
      fill={isChosen ? 'var(--ink)' : 'var(--skin)'}
      stroke={isChosen ? 'var(--citrus)' : 'var(--skin-edge)'}
      strokeWidth={isChosen ? 4 : 1.2}
    />
  )
}

function PartSearch({ onPick }: { onPick: (region: Region, side: Side | null) => void }) {
  const id = useId()
  const [typed, setTyped] = useState('')
  const found = matchParts(typed).slice(0, 5)
  const take = (index: number): void => {
    const part = found[index]
    if (!part) return
    setTyped('')
    onPick(part.region, part.side)
  }
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault()
        take(0)
      }}
    >
      <label htmlFor={id} className="mb-1 block text-sm font-semibold text-soft">
        Where is it? Tap the body, or type
      </label>
      <input
        id={id}
        value={typed}
        onChange={(event) => setTyped(event.target.value)}
        placeholder="l ank"
        autoComplete="off"
        className="field-box min-h-11"
      />
      {found.length > 0 ? (
        <div className="mt-1.5 flex flex-wrap gap-1.5">
          {found.map((part, index) => (
            <button
              key={part.label}
              type="button"
              onClick={() => take(index)}
              className={`min-h-11 rounded-xl border px-3 ${index === 0 ? 'border-ink bg-citrus font-bold text-on-citrus' : 'border-line'}`}
            >
              {part.label}
            </button>
          ))}
        </div>
      ) : null}
      {typed.trim() !== '' && found.length === 0 ? (
        <p className="mt-1 text-sm text-caution">No part is called that: try ankle, wrist, neck or trunk.</p>
      ) : null}
    </form>
  )
}
