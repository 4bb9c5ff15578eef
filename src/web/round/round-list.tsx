import { otherSide, type Side } from '#core/model/vocabulary'
import { ChoiceRow } from '../parts/choice-row'
import { useNarrow } from '../parts/use-narrow'
import { AlsoAsked, ColourUsual, PainRelief, SkinWork } from './round-beside'
import { RoundGrid } from './round-grid'
import { RoundLimb } from './round-limb'
import type { RoundView } from './round-view'

/** The round as a list: side by side on a desk, one limb at a time on a phone. */
export function RoundList({ view, side, onSide }: { view: RoundView; side: Side; onSide: (side: Side) => void }) {
  const isNarrow = useNarrow()
  const { round, watched, injured, isBare, items, columns, entries, openOf, put } = view
  const shown = isNarrow ? columns.filter((column) => column.key === side) : columns
  const beside = (
    <div className="flex flex-wrap gap-x-6 gap-y-2">
      {round.isBaseline ? null : <PainRelief entries={entries} onPut={put} />}
      <SkinWork injured={injured} isBare={isBare} entries={entries} onPut={put} />
      <ColourUsual injured={injured} entries={entries} onPut={put} />
    </div>
  )
  const also = <AlsoAsked watched={watched} injured={injured} isBare={isBare} entries={entries} onPut={put} />
  const drawn = isNarrow && side === otherSide(injured) ? undefined : round.limb
  const limb = drawn
    ? (inHand: string | null) => <RoundLimb limb={drawn} cells={view.limbCells} findings={view.findings} inHand={inHand} />
    : undefined
  return (
    <>
      {isNarrow ? (
        <ChoiceRow
          label="Side in hand"
          isLabelHidden
          value={side}
          choices={columns.map((column) => ({
            value: column.key as Side,
            label: column.head,
            hint: openOf(column) === 0 ? 'all entered' : `${openOf(column)} open`,
          }))}
          onChange={onSide}
        />
      ) : null}
      <RoundGrid
        items={items}
        columns={shown}
        entries={entries}
        last={round.last}
        beside={beside}
        limb={limb}
        under={limb ? also : null}
        onPut={put}
      />
      {isNarrow && side !== injured ? null : (
        <div className={`grid gap-x-6 gap-y-1.5 border-t border-line pt-1 ${limb ? 'lg:hidden' : ''}`}>
          {also}
          <div className="lg:hidden">{beside}</div>
        </div>
      )}
    </>
  )
}
