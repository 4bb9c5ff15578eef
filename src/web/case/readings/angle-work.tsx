import { useCallback, useEffect, useRef, useState } from 'react'
import type { Step } from '#core/model/step'
import { judgeAngle } from '#core/runs/step-work'
import type { StepAngle } from '#core/model/step'
import type { AngleBody, RunRecord } from '#contract/records/run'
import { protocolOf } from '#contract/records/case'
import { InstrumentPanel } from './instrument-panel'
import { Button } from '../../parts/button'
import { NumberStepper } from '../../parts/number-stepper'
import { PhotoAngleDialog } from '../../photo/photo-angle'
import { useOpenCase, writeEvent } from '../../sync/case-store'
import { pairedDevices } from '../../sync/instrument-store'
import { missingIn } from '../../parts/required'

const marks = { below: '▼ more', held: '■ held', above: '▲ less' } as const

/** Angles to hold: the band, what the goniometer shows now, and what was read. */
export function AngleWork({ run, step, angles }: { run: RunRecord; step: Step; angles: readonly StepAngle[] }) {
  const { record } = useOpenCase()
  const [chosen, setChosen] = useState(angles[0]?.id)
  const angle = angles.find((one) => one.id === chosen) ?? angles[0]
  const [typedDeg, setTypedDeg] = useState<number | null>(null)
  const [isMissing, setMissing] = useState(false)
  const [isPhotoOpen, setPhotoOpen] = useState(false)
  const device = pairedDevices.goniometer.use()
  const angleId = angle?.id
  const take = useCallback(
    (deg: number, tool: AngleBody['tool']) => {
      if (!angleId) return
      setTypedDeg(null)
      void writeEvent('angle', { runId: run.id, stepId: step.id, angleId, deg: Math.round(deg * 10) / 10, tool } satisfies AngleBody)
    },
    [run.id, step.id, angleId],
  )
  const flush = useRef(() => undefined as void)
  useEffect(() => {
    flush.current = () => {
      if (typedDeg !== null) take(typedDeg, 'goniometer')
    }
  })
  // What was typed is in the record although nobody pressed the second button.
  useEffect(() => () => flush.current(), [])
  const takeDigital = useCallback((deg: number) => take(deg, 'digital-goniometer'), [take])
  if (!angle) return null
  const readOf = (id: string): number | undefined => run.angles?.findLast((one) => one.stepId === step.id && one.angleId === id)?.deg
  return (
    <section aria-label="Angles to hold" className="grid gap-3 rounded-2xl border border-line p-3">
      <div role="group" aria-label="Which angle" className="flex flex-wrap gap-1.5">
        {angles.map((one) => {
          const read = readOf(one.id)
          return (
            <button
              key={one.id}
              type="button"
              aria-pressed={one.id === angle.id}
              onClick={() => setChosen(one.id)}
              className="min-h-12 rounded-xl border-[1.5px] border-line bg-sheet px-3.5 text-left leading-tight aria-pressed:border-ink aria-pressed:bg-ink aria-pressed:text-paper"
            >
              <span className="block font-bold">
                {one.label} {one.lowDeg}° to {one.highDeg}°
              </span>
              <span className="text-sm">{read === undefined ? 'not read' : `read ${read}°, ${marks[judgeAngle(one, read)]}`}</span>
            </button>
          )
        })}
      </div>
      <AngleDial angle={angle} deg={device.value ?? typedDeg ?? readOf(angle.id) ?? null} isLive={device.value !== null} />
      <div className="flex flex-wrap items-end gap-3">
        <InstrumentPanel id="goniometer" name="goniometer" format={(deg) => `${deg.toFixed(1)}°`} onTake={takeDigital} />
        {device.status === 'paired' ? null : (
          <>
            <div className="w-48">
              <NumberStepper
                label={`${angle.label} read`}
                unit="°"
                value={typedDeg ?? readOf(angle.id) ?? null}
                aim={angle.targetDeg}
                least={-180}
                greatest={180}
                onChange={(deg) => {
                  setMissing(false)
                  setTypedDeg(deg)
                }}
              />
            </div>
            <Button onClick={() => (typedDeg === null ? setMissing(true) : take(typedDeg, 'goniometer'))}>Keep the angle</Button>
          </>
        )}
        {angle.photo ? <Button onClick={() => setPhotoOpen(true)}>From a photo</Button> : null}
        {isMissing ? (
          <p role="alert" className="w-full font-bold text-stop">
            Not recorded. {missingIn('angle-read', { deg: null })}
          </p>
        ) : null}
        {angle.photo && isPhotoOpen ? (
          <PhotoAngleDialog
            label={angle.label}
            angle={angle.photo}
            protocol={protocolOf(record)}
            onClose={() => setPhotoOpen(false)}
            onTake={(deg) => {
              setPhotoOpen(false)
              take(deg, 'photo')
            }}
          />
        ) : null}
      </div>
    </section>
  )
}

const spreadDeg = 40

/** The band and the reading on a straight scale around the target: words say the same. */
function AngleDial({ angle, deg, isLive }: { angle: StepAngle; deg: number | null; isLive: boolean }) {
  const from = angle.targetDeg - spreadDeg
  const x = (value: number): number => Math.max(0, Math.min(100, ((value - from) / (2 * spreadDeg)) * 100))
  const state = deg === null ? null : judgeAngle(angle, deg)
  const words =
    deg === null
      ? `${angle.label}: aim at ${angle.targetDeg}°`
      : `${angle.label} ${deg.toFixed(0)}°, aim ${angle.targetDeg}°: ${state === 'held' ? 'held' : state === 'below' ? 'too little' : 'too much'}`
  return (
    <div role="img" aria-label={words}>
      <div className="relative h-12 rounded-xl bg-well">
        <div
          className="absolute inset-y-0 rounded-md bg-calm-wash"
          style={{ left: `${x(angle.lowDeg)}%`, width: `${x(angle.highDeg) - x(angle.lowDeg)}%` }}
        />
        <div className="absolute inset-y-0 w-0.5 bg-calm" style={{ left: `${x(angle.targetDeg)}%` }} />
        {deg === null ? null : (
          <div
            className={`absolute inset-y-1 w-2 -translate-x-1/2 rounded-full ${state === 'held' ? 'bg-calm' : 'bg-caution'}`}
            style={{ left: `${x(deg)}%` }}
          />
        )}
      </div>
      <p aria-hidden className="mt-1 flex justify-between text-sm text-soft">
        <span>{from}°</span>
        <span className={`font-bold ${state === 'held' ? 'text-calm' : state ? 'text-caution' : 'text-soft'}`}>
          {deg === null ? `aim ${angle.targetDeg}°` : `${isLive ? 'now ' : ''}${deg.toFixed(0)}° ${state ? marks[state] : ''}`}
        </span>
        <span>{angle.targetDeg + spreadDeg}°</span>
      </p>
    </div>
  )
}
