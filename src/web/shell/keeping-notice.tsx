import { useKeeping } from '../sync/durable'
import { Notice } from '../parts/notice'

const words = {
  full: {
    lead: 'This device is full: it keeps nothing new',
    rest: 'What you enter is sent, but is lost if the page is closed before. Free some space, or go on at another device.',
  },
  nothing: {
    lead: 'This browser keeps nothing',
    rest: 'What you enter is sent, but is lost if the page is closed before. Leave the private window, or use the secure address.',
  },
} as const

/** Says where entries are not safe until they are sent. */
export function KeepingNotice() {
  const state = useKeeping((store) => store.state)
  if (state === 'all') return null
  return (
    <div className="px-4 pt-3 sm:pr-6 sm:pl-[46px]">
      <Notice tone="caution" lead={words[state].lead} role="status">
        {words[state].rest}
      </Notice>
    </div>
  )
}
