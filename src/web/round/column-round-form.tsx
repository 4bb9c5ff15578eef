import type { RoundBody } from '#contract/events/rounds/round'
import { isPairedDevice } from '#contract/rights'
import { usePerson } from '../sync/session-store'
import { ChoiceRow } from '../parts/choice-row'
import { useNarrow } from '../parts/use-narrow'
import { cannotAll, restIsNormal, type RoundCell } from './rest-is-normal'
import { CannotBeAskedTool, CannotBeAskedWhy } from './cannot-be-asked'
import { RoundFrame, type RoundProps } from './round-frame'
import { RoundGrid } from './round-grid'
import {
  columnItems,
  feelingItem,
  isAnswerable,
  isInShortForm,
  keyRows,
  toColumnFindings,
  type RoundEntries,
  type RoundItem,
} from './round-items'
import { FeelingLevel } from './feeling-level'
import { limbCell, RoundLimb } from './round-limb'
import { RoundTool, RoundTools } from './round-tool'
import { vitalOf, VitalGrid } from './vital-grid'

const limbs = ['arm', 'leg'] as const
const sides = ['left', 'right'] as const

/** One look at a neck or spine: what it does itself, then pulse, strength and feeling of all four limbs; in the field a short one. */
export function ColumnRoundForm({ watched, ...asked }: RoundProps & { watched: 'neck' | 'spine' }) {
  // Who works on a device that is nobody's is in the field: the short one stands there first, and the whole one is a tap away.
  const isField = isPairedDevice(usePerson().roles)
  const round: RoundProps = isField && !asked.initial ? { ...asked, initial: { form: 'short' } } : asked
  const isNarrow = useNarrow()
  const own = columnItems(watched)
  const level = own.find((item) => item.key === feelingItem)
  const rowsOf = (limb: 'arm' | 'leg', entries: RoundEntries): readonly RoundItem[] =>
    keyRows(limb).filter((item) => (entries['form'] !== 'short' || isInShortForm(item.key)) && isAnswerable(item, entries))
  const cellsOf = (entries: RoundEntries): readonly RoundCell[] => [
    ...own.map((item) => ({ key: `column/${item.key}`, item, isInjured: true })),
    ...limbs.flatMap((limb) =>
      sides.flatMap((side) => rowsOf(limb, entries).map((item) => ({ key: `${limb}-${side}/${item.key}`, item, isInjured: false }))),
    ),
  ]
  const findingsOf = (entries: RoundEntries): RoundBody['findings'] => ({
    ...toColumnFindings(watched, entries, entries['reason'] ?? ''),
    ...vitalOf(entries),
  })
  return (
    <RoundFrame
      round={round}
      cells={cellsOf}
      missing={(entries) =>
        Object.keys(entries).some((key) => key.includes('/')) ? null : 'Nothing is entered: enter at least what you looked at.'
      }
      findings={findingsOf}
    >
      {(entries, put) => (
        <>
          <CannotBeAskedWhy entries={entries} onPut={put} />
          <div className="lg:flex lg:items-end lg:justify-between lg:gap-6">
            <div className="flex flex-wrap items-center gap-x-2 gap-y-1.5 sm:items-end sm:gap-3">
              <ChoiceRow
                label="How much"
                isLabelHidden={isNarrow}
                value={entries['form'] ?? 'whole'}
                choices={[
                  { value: 'whole', label: 'The whole' },
                  { value: 'short', label: isNarrow ? 'Short' : 'Short, in the field' },
                ]}
                onChange={(form) => put({ form })}
              />
              <RoundTools>
                {/* The first look of a neck or trunk is what all later ones are held against: each item is pressed for itself. */}
                {round.isBaseline ? null : (
                  <RoundTool
                    name="The rest is normal"
                    short="normal"
                    onClick={() => put(restIsNormal(cellsOf(entries), entries, round.ever ?? {}, false))}
                  />
                )}
                <CannotBeAskedTool entries={entries} onPut={put} />
                <RoundTool name="Cannot, all of it" short="Cannot" onClick={() => put(cannotAll(cellsOf(entries), entries))} />
              </RoundTools>
            </div>
            {round.limb ? (
              <RoundLimb
                limb={round.limb}
                cells={cellsOf(entries).flatMap(({ key, item }) => {
                  const [column = ''] = key.split('/')
                  return limbCell(key, column === 'column' ? watched : column, item.key, !entries[key]) ?? []
                })}
                findings={findingsOf(entries)}
              />
            ) : null}
          </div>
          {entries['form'] === 'short' ? (
            <p className="font-semibold text-caution">
              Short: grip, wrist, foot up and down, touch at finger and toe. It ends nothing; the whole round stays owed.
            </p>
          ) : null}
          <RoundGrid
            items={own.filter((item) => item !== level)}
            columns={[{ key: 'column', head: watched === 'neck' ? 'Neck' : 'Trunk', label: '' }]}
            entries={entries}
            last={round.last}
            onPut={put}
          />
          {level ? (
            <FeelingLevel
              cellKey={`column/${level.key}`}
              item={level}
              value={entries[`column/${level.key}`] ?? ''}
              last={round.last?.[`column/${level.key}`]}
              limb={round.limb}
              onChange={(value) => put({ [`column/${level.key}`]: value })}
            />
          ) : null}
          {limbs.map((limb) => (
            <section key={limb} aria-label={limb === 'arm' ? 'Arms' : 'Legs'}>
              <h3 className="mb-1 font-bold">{limb === 'arm' ? 'Arms' : 'Legs'}</h3>
              <RoundGrid
                items={rowsOf(limb, entries)}
                columns={sides.map((side) => ({
                  key: `${limb}-${side}`,
                  head: side.toUpperCase(),
                  label: `${side} ${limb}`,
                }))}
                entries={entries}
                last={round.last}
                onPut={put}
              />
            </section>
          ))}
          {entries['form'] === 'short' ? null : <VitalGrid entries={entries} last={round.last} onPut={put} />}
        </>
      )}
    </RoundFrame>
  )
}
