import { limits } from '#core/model/limits'
import { useEffect, useRef, useState } from 'react'
import { useLocation } from 'react-router'
import { castMaterials, type Device } from '#core/model/device'
import { oxygenRoutes, spinePositions, type Orders } from '#core/model/orders'
import { spoken } from '#core/model/vocabulary'
import type { OrderId } from '#core/planner/technique'
import type { CaseRecord } from '#contract/records/case'
import { ordersPlace } from '../../case/orders-place'
import { useDraft } from '../../sync/use-draft'
import { Button } from '../../parts/button'
import { ChoiceRow } from '../../parts/choice-row'
import { NumberStepper } from '../../parts/number-stepper'
import { formatDayAndClock } from '../../parts/format-time'
import { TextField } from '../../parts/text-field'
import { BraceFields } from './brace-order'
import { OrderedByForm } from './ordered-by-form'
import type { OrderFieldProps } from './order-field'
import { Form } from '../../parts/form'

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
  const section = useRef<HTMLElement>(null)
  const { hash } = useLocation()
  useEffect(() => {
    if (hash !== `#${ordersPlace}` || !section.current) return
    section.current.scrollIntoView({ block: 'start' })
    const fields = [...section.current.querySelectorAll('input')]
    ;(fields.find((field) => field.value === '') ?? fields[0])?.focus()
  }, [hash])
  return (
    <section ref={section} aria-labelledby="orders" className="grid gap-4 rounded-3xl border border-line bg-sheet p-4">
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
      {asks.includes('countertraction') ? (
        <SignedField
          caseId={caseId}
          orders={orders}
          onOrders={onOrders}
          id="countertraction"
          said="Groin sling ordered by"
          ask="Groin sling as countertraction, ordered by (name)"
          submit="Keep the sling"
        />
      ) : null}
      {asks.includes('at-home') ? (
        <SignedField
          caseId={caseId}
          orders={orders}
          onOrders={onOrders}
          id="atHome"
          said="Off and on again at home, ordered by"
          ask="May be taken off and put on at home, ordered by (name)"
          submit="Keep the order for home"
        />
      ) : null}
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

function WeightField({ caseId, orders, onOrders }: OrderFieldProps) {
  const [allowed, setAllowed] = useDraft(`case/${caseId}/order/weight-allowed`)
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
    <OrderedByForm
      draftKey={`case/${caseId}/order/weight`}
      label="Weight ordered by (name)"
      submitLabel="Keep"
      above={weight ? <p className="font-semibold">Withdrawn: no weight until it is ordered again.</p> : null}
      beside={<TextField label="What is allowed" value={allowed} onChange={(event) => setAllowed(event.target.value)} className="flex-1" />}
      onOrdered={(ordered) => {
        setAllowed('')
        onOrders({ ...orders, weight: { ...ordered, ...(allowed.trim() ? { allowed: allowed.trim() } : {}) } })
      }}
    />
  )
}

/** How far the spine may be raised. */
function SpineField({ caseId, orders, onOrders }: OrderFieldProps) {
  const [posture, setPosture] = useState<(typeof spinePositions)[number]>(orders.spine?.posture ?? 'lying')
  const { spine } = orders
  return (
    <OrderedByForm
      draftKey={`case/${caseId}/order/spine`}
      label="Spine ordered by (name)"
      submitLabel="Keep the spine order"
      above={
        <>
          {spine ? (
            <p className="mb-3">
              <span className="text-sm font-semibold text-soft">Spine order:</span> up to {spine.posture},{' '}
              {spine.by ? `by ${spine.by}` : 'by nobody named: have it given again'}
            </p>
          ) : null}
          <ChoiceRow
            label="Spine order: may be"
            value={posture}
            choices={spinePositions.map((value) => ({ value, label: value }))}
            onChange={setPosture}
          />
        </>
      }
      onOrdered={(ordered) => onOrders({ ...orders, spine: { posture, ...ordered } })}
    />
  )
}

/** An order that is there or not, by the name of who gave it. */
function SignedField({
  caseId,
  orders,
  onOrders,
  id,
  said,
  ask,
  submit,
}: OrderFieldProps & { id: 'countertraction' | 'atHome'; said: string; ask: string; submit: string }) {
  const order = orders[id]
  if (order)
    return (
      <p className="flex flex-wrap items-center gap-3">
        <span>
          <span className="text-sm font-semibold text-soft">{said}</span> {order.by}
        </span>
        <Button
          onClick={() => {
            const { [id]: _, ...rest } = orders
            onOrders(rest)
          }}
        >
          Withdraw it
        </Button>
      </p>
    )
  return (
    <OrderedByForm
      draftKey={`case/${caseId}/order/${id}`}
      label={ask}
      submitLabel={submit}
      onOrdered={(given) => onOrders({ ...orders, [id]: given })}
    />
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
    <Form onSend={keep} className="flex flex-wrap items-end gap-3">
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
    </Form>
  )
}
