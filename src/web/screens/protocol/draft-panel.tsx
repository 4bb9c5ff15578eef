import { useState } from 'react'
import type { EffectsAnswer } from '#contract/api/protocols'
import { paths } from '#contract/api/paths'
import { guardSignatures, protocolInForce, type ProtocolDraft } from '#contract/records/protocol'
import type { WardRecord } from '#contract/records/ward'
import { compareProtocols, type ProtocolChange } from '#core/protocols/compare-protocols'
import { guardsLoosened } from '#core/protocols/guards-loosened'
import { judgeProtocol } from '#core/protocols/judge-protocol'
import { Button } from '../../parts/button'
import { Notice } from '../../parts/notice'
import { formatMoment } from '../../parts/format-time'
import { usePerson } from '../../sync/session-store'
import { useAnswer } from '../../sync/use-answer'
import { EffectList } from './effect-list'

export type DraftStep = 'protocol-signed' | 'protocol-in-force' | 'protocol-dropped'

/** What a draft would change, for whom, and what it still needs before it counts. */
export function DraftPanel({
  ward,
  draft,
  mayChange,
  onStep,
}: {
  ward: WardRecord
  draft: ProtocolDraft
  mayChange: boolean
  onStep: (step: DraftStep) => void
}) {
  const person = usePerson()
  const [isDropping, setDropping] = useState(false)
  const changes = compareProtocols(protocolInForce(ward), draft.protocol)
  const problems = judgeProtocol(draft.protocol)
  const loosened = guardsLoosened(draft.protocol)
  const missing = loosened.length === 0 ? 0 : Math.max(0, guardSignatures - draft.signed.length)
  const hasSigned = draft.signed.some((one) => one.actor === person.id)
  const isReady = problems.length === 0 && changes.length > 0 && missing === 0
  return (
    <section aria-labelledby="draft" className="grid gap-3 rounded-2xl border-2 border-ink bg-sheet p-4">
      <div>
        <h2 id="draft" className="text-lg font-bold">
          Draft by {draft.by}
        </h2>
        <p className="text-soft">
          Kept {formatMoment(draft.at)}
          {draft.note ? `: ${draft.note}` : ''}
        </p>
      </div>
      <ChangeList changes={changes} none="It changes nothing of what is in force." />
      {loosened.length > 0 ? (
        <Notice
          tone="stop"
          lead={`Beyond a guarded figure: ${missing === 0 ? 'two have signed' : missing === 1 ? 'one more signature is missing' : 'two leads sign first'}`}
        >
          <ul className="list-disc pl-5">
            {loosened.map((line) => (
              <li key={line}>{line}</li>
            ))}
          </ul>
        </Notice>
      ) : null}
      {problems.map((problem) => (
        <Notice key={problem.path} tone="caution" lead={problem.message} />
      ))}
      {draft.signed.length > 0 ? <p>Signed by {draft.signed.map((one) => `${one.by} (${formatMoment(one.at)})`).join(', ')}</p> : null}
      {problems.length === 0 && changes.length > 0 ? <DraftEffects key={draft.at} /> : null}
      {mayChange ? (
        <div className="flex flex-wrap gap-3">
          {isReady ? (
            <Button look="next" onClick={() => onStep('protocol-in-force')}>
              Put in force
            </Button>
          ) : null}
          {missing > 0 && problems.length === 0 && !hasSigned ? (
            <Button look="next" onClick={() => onStep('protocol-signed')}>
              Sign it as {person.name}
            </Button>
          ) : null}
          {missing > 0 && hasSigned ? <p className="self-center font-semibold">Another lead signs next, at their own sign-in.</p> : null}
          {isDropping ? (
            <>
              <Button look="danger" onClick={() => onStep('protocol-dropped')}>
                Throw the draft away
              </Button>
              <Button onClick={() => setDropping(false)}>Leave it</Button>
            </>
          ) : (
            <Button look="quiet" onClick={() => setDropping(true)}>
              Put it away
            </Button>
          )}
        </div>
      ) : null}
    </section>
  )
}

/** Changes in words, one line each. */
export function ChangeList({ changes, none }: { changes: readonly ProtocolChange[]; none: string }) {
  if (changes.length === 0) return <p className="text-soft">{none}</p>
  return (
    <ul className="grid gap-2">
      {changes.map(({ what, before, after }) => (
        <li key={what}>
          <strong className="block">{what}</strong>
          <span className="text-soft">{before}</span> → <span className="font-semibold">{after}</span>
        </li>
      ))}
    </ul>
  )
}

function DraftEffects() {
  const [isAsked, setAsked] = useState(false)
  const { answer, refusal } = useAnswer<EffectsAnswer>(isAsked ? paths.protocolEffects('draft') : null)
  if (!isAsked) {
    return (
      <p>
        <Button onClick={() => setAsked(true)}>What would change for live cases</Button>
      </p>
    )
  }
  if (refusal) return <Notice tone="caution" lead={refusal} role="alert" />
  return answer ? <EffectList cases={answer.cases} /> : <p role="status">Planning every live case again…</p>
}
