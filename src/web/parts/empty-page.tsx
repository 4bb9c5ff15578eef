import type { ReactNode } from 'react'
import { Wren } from './wren'

/**
 * What stands where nothing is yet: the sleeping wren, what belongs there, and what begins it.
 * @param lead what is not there
 * @param children what belongs there, and a way to begin it
 */
export function EmptyPage({ lead, children }: { lead: string; children?: ReactNode }) {
  return (
    <div role="status" className="flex items-center gap-4 rounded-2xl border border-dashed border-soft p-5 max-sm:p-4">
      <Wren size={48} pose="asleep" />
      <div className="grid min-w-0 gap-2">
        <p className="font-bold">{lead}</p>
        {children}
      </div>
    </div>
  )
}
