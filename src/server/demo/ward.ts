import { v7 as uuidv7 } from 'uuid'
import { defaultProtocol } from '#core/quantities/defaults'
import type { EventInput } from '#contract/event'
import type { BodyOf } from '#contract/events/index'
import { wardId, type Area, type Shift } from '#contract/records/ward'
import type { AppendEvent } from '../writing/append-event'
import type { Actor } from '../ledger/writing'

const beds = (count: number): readonly string[] => Array.from({ length: count }, (_, at) => `bed ${at + 1}`)
const areas: readonly Area[] = [
  { name: 'Emergency department', beds: [] },
  ...[1, 2, 3, 4].map((one) => ({ name: `Bay ${one}`, beds: [] })),
  { name: 'Landing bay', beds: [] },
  { name: 'Plaster room', beds: [] },
  { name: 'Fitting room', beds: [] },
  { name: 'Boat ambulance', beds: [] },
  { name: 'Ward A', beds: beds(12) },
  { name: 'Ward B', beds: beds(8) },
]

const days = [1, 2, 3, 4, 5, 6, 7]
const shift = (role: string, name: string, isNight: boolean): Shift => ({
  role,
  name,
  from: isNight ? '19:30' : '07:30',
  until: isNight ? '07:30' : '19:30',
  days,
})
const shifts: readonly Shift[] = [
  shift('Nurse in charge', 'Pernilla Sward', false),
  shift('Nurse in charge', 'Liv Harrowgate', true),
  shift('Registrar', 'Corwin Ashby-Reed', false),
  shift('Registrar', 'Bram Tully', true),
  shift('Consultant', 'Otto Marlowe-Pike', false),
]

/** Sets the places, the rota and one area's own chain, as a lead does. */
export async function writeDemoWard(append: AppendEvent, lead: Actor, now: number): Promise<void> {
  let base = 0
  const send = async <Kind extends 'areas-set' | 'teams-set' | 'rota-set' | 'chain-set' | 'protocol-drafted' | 'protocol-in-force'>(
    kind: Kind,
    body: BodyOf<Kind>,
  ): Promise<void> => {
    const event: EventInput = {
      id: uuidv7(),
      stream: { type: 'ward', id: wardId },
      kind,
      v: 1,
      body,
      at: new Date(now).toISOString(),
      offsetMs: 0,
      base: base++,
    }
    await append(event, lead)
  }
  const protocol = { ...defaultProtocol, numbers: { 'task-minutes.round': 8, 'task-minutes.care': 15 } }
  await send('protocol-drafted', { protocol, note: 'Rounds and care as timed on both wards' })
  await send('protocol-in-force', { draftedAt: new Date(now).toISOString() })
  await send('areas-set', { areas })
  await send('teams-set', {
    teams: [
      { name: 'Orthopaedic ward', areas: ['Ward A', 'Ward B'] },
      { name: 'Emergency', areas: ['Emergency department', 'Bay 1', 'Bay 2', 'Bay 3', 'Bay 4'] },
    ],
  })
  await send('rota-set', { area: '', shifts })
  await send('chain-set', {
    area: 'Ward B',
    steps: [
      { role: 'Nurse in charge', afterMin: 0 },
      { role: 'Registrar', afterMin: 3 },
      { role: 'Consultant', afterMin: 5 },
    ],
  })
}
