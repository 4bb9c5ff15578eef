import { useRef, useState } from 'react'
import type { RoundBody } from '#contract/events/rounds/round'
import type { LimbFindings } from '#core/model/observation'
import { otherSide, type Side } from '#core/model/vocabulary'
import { Button } from '../parts/button'
import { useNarrow, useUpright } from '../parts/use-narrow'
import { useDraft } from '../sync/use-draft'
import { CannotBeAskedTool, CannotBeAskedWhy } from './cannot-be-asked'
import { cannotAll, restIsNormal, type RoundCell } from './rest-is-normal'
import { RoundFrame, type RoundProps } from './round-frame'
import { isAsked, type RoundColumn } from './round-grid'
import {
  analgesiaOf,
  cannotAskOf,
  isAnswerable,
  isOfBareLimb,
  noneOfThese,
  roundItems,
  toFindings,
  type RoundEntries,
  type RoundItem,
} from './round-items'
import { limbCell } from './round-limb'
import { RoundList } from './round-list'
import { nextOpenPlace, RoundOnLimb, type RoundPlace } from './round-on-limb'
import { RoundTool, RoundTools } from './round-tool'
import type { RoundView } from './round-view'
import { vitalOf, VitalGrid } from './vital-grid'

/** A press so soon after the place in hand changed was meant for the one before, ms. */
const bounceMs = 350

/** One look at both sides: circulation, feeling, movement, pain. On the limb in the hand, side by side on a desk; either can be chosen on either. */
export function RoundForm({ watched, injured, ...round }: RoundProps & { watched: 'leg' | 'arm'; injured: Side }) {
  const isUpright = useUpright()
  const isNarrow = useNarrow()
  const [chosen, setChosen] = useDraft('round/shown-as')
  const shownAs = chosen === 'limb' || chosen === 'list' ? chosen : isUpright ? 'limb' : 'list'
  const sound = otherSide(injured)
  const [place, setPlace] = useState<RoundPlace>({ side: injured, zone: 'end' })
  const movedAt = useRef(0)
  const isBare = round.isBare === true
  const itemsOf = (entries: RoundEntries): readonly RoundItem[] =>
    roundItems(watched).filter((item) => (!isBare || isOfBareLimb(item)) && isAnswerable(item, entries))
  const columns: readonly RoundColumn[] = [injured, sound].map((one) => ({
    key: one,
    head: `${one.toUpperCase()}${one === injured ? ', injured' : ''}`,
    label: one,
    isSound: one === sound,
  }))
  const cellsOf = (of: readonly RoundColumn[], entries: RoundEntries): readonly RoundCell[] =>
    of.flatMap((column) =>
      itemsOf(entries)
        .filter((item) => isAsked(item, column))
        .map((item) => ({ key: `${column.key}/${item.key}`, item, isInjured: !column.isSound })),
    )
  const findingsOf = (entries: RoundEntries): RoundBody['findings'] => ({
    ...analgesiaOf(entries),
    ...cannotAskOf(entries),
    limbs: [injured, sound].map((one) => toFindings(watched, one, entries, entries['reason'] ?? '')).filter(isLookedAt),
    ...vitalOf(entries),
  })
  const viewOf = (entries: RoundEntries, put: RoundView['put']): RoundView => ({
    round,
    watched,
    injured,
    isBare,
    items: itemsOf(entries),
    columns,
    entries,
    findings: findingsOf(entries),
    limbCells: cellsOf(columns, entries).flatMap(({ key, item }) => {
      const [column = ''] = key.split('/')
      return limbCell(key, `${watched}-${column}`, item.key, !entries[key]) ?? []
    }),
    openOf: (column) => cellsOf([column], entries).filter(({ key }) => !entries[key]).length,
    put,
  })
  const goTo = (next: RoundPlace | null): void => {
    if (!next || (next.side === place.side && next.zone === place.zone)) return
    movedAt.current = performance.now()
    setPlace(next)
  }
  const onLimb = shownAs === 'limb'
  return (
    <RoundFrame
      round={round}
      cells={(entries) => cellsOf(columns, entries)}
      onOpenElsewhere={(entries) => {
        if (onLimb)
          goTo(
            nextOpenPlace(
              viewOf(entries, () => undefined),
              place,
            ),
          )
        else setPlace({ ...place, side: otherSide(place.side) })
      }}
      missing={(entries) =>
        itemsOf(entries).some((item) => entries[`${injured}/${item.key}`])
          ? null
          : `Nothing is entered for the ${injured} side: enter at least what you looked at.`
      }
      findings={findingsOf}
    >
      {(entries, putAll) => {
        /** Enters, and goes on to the next open place where this one is whole by it. */
        const put = (changes: RoundEntries): void => {
          if (onLimb && performance.now() - movedAt.current < bounceMs) return
          putAll(changes)
          if (!onLimb) return
          const after = viewOf({ ...entries, ...changes }, putAll)
          const next = nextOpenPlace(after, place)
          const [wasOpen, isOpen] = [nextOpenPlace(viewOf(entries, putAll), place), next].map(
            (one) => one !== null && one.side === place.side && one.zone === place.zone,
          )
          if (wasOpen && !isOpen) goTo(next)
        }
        const view = viewOf(entries, put)
        const rest = (of: readonly RoundColumn[]): RoundEntries =>
          restIsNormal(cellsOf(of, entries), entries, round.ever ?? {}, round.isBaseline)
        const otherForm = (
          <Button look="quiet" className="lg:min-h-9 lg:py-1" onClick={() => setChosen(onLimb ? 'list' : 'limb')}>
            {onLimb ? 'Show as a list' : 'Show on the limb'}
          </Button>
        )
        return (
          <>
            <CannotBeAskedWhy entries={entries} onPut={putAll} />
            <RoundTools before="Normal:">
              <RoundTool
                name={`Rest of ${sound} normal`}
                short={sound}
                onClick={() => put(rest(columns.filter((column) => column.isSound)))}
              />
              <RoundTool
                name="Rest of both normal"
                short="both"
                onClick={() => put({ ...rest(columns), ...(entries[`${injured}/also`] ? {} : { [`${injured}/also`]: noneOfThese }) })}
              />
              <CannotBeAskedTool entries={entries} onPut={putAll} />
              <RoundTool name="Cannot, all of it" short="Cannot" onClick={() => putAll(cannotAll(cellsOf(columns, entries), entries))} />
              {isNarrow ? null : otherForm}
            </RoundTools>
            {onLimb ? (
              <RoundOnLimb view={view} place={place} onPlace={goTo} />
            ) : (
              <RoundList view={view} side={place.side} onSide={(side) => setPlace({ ...place, side })} />
            )}
            {round.asksVital ? <VitalGrid entries={entries} last={round.last} onPut={putAll} /> : null}
            {isNarrow ? <div>{otherForm}</div> : null}
          </>
        )
      }}
    </RoundFrame>
  )
}

/** A limb of which nothing was entered was not looked at. */
function isLookedAt(limb: LimbFindings): boolean {
  return Object.keys(limb).length > 2
}
