import type { ReactNode } from 'react'
import { Button } from './button'
import { Dialog } from './dialog'
import { Form } from './form'
import { Notice } from './notice'

/** A sheet with fields, what is wrong with them, and two ways on: back, and at the right what it does. */
export function SheetForm({
  title,
  error,
  sendLabel,
  backLabel = 'Cancel',
  sendLook = 'next',
  isWide = false,
  onSend,
  onClose,
  onBack = onClose,
  children,
}: {
  title: string
  /** What is wrong with the fields together; what is wrong with one stands at it. */
  error?: string | null | undefined
  sendLabel: string
  backLabel?: string
  /** `plain` where it is not the safe next step: a danger accepted, work passed by, an end. */
  sendLook?: 'next' | 'plain'
  isWide?: boolean
  onSend: () => void
  onClose: () => void
  /** What the way back does, where it does more than close. */
  onBack?: () => void
  children: ReactNode
}) {
  return (
    <Dialog title={title} isWide={isWide} isOpen onClose={onClose}>
      <Form onSend={onSend}>
        {children}
        {error ? <Notice tone="caution" lead={error} role="alert" /> : null}
        <div className="flex flex-wrap justify-end gap-3">
          <Button look="quiet" onClick={onBack}>
            {backLabel}
          </Button>
          <Button type="submit" look={sendLook}>
            {sendLabel}
          </Button>
        </div>
      </Form>
    </Dialog>
  )
}
