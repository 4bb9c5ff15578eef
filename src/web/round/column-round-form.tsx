import { Button } from '../parts/button'
import { RoundFrame, type RoundProps } from './round-frame'
import { RoundGrid } from './round-grid'
import { columnItems, keyRows, toColumnFindings, type RoundEntries } from './round-items'

/** One look at a neck or spine: what it does itself, then pulse, strength and feeling of all four limbs. */
export function ColumnRoundForm({ watched, ...round }: RoundProps & { watched: 'neck' | 'spine' }) {
  const own = columnItems(watched)
  const limbs = (['arm', 'leg'] as const).map((limb) => ({ limb, items: keyRows(limb) }))
  const restNormal = (entries: RoundEntries): RoundEntries => {
    const cells = [
      ...own.map((item) => [`column/${item.key}`, item.normal] as const),
      ...limbs.flatMap(({ limb, items }) =>
        (['left', 'right'] as const).flatMap((side) => items.map((item) => [`${limb}-${side}/${item.key}`, item.normal] as const)),
      ),
    ]
    return Object.fromEntries(cells.filter(([key]) => !entries[key]))
  }
  return (
    <RoundFrame
      round={round}
      missing={(entries) =>
        Object.keys(entries).some((key) => key.includes('/')) ? null : 'Nothing is entered: enter at least what you looked at.'
      }
      findings={(entries) => toColumnFindings(watched, entries, entries['reason'] ?? '')}
    >
      {(entries, put) => (
        <>
          <div>
            <Button onClick={() => put(restNormal(entries))}>The rest is normal</Button>
          </div>
          <RoundGrid
            items={own}
            columns={[{ key: 'column', head: watched === 'neck' ? 'Neck' : 'Trunk', label: '' }]}
            entries={entries}
            last={round.last}
            onPut={put}
          />
          {limbs.map(({ limb, items }) => (
            <section key={limb} aria-label={limb === 'arm' ? 'Arms' : 'Legs'}>
              <h3 className="mb-1 font-bold">{limb === 'arm' ? 'Arms' : 'Legs'}</h3>
              <RoundGrid
                items={items}
                columns={(['left', 'right'] as const).map((side) => ({
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
        </>
      )}
    </RoundFrame>
  )
}
