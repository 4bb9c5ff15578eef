import type { StockItem } from '../model/clinical-case'
import { boots } from './boots'
import { braces } from './braces'
import { collars } from './collars'
import { materials } from './materials'
import { fieldSplints, ringSplints } from './traction'
import { trunkShells } from './trunk-shells'
import { vests } from './vests'

/** The shipped catalogue: our own generic materials, devices and sizes. */
export const catalogue: { readonly version: string; readonly items: readonly StockItem[] } = {
  version: '3',
  items: [...materials, ...collars, ...trunkShells, ...vests, ...ringSplints, ...fieldSplints, ...braces, ...boots],
}
