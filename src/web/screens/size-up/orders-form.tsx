import { limits } from '#core/model/limits'
import { useState } from 'react'
import { castMaterials, type Device } from '#core/model/device'
import { lockRange, oxygenRoutes, spinePositions, type Orders } from '#core/model/orders'
import { spoken } from '#core/model/vocabulary'
import type { OrderId } from '#core/planner/technique'
import type { CaseRecord } from '#contract/records/case'
import { serverNow } from '../../sync/server-clock'
import { useDraft } from '../../sync/use-draft'
import { Button } from '../../parts/button'
import { ChoiceRow } from '../../parts/choice-row'
import { Notice } from '../../parts/notice'
import { NumberStepper } from '../../parts/number-stepper'
import { formatDayAndClock } from '../../parts/format-time'
import { TextField } from '../../parts/text-field'

const yesNo = [
  { value: 'no', label: 'No' },
  { value: 'yes', label: 'Yes' },
] as const

/** Orders and facts that change this technique's plan: who ordered what, and what is on already. */
export function OrdersForm({
  caseId,
  asks,
  orders,
  entered,
  device,
  onOrders,
  onDevice,
}: {
  caseId: string
  asks: readonly OrderId[]
  orders: Orders
  /** Who entered them, and when. */
  entered: CaseRecord['ordersEntered']
  device: Device
  onOrders: (orders: Orders) => void
  onDevice: (device: Device) => void
}) {
  const put = (change: Partial<Orders>): void => onOrders({ ...orders, ...change })
  return (
    <section aria-labelledby="orders" className="grid gap-4 rounded-3xl border border-line bg-sheet p-4">
      <h2 id="orders" className="font-bold">
        Orders
      </h2>
      {entered ? (
        <p className="text-sm text-soft">
          Entered by {entered.by}, {formatDayAndClock(Date.parse(entered.at))}
        </p>
      ) : null}
      {asks.includes('wound-plan') ? (
        <ChoiceRow
          label="Plan for an open wound"
          value={orders.woundPlan ? 'yes' : 'no'}
          choices={yesNo}
          onChange={(value) => put({ woundPlan: value === 'yes' })}
        />
      ) : null}
      {asks.includes('oxygen') ? (
        <ChoiceRow
          label="Oxygen"
          value={orders.oxygen ?? 'none'}
          choices={oxygenRoutes.map((value) => ({ value, label: value }))}
          onChange={(oxygen) => put({ oxygen })}
        />
      ) : null}
      {asks.includes('spine') ? <SpineField caseId={caseId} orders={orders} onOrders={onOrders} /> : null}
      {asks.includes('countertraction') ? <CountertractionField caseId={caseId} orders={orders} onOrders={onOrders} /> : null}
      {asks.includes('open-now') ? (
        <ChoiceRow
          label="Open now, hard or not"
          value={orders.openNow ? 'yes' : 'no'}
          choices={yesNo}
          onChange={(value) => put({ openNow: value === 'yes' })}
        />
      ) : null}
      {asks.includes('week') ? (
        <NumberStepper label="Week of treatment" unit="" value={orders.week ?? 0} {...limits.week} onChange={(week) => put({ week })} />
      ) : null}
      {asks.includes('device') ? <DeviceFields device={device} onDevice={onDevice} /> : null}
      {asks.includes('weight') ? <WeightField caseId={caseId} orders={orders} onOrders={onOrders} /> : null}
      {asks.includes('wedges') ? <WedgeField caseId={caseId} orders={orders} onOrders={onOrders} /> : null}
      {asks.includes('brace') ? <BraceFields caseId={caseId} orders={orders} onOrders={onOrders} /> : null}
    </section>
  )
}

function DeviceFields({ device, onDevice }: { device: Device; onDevice: (device: Device) => void }) {
  return (
    <div className="grid gap-3">
      <ChoiceRow
        label="The cast is of"
        value={device.material ?? null}
        choices={castMaterials.map((value) => ({ value, label: spoken(value) }))}
        onChange={(material) => onDevice({ ...device, material })}
      />
      <div className="grid gap-3 sm:grid-cols-2">
        <NumberStepper
          label="Minutes since it was applied"
          unit="min"
          value={device.minutesSince ?? 0}
          {...limits.deviceMinutes}
          onChange={(minutesSince) => onDevice({ ...device, minutesSince })}
        />
        <NumberStepper
          label="Layers of padding"
          unit=""
          value={device.paddingLayers ?? 2}
          {...limits.devicePaddingLayers}
          onChange={(paddingLayers) => onDevice({ ...device, paddingLayers })}
        />
      </div>
    </div>
  )
}

interface OrderFieldProps {
  readonly caseId: string
  readonly orders: Orders
  readonly onOrders: (orders: Orders) => void
}

function WeightField({ caseId, orders, onOrders }: OrderFieldProps) {
  const [by, setBy] = useDraft(`case/${caseId}/order/weight`)
  const [allowed, setAllowed] = useDraft(`case/${caseId}/order/weight-allowed`)
  const [error, setError] = useState<string>()
  const { weight } = orders
  if (weight && !weight.withdrawn) {
    return (
      <p className="flex flex-wrap items-center gap-3">
        <span>
          <span className="text-sm font-semibold text-soft">Weight ordered by</span> {weight.by}
          {weight.allowed ? `: ${weight.allowed}` : ''}
        </span>
        <Button onClick={() => onOrders({ ...orders, weight: { ...weight, withdrawn: true } })}>Withdraw it</Button>
      </p>
    )
  }
  return (
    <form
      className="flex flex-wrap items-end gap-3"
      onSubmit={(event) => {
        event.preventDefault()
        if (by.trim().length < 2) return setError('Who ordered it is missing: write the name.')
        setBy('')
        setAllowed('')
        onOrders({
          ...orders,
          weight: { by: by.trim(), at: new Date(serverNow()).toISOString(), ...(allowed.trim() ? { allowed: allowed.trim() } : {}) },
        })
      }}
    >
      {weight ? <p className="w-full font-semibold">Withdrawn: no weight until it is ordered again.</p> : null}
      <TextField
        label="Weight ordered by (name)"
        value={by}
        error={error}
        onChange={(event) => setBy(event.target.value)}
        className="flex-1"
      />
      <TextField label="What is allowed" value={allowed} onChange={(event) => setAllowed(event.target.value)} className="flex-1" />
      <Button type="submit">Keep</Button>
    </form>
  )
}

/** How far the spine may be raised: an order has a name, or it is none. */
function SpineField({ caseId, orders, onOrders }: OrderFieldProps) {
  const [by, setBy] = useDraft(`case/${caseId}/order/spine`)
  const [posture, setPosture] = useState<(typeof spinePositions)[number]>(orders.spine?.posture ?? 'lying')
  const [error, setError] = useState<string>()
  const { spine } = orders
  return (
    <form
      className="flex flex-wrap items-end gap-3"
      onSubmit={(event) => {
        event.preventDefault()
        if (by.trim().length < 2) return setError('Who ordered it is missing: write the name.')
        setError(undefined)
        setBy('')
        onOrders({ ...orders, spine: { posture, by: by.trim(), at: new Date(serverNow()).toISOString() } })
      }}
    >
      {spine ? (
        <p className="w-full">
          <span className="text-sm font-semibold text-soft">Spine order:</span> up to {spine.posture},{' '}
          {spine.by ? `by ${spine.by}` : 'by nobody named: have it given again'}
        </p>
      ) : null}
      <div className="w-full">
        <ChoiceRow
          label="Spine order: may be"
          value={posture}
          choices={spinePositions.map((value) => ({ value, label: value }))}
          onChange={setPosture}
        />
      </div>
      <TextField
        label="Spine ordered by (name)"
        value={by}
        error={error}
        onChange={(event) => setBy(event.target.value)}
        className="flex-1"
      />
      <Button type="submit">Keep the spine order</Button>
    </form>
  )
}

/** A groin sling in place of the raised foot of the bed. */
function CountertractionField({ caseId, orders, onOrders }: OrderFieldProps) {
  const [by, setBy] = useDraft(`case/${caseId}/order/countertraction`)
  const [error, setError] = useState<string>()
  if (orders.countertraction)
    return (
      <p className="flex flex-wrap items-center gap-3">
        <span>
          <span className="text-sm font-semibold text-soft">Groin sling ordered by</span> {orders.countertraction.by}
        </span>
        <Button
          onClick={() => {
            const { countertraction: _, ...rest } = orders
            onOrders(rest)
          }}
        >
          Withdraw it
        </Button>
      </p>
    )
  return (
    <form
      className="flex flex-wrap items-end gap-3"
      onSubmit={(event) => {
        event.preventDefault()
        if (by.trim().length < 2) return setError('Who ordered it is missing: write the name.')
        setError(undefined)
        setBy('')
        onOrders({ ...orders, countertraction: { by: by.trim(), at: new Date(serverNow()).toISOString() } })
      }}
    >
      <TextField
        label="Groin sling as countertraction, ordered by (name)"
        value={by}
        error={error}
        onChange={(event) => setBy(event.target.value)}
        className="flex-1"
      />
      <Button type="submit">Keep the sling</Button>
    </form>
  )
}

function WedgeField({ caseId, orders, onOrders }: OrderFieldProps) {
  const [typed, setTyped] = useDraft(`case/${caseId}/order/wedges`)
  const [error, setError] = useState<string>()
  const shown = orders.wedges?.map((row) => `week ${row.week}: ${row.count}`).join(', ')
  const keep = (): void => {
    const rows = typed.split(/[,;]/).flatMap((part) => {
      const match = /^\s*(\d{1,3})\s*[:=]\s*(\d{1,2})\s*$/.exec(part)
      return match ? [{ week: Number(match[1]), count: Number(match[2]) }] : []
    })
    if (rows.length === 0 || rows.length !== typed.split(/[,;]/).length) return setError('Write week and number like 0:3, 3:2, 5:1.')
    setError(undefined)
    setTyped('')
    onOrders({ ...orders, wedges: rows })
  }
  return (
    <form
      className="flex flex-wrap items-end gap-3"
      onSubmit={(event) => {
        event.preventDefault()
        keep()
      }}
    >
      <TextField
        label="Heel wedges, week:number"
        placeholder="0:3, 3:2, 5:1"
        hint={shown ? `Ordered: ${shown}` : undefined}
        value={typed}
        error={error}
        onChange={(event) => setTyped(event.target.value)}
        className="flex-1"
      />
      <Button type="submit">Keep</Button>
    </form>
  )
}

/** Whether a hinge with these stops can be locked there. */
function isLockable(typed: string, extensionStop: number, flexionStop: number): boolean {
  const deg = Number(typed)
  return typed !== '' && deg >= Math.max(lockRange.least, extensionStop) && deg <= Math.min(lockRange.greatest, flexionStop)
}

function BraceFields({ caseId, orders, onOrders }: OrderFieldProps) {
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
    if (fields.by.trim().length < 2) return setError('Who ordered it is missing: write the name.')
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
    <form
      className="grid gap-3 sm:grid-cols-2"
      onSubmit={(event) => {
        event.preventDefault()
        keep()
      }}
    >
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
    </form>
  )
}
