import type { LimbFindings } from '#core/model/observation'
import { otherSide, spoken, type Side } from '#core/model/vocabulary'
import { Button } from '../parts/button'
import { ChoiceRow, ChoiceSet } from '../parts/choice-row'
import { cannotAll, restIsNormal, type RoundCell } from './rest-is-normal'
import { RoundFrame, type RoundProps } from './round-frame'
import { RoundGrid } from './round-grid'
import { skinWords } from '#core/model/round-items'
import { alsoAsked, noneOfThese, roundItems, tickAlso, toFindings } from './round-items'
import { vitalOf, VitalGrid } from './vital-grid'

/** One look at both sides: circulation, feeling, movement, pain. */
export function RoundForm({ limb, injured, ...round }: RoundProps & { limb: 'leg' | 'arm'; injured: Side }) {
  const sound = otherSide(injured)
  const items = roundItems(limb)
  const cellsOf = (sides: readonly Side[]): readonly RoundCell[] =>
    sides.flatMap((side) => items.map((item) => ({ key: `${side}/${item.key}`, item, isInjured: side === injured })))
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
              <Button onClick={() => put(restIsNormal(cellsOf([sound]), entries, round.ever ?? {}))}>Rest of {sound} normal</Button>
              <Button
                onClick={() =>
                  put({
                    ...restIsNormal(cellsOf([injured, sound]), entries, round.ever ?? {}),
                    ...(entries[`${injured}/also`] ? {} : { [`${injured}/also`]: noneOfThese }),
                  })
                }
              >
                Rest of both normal
              </Button>
              <Button onClick={() => put(cannotAll(cellsOf([injured, sound]), entries))}>Cannot, all of it</Button>
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
