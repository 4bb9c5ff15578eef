import { useState } from 'react'
import { limits } from '#core/model/limits'
import type { BuiltRig } from '#core/model/rig'
import type { RigPlan } from '#core/figures/traction/hang-rig'
import { readPulleys } from '#core/techniques/families/traction/read-pulleys'
import { Button } from '../../parts/button'
import { Form } from '../../parts/form'
import { TextField } from '../../parts/text-field'

type Faults = Partial<Record<'pulleys' | 'beam' | 'bedEnd' | 'drop', string>>

/** How this bed is built: its pulleys, its beam, its end; read off the bed, kept with the case. */
export function RigBedForm({ rig, liftAtCm, onSave }: { rig: RigPlan; liftAtCm: number; onSave: (built: BuiltRig) => void }) {
  const places = [liftAtCm + rig.fixedCm[0], liftAtCm + rig.fixedCm[1], ...rig.onwardCm].map((at) => Math.round(at))
  const [pulleys, setPulleys] = useState(places.join(', '))
  const [beam, setBeam] = useState(String(Math.round(rig.beamCm)))
  const [bedEnd, setBedEnd] = useState(rig.bedEndCm === null ? '' : String(rig.bedEndCm))
  const [drop, setDrop] = useState(String(rig.dropCm))
  const [faults, setFaults] = useState<Faults>({})
  const save = (): void => {
    const read = readPulleys(pulleys, liftAtCm)
    const found: Faults = {
      ...(read.ok ? {} : { pulleys: read.message }),
      ...faultOf('beam', 'The beam', beam, limits.rigBeamCm),
      ...(bedEnd.trim() === '' ? {} : faultOf('bedEnd', 'The bed’s end', bedEnd, limits.rigBedEndCm)),
      ...faultOf('drop', 'The drop', drop, limits.rigDropCm),
    }
    setFaults(found)
    if (!read.ok || Object.keys(found).length > 0) return
    onSave({
      ...read.rig,
      beamCm: Number(beam),
      dropCm: Number(drop),
      ...(bedEnd.trim() === '' ? {} : { bedEndCm: Number(bedEnd) }),
    })
  }
  return (
    <details className="rounded-2xl border border-line px-4 py-2">
      <summary className="min-h-11 cursor-pointer content-center font-semibold">
        This bed: pulleys at {places.join(', ')} cm from the groin
      </summary>
      <Form onSend={save} aria-label="This bed" className="grid gap-3 pb-2">
        <TextField
          label="Pulleys on the beam, cm from the groin"
          hint="From head to foot: 18, 78, 150. The weight hangs from the last. The bed’s end too is from the groin."
          value={pulleys}
          error={faults.pulleys}
          onChange={(event) => setPulleys(event.target.value)}
        />
        <div className="grid gap-3 sm:grid-cols-3">
          <TextField
            label="Beam above the bars, cm"
            inputMode="decimal"
            value={beam}
            error={faults.beam}
            onChange={(event) => setBeam(event.target.value)}
          />
          <TextField
            label="Bed’s foot end, cm"
            inputMode="decimal"
            value={bedEnd}
            error={faults.bedEnd}
            onChange={(event) => setBedEnd(event.target.value)}
          />
          <TextField
            label="Drop of the weight, cm"
            inputMode="decimal"
            value={drop}
            error={faults.drop}
            onChange={(event) => setDrop(event.target.value)}
          />
        </div>
        <Button type="submit" className="justify-self-start">
          Keep this bed
        </Button>
      </Form>
    </details>
  )
}

/** What is wrong with a length as typed. */
function faultOf(field: keyof Faults, name: string, text: string, { least, greatest }: { least: number; greatest: number }): Faults {
  const value = text.trim() === '' ? NaN : Number(text)
  return value >= least && value <= greatest
    ? {}
    : { [field]: `${name} must be from ${least} to ${greatest} cm: read it off the bed again.` }
}
