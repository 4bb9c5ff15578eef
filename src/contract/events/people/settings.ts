import type { PersonSettings } from '../../records/person'
import { personKind } from '../kind'

/** A person’s own settings. */
export const settings = personKind<PersonSettings>({
  nature: 'replacing',
  right: 'self',
  example: {
    units: 'inches',
    fingerCm: 1.7,
    theme: 'dark',
    team: 'Orthopaedics',
    places: ['Ward A'],
    sound: { isOn: true, quietFrom: '22:00', quietUntil: '06:00' },
  },
})
