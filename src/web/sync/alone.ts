import type { PairedDevice } from '#contract/api/session'
import { noteFacts, readFacts, type Alone, type DeviceFacts } from './device'
import { canSeal, makeOwnKeys, openVaultWith, type Vault } from './vault'

/** So long after it was begun a page that is loaded anew goes on with what was entered without an account. */
const longestMs = 12 * 3_600_000

/** Keeps what the server says of this device at each contact; a device that is paired no more forgets everything but what it has to send. */
export async function notePaired(paired: PairedDevice | null): Promise<void> {
  const { alone } = await readFacts()
  if (!paired) return alone === null ? undefined : noteFacts({ alone: null })
  const isSame = alone?.person.id === paired.person.id
  await noteFacts({ alone: { ...paired, keys: isSame ? alone.keys : null, isOn: isSame && alone.isOn } })
}

/**
 * Opens what this device keeps of work without an account, under keys that are made where there are none, or where those of before are over.
 * @param isOpen it is open in this page already: then its keys stay, however old
 * @returns its vault, and whether there was nothing before it
 * @throws where the device is not paired
 */
export async function beginAlone(isOpen: boolean): Promise<{ readonly vault: Vault | null; readonly isNew: boolean }> {
  const { alone } = await readFacts()
  if (!alone) throw new Error('This device is not paired')
  const held = isOpen ? alone.keys : keysInForce(alone)
  const isNew = held === null && !isOpen
  const keys = isNew && canSeal ? { ...(await makeOwnKeys()), madeMs: Date.now() } : held
  await noteFacts({ alone: { ...alone, keys, isOn: true } })
  return { vault: keys && (await openVaultWith({ ...alone, ...keys })), isNew }
}

/** Whether work without an account is under way here, and what was entered can be read. */
export function isBegun({ alone }: DeviceFacts): boolean {
  return alone !== null && alone.isOn && keysInForce(alone) !== null
}

/** Somebody with an account works here now, or nobody; what was entered without one stays until it is sent and claimed. */
export async function stepBack(): Promise<void> {
  const { alone } = await readFacts()
  if (alone?.isOn) await noteFacts({ alone: { ...alone, isOn: false } })
}

/** The keys go: what was entered is sent, and claimed or ended. */
export async function forgetAlone(): Promise<void> {
  const { alone } = await readFacts()
  if (alone) await noteFacts({ alone: { ...alone, keys: null, isOn: false } })
}

function keysInForce({ keys }: Alone): Alone['keys'] {
  return keys && Date.now() - keys.madeMs < longestMs ? keys : null
}
