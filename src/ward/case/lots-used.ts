import { describeMaterial } from '#core/planner/describe-material'
import type { Material, Plan } from '#core/model/plan'
import { takenItems } from '#core/techniques/decision-in-role'
import { findTechnique } from '#core/techniques/registry'
import type { CaseRecord } from '#contract/records/case'
import type { Recorded } from '#contract/records/run'
import type { StockLine, StockMovement } from '#contract/records/store'

/** Something that a plan puts on or uses up. */
export interface UsedItem {
  readonly id: string
  readonly label: string
  /** Whether a line of a store is this item. */
  readonly isOf: (line: StockLine) => boolean
}

/** What was used, with what was answered about its lots; null while nobody was asked. */
export interface LotLine extends UsedItem {
  readonly answer: (Recorded & { readonly lots: readonly string[] }) | null
}

/**
 * What a plan uses whose lot a recall would ask for: its materials, then the devices that are taken whole, each once; where it names
 * neither, the device as such.
 */
export function usedItems(plan: Plan): readonly UsedItem[] {
  const technique = findTechnique(plan.technique)
  const name = technique?.name ?? plan.technique
  const devices = takenItems(plan)
  // A sized device is among the materials too, by its kind alone.
  const isDevice = ({ id, item }: Material): boolean =>
    devices.some((device) => device.id === id) || (devices.length > 0 && findTechnique(item) !== null)
  const materials = plan.materials.filter((material) => !isDevice(material))
  if (materials.length + devices.length === 0) return technique?.comesOff.length ? [{ id: 'device', label: name, isOf: () => false }] : []
  return [
    ...materials.map((material) => ({
      id: material.id,
      label: describeMaterial(material, 'metric'),
      isOf: ({ item }: StockLine): boolean => item.item === material.item && item.widthCm === (material.widthCm ?? undefined),
    })),
    ...devices.map(({ id, display, value, isItem }) => ({
      id,
      // How well it fits is no part of its name.
      label: `${name}: ${display.replace(/, odds .*/, '')}`,
      isOf: ({ item }: StockLine): boolean => isItem(item, value),
    })),
  ]
}

/** What a case used, each with its lots as somebody named them; what was named and is in the plan no more comes last. */
export function lotLines(record: Pick<CaseRecord, 'lots'>, plan: Plan): readonly LotLine[] {
  const used = usedItems(plan)
  const answered = record.lots ?? []
  return [
    ...used.map((item) => ({ ...item, answer: answered.find((one) => one.item === item.id) ?? null })),
    ...answered
      .filter((one) => !used.some((item) => item.id === one.item))
      .map((answer) => ({ id: answer.item, label: answer.item.replaceAll('-', ' '), isOf: () => false, answer })),
  ]
}

/** Lots of an item that a store holds, those that were taken for the case first: what a person picks from. */
export function lotsToPick(
  item: UsedItem,
  lines: readonly StockLine[],
  movements: readonly Pick<StockMovement, 'lotId' | 'caseId' | 'delta'>[],
  caseId: string,
): readonly { readonly lot: string; readonly isTaken: boolean }[] {
  const taken = new Set(movements.filter((movement) => movement.caseId === caseId && movement.delta < 0).map((movement) => movement.lotId))
  const lots = lines.filter(item.isOf).flatMap((line) => line.lots)
  const numbers = [...new Set(lots.map((lot) => lot.lot))].map((lot) => ({
    lot,
    isTaken: lots.some((one) => one.lot === lot && taken.has(one.lotId)),
  }))
  return numbers.sort((a, b) => Number(b.isTaken) - Number(a.isTaken))
}
