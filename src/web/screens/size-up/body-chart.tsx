import { useId, useState } from 'react'
import { spoken, type Region, type Side } from '#core/model/vocabulary'
import { ChoiceRow } from '../../parts/choice-row'
import { outlinesOf } from './body-outline'
import { bodyViews, chartSize, matchParts, zonesOf, type BodyView, type BodyZone } from './body-zones'

const mirror = `translate(${chartSize.width} 0) scale(-1 1)`
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
  const clip = useId()
  const zones = zonesOf(view, side ?? 'left')
  return (
    <section aria-label="Body chart" className="grid content-start gap-3 rounded-3xl border border-line bg-sheet p-3 sm:p-4">
      <svg
        viewBox={`0 0 ${chartSize.width} ${chartSize.height}`}
        className="mx-auto block h-[24.5rem] max-w-full select-none"
        role="group"
        aria-label={`Body, ${view}`}
      >
        <defs>
          <clipPath id={clip}>
            {outlinesOf(view).map(({ path, isMirrored }) => (
              <path key={`${path.slice(0, 12)}${isMirrored}`} d={path} transform={isMirrored ? mirror : undefined} />
            ))}
          </clipPath>
        </defs>
        <Figure view={view} />
        <g clipPath={`url(#${clip})`}>
          {zones
            .filter((zone) => zone.region === region && zone.side === side)
            .map(({ x, y, width, height }) => (
              <rect key={y} x={x} y={y} width={width} height={height} fill="var(--citrus)" stroke="var(--ink)" strokeWidth="2.5" />
            ))}
        </g>
        {zones.map((zone) => (
          <Zone
            key={`${zone.region}-${zone.side ?? ''}`}
            zone={zone}
            isChosen={zone.region === region && zone.side === side}
            onPick={onPick}
          />
        ))}
        {view === 'side' ? null : (
          <g className="fill-soft text-[14px] font-bold" aria-hidden>
            <text x={view === 'front' ? 262 : 38} y="112" textAnchor="middle">
              LEFT
            </text>
            <text x={view === 'front' ? 38 : 262} y="112" textAnchor="middle">
              RIGHT
            </text>
          </g>
        )}
      </svg>
      <ChoiceRow
        label="Seen from"
        isLabelHidden
        value={view}
        choices={bodyViews.map((value) => ({ value, label: viewNames[value] }))}
        onChange={setView}
      />
      <PartSearch onPick={onPick} />
    </section>
  )
}

/** The body as one calm figure; what is tapped lies over it. */
function Figure({ view }: { view: BodyView }) {
  return (
    <g fill="var(--skin)" stroke="var(--skin-edge)" strokeWidth="1.4" strokeLinejoin="round">
      {outlinesOf(view).map(({ path, isMirrored }) => (
        <path key={`${path.slice(0, 12)}${isMirrored}`} d={path} transform={isMirrored ? mirror : undefined} />
      ))}
      {view === 'side' ? null : <path d="M150 62 V256" stroke="var(--skin)" strokeWidth="4" />}
      <ellipse cx={view === 'side' ? 154 : 150} cy="35" rx={view === 'side' ? 27 : 24} ry="31" />
      <g fill="none" strokeLinecap="round" strokeWidth="1.8">
        {view === 'front' ? <path d="M139 33 h6 M155 33 h6 M144 49 h12 M118 124 q14 8 28 1 M182 124 q-14 8 -28 1 M150 205 v4" /> : null}
        {view === 'back' ? (
          <path d="M150 108 V196 M124 120 q4 22 14 26 M176 120 q-4 22 -14 26 M128 250 q12 8 20 2 M172 250 q-12 8 -20 2" />
        ) : null}
        {view === 'side' ? <path d="M180 32 q9 7 1 11 M166 33 h5 M170 50 h7" /> : null}
      </g>
    </g>
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
      rx="14"
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
      fill="transparent"
      stroke="transparent"
      strokeWidth="2"
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
        Tap the body, or type
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
