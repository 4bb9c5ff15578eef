import type { RoundInput } from '#core/model/observation'
import { RoundGrid } from './round-grid'
import type { LastEntries } from './last-entries'
import { toBlock, vitalRows, type RoundEntries } from './round-items'

/** The circulation and breathing as a whole, where blood may be lost or the cord be hurt. */
export function VitalGrid({
  entries,
  last,
  onPut,
}: {
  entries: RoundEntries
  last: LastEntries | undefined
  onPut: (changes: RoundEntries) => void
}) {
  return (
    <section aria-label="Circulation as a whole">
      <h3 className="mb-1 font-bold">Circulation as a whole</h3>
      <RoundGrid items={vitalRows()} columns={[{ key: 'vital', head: '', label: '' }]} entries={entries} last={last} onPut={onPut} />
    </section>
  )
}

/** What was entered of it; nothing where nothing was. */
export function vitalOf(entries: RoundEntries): Pick<RoundInput, 'vital'> {
  const vital = toBlock(vitalRows(), 'vital', entries, entries['reason'] ?? '')
  return vital ? { vital } : {}
}
