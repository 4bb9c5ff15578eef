import type { ReactNode } from 'react'
import { formatClock } from '../parts/format-time'
import { useNow } from '../sync/use-now'
import { Wren, type WrenPose } from '../parts/wren'

/**
 * What stands before the work, signing in and the lock alike: the wren, a clock, a heading and one way in.
 * @param heading an `h1`, or the title of a dialog
 */
export function EntryPage({ pose, heading, children }: { pose: WrenPose; heading: ReactNode; children: ReactNode }) {
  return (
    <div className="mx-auto grid w-full max-w-md flex-1 content-center gap-6 p-6">
      <header className="grid gap-3">
        <div className="flex items-center justify-between">
          <Wren size={64} pose={pose} />
          <Clock />
        </div>
        {heading}
      </header>
      {children}
    </div>
  )
}

function Clock() {
  const now = useNow(1_000)
  return <time className="text-[3rem] leading-none font-bold tabular-nums">{formatClock(now)}</time>
}

/** The heading's looks, for whichever element carries it. */
export const entryHeading = 'text-3xl font-bold'
