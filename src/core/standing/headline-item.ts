import { dangers, type Danger } from '../model/danger'
import type { StandingItem } from '../model/standing'

/** What names an alarm where several dangers stand, first to last. */
const naming: readonly Danger[] = [
  'arrest',
  'vomiting',
  'breathing',
  'slow-breathing',
  'circulation',
  'mind',
  'cord',
  'limb',
  'pull-lost',
  'burn',
  'skin',
  'point',
  'pain',
  'own',
]

/** Within one danger found in one look: what says most of it. */
const tellingMost = ['pulse', 'stretchPain', 'movement', 'power', 'feeling', 'level', 'painBeyondExpected', 'colour', 'refill', 'warmth']

/**
 * The one finding that names an alarm: of the danger that comes first, the newest; of several in one look the one that says most.
 * @param alarming what alarms, all of one level
 * @returns null where nothing alarms
 */
export function headlineItem(alarming: readonly StandingItem[]): StandingItem | null {
  const rank = ({ danger }: StandingItem): number => {
    const place = naming.indexOf(danger ?? 'own')
    return place < 0 ? naming.length + dangers.indexOf(danger ?? 'own') : place
  }
  const first = [...alarming].sort((a, b) => rank(a) - rank(b) || newestMs(b) - newestMs(a) || telling(a) - telling(b))
  return first[0] ?? null
}

/** When the newest of what alarms was found, ms: an alarm is dated by it. */
export function newestMs({ alarmSinceMs, sinceMs }: Pick<StandingItem, 'alarmSinceMs' | 'sinceMs'>): number {
  return Math.max(alarmSinceMs, sinceMs)
}

function telling({ id, part, asItem }: StandingItem): number {
  const item = asItem ?? (part && id.startsWith(`${part}/`) ? id.slice(part.length + 1) : id)
  const place = tellingMost.indexOf(item.split('/')[0] ?? item)
  return place < 0 ? tellingMost.length : place
}
