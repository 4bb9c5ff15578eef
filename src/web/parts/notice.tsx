import { ChevronDown } from 'lucide-react'
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

/** The same in one line, with the rest of it one tap away. */
export function FoldedNotice({ tone, lead, children }: { tone: Tone; lead: string; children: ReactNode }) {
  return (
    <details className={`rounded-2xl border-[1.5px] px-4 ${washes[tone]}`}>
      <summary className="flex min-h-12 cursor-pointer items-start gap-3 py-2.5 [&::-webkit-details-marker]:hidden">
        <span className="mt-1">
          <ToneShape tone={tone} size={18} />
        </span>
        <span className="min-w-0 flex-1 leading-snug font-semibold">{lead}</span>
        <ChevronDown size={20} aria-hidden className="mt-0.5 shrink-0 in-open:rotate-180" />
      </summary>
      <div className="pb-3 pl-[1.875rem] text-[0.94rem]">{children}</div>
    </details>
  )
}
