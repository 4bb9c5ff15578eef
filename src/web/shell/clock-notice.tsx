import { formatSpan } from '../parts/format-time'
import { Notice } from '../parts/notice'
import { useClockOff } from '../sync/clock-off'

/** Says on every page that the server's clock is wrong, where no other server is there to serve. */
export function ClockNotice() {
  const offMs = useClockOff((store) => store.offMs)
  if (offMs === null) return null
  const size = Math.abs(offMs) < 60_000 ? `${Math.round(Math.abs(offMs) / 1_000)} s` : formatSpan(Math.round(Math.abs(offMs) / 60_000))
  return (
    <div className="px-4 pt-3 sm:pr-6 sm:pl-[46px]">
      <Notice tone="caution" lead={`The server’s clock is ${size} ${offMs > 0 ? 'fast' : 'slow'}`} role="status">
        What is entered is kept; go by your own clock for times. Tell whoever runs the server.
      </Notice>
    </div>
  )
}
