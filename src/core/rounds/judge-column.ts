import type { Finding } from '../model/finding'
import { assessed, isCannotAssess, type ColumnFindings } from '../model/observation'

/** One item of the neck or spine block: its words from well to worst. */
interface ColumnItem {
  readonly id: string
  readonly label: string
  readonly words: readonly string[]
}

/** What is asked of a neck (COMPUTATION 13): every word but the first is urgent unless it was there at baseline. */
export const neckItems: readonly ColumnItem[] = [
  { id: 'voice', label: 'Voice', words: ['normal', 'changed'] },
  { id: 'swallowing', label: 'Swallowing', words: ['normal', 'trouble'] },
  { id: 'breathing', label: 'Breathing', words: ['normal', 'harder', 'noisy'] },
  { id: 'veins', label: 'Neck veins', words: ['flat', 'full'] },
]

/** What is asked of a spine beside the four limbs. */
export const spineItems: readonly ColumnItem[] = [
  { id: 'saddle', label: 'Saddle feeling', words: ['normal', 'numb'] },
  { id: 'bladder', label: 'Bladder', words: ['normal', 'retention', 'incontinence'] },
  { id: 'bowel', label: 'Bowel', words: ['normal', 'incontinence'] },
]

/** Strength by limb, 0 to 5; a drop against baseline is urgent. */
export const strengthLimbs = ['left-arm', 'right-arm', 'left-leg', 'right-leg'] as const

/**
 * What the neck or spine block of a round says (SAFETY, Findings: neck and trunk).
 * @param block of this round, and of the baseline
 */
export function judgeColumn(items: readonly ColumnItem[], block: ColumnFindings, baseline: ColumnFindings | null): readonly Finding[] {
  const found = items.flatMap((item): Finding[] => {
    const raw = block[item.id]
    if (isCannotAssess(raw))
      return [{ item: item.id, side: null, level: 'warn', code: 'cannot-assess', text: `Cannot be assessed: ${raw.reason}` }]
    const now = assessed(raw)
    if (now === undefined || isWell(item, now)) return []
    const isSame = assessed(baseline?.[item.id]) === now
    const text = `${item.label}: ${String(now)}`
    return [
      {
        item: item.id,
        side: null,
        level: isSame ? 'known' : 'urgent',
        code: `new-${item.id}`,
        text: isSame ? `${text} (as at baseline)` : text,
      },
    ]
  })
  return [...found, ...judgeStrength(block, baseline), ...judgeLevel(block, baseline)]
}

/** Words that mean nothing is wrong; any other word, known or not, counts against the patient. */
function isWell(item: ColumnItem, word: string | number): boolean {
  return word === item.words[0] || ['normal', 'none', 'clear', 'no'].includes(String(word))
}

function judgeStrength(block: ColumnFindings, baseline: ColumnFindings | null): readonly Finding[] {
  return strengthLimbs.flatMap((limb): Finding[] => {
    const now = assessed(block[`strength-${limb}`])
    if (typeof now !== 'number' || now >= 5) return []
    const before = assessed(baseline?.[`strength-${limb}`])
    const isNew = typeof before !== 'number' || now < before
    const text = `Strength ${limb.replace('-', ' ')} ${now} of 5`
    return [
      {
        item: `strength-${limb}`,
        side: null,
        level: isNew ? 'urgent' : 'known',
        code: 'new-weakness',
        text: isNew ? text : `${text} (as at baseline)`,
      },
    ]
  })
}

/** The level of feeling is recorded in words; any change of it is urgent. */
function judgeLevel(block: ColumnFindings, baseline: ColumnFindings | null): readonly Finding[] {
  const now = assessed(block['feelingLevel'])
  const before = assessed(baseline?.['feelingLevel'])
  if (now === undefined || before === undefined || now === before) return []
  return [
    {
      item: 'feelingLevel',
      side: null,
      level: 'urgent',
      code: 'new-feeling-level',
      text: `Level of feeling ${String(before)} → ${String(now)}`,
    },
  ]
}

/** Items of the block that were neither judged nor marked as not assessable. */
export function missingColumnItems(items: readonly ColumnItem[], block: ColumnFindings | undefined): readonly string[] {
  return items.filter((item) => block?.[item.id] === undefined).map((item) => item.id)
}
