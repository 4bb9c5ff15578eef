import { useMoment } from '../../sync/use-moment'
import { limits } from '#core/model/limits'
import { useState } from 'react'
import { castMaterials, type Device } from '#core/model/device'
import { oxygenRoutes, type Orders } from '#core/model/orders'
import { spoken } from '#core/model/vocabulary'
import type { OrderId } from '#core/planner/technique'
import type { CaseRecord } from '#contract/records/case'
import { OrdersPanel } from '../../case/orders/orders-panel'
import type { OpenCase } from '../../sync/case-store'
import { useDraft } from '../../sync/use-draft'
import { Button } from '../../parts/button'
import { ChoiceRow } from '../../parts/choice-row'
import { NumberStepper } from '../../parts/number-stepper'
import { TextField } from '../../parts/text-field'
import type { OrderFieldProps } from './order-field'
import { Form } from '../../parts/form'

const yesNo = [
  { value: 'no', label: 'No' },
  { value: 'yes', label: 'Yes' },
] as const

/** Orders and facts that change this technique's plan: who ordered what, and what is on already. */
export function OrdersForm({
  open,
  asks,
  orders,
  entered,
  device,
  onOrders,
  onDevice,
}: {
  open: OpenCase
  asks: readonly OrderId[]
  orders: Orders
  /** Who entered them, and when. */
  entered: CaseRecord['ordersEntered']
  device: Device
  onOrders: (orders: Orders) => void
  onDevice: (device: Device) => void
}) {
  const moment = useMoment()
  const put = (change: Partial<Orders>): void => onOrders({ ...orders, ...change })
  return (
    <section aria-label="Orders and facts" className="grid gap-4 rounded-3xl border border-line bg-sheet p-4">
      {entered ? (
        <p className="text-sm text-soft">
          Entered by {entered.by}, {moment(Date.parse(entered.at))}
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
      {asks.includes('week') ? (
        <NumberStepper label="Week of treatment" unit="" value={orders.week ?? 0} {...limits.week} onChange={(week) => put({ week })} />
      ) : null}
      <OrdersPanel open={open} />
      {asks.includes('device') ? <DeviceFields device={device} onDevice={onDevice} /> : null}
      {asks.includes('wedges') ? <WedgeField caseId={open.record.id} orders={orders} onOrders={onOrders} /> : null}
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
