import { useEffect, useLayoutEffect, useRef, useState, type RefObject } from 'react'
import { otherSide, type Side } from '#core/model/vocabulary'
import { standingLevels, type StandingLevel } from '#core/model/standing'
import { roundOnLimb, siteOnDrawing, type LimbFinding } from '#core/standing/findings-on-limb'
import { looksOfOne } from '#core/standing/fold-rounds'
import { LanePicture } from '../lane/lane-picture'
import { toneOf } from '../parts/level-mark'
import { ToneShape } from '../parts/tone-shape'
import { useNarrow } from '../parts/use-narrow'
import { AlsoAsked, ColourUsual, PainRelief, SkinWork } from './round-beside'
import { RoundCell } from './round-cell'
import { cannot, type RoundItem } from './round-items'
import { roundZones, zoneOf, type RoundZone } from './round-zones'
import { focusNextOpen } from './use-round-keys'
import type { RoundView } from './round-view'

/** Where the round is: which limb, and which place of it. */
export interface RoundPlace {
  readonly side: Side
  readonly zone: RoundZone['id']
}

const pictureHeightPx = { phone: 150, wider: 240 } as const
const otherHeightPx = 40

/** The items of a place, of one limb. */
function itemsAt(view: RoundView, { side, zone }: RoundPlace): readonly RoundItem[] {
  return view.items.filter((item) => zoneOf(item) === zone && !(item.injuredOnly && side !== view.injured))
}

function openAt(view: RoundView, place: RoundPlace): number {
  return itemsAt(view, place).filter(({ key }) => !view.entries[`${place.side}/${key}`]).length
}

/** The next place with something open: of the limb in hand from the place in hand on, then of the other. Null where nothing is open. */
export function nextOpenPlace(view: RoundView, from: RoundPlace): RoundPlace | null {
  const zones = roundZones(view.watched, view.isBare).map(({ id }) => id)
  const at = zones.indexOf(from.zone)
  const inOrder = [
    ...[...zones.slice(at), ...zones.slice(0, at)].map((zone) => ({ side: from.side, zone })),
    ...zones.map((zone) => ({ side: otherSide(from.side), zone })),
  ]
  return inOrder.find((place) => openAt(view, place) > 0) ?? null
}

/**
 * The round on the limb: its places as buttons under a large drawing, each with a line to where it is; under them what is looked at there, with
 * large answers. A place that is entered leads to the next one that is open.
 */
export function RoundOnLimb({ view, place, onPlace }: { view: RoundView; place: RoundPlace; onPlace: (place: RoundPlace) => void }) {
  const { round, watched, injured, isBare, entries, put } = view
  const zones = roundZones(watched, isBare).filter(({ id }) =>
    id === 'device' ? place.side === injured : itemsAt(view, { ...place, zone: id }).length > 0,
  )
  const box = useRef<HTMLDivElement>(null)
  const lookAt = useLooks(view, place.side)
  const items = itemsAt(view, place)
  useFocusOnArrival(box, `${place.side} ${place.zone}`)
  const pick = ({ site }: LimbFinding): void => {
    const item = view.items.find(({ key }) => siteOf(view, place.side, key) === site)
    if (item) onPlace({ ...place, zone: zoneOf(item) })
  }
  return (
    <div ref={box} className="grid grid-cols-[minmax(0,1fr)] gap-2 lg:grid-cols-[26rem_minmax(0,1fr)] lg:gap-x-6">
      <div className="grid content-start gap-1.5 max-lg:-mx-3 max-lg:border-b max-lg:border-line max-lg:bg-sheet max-lg:px-2 max-lg:pb-2 max-[22.5rem]:px-1 lg:sticky lg:top-16">
        <Drawing view={view} place={place} marks={lookAt.marks} onPick={pick} />
        <ol aria-label={`Places of the ${place.side} ${watched}`} className="flex gap-1 max-[22.5rem]:gap-0.5">
          {zones.map((zone) => (
            <li key={zone.id} className="min-w-0 flex-1">
              <ZoneButton
                zone={zone}
                isInHand={zone.id === place.zone}
                open={openAt(view, { ...place, zone: zone.id })}
                level={lookAt.levelAt(zone.id)}
                answers={answersAt(view, { ...place, zone: zone.id })}
                onPress={() => onPlace({ ...place, zone: zone.id })}
              />
            </li>
          ))}
        </ol>
        <OtherLimb view={view} place={place} onPlace={onPlace} />
      </div>
      <div className="grid content-start gap-2">
        {items.map((item) => {
          const key = `${place.side}/${item.key}`
          return (
            <div key={key} className="grid gap-1">
              <p className="leading-tight">
                <span className="text-[1.05rem] font-bold">{item.label}</span>{' '}
                {item.how ? <span className="text-[0.92rem] text-soft">{item.how}</span> : null}
              </p>
              <RoundCell
                isLarge
                cellKey={key}
                item={item}
                label={`${item.label}, ${place.side}`}
                value={entries[key] ?? ''}
                last={round.last?.[key]}
                onChange={(value) => put({ [key]: value })}
              />
            </div>
          )
        })}
        {place.zone === 'end' && place.side === injured ? <ColourUsual injured={injured} entries={entries} onPut={put} /> : null}
        {place.zone === 'device' ? (
          <>
            <SkinWork injured={injured} isBare={isBare} entries={entries} onPut={put} />
            <AlsoAsked watched={watched} injured={injured} isBare={isBare} entries={entries} onPut={put} />
          </>
        ) : null}
        {place.zone === 'pain' && !round.isBaseline ? <PainRelief entries={entries} onPut={put} /> : null}
      </div>
    </div>
  )
}

function siteOf({ round, watched }: RoundView, side: Side, key: string): LimbFinding['site'] | null {
  if (!round.limb) return null
  return siteOnDrawing({ ...round.limb.geometry, side }, `${watched}-${side}`, key === 'refillS' ? 'refill' : key)
}

interface Looks {
  readonly marks: readonly LimbFinding[]
  levelAt(zone: RoundZone['id']): StandingLevel
}

/** What the entries so far are worth, on the drawing and by place. */
function useLooks(view: RoundView, side: Side): Looks {
  const { round, watched, limbCells, findings } = view
  if (!round.limb) return { marks: [], levelAt: () => 'none' }
  const looks = looksOfOne(round.limb.clinicalCase, { atMin: 0, ...findings })
  const part = `${watched}-${side}` as const
  return {
    marks: roundOnLimb({ ...round.limb.geometry, side }, limbCells, looks),
    levelAt: (zone) =>
      standingLevels.find((level) =>
        looks.some(
          (look) => look.part === part && look.level === level && zoneOf({ key: look.item === 'refill' ? 'refillS' : look.item }) === zone,
        ),
      ) ?? 'none',
  }
}

/** What was entered at a place, in words for those who listen. */
function answersAt(view: RoundView, place: RoundPlace): string {
  return itemsAt(view, place)
    .map(({ key, label }) => {
      const entry = view.entries[`${place.side}/${key}`]
      return `${label} ${entry ? (entry === cannot ? 'cannot be assessed' : entry) : 'open'}`
    })
    .join(', ')
}

function ZoneButton({
  zone,
  isInHand,
  open,
  level,
  answers,
  onPress,
}: {
  zone: RoundZone
  isInHand: boolean
  open: number
  level: StandingLevel
  answers: string
  onPress: () => void
}) {
  return (
    <button
      type="button"
      data-zone={zone.id}
      aria-pressed={isInHand}
      aria-label={answers ? `${zone.label}: ${answers}` : zone.label}
      onClick={onPress}
      className={`grid min-h-[52px] w-full place-content-center justify-items-center gap-0.5 rounded-xl border-[1.5px] px-0 text-[0.88rem] leading-none font-bold max-[22.5rem]:text-[0.77rem] ${isInHand ? 'border-ink bg-citrus text-on-citrus' : 'border-line bg-paper'}`}
    >
      <span>{zone.label}</span>
      <span className={`flex items-center gap-1 text-[0.8rem] font-semibold max-[22.5rem]:text-[0.77rem] ${isInHand ? '' : 'text-soft'}`}>
        {level === 'none' ? null : <ToneShape tone={toneOf(level)} size={13} />}
        {open > 0 ? `${open} open` : answers ? 'entered' : 'skin'}
      </span>
    </button>
  )
}

/** The limb in hand, large, with what was found on it; thin lines lead from the places under it to where they are. */
function Drawing({
  view,
  place,
  marks,
  onPick,
}: {
  view: RoundView
  place: RoundPlace
  marks: readonly LimbFinding[]
  onPick: (finding: LimbFinding) => void
}) {
  const { limb } = view.round
  const isNarrow = useNarrow()
  const frame = useRef<HTMLDivElement>(null)
  const lines = useLeaders(frame, view, place, marks)
  if (!limb || limb.geometry.body === 'none') return null
  return (
    <div ref={frame} className="relative pb-3">
      <LanePicture
        geometry={{ ...limb.geometry, side: place.side }}
        heightPx={isNarrow ? pictureHeightPx.phone : pictureHeightPx.wider}
        layers={place.side === view.injured ? limb.layers : bare}
        findings={marks}
        sitesInHand={marks
          .filter(({ site }) => view.items.some((item) => zoneOf(item) === place.zone && siteOf(view, place.side, item.key) === site))
          .map(({ site }) => site)}
        onFinding={onPick}
      />
      <svg aria-hidden className="pointer-events-none absolute inset-0 size-full overflow-visible">
        {lines.map(({ zone, d }) => (
          <path
            key={zone}
            d={d}
            fill="none"
            stroke="var(--ink)"
            strokeWidth={zone === place.zone ? 2 : 1}
            opacity={zone === place.zone ? 1 : 0.35}
          />
        ))}
      </svg>
    </div>
  )
}

const bare = [] as const

interface Leader {
  readonly zone: string
  readonly d: string
}

/** From each place's button up to the middle of its marks, measured as they are drawn. */
function useLeaders(
  frame: RefObject<HTMLDivElement | null>,
  view: RoundView,
  place: RoundPlace,
  marks: readonly LimbFinding[],
): readonly Leader[] {
  const [leaders, setLeaders] = useState<readonly Leader[]>([])
  const bySite = marks.map(({ site }) => {
    const item = view.items.find(({ key }) => siteOf(view, place.side, key) === site)
    return `${site} ${item ? zoneOf(item) : ''}`
  })
  const key = bySite.join('|')
  useLayoutEffect(() => {
    const around = frame.current
    if (!around) return
    const measure = (): void => {
      const box = around.getBoundingClientRect()
      const points = new Map<string, { x: number; y: number }>()
      for (const one of key.split('|')) {
        const [site = '', zone = ''] = one.split(' ')
        const mark = around.querySelector(`[data-finding="${site}"]`)?.getBoundingClientRect()
        // The lowest mark of a place is the one that is met first from below.
        if (!mark || zone === '') continue
        const at = { x: mark.left + mark.width / 2 - box.left, y: mark.top + mark.height / 2 - box.top + 9 }
        const before = points.get(zone)
        if (!before || at.y > before.y) points.set(zone, at)
      }
      setLeaders(
        [...points].flatMap(([zone, { x, y }]) => {
          const button = around.parentElement?.querySelector(`[data-zone="${zone}"]`)?.getBoundingClientRect()
          if (!button) return []
          const toX = button.left + button.width / 2 - box.left
          const toY = box.height + 6
          return [
            {
              zone,
              d: `M${x.toFixed(1)} ${y.toFixed(1)} C${x.toFixed(1)} ${(toY - 10).toFixed(1)} ${toX.toFixed(1)} ${(y + 14).toFixed(1)} ${toX.toFixed(1)} ${toY.toFixed(1)}`,
            },
          ]
        }),
      )
    }
    const watch = new ResizeObserver(measure)
    watch.observe(around)
    measure()
    return () => watch.disconnect()
  }, [frame, key, place.side])
  return leaders
}

/** The limb that is not in hand: smaller, on its own side, and the way to it. */
function OtherLimb({ view, place, onPlace }: { view: RoundView; place: RoundPlace; onPlace: (place: RoundPlace) => void }) {
  const side = otherSide(place.side)
  const column = view.columns.find(({ key }) => key === side)
  const { limb } = view.round
  if (!column) return null
  const open = view.openOf(column)
  return (
    <button
      type="button"
      onClick={() => onPlace({ side, zone: place.zone === 'pain' || place.zone === 'device' ? 'end' : place.zone })}
      className="flex min-h-12 items-center gap-3 rounded-xl border-[1.5px] border-line bg-paper px-3 text-left font-bold"
    >
      <span className="min-w-0 flex-1">
        {column.head} <span className="font-semibold text-soft">{open === 0 ? 'all entered' : `${open} open`}</span>
      </span>
      {limb && limb.geometry.body !== 'none' ? (
        <span className="w-28 shrink-0">
          <LanePicture geometry={{ ...limb.geometry, side }} heightPx={otherHeightPx} layers={side === view.injured ? limb.layers : bare} />
        </span>
      ) : null}
    </button>
  )
}

/** Another place begins under the keys: its first open line has the focus. */
function useFocusOnArrival(box: RefObject<HTMLDivElement | null>, at: string): void {
  const before = useRef(at)
  useEffect(() => {
    if (before.current === at) return
    before.current = at
    const form = box.current?.closest('form')
    if (form) focusNextOpen(form)
    box.current?.closest('[role="dialog"]')?.scrollTo({ top: 0 })
  }, [box, at])
}
