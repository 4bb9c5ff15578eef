import type { WardRecord } from '../../records/ward'
import type { Rota } from '../../records/ward'
import { wardKind } from '../kind'

/** Who is on, in an area or everywhere; without shifts the area has no rota of its own. */
export const rotaSet = wardKind<Rota>({
  nature: 'replacing',
  right: 'manage-protocols',
  fold: (record, { body: { area, shifts } }): WardRecord => ({
    ...record,
    rotas: [...record.rotas.filter((rota) => rota.area !== area), ...(shifts.length > 0 ? [{ area, shifts }] : [])],
  }),
  example: { area: '', shifts: [{ role: 'Registrar', name: 'Sorrel Vane', from: '20:00', until: '08:00', days: [1, 2, 3, 4, 5, 6, 7] }] },
})
