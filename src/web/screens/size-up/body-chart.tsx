import { useId, useState } from 'react'
import { spoken, type Region, type Side } from '#core/model/vocabulary'
import { Creases, Form, SkinPaints } from '../../lane/kit/skin'
import { ChoiceRow } from '../../parts/choice-row'
import { figureOf } from './body-outline'
import { bodyViews, chartSize, matchParts, sideAskedOf, zonesOf, type BodyView, type BodyZone } from './body-zones'

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
    <section
      aria-label="Body chart"
      className={`grid content-start gap-3 rounded-3xl border border-line bg-sheet p-3 sm:p-4 ${region === null ? 'lg:grid-cols-[minmax(0,1fr)_17rem] lg:items-center' : ''}`}
    >
      <svg
        viewBox={`0 0 ${chartSize.width} ${chartSize.height}`}
        className={`mx-auto block h-[24.5rem] max-w-full select-none ${region === null ? 'lg:h-[28.5rem]' : 'lg:h-[21.5rem]'}`}
        role="group"
        aria-label={`Body, ${view}`}
      >
        <defs>
          <clipPath id={clip}>
            {figureOf(view).paths.map((path) => (
              <path key={path} d={path} />
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
          <g className="fill-soft text-[17px] font-bold" aria-hidden>
            <text x={view === 'front' ? 262 : 38} y="112" textAnchor="middle">
              LEFT
            </text>
            <text x={view === 'front' ? 38 : 262} y="112" textAnchor="middle">
              RIGHT
            </text>
          </g>
        )}
      </svg>
      <div className="grid content-center gap-3">
        <ChoiceRow
          label="Seen from"
          isLabelHidden
          value={view}
          choices={bodyViews.map((value) => ({ value, label: viewNames[value] }))}
          onChange={setView}
        />
        <PartSearch onPick={onPick} />
      </div>
    </section>
  )
}

/** The body as one calm figure, of the same kit as the limbs on the lane; what is tapped lies over it. */
function Figure({ view }: { view: BodyView }) {
  const id = useId()
  const { paths, hair, lines } = figureOf(view)
  return (
    <SkinPaints id={id} fromY={0} toY={chartSize.height}>
      <Form paths={paths} paint="column" lineCm={0.7} />
      <path d={hair} fill="var(--hair)" opacity="0.85" />
      <Creases paths={lines} lineCm={0.9} opacity={0.6} />
    </SkinPaints>
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
  const [isAsked, setAsked] = useState(false)
  const all = matchParts(typed)
  const asks = sideAskedOf(all)
  // Both sides of the part that is asked about stand first.
  const found = [...all.filter(({ region }) => region === asks), ...all.filter(({ region }) => region !== asks)].slice(0, 5)
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
        if (asks) setAsked(true)
        else take(0)
      }}
    >
      <label htmlFor={id} className="mb-1 block text-sm font-semibold text-soft">
        Tap the body, or type
      </label>
      <input
        id={id}
        value={typed}
        onChange={(event) => {
          setAsked(false)
          setTyped(event.target.value)
        }}
        placeholder="l ank"
        autoComplete="off"
        className="field-box min-h-11"
      />
      {isAsked && asks ? (
        <p role="alert" className="mt-1 font-bold text-stop">
          Not recorded. LEFT or RIGHT {spoken(asks)}? Press one, or type l or r before it.
        </p>
      ) : null}
      {found.length > 0 ? (
        <div className="mt-1.5 flex flex-wrap gap-1.5">
          {found.map((part, index) => (
            <button
              key={part.label}
              type="button"
              onClick={() => take(index)}
              className={`min-h-11 rounded-xl border px-3 ${index === 0 && !asks ? 'border-ink bg-citrus font-bold text-on-citrus' : 'border-line'}`}
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
