import { spoken } from '#core/model/vocabulary'
import type { BoardRow } from '#contract/api/board'
import { isAtPlace } from '#ward/case/at-place'
import { isPressingRow } from './board-order'

export const boardViews = ['cards', 'rows', 'wall'] as const
export type BoardView = (typeof boardViews)[number]

/** What of the Board is shown, as it stands in the address. */
export interface BoardFilter {
  readonly words: string
  /** How the names of the places begin; empty for all. */
  readonly area: string
  readonly technique: string
  readonly isPressing: boolean
  /** Only patients that I have taken over, or who lie at places of mine. */
  readonly isMine: boolean
  readonly view: BoardView
  /** On the wall: patients by their initials, unless somebody says otherwise: who passes by reads it too. */
  readonly isInitials: boolean
}

/** Reads the address; what it does not know is as if it were not there. */
export function readFilter(params: URLSearchParams): BoardFilter {
  const view = params.get('view')
  return {
    words: (params.get('q') ?? '').slice(0, 80),
    area: (params.get('place') ?? '').slice(0, 80),
    technique: params.get('technique') ?? '',
    isPressing: params.get('show') === 'pressing',
    isMine: params.get('who') === 'me',
    view: boardViews.find((boardView) => boardView === view) ?? 'cards',
    isInitials: params.get('names') !== 'whole',
  }
}

/** The address of a filter: only what differs from showing all. */
export function writeFilter(filter: BoardFilter): URLSearchParams {
  const params = new URLSearchParams()
  if (filter.words) params.set('q', filter.words)
  if (filter.area) params.set('place', filter.area)
  if (filter.technique) params.set('technique', filter.technique)
  if (filter.isPressing) params.set('show', 'pressing')
  if (filter.isMine) params.set('who', 'me')
  if (filter.view !== 'cards') params.set('view', filter.view)
  if (!filter.isInitials) params.set('names', 'whole')
  return params
}

/** Rows that a filter leaves: every word begins a word of name, number, place, technique or part. */
export function filterRows(
  rows: readonly BoardRow[],
  filter: BoardFilter,
  me: { readonly name: string; readonly places: readonly string[] },
  nowMs: number,
): readonly BoardRow[] {
  const words = filter.words.toLowerCase().split(/\s+/).filter(Boolean)
  return rows.filter((row) => {
    const text =
      ` ${[row.patient, row.number, row.place, row.techniqueName, row.side ?? '', row.region ? spoken(row.region) : ''].join(' ')}`
        .toLowerCase()
        .replace(/[,()]/g, ' ')
    return (
      words.every((word) => text.includes(` ${word}`)) &&
      isAtPlace(row.place, filter.area) &&
      (filter.technique === '' || row.technique === filter.technique) &&
      (!filter.isPressing || isPressingRow(row, nowMs)) &&
      (!filter.isMine || row.takenOverBy === me.name || me.places.some((place) => isAtPlace(row.place, place)))
    )
  })
}

/** Initials of a name, for a wall that visitors read. */
export function initialsOf(name: string): string {
  return name
    .split(/[\s-]+/)
    .filter(Boolean)
    .map((word) => `${word.charAt(0).toUpperCase()}.`)
    .join(' ')
}
