import { useState } from 'react'
import { limits } from '#core/model/limits'
import { lockRange } from '#core/model/orders'
import { serverNow } from '../../sync/server-clock'
import { useDraft } from '../../sync/use-draft'
import { Button } from '../../parts/button'
import { ChoiceRow } from '../../parts/choice-row'
import { Notice } from '../../parts/notice'
import { TextField } from '../../parts/text-field'
import type { OrderFieldProps } from './order-field'
import { Form } from '../../parts/form'
import { missingIn } from '../../parts/required'

/** Whether a hinge with these stops can be locked there. */
function isLockable(typed: string, extensionStop: number, flexionStop: number): boolean {
  const deg = Number(typed)
  return typed !== '' && deg >= Math.max(lockRange.least, extensionStop) && deg <= Math.min(lockRange.greatest, flexionStop)
}

/** The stops and the lock of a brace, as they were ordered. */
export function BraceFields({ caseId, orders, onOrders }: OrderFieldProps) {
  const [draft, setDraft] = useDraft(`case/${caseId}/order/brace`)
  const [error, setError] = useState<string | null>(null)
  const fields = {
    by: '',
    extension: '',
    flexion: '',
    lock: 'open',
    lockDeg: '',
    ...(draft ? (JSON.parse(draft) as Record<string, string>) : {}),
  }
  const put = (change: Record<string, string>): void => setDraft(JSON.stringify({ ...fields, ...change }))
  const keep = (): void => {
    const [extensionStop, flexionStop] = [Number(fields.extension), Number(fields.flexion)]
    const missing = missingIn('brace-order', { by: fields.by })
    if (missing) return setError(missing)
    if (
      fields.extension === '' ||
      fields.flexion === '' ||
      ![extensionStop, flexionStop].every((deg) => deg >= limits.stopDeg.least && deg <= limits.stopDeg.greatest)
    ) {
      return setError(`Both stops take degrees from ${limits.stopDeg.least} to ${limits.stopDeg.greatest}: check them.`)
    }
    if (extensionStop > flexionStop) return setError('The extension stop must not be beyond the flexion stop: check them.')
    if (fields.lock === 'at' && !isLockable(fields.lockDeg, extensionStop, flexionStop))
      return setError(`The lock takes degrees from ${lockRange.least} to ${lockRange.greatest}, between the stops: check it.`)
    setError(null)
    setDraft('')
    const lock = fields.lock === 'at' ? Number(fields.lockDeg) : fields.lock
    onOrders({ ...orders, brace: { by: fields.by.trim(), at: new Date(serverNow()).toISOString(), extensionStop, flexionStop, lock } })
  }
  return (
    <Form onSend={keep} className="grid gap-3 sm:grid-cols-2">
      {orders.brace ? (
        <p className="sm:col-span-2">
          <span className="text-sm font-semibold text-soft">Ordered by {orders.brace.by}:</span> {orders.brace.extensionStop}° to{' '}
          {orders.brace.flexionStop}°, lock {orders.brace.lock}
          {typeof orders.brace.lock === 'number' ? '°' : ''}
        </p>
      ) : null}
      <TextField label="Brace ordered by (name)" value={fields.by} onChange={(event) => put({ by: event.target.value })} />
      <ChoiceRow
        label="Lock"
        value={fields.lock}
        choices={[
          { value: 'open', label: 'open' },
          { value: 'locked', label: 'locked' },
          { value: 'at', label: 'at an angle' },
        ]}
        onChange={(lock) => put({ lock })}
      />
      {fields.lock === 'at' ? (
        <TextField
          label="Locked at, degrees"
          inputMode="numeric"
          value={fields.lockDeg}
          onChange={(event) => put({ lockDeg: event.target.value })}
        />
      ) : null}
      <TextField
        label="Extension stop, degrees"
        inputMode="numeric"
        value={fields.extension}
        onChange={(event) => put({ extension: event.target.value })}
      />
      <TextField
        label="Flexion stop, degrees"
        inputMode="numeric"
        value={fields.flexion}
        onChange={(event) => put({ flexion: event.target.value })}
      />
      {error ? (
        <div className="sm:col-span-2">
          <Notice tone="caution" lead={error} role="alert" />
        </div>
      ) : null}
      <Button type="submit" className="justify-self-start">
        Keep the order
      </Button>
    </Form>
  )
}
