import { useMoment } from '../../sync/use-moment'
import { useState } from 'react'
import { isOrdered } from '#core/model/orders'
import { ordersAsked } from '#core/techniques/orders-for'
import { useWords } from '../../sync/use-words'
import { waitsForOrder, type BindingStop, type WaysOn } from '#core/runs/what-binds'
import { hasRight } from '#contract/rights'
import { OrderSheet } from '../../case/orders/order-sheet'
import { Button } from '../../parts/button'
import { Notice } from '../../parts/notice'
import type { OpenCase } from '../../sync/case-store'
import { usePerson } from '../../sync/session-store'
import { leadsElsewhere } from './use-run'

/** Stops that stand on a step, first of all: Done does not pass them; a clinician may go on all the same, and says why. */
export function StopsOnStep({
  open,
  stops,
  ways,
  mayTick,
  onDespite,
}: {
  open: OpenCase
  stops: readonly BindingStop[]
  ways: WaysOn
  mayTick: boolean
  onDespite: () => void
}) {
  const moment = useMoment()
  const say = useWords()
  const person = usePerson()
  const [isOrdering, setOrdering] = useState(false)
  if (stops.length === 0) return null
  const mayDecide = hasRight(person.roles, 'decide')
  const { orders = {}, technique } = open.record
  const asked = ordersAsked(technique)
  return (
    <div className="grid gap-2">
      {stops.map((stop) => (
        <Notice key={stop.code} tone="stop" lead={say(stop.text)} role="alert">
          {say(stop.why)}
          {stop.sinceMs === undefined ? null : <span className="block">Since {moment(stop.sinceMs)}.</span>}
          {stop.code === waitsForOrder ? (
            <p>
              <Button className="mt-2" onClick={() => setOrdering(true)}>
                Enter the order
              </Button>
            </p>
          ) : null}
        </Notice>
      ))}
      {ways.despite === 'no' ? (
        <p className="font-semibold">Nobody goes on over this, and nobody skips it: once what raises it is changed, the step is free.</p>
      ) : !mayDecide ? (
        <p className="text-soft">Only a clinician goes on all the same.</p>
      ) : ways.despite === 'after-call' ? (
        <p className="font-semibold">Record the call to the senior first: “Record the call”, under what stands.</p>
      ) : (
        <div>
          <Button refuses={mayTick ? null : leadsElsewhere} onClick={onDespite}>
            Go on all the same
          </Button>
        </div>
      )}
      {isOrdering ? (
        <OrderSheet
          open={open}
          first={asked.find((kind) => !isOrdered(orders[kind])) ?? asked[0] ?? null}
          onClose={() => setOrdering(false)}
        />
      ) : null}
    </div>
  )
}
