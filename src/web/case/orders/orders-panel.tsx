import { useMoment } from '../../sync/use-moment'
import { useState } from 'react'
import { orderWords } from '#core/model/order-words'
import { holdsAt, orderKinds, orderNames, type OrderKind } from '#core/model/orders'
import { orderLines } from '#ward/case/order-lines'
import { useDraft } from '../../sync/use-draft'
import { useNow } from '../../sync/use-now'
import { Button } from '../../parts/button'
import { formatClock } from '../../parts/format-time'
import { SheetForm } from '../../parts/sheet-form'
import { TextField } from '../../parts/text-field'
import { writeEvent, type OpenCase } from '../../sync/case-store'
import { serverNow } from '../../sync/server-clock'
import { missingIn } from '../../parts/required'
import { OrderSheet, withdrawn } from './order-sheet'

type Asked =
  | { readonly what: 'order' }
  | { readonly what: 'back'; readonly line: string }
  | { readonly what: 'end'; readonly kind: OrderKind }

/** What has been ordered, each by whom and until when, said back to who gave it; and the way to enter another one. */
export function OrdersPanel({ open }: { open: OpenCase }) {
  const moment = useMoment()
  const { record } = open
  const [asked, setAsked] = useState<Asked | null>(null)
  const now = useNow(30_000)
  const close = (): void => setAsked(null)
  const orders = record.orders ?? {}
  const kindOf = (line: string): OrderKind | undefined => orderKinds.find((kind) => orders[kind] && orderWords(kind, orders) === line)
  return (
    <section aria-labelledby="orders" className="grid gap-2">
      <h2 id="orders" className="font-bold">
        Orders
      </h2>
      <ul className="divide-y divide-line rounded-2xl border border-line bg-sheet empty:hidden">
        {orderLines(record).map((line) => {
          const heard = record.readBacks?.findLast((readBack) => readBack.what === line)
          const kind = kindOf(line)
          const order = kind && orders[kind]
          const isOver = order !== undefined && !order.withdrawn && order.by !== '' && !holdsAt(order, now)
          return (
            <li key={line} className="flex min-h-14 flex-wrap items-center justify-between gap-3 px-4 py-1.5">
              <span className="min-w-0 font-semibold">
                {line}
                {order ? (
                  <span className="block text-sm font-normal text-soft">
                    {order.by ? `by ${order.by}` : 'nobody is named: have it ordered again'}
                    {order.how === 'telephone' ? ', by telephone' : ''}
                    {order.until ? `, until ${moment(Date.parse(order.until))}` : ''}
                    {isOver ? '; does not hold now' : ''}
                  </span>
                ) : null}
                <span className={`block text-sm ${heard ? 'text-calm' : 'text-caution'}`}>
                  {heard ? `✓ said back to ${heard.orderedBy}, ${formatClock(heard.at)}` : '◇ not said back yet'}
                </span>
              </span>
              <span className="flex flex-wrap gap-2">
                {heard ? null : (
                  <Button aria-label={`Say back: ${line}`} onClick={() => setAsked({ what: 'back', line })}>
                    Say back
                  </Button>
                )}
                {kind && order && !order.withdrawn ? (
                  <Button look="quiet" aria-label={`Withdraw: ${line}`} onClick={() => setAsked({ what: 'end', kind })}>
                    Withdraw
                  </Button>
                ) : null}
              </span>
            </li>
          )
        })}
      </ul>
      <Button className="justify-self-start" onClick={() => setAsked({ what: 'order' })}>
        Enter an order
      </Button>
      {asked?.what === 'order' ? <OrderSheet open={open} first={null} onClose={close} /> : null}
      {asked?.what === 'back' ? <ReadBackSheet caseId={record.id} line={asked.line} by={orderedBy(asked.line)} onClose={close} /> : null}
      {asked?.what === 'end' ? <WithdrawSheet open={open} kind={asked.kind} onClose={close} /> : null}
    </section>
  )

  function orderedBy(line: string): string {
    const kind = kindOf(line)
    return (kind && orders[kind]?.by) ?? ''
  }
}

function ReadBackSheet({ caseId, line, by, onClose }: { caseId: string; line: string; by: string; onClose: () => void }) {
  const [typed, setTyped] = useDraft(`case/${caseId}/ordered-by`)
  const [error, setError] = useState<string>()
  const name = typed || by
  return (
    <SheetForm
      title="Say the order back"
      sendLabel="“That is right” was answered"
      backLabel="Not confirmed"
      onSend={() => {
        const missing = missingIn('read-back', { by: name })
        if (missing) return setError(missing)
        void writeEvent('read-back', { what: line, orderedBy: name.trim() })
        setTyped('')
        onClose()
      }}
      onClose={onClose}
    >
      <p className="text-[1.3rem] font-semibold">&ldquo;{line}. Is that right?&rdquo;</p>
      <TextField
        label="Ordered by"
        value={name}
        maxLength={120}
        onChange={(event) => setTyped(event.target.value)}
        error={error}
        autoFocus
      />
    </SheetForm>
  )
}

/** An order is taken back by name, like it was given. */
function WithdrawSheet({ open, kind, onClose }: { open: OpenCase; kind: OrderKind; onClose: () => void }) {
  const [by, setBy] = useDraft(`case/${open.record.id}/withdraw/${kind}`)
  const [error, setError] = useState<string | null>(null)
  const send = (): void => {
    const missing = missingIn('ordered-by', { by })
    if (missing) return setError(missing)
    const at = new Date(serverNow()).toISOString()
    void writeEvent('ordered', { ordered: withdrawn(open.record.orders ?? {}, kind, { by: by.trim(), at }) })
    setBy('')
    onClose()
  }
  return (
    <SheetForm
      title={`Withdraw: ${orderNames[kind]}`}
      error={error}
      sendLabel="Withdraw it"
      sendLook="plain"
      backLabel="It holds"
      onSend={send}
      onClose={onClose}
    >
      <TextField label="Withdrawn by (name)" value={by} maxLength={120} autoFocus onChange={(event) => setBy(event.target.value)} />
    </SheetForm>
  )
}
