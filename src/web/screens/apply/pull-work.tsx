import { useCallback, useEffect, useRef } from 'react'
import type { Step } from '#core/model/step'
import { judgePull } from '#core/runs/step-work'
import type { StepPull } from '#core/model/step'
import type { PullBody, PullRecord, RunRecord } from '#contract/records/run'
import { useDraft } from '../../sync/use-draft'
import { missingIn } from '../../parts/required'
import { Button } from '../../parts/button'
import { ChoiceRow } from '../../parts/choice-row'
import { InstrumentPanel } from '../../case/readings/instrument-panel'
import { Notice } from '../../parts/notice'
import { NumberStepper } from '../../parts/number-stepper'
import { writeEvent } from '../../sync/case-store'
import { pairedDevices } from '../../sync/instrument-store'

const painChoices = Array.from({ length: 11 }, (_, pain) => ({ value: String(pain), label: String(pain) }))
const states = {
  short: '▽ short of what is expected',
  near: '■ as expected',
  beyond: '△ more than expected: look for another injury',
  over: '▲ over the most: ease it',
} as const

/** Pulling: pain before, the load beside what the school expects, pain after, length compared. */
export function PullWork({ run, step, pull }: { run: RunRecord; step: Step; pull: StepPull }) {
  const last = run.pulls?.findLast((one) => one.stepId === step.id)
  const [draft, setDraft] = useDraft(`run/${run.id}/pull/${step.id}`)
  const entry = draft ? (JSON.parse(draft) as PullEntry) : entryOf(last)
  const { painBefore, painAfter, kg, isEqualLength } = entry
  const latest = useRef(entry)
  useEffect(() => {
    latest.current = entry
  })
  const change = useCallback((part: Partial<PullEntry>) => setDraft(JSON.stringify({ ...latest.current, ...part })), [setDraft])
  const scale = pairedDevices.scale.use()
  const takeScale = useCallback((value: number) => change({ kg: Math.round(value * 10) / 10, tool: 'scale' }), [change])
  const shownKg = scale.value ?? kg
  const state = shownKg === null ? null : judgePull(pull, shownKg)
  const isKept = last !== undefined && JSON.stringify(entryOf(last)) === JSON.stringify(entry)
  const isEmpty = kg === null && painBefore === null && painAfter === null
  const keep = (): void => {
    void writeEvent('pull', { runId: run.id, stepId: step.id, ...entry } satisfies PullBody)
    setDraft('')
  }
  const flush = useRef(() => undefined as void)
  useEffect(() => {
    flush.current = () => {
      if (draft && !isKept && !isEmpty) keep()
    }
  })
  // What was typed is in the record although nobody pressed the second button.
  useEffect(() => () => flush.current(), [])
  const isWorse = painBefore !== null && painAfter !== null && painAfter > painBefore
  const isEased = painBefore !== null && painAfter !== null && painAfter < painBefore
  return (
    <section data-needed aria-label="The pull" className="grid gap-3 rounded-2xl border border-line p-3">
      <p className="font-semibold">
        {pull.expectedKg === null ? (
          pull.toRelief ? (
            'Until the pain eases and the length matches'
          ) : (
            'As much as the pulse allows'
          )
        ) : (
          <>
            {pull.toRelief ? 'Until the pain eases and the length matches; expect about ' : 'To '}
            <span className="numeral">{pull.expectedKg.toFixed(1)} kg</span>
          </>
        )}
        ; never above <span className="numeral">{pull.mostKg} kg</span>. <span className="font-normal text-soft">{pull.school}.</span>
      </p>
      <PainRow label="Pain before, 0 to 10" pain={painBefore} onChange={(pain) => change({ painBefore: pain })} />
      <LoadBar pull={pull} kg={shownKg} />
      {state ? (
        <p className={`font-bold ${state === 'near' ? 'text-calm' : state === 'short' ? 'text-soft' : 'text-stop'}`}>{states[state]}</p>
      ) : null}
      <div className="flex flex-wrap items-end gap-3">
        <InstrumentPanel id="scale" name="load scale" format={(value) => `${value.toFixed(1)} kg`} onTake={takeScale} />
        {scale.status === 'paired' ? null : (
          <div className="w-44">
            <NumberStepper
              label="Pull read"
              unit="kg"
              value={kg ?? null}
              least={0}
              greatest={40}
              onChange={(value) => change({ kg: value, tool: 'ratchet' })}
            />
          </div>
        )}
      </div>
      <PainRow label="Pain after, 0 to 10" pain={painAfter} onChange={(pain) => change({ painAfter: pain })} />
      <label className="flex min-h-12 items-center gap-3 font-semibold">
        <input
          type="checkbox"
          checked={isEqualLength}
          onChange={(event) => change({ isEqualLength: event.target.checked })}
          className="size-7 accent-ink"
        />
        Same length as the other leg
      </label>
      {isWorse ? (
        <Notice tone="stop" lead="The pain is worse: pull no further" role="status">
          Look for hip, pelvis, knee or ankle hurt as well.
        </Notice>
      ) : null}
      <div className="flex flex-wrap items-center gap-3">
        <Button onClick={keep} refuses={isEmpty ? missingIn('pull', { kg }) : isKept ? 'This pull is kept already.' : null}>
          {isKept ? 'Pull kept' : 'Keep the pull'}
        </Button>
        {isEased ? (
          <p className="font-semibold text-calm">
            ■ Pain eased from {painBefore} to {painAfter}
          </p>
        ) : null}
      </div>
    </section>
  )
}

/** What is entered of a pull, as it stands in the draft and in the record. */
type PullEntry = Omit<PullBody, 'runId' | 'stepId'>

function entryOf(last: PullRecord | undefined): PullEntry {
  return {
    kg: last?.kg ?? null,
    painBefore: last?.painBefore ?? null,
    painAfter: last?.painAfter ?? null,
    isEqualLength: last?.isEqualLength ?? false,
    tool: last?.tool ?? 'hand',
  }
}

function PainRow({ label, pain, onChange }: { label: string; pain: number | null; onChange: (pain: number) => void }) {
  return (
    <ChoiceRow
      label={label}
      value={pain === null ? null : String(pain)}
      choices={painChoices}
      onChange={(chosen) => onChange(Number(chosen))}
    />
  )
}

/** The load beside what is expected and the most. */
function LoadBar({ pull, kg }: { pull: StepPull; kg: number | null }) {
  const { expectedKg, mostKg } = pull
  const end = mostKg * 1.25
  const x = (value: number): string => `${Math.max(0, Math.min(100, (value / end) * 100))}%`
  return (
    <div
      role="img"
      aria-label={`Pull ${kg === null ? 'not read' : `${kg.toFixed(1)} kg`}, ${expectedKg === null ? '' : `expected ${expectedKg.toFixed(1)} kg, `}at most ${mostKg} kg`}
    >
      <div className="relative h-14 overflow-hidden rounded-xl bg-well">
        {expectedKg === null ? null : (
          <div
            className="absolute inset-y-0 bg-calm-wash"
            style={{ left: x(0.9 * expectedKg), width: `calc(${x(1.1 * expectedKg)} - ${x(0.9 * expectedKg)})` }}
          />
        )}
        <div className="absolute inset-y-0 right-0 bg-stop-wash" style={{ left: x(mostKg) }} />
        <div className="absolute inset-y-3 left-0 rounded-r-lg bg-ink" style={{ width: x(kg ?? 0) }} />
        {expectedKg === null ? null : <div className="absolute inset-y-0 w-0.5 bg-calm" style={{ left: x(expectedKg) }} />}
        <div className="absolute inset-y-0 w-0.5 bg-stop" style={{ left: x(mostKg) }} />
      </div>
      <p aria-hidden className="relative h-5 text-sm text-soft">
        {expectedKg === null ? null : (
          <span className="absolute -translate-x-1/2 text-calm" style={{ left: x(expectedKg) }}>
            {expectedKg.toFixed(1)}
          </span>
        )}
        <span className="absolute -translate-x-1/2 font-semibold text-stop" style={{ left: x(mostKg) }}>
          {expectedKg !== null && Math.abs(mostKg - expectedKg) < 0.12 * end ? '' : `${mostKg} kg`}
        </span>
      </p>
    </div>
  )
}
