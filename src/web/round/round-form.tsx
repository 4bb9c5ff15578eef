import { useState } from 'react'
import type { RoundBody } from '#contract/events/rounds/round'
import type { LimbFindings } from '#core/model/observation'
import { otherSide, spoken, type Side } from '#core/model/vocabulary'
import { ChoiceRow, ChoiceSet } from '../parts/choice-row'
import { useNarrow } from '../parts/use-narrow'
import { cannotAll, restIsNormal, type RoundCell } from './rest-is-normal'
import { CannotBeAskedTool, CannotBeAskedWhy } from './cannot-be-asked'
import { RoundFrame, type RoundProps } from './round-frame'
import { isAsked, RoundGrid, type RoundColumn } from './round-grid'
import { skinWords } from '#core/model/round-items'
import {
  alsoAsked,
  cannotAskOf,
  isAnswerable,
  isOfBareLimb,
  noneOfThese,
  roundItems,
  tickAlso,
  toFindings,
  type RoundEntries,
  type RoundItem,
} from './round-items'
import { limbCell, RoundLimb } from './round-limb'
import { RoundTool, RoundTools } from './round-tool'
import { vitalOf, VitalGrid } from './vital-grid'

/** One look at both sides: circulation, feeling, movement, pain. Side by side on a desk, one at a time on a phone. */
export function RoundForm({ watched, injured, ...round }: RoundProps & { watched: 'leg' | 'arm'; injured: Side }) {
  const isNarrow = useNarrow()
  const sound = otherSide(injured)
  const [side, setSide] = useState<Side>(injured)
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
  const openOf = (entries: RoundEntries, column: RoundColumn): number =>
    cellsOf([column], entries).filter(({ key }) => !entries[key]).length
  const findingsOf = (entries: RoundEntries): RoundBody['findings'] => ({
    analgesia: entries['analgesia'] === 'yes',
    ...cannotAskOf(entries),
    limbs: [injured, sound].map((one) => toFindings(watched, one, entries, entries['reason'] ?? '')).filter(isLookedAt),
    ...vitalOf(entries),
  })
  return (
    <RoundFrame
      round={round}
      cells={(entries) => cellsOf(columns, entries)}
      onOpenElsewhere={isNarrow ? () => setSide(otherSide(side)) : undefined}
      missing={(entries) =>
        itemsOf(entries).some((item) => entries[`${injured}/${item.key}`])
          ? null
          : `Nothing is entered for the ${injured} side: enter at least what you looked at.`
      }
      findings={findingsOf}
    >
      {(entries, put) => {
        const also = (entries[`${injured}/also`] ?? '').split(' ').filter(Boolean)
        const shown = isNarrow ? columns.filter((column) => column.key === side) : columns
        const beside = (
          <div className="flex flex-wrap gap-x-6 gap-y-2">
            {round.isBaseline ? null : (
              <ChoiceRow
                label="Pain relief since the last round"
                value={entries['analgesia'] ?? 'no'}
                choices={[
                  { value: 'no', label: 'No' },
                  { value: 'yes', label: 'Yes' },
                ]}
                isSmall
                onChange={(analgesia) => put({ analgesia })}
              />
            )}
            <ChoiceRow
              label={isBare ? `Skin over bone, ${injured}` : `Skin at the edges and over bone, ${injured}`}
              value={entries[`${injured}/skin`] ?? null}
              choices={skinWords.map((value) => ({ value, label: spoken(value) }))}
              isSmall
              onChange={(skin) => put({ [`${injured}/skin`]: skin })}
            />
            {entries[`${injured}/colour`] && entries[`${injured}/colour`] !== 'pink' ? (
              <ChoiceRow
                label="Is this colour usual for this patient?"
                value={entries[`${injured}/colourUsual`] ?? 'no'}
                choices={[
                  { value: 'no', label: 'No' },
                  { value: 'yes', label: 'Yes, usual' },
                ]}
                isSmall
                onChange={(colourUsual) => put({ [`${injured}/colourUsual`]: colourUsual })}
              />
            ) : null}
          </div>
        )
        return (
          <>
            <CannotBeAskedWhy entries={entries} onPut={put} />
            {isNarrow ? (
              <ChoiceRow
                label="Side in hand"
                isLabelHidden
                value={side}
                choices={columns.map((column) => ({
                  value: column.key as Side,
                  label: column.head,
                  hint: openOf(entries, column) === 0 ? 'all entered' : `${openOf(entries, column)} open`,
                }))}
                onChange={setSide}
              />
            ) : null}
            <div className="lg:flex lg:items-end lg:justify-between lg:gap-6">
              <RoundTools before="Normal:">
                <RoundTool
                  name={`Rest of ${sound} normal`}
                  short={sound}
                  onClick={() =>
                    put(
                      restIsNormal(
                        cellsOf(
                          columns.filter((column) => column.isSound),
                          entries,
                        ),
                        entries,
                        round.ever ?? {},
                        round.isBaseline,
                      ),
                    )
                  }
                />
                <RoundTool
                  name="Rest of both normal"
                  short="both"
                  onClick={() =>
                    put({
                      ...restIsNormal(cellsOf(columns, entries), entries, round.ever ?? {}, round.isBaseline),
                      ...(entries[`${injured}/also`] ? {} : { [`${injured}/also`]: noneOfThese }),
                    })
                  }
                />
                <CannotBeAskedTool entries={entries} onPut={put} />
                <RoundTool name="Cannot, all of it" short="Cannot" onClick={() => put(cannotAll(cellsOf(columns, entries), entries))} />
              </RoundTools>
              {round.limb && !(isNarrow && side !== injured) ? (
                // In a dialog it reaches up beside the title, so that the whole round stays on one screen.
                <div className="lg:mr-20 lg:in-[[role=dialog]]:-mt-11">
                  <RoundLimb
                    limb={round.limb}
                    cells={cellsOf(columns, entries).flatMap(({ key, item }) => {
                      const [column = ''] = key.split('/')
                      return limbCell(key, `${watched}-${column}`, item.key, !entries[key]) ?? []
                    })}
                    findings={findingsOf(entries)}
                  />
                </div>
              ) : null}
            </div>
            <RoundGrid items={itemsOf(entries)} columns={shown} entries={entries} last={round.last} beside={beside} onPut={put} />
            {round.asksVital ? <VitalGrid entries={entries} last={round.last} onPut={put} /> : null}
            {isNarrow && side !== injured ? null : (
              <div className="grid gap-x-6 gap-y-1.5 border-t border-line pt-1">
                <ChoiceSet
                  label={`Also asked, ${injured}`}
                  values={also}
                  choices={alsoAsked(watched, isBare)}
                  isSmall
                  onChange={(values) => put({ [`${injured}/also`]: tickAlso(also, values).join(' ') })}
                />
                <div className="lg:hidden">{beside}</div>
              </div>
            )}
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
