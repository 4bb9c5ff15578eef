import type { WardRecord } from '../../records/ward'
import type { Chain } from '../../records/ward'
import { wardKind } from '../kind'

/** Who is called for an area; without steps the area is called as every other place. */
export const chainSet = wardKind<Chain>({
  nature: 'replacing',
  right: 'manage-protocols',
  fold: (record, { body: { area, steps } }): WardRecord => ({
    ...record,
    chains: [...record.chains.filter((chain) => chain.area !== area), ...(steps.length > 0 ? [{ area, steps }] : [])],
  }),
  example: {
    area: 'Ward A',
    steps: [
      { role: 'Nurse in charge', afterMin: 0 },
      { role: 'Registrar', afterMin: 5 },
    ],
  },
})
