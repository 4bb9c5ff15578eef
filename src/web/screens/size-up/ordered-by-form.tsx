import { useState, type ReactNode } from 'react'
import { serverNow } from '../../sync/server-clock'
import { useDraft } from '../../sync/use-draft'
import { Button } from '../../parts/button'
import { TextField } from '../../parts/text-field'
import { Form } from '../../parts/form'
import { missingIn } from '../../parts/required'

/** Who ordered something and when: an order has a name, or it is none. */
export interface OrderedBy {
  readonly by: string
  /** ISO 8601 */
  readonly at: string
}

/**
 * Asks who ordered something; kept only with a name.
 * @param above what stands over the name: the order as it is, what is chosen of it
 * @param beside further fields in the line of the name
 */
export function OrderedByForm({
  draftKey,
  label,
  submitLabel,
  above,
  beside,
  onOrdered,
}: {
  draftKey: string
  label: string
  submitLabel: string
  above?: ReactNode
  beside?: ReactNode
  onOrdered: (ordered: OrderedBy) => void
}) {
  const [by, setBy] = useDraft(draftKey)
  const [error, setError] = useState<string>()
  const keep = (): void => {
    const missing = missingIn('ordered-by', { by })
    if (missing) return setError(missing)
    setError(undefined)
    setBy('')
    onOrdered({ by: by.trim(), at: new Date(serverNow()).toISOString() })
  }
  return (
    <Form onSend={keep} className="flex flex-wrap items-end gap-3">
      {above ? <div className="w-full">{above}</div> : null}
      <TextField label={label} value={by} error={error} onChange={(event) => setBy(event.target.value)} className="flex-1" />
      {beside}
      <Button type="submit">{submitLabel}</Button>
    </Form>
  )
}
