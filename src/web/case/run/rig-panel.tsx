import { useMemo, useState } from 'react'
import type { Plan } from '#core/model/plan'
import type { RigSetting } from '#core/model/rig'
import {
  hasRig,
  placeOfWeight,
  rigLimits,
  rigModelOf,
  tryRig,
  type RigModel,
  type TriedRig,
} from '#core/techniques/families/traction/describe-rig'
import { toClinicalCase } from '#ward/case/clinical-case'
import { protocolOf } from '#contract/records/case'
import { TractionScene } from '../../lane/traction-scene'
import { RigBedForm } from './rig-bed-form'
import { Button } from '../../parts/button'
import { writeEvent, type OpenCase } from '../../sync/case-store'
import { browserContext } from '../plan/use-plan'

/** The rig of a suspended leg: what each change does to lift, hip, ring and skin, answered while it is tried. Only how the bed is built is recorded, when asked. */
export function RigPanel({ open, plan }: { open: OpenCase; plan: Plan }) {
  const { record, episode } = open
  const model = useMemo(
    () => (hasRig(plan.technique) ? rigModelOf(toClinicalCase(record, episode), plan, browserContext(protocolOf(record))) : null),
    [record, episode, plan],
  )
  const [tried, setTried] = useState<RigSetting>({})
  if (!model) return null
  const answer = tryRig(model, { ...record.setup.rig, ...tried })
  const set = (change: RigSetting): void => setTried({ ...tried, ...change })
  const { rig, state } = answer
  return (
    <section aria-labelledby="rig" className="grid gap-4 rounded-3xl border border-line bg-sheet p-4">
      <div className="flex flex-wrap items-baseline justify-between gap-2">
        <h2 id="rig" className="font-bold">
          The rig: try a change
        </h2>
        {Object.keys(tried).length > 0 ? (
          <div className="flex flex-wrap gap-2">
            <Button onClick={() => setTried({})}>As planned</Button>
            {builtOf(tried) ? (
              <Button
                onClick={() => {
                  void writeEvent('setup', { ...record.setup, rig: { ...record.setup.rig, ...builtOf(tried) } })
                  setTried({})
                }}
              >
                The bed is built like this
              </Button>
            ) : null}
          </div>
        ) : null}
      </div>
      <RigBedForm
        key={JSON.stringify(record.setup.rig ?? null)}
        rig={rig}
        liftAtCm={model.limb.liftAtCm}
        onSave={(built) => {
          // An end of the bed that was taken out of the form is known no more.
          const { bedEndCm: _, ...before } = record.setup.rig ?? {}
          void writeEvent('setup', { ...record.setup, rig: { ...before, ...built } })
          setTried({})
        }}
      />
      <TractionScene
        scene={answer.scene}
        limb={plan.geometry}
        onCarried={(carriedAtCm) => set({ carriedAtCm: clamp(carriedAtCm, 10, 95) })}
      />
      <Answers model={model} answer={answer} />
      <div className="grid gap-x-6 gap-y-3 sm:grid-cols-2">
        <Slider
          label={state.kind === 'carried-pulley' ? 'Carried pulley from the groin' : 'Cord from the groin'}
          unit="cm"
          value={rig.carriedAtCm}
          least={10}
          greatest={95}
          onChange={(carriedAtCm) => set({ carriedAtCm })}
        />
        <Slider label="Beam above the bars" unit="cm" value={rig.beamCm} least={40} greatest={200} onChange={(beamCm) => set({ beamCm })} />
        {state.kind === 'carried-pulley' ? (
          <Slider
            label="Fixed pulleys, to either side"
            unit="cm"
            value={(rig.fixedCm[1] - rig.fixedCm[0]) / 2}
            least={5}
            greatest={100}
            onChange={(apart) => set({ fixedCm: [-apart, apart] })}
          />
        ) : null}
        <Slider
          label="Suspension weight"
          unit="kg"
          value={state.suspensionKg}
          least={0}
          greatest={20}
          step={0.1}
          onChange={(suspensionKg) => set({ suspensionKg })}
        />
        <Slider
          label="Counterweight"
          unit="kg"
          value={rig.counterweightKg}
          least={0}
          greatest={10}
          step={0.5}
          onChange={(counterweightKg) => set({ counterweightKg })}
        />
        <Slider
          label="Pull tied into the cord"
          unit="kg"
          value={rig.cordPullKg}
          least={0}
          greatest={10}
          step={0.5}
          onChange={(cordPullKg) => set({ cordPullKg })}
        />
        <Slider
          label="Foot end of the bed up"
          unit="cm"
          value={rig.raiseCm ?? state.raiseCm}
          least={0}
          greatest={50}
          onChange={(raiseCm) => set({ raiseCm })}
        />
      </div>
    </section>
  )
}

/** The part of a setting that is how the bed is built; null where none of it was changed. */
function builtOf({ beamCm, fixedCm, carriedAtCm }: RigSetting): RigSetting | null {
  const built = {
    ...(beamCm === undefined ? {} : { beamCm }),
    ...(fixedCm === undefined ? {} : { fixedCm }),
    ...(carriedAtCm === undefined ? {} : { carriedAtCm }),
  }
  return Object.keys(built).length > 0 ? built : null
}

/** What the rig does as it is set, each with what it should be. */
function Answers({ model, answer: { rig, state } }: { model: RigModel; answer: TriedRig }) {
  const overCapKg = model.capKg !== null && state.cordN / 9.81 > model.capKg + 1e-9 ? model.capKg : null
  const { ringNoteKPa, ringCautionKPa, ringStopKPa, shearKPa } = rigLimits(model.protocol)
  const slides = state.heldN < state.counterweightN - 0.5
  const place = placeOfWeight(model, rig)
  const rows: readonly (readonly [string, string, string | null])[] = [
    ['Lift', `${state.liftN.toFixed(0)} N`, balanceWords(state.hipMomentNm, state.balanceKg)],
    ['Borne by the hip', `${state.hipShareN.toFixed(0)} N`, null],
    [
      'On the ring',
      `${state.ringLoadN.toFixed(0)} N${state.ringKPa === null ? '' : `, ${state.ringKPa.toFixed(1)} kPa`}`,
      (state.ringKPa ?? 0) > ringStopKPa
        ? 'Stop: unload it'
        : (state.ringKPa ?? 0) > ringCautionKPa
          ? 'Unload it'
          : (state.ringKPa ?? 0) > ringNoteKPa
            ? 'A relief plan'
            : null,
    ],
    [
      'Cord',
      `${state.cordN.toFixed(0)} N (${(state.cordN / 9.81).toFixed(1)} kg)`,
      overCapKg === null ? null : `Stop: skin bears ${overCapKg} kg at most`,
    ],
    [
      'Drag on the skin',
      state.skinKPa === null ? 'none: a pin' : `${state.skinKPa.toFixed(2)} kPa`,
      (state.skinKPa ?? 0) > shearKPa ? `Over ${shearKPa} kPa: less pull` : null,
    ],
    [
      'Weight hangs',
      `${place.lastCm.toFixed(0)} cm from the groin, cord ${place.cordCm.toFixed(0)} cm`,
      place.isOverLeg ? 'Stop: over the leg, lead the cord on' : place.isOnBed ? 'Stop: on the bed, shorten the drop' : null,
    ],
    [
      'Bed',
      rig.raiseCm === null ? `raise ${state.raiseCm.toFixed(0)} cm` : `${rig.raiseCm.toFixed(0)} cm up`,
      slides ? 'The patient slides: raise the foot end' : null,
    ],
  ]
  return (
    <dl aria-live="polite" className="grid gap-x-6 gap-y-1.5 sm:grid-cols-2">
      {rows.map(([label, value, word]) => (
        <div key={label} className="flex flex-wrap items-baseline justify-between gap-x-3 border-b border-line py-1">
          <dt className="text-soft">{label}</dt>
          <dd className="numeral font-bold">{value}</dd>
          {word ? <dd className="w-full font-semibold text-caution">{word}</dd> : null}
        </div>
      ))}
    </dl>
  )
}

function balanceWords(momentNm: number, balanceKg: number): string | null {
  if (Math.abs(momentNm) < 0.5) return null
  return `The leg ${momentNm > 0 ? 'sags' : 'rises'}: ${balanceKg.toFixed(1)} kg would balance it`
}

function Slider({
  label,
  unit,
  value,
  least,
  greatest,
  step = 1,
  onChange,
}: {
  label: string
  unit: string
  value: number
  least: number
  greatest: number
  step?: number
  onChange: (value: number) => void
}) {
  return (
    <label className="grid gap-1">
      <span className="flex justify-between text-sm font-semibold text-soft">
        {label}
        <span className="numeral text-ink">
          {value.toFixed(step < 1 ? 1 : 0)} {unit}
        </span>
      </span>
      <input
        type="range"
        min={least}
        max={greatest}
        step={step}
        value={clamp(value, least, greatest)}
        onChange={(event) => onChange(Number(event.target.value))}
        className="h-11 w-full accent-ink"
      />
    </label>
  )
}

function clamp(value: number, least: number, greatest: number): number {
  return Math.min(greatest, Math.max(least, value))
}
