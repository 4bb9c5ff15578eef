import type { Geometry } from '../model/geometry'
import { standingLevels, type StandingItem, type StandingLevel } from '../model/standing'
import { readItemId } from '../rounds/item-ids'
import { siteOfItem, type Site } from '../rounds/item-sites'
import { feelingLevelOf } from '../rounds/look-at-block'
import type { Look, PartId } from '../rounds/look'
import { nameOfItem } from './item-names'

/** What stands at one place of a drawing. */
export interface LimbFinding {
  readonly site: Site
  /** The worst of what stands there. */
  readonly level: StandingLevel
  /** What was looked at, in words: several with commas, the worst first. */
  readonly label: string
  /** The same beside the mark, which says where: "feeling". */
  readonly short: string
  /** The highest level at which touch is lost, where that is what was found. */
  readonly feelingLevel?: string
}

type Drawn = Pick<Geometry, 'body' | 'side'>

/** Where an item of a part stands on what is drawn; null where its part is not drawn, or it has no one place. */
export function siteOnDrawing(drawn: Drawn, part: PartId, item: string): Site | null {
  const isLimb = part.startsWith('arm') || part.startsWith('leg')
  switch (drawn.body) {
    case 'none':
      return null
    case 'leg':
    case 'arm':
      return part === `${drawn.body}-${drawn.side}` ? siteOfItem(part, item) : null
    // A neck is drawn with the shoulders, a trunk with arms and the beginning of the legs.
    case 'neck':
      return part === 'neck' ? siteOfItem(part, item) : part.startsWith('arm') ? (part as Site) : null
    case 'trunk':
      return part === 'spine' ? siteOfItem(part, item) : isLimb ? (part as Site) : null
  }
}

/**
 * What stands about a case, at the places of its drawing: one mark a place, the worst of what stands there.
 * @param items worst first, as they stand
 */
export function findingsOnLimb(
  drawn: Drawn,
  items: readonly Pick<StandingItem, 'id' | 'part' | 'asItem' | 'level' | 'feelingLevel'>[],
): readonly LimbFinding[] {
  const found = items.flatMap(({ id, part, asItem, level, feelingLevel }) => {
    const about = readItemId(asItem && part ? `${part}/${asItem}` : id)
    const site = about && level !== 'none' ? siteOnDrawing(drawn, about.part, about.item) : null
    return site && about ? [{ site, level, ...namesOf(about.item, feelingLevel) }] : []
  })
  return onePerSite(found)
}

/** An item that a round asks for, and whether it was entered. */
export interface AskedItem {
  readonly part: PartId
  readonly item: string
  readonly isOpen: boolean
}

/**
 * A round while it is entered, at the places of the drawing: what was found there, what is still to be looked at (`unknown`), what is well
 * (`none`).
 * @param asked every item that the round asks for
 * @param looks what the entries so far are worth
 */
export function roundOnLimb(drawn: Drawn, asked: readonly AskedItem[], looks: readonly Look[]): readonly LimbFinding[] {
  const at = (part: PartId, item: string, level: StandingLevel, feelingLevel?: string): readonly LimbFinding[] => {
    const site = siteOnDrawing(drawn, part, item)
    return site ? [{ site, level, ...namesOf(item, feelingLevel) }] : []
  }
  const found = onePerSite(
    looks.filter((look) => look.level !== 'none').flatMap((look) => at(look.part, look.item, look.level, feelingLevelOf(look))),
  )
  const open = onePerSite(asked.filter((one) => one.isOpen).flatMap((one) => at(one.part, one.item, 'unknown')))
  const well = onePerSite(asked.flatMap((one) => at(one.part, one.item, 'none')))
  const all = [...found, ...open, ...well]
  return all.filter((one, index) => all.findIndex((other) => other.site === one.site) === index)
}

/** One mark a place: the worst level, every name once. */
export function onePerSite(found: readonly LimbFinding[]): readonly LimbFinding[] {
  const bySite = new Map<Site, LimbFinding>()
  for (const one of [...found].sort((a, b) => standingLevels.indexOf(a.level) - standingLevels.indexOf(b.level))) {
    const before = bySite.get(one.site)
    if (!before) bySite.set(one.site, one)
    else bySite.set(one.site, { ...before, label: joined(before.label, one.label), short: joined(before.short, one.short) })
  }
  return [...bySite.values()]
}

/** How a mark of an item is named: in full, and beside a mark that shows where it is. */
export function namesOf(item: string, feelingLevel?: string): Pick<LimbFinding, 'label' | 'short' | 'feelingLevel'> {
  const [group = ''] = item.split('/')
  const label = nameOfItem(item)
  if (feelingLevel) return { label: `${label} ${feelingLevel}`, short: `feeling lost from ${feelingLevel}`, feelingLevel }
  return { label, short: short[group] ?? label }
}

const short: Readonly<Record<string, string>> = {
  feeling: 'feeling',
  movement: 'movement',
  power: 'strength',
  refill: 'refill',
  skin: 'skin',
  restPain: 'pain',
  stretchPain: 'stretch pain',
  painBeyondExpected: 'pain',
  spotPain: 'one spot',
  tight: 'tight',
}

function joined(names: string, more: string): string {
  return names.split(', ').includes(more) ? names : `${names}, ${more}`
}
