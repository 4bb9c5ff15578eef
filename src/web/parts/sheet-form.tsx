import type { ReactNode } from 'react'
import { Button } from './button'
import { Dialog } from './dialog'
import { Form } from './form'
import { Notice } from './notice'

/** A sheet with fields, what is wrong with them, and two ways on: keep what was entered, or leave it. */
export function SheetForm({
  title,
  error,
  sendLabel,
  backLabel,
  isWide = false,
  onSend,
  onClose,
  children,
}: {
  title: string
  /** What is wrong with the fields together; what is wrong with one stands at it. */
  error?: string | null | undefined
  sendLabel: string
  /** Left out: the sheet's own way out is enough. */
  backLabel?: string
  isWide?: boolean
  onSend: () => void
  onClose: () => void
  children: ReactNode
}) {
  return (
    <Dialog title={title} isWide={isWide} isOpen onClose={onClose}>
      <Form onSend={onSend}>
        {children}
        {error ? <Notice tone="caution" lead={error} role="alert" /> : null}
        <div className="flex flex-wrap gap-3">
          <Button type="submit" look="next">
            {sendLabel}
          </Button>
          {backLabel ? <Button onClick={onClose}>{backLabel}</Button> : null}
        </div>
      </Form>
    </Dialog>
  )
}
