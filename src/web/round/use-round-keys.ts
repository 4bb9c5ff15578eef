import { useCallback, type KeyboardEvent } from 'react'
import { isTypingTarget } from '../parts/use-key'
import type { LastEntries } from './last-entries'
import { asLastTime, wordsOf } from './round-cell'
import { cannot, type RoundEntries, type RoundItem } from './round-items'

const moves: Readonly<Record<string, readonly [number, number]>> = {
  ArrowDown: [1, 0],
  ArrowUp: [-1, 0],
  ArrowRight: [0, 1],
  ArrowLeft: [0, -1],
}

/** What a key enters into a cell: a figure its digit (X is ten), a word its place in the row, C that it cannot be assessed, L as last time. */
export function wordOfKey(key: string, item: RoundItem, last: LastEntries[string] | undefined): string | null {
  const letter = key.toLowerCase()
  if (letter === 'c') return cannot
  if (letter === 'l') return asLastTime(item, last)
  const words = wordsOf(item)
  if (item.figure && words.includes(letter === 'x' ? '10' : key) && isWholeScale(item)) return letter === 'x' ? '10' : key
  return /^[1-9]$/.test(key) && !isWholeScale(item) ? (words[Number(key) - 1] ?? null) : null
}

/** A scale of whole figures is entered by its figure; any other row by the place in it. */
function isWholeScale(item: RoundItem): boolean {
  return item.figure !== undefined && item.figure.quick.every(Number.isInteger)
}

/** Cells of a form in reading order: rows by their item, the columns of each. */
function cellsIn(form: HTMLElement): readonly HTMLElement[] {
  return [...form.querySelectorAll<HTMLElement>('[data-cell]')]
}

function focusCell(cell: HTMLElement | undefined): void {
  cell?.querySelector<HTMLElement>('button[aria-pressed="true"], button, input')?.focus()
  cell?.scrollIntoView({ block: 'nearest' })
}

/** Whether a cell on the screen has no entry. */
export function hasOpen(form: HTMLElement): boolean {
  return cellsIn(form).some((cell) => cell.dataset['open'] !== undefined)
}

/** Brings the next cell without an entry after the one in hand into view and under the keys; from the top where none follows. */
export function focusNextOpen(form: HTMLElement, after: HTMLElement | null = null): void {
  const cells = cellsIn(form)
  const from = after ? cells.indexOf(after) + 1 : 0
  const isOpen = (cell: HTMLElement): boolean => cell.dataset['open'] !== undefined
  focusCell(cells.slice(from).find(isOpen) ?? cells.find((cell) => cell !== after && isOpen(cell)))
}

/**
 * Does a round with keys: arrows go from cell to cell, digits enter and go on to the next that is open.
 * @param itemOf the item that a cell is for, by its key
 */
export function useRoundKeys(
  itemOf: (cellKey: string) => RoundItem | undefined,
  last: LastEntries,
  put: (changes: RoundEntries) => void,
): (event: KeyboardEvent<HTMLFormElement>) => void {
  return useCallback(
    (event) => {
      const { target, currentTarget: form, key } = event
      if (event.ctrlKey || event.metaKey || event.altKey || isTypingTarget(target) || !(target instanceof HTMLElement)) return
      const cells = cellsIn(form)
      const cell = target.closest<HTMLElement>('[data-cell]')
      const move = moves[key]
      if (move) {
        event.preventDefault()
        if (!cell) return focusNextOpen(form)
        return focusCell(neighbour(cells, cell, move))
      }
      const item = cell && itemOf(cell.dataset['cell'] ?? '')
      const word = item ? wordOfKey(key, item, last[cell.dataset['cell'] ?? '']) : null
      if (!cell || word === null) return
      event.preventDefault()
      const cellKey = cell.dataset['cell'] ?? ''
      put({ [cellKey]: word })
      // At once, not when it is drawn: the next key, however fast, is for the next cell.
      focusNextOpen(form, cell)
    },
    [itemOf, last, put],
  )
}

/** The cell one step away on the screen: the nearest in that direction. */
function neighbour(cells: readonly HTMLElement[], from: HTMLElement, [down, right]: readonly [number, number]): HTMLElement | undefined {
  const here = from.getBoundingClientRect()
  const distance = (cell: HTMLElement): number => {
    const there = cell.getBoundingClientRect()
    const [dx, dy] = [there.left - here.left, there.top - here.top]
    const ahead = down !== 0 ? dy * down : dx * right
    const aside = Math.abs(down !== 0 ? dx : dy)
    return ahead > 1 ? ahead + aside * 10 : Infinity
  }
  const [best] = cells
    .filter((cell) => cell !== from)
    .map((cell) => ({ cell, far: distance(cell) }))
    .sort((a, b) => a.far - b.far)
  return best && best.far < Infinity ? best.cell : undefined
}
