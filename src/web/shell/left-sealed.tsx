import { Notice } from '../parts/notice'
import { useSealed } from '../sync/sealed-outbox'

/** What others left on this device unsent: nobody reads it here, and it goes as soon as somebody signs in with a line. */
export function LeftSealed() {
  const { count, isUrgent } = useSealed()
  if (count === 0) return null
  const entries = count === 1 ? '1 entry' : `${count} entries`
  return (
    <Notice tone={isUrgent ? 'stop' : 'caution'} lead={`${entries} of the last user ${count === 1 ? 'is' : 'are'} not sent`} role="status">
      {isUrgent ? 'A round or trouble is among them: phone if it is urgent. ' : ''}
      Closed on this device; sent under their name as soon as anybody signs in and the server answers.
    </Notice>
  )
}
