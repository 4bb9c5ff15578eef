import { useState } from 'react'
import type { Step } from '#core/model/step'
import type { RunRecord } from '#contract/records/run'
import {
  movesUnder,
  movesUnderWords,
  pulsesUnder,
  pulseUnderWords,
  skinsUnder,
  skinUnderWords,
  type MovesUnder,
  type PulseUnder,
  type SkinUnder,
} from '#contract/records/underneath'
import { ChoiceRow } from '../../parts/choice-row'
import { writeEvent } from '../../sync/case-store'

/** What was found where something came off at a step; null while nobody has said. */
export function underneathAt(run: RunRecord, stepId: string) {
  return run.underneath?.findLast((underneath) => underneath.stepId === stepId) ?? null
}

/** Skin, pulse, movement and feeling where something came off: kept as soon as all is said, and said again when it was a slip. */
export function UnderneathWork({ run, step }: { run: RunRecord; step: Step }) {
  const kept = underneathAt(run, step.id)
  const [skin, setSkin] = useState<SkinUnder | null>(kept?.skin ?? null)
  const [pulse, setPulse] = useState<PulseUnder | null>(kept?.pulse ?? null)
  const [moves, setMoves] = useState<MovesUnder | null>(kept?.moves ?? null)
  const isLimb = step.underneath === 'limb'
  const keep = (now: { skin: SkinUnder | null; pulse: PulseUnder | null; moves: MovesUnder | null }): void => {
    setSkin(now.skin)
    setPulse(now.pulse)
    setMoves(now.moves)
    if (!now.skin || !now.moves || (isLimb && !now.pulse)) return
    const body = { runId: run.id, stepId: step.id, skin: now.skin, moves: now.moves }
    void writeEvent('underneath', isLimb && now.pulse ? { ...body, pulse: now.pulse } : body)
  }
  const said = { skin, pulse, moves }
  return (
    <section data-needed aria-label="What was under it" className="grid gap-3 rounded-2xl border border-line p-3">
      <ChoiceRow
        label="Skin"
        value={skin}
        choices={skinsUnder.map((value) => ({ value, label: skinUnderWords[value] }))}
        onChange={(value) => keep({ ...said, skin: value })}
      />
      {isLimb ? (
        <ChoiceRow
          label="Pulse"
          value={pulse}
          choices={pulsesUnder.map((value) => ({ value, label: pulseUnderWords[value] }))}
          onChange={(value) => keep({ ...said, pulse: value })}
        />
      ) : null}
      <ChoiceRow
        label="Movement and feeling"
        value={moves}
        choices={movesUnder.map((value) => ({ value, label: movesUnderWords[value] }))}
        onChange={(value) => keep({ ...said, moves: value })}
      />
    </section>
  )
}
