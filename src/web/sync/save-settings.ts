import type { PersonSettings } from '#contract/records/person'
import { makeEvent, sendEvent } from './outbox'
import { useSession } from './session-store'

/** Keeps what the signed-in person set for themselves: here at once, on the server when it hears. */
export function saveSettings(settings: PersonSettings): void {
  const { state, setSettings } = useSession.getState()
  if (state.status !== 'signed-in') return
  const { id, version } = state.person
  const event = makeEvent({ type: 'person', id }, 'settings', settings, version)
  setSettings(settings, version + 1)
  void sendEvent(event)
}
