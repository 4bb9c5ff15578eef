import type { LimbFindings, RoundInput } from '#core/model/observation'
import { otherSide, spoken, type Side } from '#core/model/vocabulary'
import { Button } from '../parts/button'
import { ChoiceRow, ChoiceSet } from '../parts/choice-row'
import { RoundFrame, type RoundProps } from './round-frame'
import { RoundGrid } from './round-grid'
import { skinWords } from '#core/model/round-items'
import { alsoAsked, noneOfThese, roundItems, tickAlso, toBlock, toFindings, vitalRows, type RoundEntries } from './round-items'

/** One look at both sides: circulation, feeling, movement, pain. */
export function RoundForm({ limb, injured, ...round }: RoundProps & { limb: 'leg' | 'arm'; injured: Side }) {
  const sound = otherSide(injured)
  const items = roundItems(limb)
  const restNormal = (entries: RoundEntries, sides: readonly Side[]): RoundEntries =>
    Object.fromEntries([
      ...sides.flatMap((side) =>
        items.filter((item) => !entries[`${side}/${item.key}`]).map((item) => [`${side}/${item.key}`, item.normal] as const),
      ),
      ...(sides.includes(injured) && !entries[`${injured}/also`] ? [[`${injured}/also`, noneOfThese] as const] : []),
    ])
  return (
    <RoundFrame
      round={round}
      missing={(entries) =>
        items.some((item) => entries[`${injured}/${item.key}`])
          ? null
          : `Nothing is entered for the ${injured} side: enter at least what you looked at.`
      }
      findings={(entries) => ({
        analgesia: entries['analgesia'] === 'yes',
        limbs: [injured, sound].map((side) => toFindings(limb, side, entries, entries['reason'] ?? '')).filter(isLookedAt),
        ...vitalOf(entries),
      })}
    >
      {(entries, put) => {
        const also = (entries[`${injured}/also`] ?? '').split(' ').filter(Boolean)
        return (
          <>
            <div className="flex flex-wrap items-center gap-3">
              <Button onClick={() => put(restNormal(entries, [sound]))}>Rest of {sound} normal</Button>
              <Button onClick={() => put(restNormal(entries, [injured, sound]))}>Rest of both normal</Button>
              {round.isBaseline ? null : (
                <ChoiceRow
                  label="Pain relief since the last round"
                  value={entries['analgesia'] ?? 'no'}
                  choices={[
                    { value: 'no', label: 'No' },
                    { value: 'yes', label: 'Yes' },
                  ]}
                  onChange={(analgesia) => put({ analgesia })}
                />
              )}
            </div>
            <RoundGrid
              items={items}
              columns={[injured, sound].map((side) => ({
                key: side,
                head: `${side.toUpperCase()}${side === injured ? ', injured' : ''}`,
                label: side,
              }))}
              entries={entries}
              last={round.last}
              onPut={put}
            />
            {round.asksVital ? <VitalGrid entries={entries} last={round.last} onPut={put} /> : null}
            <div className="grid gap-4 border-t border-line pt-3 lg:grid-cols-2">
              <ChoiceSet
                label={`Also asked, ${injured}`}
                values={also}
                choices={alsoAsked}
                onChange={(values) => put({ [`${injured}/also`]: tickAlso(also, values).join(' ') })}
              />
              <div className="grid content-start gap-4">
                <ChoiceRow
                  label={`Skin at the edges and over bone, ${injured}`}
                  value={entries[`${injured}/skin`] ?? null}
                  choices={skinWords.map((value) => ({ value, label: spoken(value) }))}
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
                    onChange={(colourUsual) => put({ [`${injured}/colourUsual`]: colourUsual })}
                  />
                ) : null}
              </div>
            </div>
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

function vitalOf(entries: RoundEntries): Pick<RoundInput, 'vital'> {
  const vital = toBlock(vitalRows(), 'vital', entries, entries['reason'] ?? '')
  return vital ? { vital } : {}
}

/** The circulation as a whole, where blood may be lost. */
function VitalGrid({
  entries,
  last,
  onPut,
}: {
  entries: RoundEntries
  last: RoundEntries | undefined
  onPut: (changes: RoundEntries) => void
}) {
  return (
    <section aria-label="Circulation as a whole">
      <h3 className="mb-1 font-bold">Circulation as a whole</h3>
      <RoundGrid items={vitalRows()} columns={[{ key: 'vital', head: '', label: '' }]} entries={entries} last={last} onPut={onPut} />
    </section>
  )
}
