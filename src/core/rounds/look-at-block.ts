import type { Level } from '../model/finding'
import { judgeVital, type VitalContext } from './judge-vital'
import { isCannotAssess, type BlockFindings, type BlockName } from '../model/observation'
import { confusionItem, feelingLevels, neckItems, skinWords, spineItems, vitalItems, type WordItem } from '../model/round-items'
import { skinText } from './look-at-limb'
import { cannotLook, type Before, type Look } from './look'

/** The items of each block that are answered in words. */
export const wordItemsOf: Readonly<Record<BlockName, readonly WordItem[]>> = { neck: neckItems, spine: spineItems, vital: [confusionItem] }

/** Every item that a block can hold, by id: words, figures, the level of feeling, skin by area aside. */
export function blockItemIds(block: BlockName): readonly string[] {
  const words = wordItemsOf[block].map((item) => item.id)
  if (block === 'vital') return [...vitalItems.map((item) => item.id), ...words]
  return block === 'spine' ? [...words, 'level'] : words
}

/**
 * Everything that was looked at of a neck, a trunk or the circulation as a whole.
 * @param before for the level of feeling, which is urgent where it has risen
 * @param vital age and injury, which set the limits of the vital signs
 */
export function lookAtBlock(part: BlockName, block: BlockFindings, before: Before, vital: VitalContext): readonly Look[] {
  const looks: Look[] = []
  const put = (item: string, severity: number, level: Level, code: string, text: string, isNeverKnown = false): void => {
    looks.push({ part, item, severity, level, code, text, isNeverKnown, cannot: null })
  }
  const look = (item: string, label: string, judge: (value: string | number) => void): void => {
    const value = block[item]
    if (value === undefined) return
    if (isCannotAssess(value)) looks.push(cannotLook(part, item, value.reason, label))
    else judge(value)
  }
  for (const item of wordItemsOf[part]) {
    look(item.id, item.label, (value) => {
      // A word that nobody listed counts against the patient.
      const severity = item.words.includes(String(value)) ? item.words.indexOf(String(value)) : item.words.length
      const isNeverKnown = item.neverKnown?.includes(String(value)) === true
      put(item.id, severity, severity === 0 ? 'none' : item.level, `new-${item.id}`, `${item.label}: ${value}`, isNeverKnown)
    })
  }
  if (part === 'spine') look('level', 'Level of feeling', (value) => put('level', ...judgeFeelingLevel(String(value), before)))
  if (part === 'vital') {
    for (const { id, label, unit } of vitalItems) {
      look(id, label, (value) => {
        const judged = judgeVital(id, Number(value), block, vital)
        looks.push({
          part,
          item: id,
          ...judged,
          text: `${label} ${value} ${unit}${judged.words ? `: ${judged.words}` : ''}`,
          isNeverKnown: false,
          cannot: null,
        })
      })
    }
  }
  for (const item of Object.keys(block).filter((one) => one.startsWith('skin/'))) {
    const area = item.slice('skin/'.length)
    look(item, `Skin, ${area}`, (value) => {
      const severity = Math.max(
        0,
        skinWords.findIndex((word) => word === value),
      )
      const level = value === 'broken' ? 'urgent' : value === 'red-not-blanching' ? 'warn' : 'none'
      put(
        item,
        severity,
        level,
        value === 'broken' ? 'skin-broken' : String(value),
        `${skinText(skinWords[severity] ?? 'intact')}: ${area}`,
      )
    })
  }
  return looks
}

/** The highest level at which touch is lost, where that is what a look found; undefined for any other look, and while none is lost. */
export function feelingLevelOf({ item, severity, cannot }: Pick<Look, 'item' | 'severity' | 'cannot'>): string | undefined {
  return item === 'level' && cannot === null && severity > 0 ? feelingLevels[severity] : undefined
}

/** A level of feeling is a finding; one that is higher than it was, a new one. */
function judgeFeelingLevel(value: string, before: Before): [number, Level, string, string] {
  const severity = feelingLevels.indexOf(value)
  const last = before.last('spine/level')
  const change = last !== undefined && last > 0 && severity > last ? ` (was ${feelingLevels[last] ?? ''})` : ''
  const text = severity === 0 ? 'No level of feeling' : `Level of feeling ${value}${change}`
  return [severity, severity === 0 ? 'none' : 'urgent', 'new-feeling-level', text]
}
