import type { ReactNode } from 'react'
import { ToneShape, type Tone } from './tone-shape'

const washes: Record<Tone, string> = {
  stop: 'border-stop bg-stop-wash',
  caution: 'border-caution bg-caution-wash',
  note: 'border-line bg-well',
  calm: 'border-calm bg-calm-wash',
  known: 'border-known bg-well',
  blank: 'border-line bg-well',
}

/** A message with its tone, a lead and the rest of it. */
export function Notice({ tone, lead, children, role }: { tone: Tone; lead: string; children?: ReactNode; role?: 'alert' | 'status' }) {
  return (
    <div role={role} className={`flex gap-3 rounded-2xl border-[1.5px] px-4 py-3 ${washes[tone]}`}>
      <span className="mt-1">
        <ToneShape tone={tone} size={18} />
      </span>
      <div className="min-w-0">
        <p className="font-bold">{lead}</p>
        {children ? <div className="text-[0.94rem]">{children}</div> : null}
      </div>
    </div>
  )
}
