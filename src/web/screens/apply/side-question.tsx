import { useState } from 'react'
import { isColumnRegion, otherSide, sides, spoken, bodyRegionOf, type Side } from '#core/model/vocabulary'
import type { FoundOn } from '#contract/records/side'
import { doubtedSide } from '#ward/case/side-state'
import { Button } from '../../parts/button'
import { ChoiceRow } from '../../parts/choice-row'
import { Notice } from '../../parts/notice'
import { writeEvent, type OpenCase } from '../../sync/case-store'

/** The run is held until somebody has looked: which limb is hurt, where that is in doubt, and which one it is on. */
export function SideQuestion({ open }: { open: OpenCase }) {
  const { record, episode } = open
  const injury = episode.injuries[record.injuryId]
  const side = injury?.side ?? null
  const isDoubted = doubtedSide(record) !== null
  const [hurt, setHurt] = useState<Side | null>(isDoubted ? null : side)
  const limb = injury?.region ? spoken(bodyRegionOf(injury.region)) : 'limb'
  const isSided = side !== null && injury?.region !== null && injury?.region !== undefined && !isColumnRegion(injury.region)
  const answer = (on: FoundOn): void => void writeEvent('side-answered', { on, hurt: isSided ? hurt : side })
  const change = record.sideChange && !record.sideChange.checked ? record.sideChange : null
  const sayFirst = `Say first which ${limb} is hurt.`
  return (
    <main id="main" className="mx-auto grid w-full max-w-2xl flex-1 content-start gap-5 p-4 sm:p-6">
      <h1 className="text-[1.6rem] leading-tight font-bold">{isSided ? 'Which limb is it on?' : 'Is it on the right patient and part?'}</h1>
      <Notice tone="stop" lead="Stop. Leave it safe: take nothing off yet." role="alert">
        {change
          ? `${change.from} → ${change.to}. ${change.reason}. ${change.by} changed it.`
          : 'Look at the patient, the film and the order.'}
      </Notice>
      {isSided && isDoubted ? (
        <ChoiceRow
          label={`Which ${limb} is hurt? The record says ${side.toUpperCase()}.`}
          value={hurt}
          choices={sides.map((value) => ({ value, label: `The ${value.toUpperCase()} ${limb} is hurt` }))}
          onChange={setHurt}
        />
      ) : null}
      <fieldset className="grid gap-3">
        <legend className="mb-2 text-sm font-semibold text-soft">{isSided ? 'Look: it is now' : 'It is'}</legend>
        {isSided ? (
          [side, otherSide(side)].toSorted().map((value) => (
            <Button key={value} className="min-h-20 text-xl" refuses={hurt === null ? sayFirst : null} onClick={() => answer(value)}>
              On the {value.toUpperCase()} {limb}
            </Button>
          ))
        ) : (
          <Button className="min-h-20 text-xl" onClick={() => answer('here')}>
            Where it belongs
          </Button>
        )}
        <Button className="min-h-16 text-lg" refuses={isSided && hurt === null ? sayFirst : null} onClick={() => answer('nowhere')}>
          Not on yet
        </Button>
        <Button look="quiet" className="min-h-12" refuses={isSided && hurt === null ? sayFirst : null} onClick={() => answer('elsewhere')}>
          On another part, or another patient
        </Button>
      </fieldset>
      {isSided && hurt === null ? <p className="text-soft">{sayFirst}</p> : null}
    </main>
  )
}
