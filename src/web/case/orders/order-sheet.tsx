import { useState } from 'react'
import { orderWords } from '#core/model/order-words'
import { contradicting, orderNames, orderWays, type OrderedBy, type OrderKind, type SignedOrders } from '#core/model/orders'
import { ordersFor } from '#core/techniques/orders-for'
import { ChoiceRow } from '../../parts/choice-row'
import { Notice } from '../../parts/notice'
import { SheetForm } from '../../parts/sheet-form'
import { TextField } from '../../parts/text-field'
import { writeAndHear, writeEvent, type OpenCase } from '../../sync/case-store'
import { serverNow } from '../../sync/server-clock'
import { useDraft } from '../../sync/use-draft'
import { OrderFigures, type OrderTyped } from './order-figures'
import { orderFromTyped } from './order-from-typed'

/**
 * The one form for everything that is ordered: what, by whom, how it came, from when and until when, and whether it was read back.
 * @param first what is chosen when it opens; null where the clinician chooses
 */
export function OrderSheet({ open, first, onClose }: { open: OpenCase; first: OrderKind | null; onClose: () => void }) {
  const { record, episode } = open
  const [draft, setDraft] = useDraft(`case/${record.id}/order`)
  const typed: OrderTyped = { how: 'voice', ...(first ? { kind: first } : {}), ...(draft ? (JSON.parse(draft) as OrderTyped) : {}) }
  const [error, setError] = useState<string | null>(null)
  const onType = (change: OrderTyped): void => setDraft(JSON.stringify({ ...typed, ...change }))
  const kinds = ordersFor(record.technique, episode.injuries[record.injuryId]?.region ?? null)
  const kind = kinds.find((one) => one === typed['kind']) ?? null
  const orders = record.orders ?? {}
  const by: OrderedBy = {
    by: typed['by']?.trim() ?? '',
    at: new Date(serverNow()).toISOString(),
    how: orderWays.find((way) => way === typed['how']) ?? 'voice',
    ...momentOf('from', typed['from']),
    ...momentOf('until', typed['until']),
  }
  const given = orderFromTyped(kind, typed, by)
  const ends = kind && typeof given !== 'string' ? contradicting({ ...orders, ...given }, kind) : []
  const keep = async (): Promise<void> => {
    if (typeof given === 'string' || kind === null) return setError(typeof given === 'string' ? given : null)
    for (const other of ends) await writeEvent('ordered', { ordered: withdrawn(orders, other, by) })
    const outcome = await writeAndHear('ordered', { ordered: given }, () => true)
    if (outcome.kind === 'refused') return setError(outcome.problem.detail)
    if (typed['readBack'] === 'yes') void writeEvent('read-back', { what: orderWords(kind, given), orderedBy: by.by })
    setDraft('')
    onClose()
  }
  return (
    <SheetForm
      title="Order"
      isWide
      error={error}
      sendLabel={ends.length > 0 ? 'Record it, and end the other' : 'Record the order'}
      backLabel="Back"
      onSend={() => void keep()}
      onClose={onClose}
    >
      <ChoiceRow
        label="What is ordered"
        value={kind}
        choices={kinds.map((value) => ({ value, label: orderNames[value] }))}
        onChange={(next) => onType({ kind: next })}
      />
      {kind ? <OrderFigures kind={kind} typed={typed} onType={onType} /> : null}
      <TextField
        label="Ordered by (name)"
        value={typed['by'] ?? ''}
        maxLength={120}
        autoFocus={first !== null}
        onChange={(event) => onType({ by: event.target.value })}
      />
      <ChoiceRow
        label="How it came"
        value={by.how ?? 'voice'}
        choices={orderWays.map((value) => ({ value, label: wayWords[value] }))}
        onChange={(how) => onType({ how })}
      />
      <ChoiceRow
        label="Read back"
        value={typed['readBack'] ?? null}
        choices={[
          { value: 'yes', label: '“That is right” was answered' },
          { value: 'no', label: 'Not yet' },
        ]}
        onChange={(readBack) => onType({ readBack })}
      />
      <details>
        <summary className="min-h-12 cursor-pointer content-center font-semibold">From when, until when</summary>
        <div className="grid gap-3 sm:grid-cols-2">
          <TextField
            type="datetime-local"
            label="From; now if left empty"
            value={typed['from'] ?? ''}
            onChange={(event) => onType({ from: event.target.value })}
          />
          <TextField
            type="datetime-local"
            label="Until; until withdrawn if left empty"
            value={typed['until'] ?? ''}
            onChange={(event) => onType({ until: event.target.value })}
          />
        </div>
      </details>
      {ends.map((other) => (
        <Notice key={other} tone="caution" lead={`This contradicts “${orderWords(other, orders)}”`} role="alert">
          Ordered by {orders[other]?.by}. Ask which holds: recording this ends the other, in the name of who gives this one.
        </Notice>
      ))}
      {by.how === 'telephone' ? (
        <p className="text-sm text-soft">Whoever ordered it by telephone signs it later, under their own name.</p>
      ) : null}
    </SheetForm>
  )
}

/** A typed moment of this place; left out where it is none. */
function momentOf<Field extends string>(field: Field, text: string | undefined): Partial<Record<Field, string>> {
  const ms = Date.parse(text ?? '')
  return Number.isNaN(ms) ? {} : ({ [field]: new Date(ms).toISOString() } as Record<Field, string>)
}

const wayWords = { voice: 'By voice', telephone: 'By telephone', written: 'Written' } as const

/** An order taken back by who is named. */
export function withdrawn(orders: SignedOrders, kind: OrderKind, by: OrderedBy): SignedOrders {
  const { until: _until, from: _from, ...rest } = orders[kind] ?? by
  return { [kind]: { ...rest, by: by.by, at: by.at, ...(by.how ? { how: by.how } : {}), withdrawn: true } } as SignedOrders
}
