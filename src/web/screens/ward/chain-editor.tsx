import { useState } from 'react'
import type { WardAnswer } from '#contract/api/pager'
import type { Chain, ChainStep } from '#contract/records/ward'
import { onDuty } from '#ward/standing/escalation'
import { Button } from '../../parts/button'
import { Notice } from '../../parts/notice'
import { TextField } from '../../parts/text-field'
import { Form } from '../../parts/form'
import { missingIn } from '../../parts/required'

const zone = Intl.DateTimeFormat().resolvedOptions().timeZone || 'Etc/UTC'

/** Whom an urgent finding calls, one after the other, for every place or for an area of its own. */
export function ChainEditor({
  answer,
  now,
  mayChange,
  onKeep,
}: {
  answer: WardAnswer
  now: number
  mayChange: boolean
  onKeep: (chain: Chain) => void
}) {
  const [editing, setEditing] = useState<Chain | null>(null)
  const { chains } = answer.ward
  return (
    <section aria-labelledby="chains" className="grid gap-3">
      <h2 id="chains" className="text-lg font-bold">
        Who is called
      </h2>
      {chains.map((chain) =>
        editing?.area === chain.area ? null : (
          <div key={chain.area} className="rounded-2xl border border-line bg-sheet p-4">
            <div className="flex flex-wrap items-center justify-between gap-3">
              <h3 className="font-bold">{chain.area || 'Every place'}</h3>
              {mayChange ? (
                <Button look="quiet" aria-label={`Change who is called: ${chain.area || 'every place'}`} onClick={() => setEditing(chain)}>
                  Change
                </Button>
              ) : null}
            </div>
            <ol className="grid gap-1">
              {chain.steps.map((step, index) => (
                <li key={index} className="flex flex-wrap gap-x-3">
                  <span className="numeral w-24 text-soft">{index === 0 ? 'at once' : `after ${step.afterMin} min`}</span>
                  <strong>{step.role}</strong>
                  <span className="text-soft">{onDuty(answer.ward, step.role, chain.area, now, zone) ?? 'nobody entered for now'}</span>
                </li>
              ))}
            </ol>
          </div>
        ),
      )}
      {editing ? (
        <ChainForm
          chain={editing}
          isNew={!chains.some((chain) => chain.area === editing.area)}
          onCancel={() => setEditing(null)}
          onKeep={onKeep}
        />
      ) : mayChange ? (
        <p>
          <Button onClick={() => setEditing({ area: 'Area', steps: chains[0]?.steps ?? [] })}>An area of its own</Button>
        </p>
      ) : null}
    </section>
  )
}

function ChainForm({
  chain,
  isNew,
  onCancel,
  onKeep,
}: {
  chain: Chain
  isNew: boolean
  onCancel: () => void
  onKeep: (chain: Chain) => void
}) {
  const [area, setArea] = useState(isNew ? '' : chain.area)
  const [steps, setSteps] = useState<readonly { readonly role: string; readonly afterMin: string }[]>(
    chain.steps.map((step) => ({ role: step.role, afterMin: String(step.afterMin) })),
  )
  const [error, setError] = useState<string | null>(null)
  const change = (index: number, step: Partial<(typeof steps)[number]>): void =>
    setSteps(steps.map((one, at) => (at === index ? { ...one, ...step } : one)))
  const keep = (): void => {
    const missing = isNew ? missingIn('chain', { area }) : null
    if (missing) return setError(missing)
    const read = steps.filter((step) => step.role.trim() !== '').map(readStep)
    const bad = read.findIndex((one) => one === null)
    if (bad >= 0) return setError(`Minutes of step ${bad + 1} must be a whole number from 0 to 60.`)
    if (read.length === 0 && area.trim() === '') return setError('Somebody must be called for every place: name one at least.')
    onKeep({ area: area.trim(), steps: read as readonly ChainStep[] })
    onCancel()
  }
  return (
    <Form onSend={keep} className="grid gap-3 rounded-2xl border-2 border-ink bg-sheet p-4">
      {isNew ? (
        <TextField
          label="Area"
          value={area}
          maxLength={80}
          placeholder="Ward A"
          onChange={(event) => setArea(event.target.value)}
          autoFocus
        />
      ) : (
        <h3 className="font-bold">{area || 'Every place'}</h3>
      )}
      {steps.map((step, index) => (
        <div key={index} className="flex flex-wrap items-end gap-3">
          <TextField
            label={`Step ${index + 1}: role`}
            value={step.role}
            maxLength={80}
            className="min-w-48 flex-1"
            onChange={(event) => change(index, { role: event.target.value })}
          />
          <TextField
            label={`Step ${index + 1}: minutes after the one before`}
            inputMode="numeric"
            value={index === 0 ? '0' : step.afterMin}
            disabled={index === 0}
            className="w-72"
            onChange={(event) => change(index, { afterMin: event.target.value })}
          />
          <Button look="quiet" aria-label={`Take out step ${index + 1}`} onClick={() => setSteps(steps.filter((_, at) => at !== index))}>
            Take out
          </Button>
        </div>
      ))}
      {error ? <Notice tone="caution" lead={error} role="alert" /> : null}
      <div className="flex flex-wrap gap-3">
        <Button type="submit" look="next">
          Keep
        </Button>
        <Button onClick={() => setSteps([...steps, { role: '', afterMin: '5' }])}>One more step</Button>
        <Button onClick={onCancel}>Leave as it is</Button>
      </div>
    </Form>
  )
}

function readStep({ role, afterMin }: { readonly role: string; readonly afterMin: string }, index: number): ChainStep | null {
  const minutes = index === 0 ? 0 : Number(afterMin)
  return Number.isInteger(minutes) && minutes >= 0 && minutes <= 60 && (index === 0 || afterMin.trim() !== '')
    ? { role: role.trim(), afterMin: minutes }
    : null
}
