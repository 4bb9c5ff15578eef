import type { GeometryPolygon } from '#core/model/geometry'

/** Papers that are printed for a case. */
export const paperKinds = [
  'template',
  'run-record',
  'release-card',
  'bedside-label',
  'take-home',
  'round-chart',
  'receivers-card',
  'case-summary',
  'incident',
] as const
export type PaperKind = (typeof paperKinds)[number]

/** Sheets that printers here hold, mm. */
export const sheets = { a4: { widthMm: 210, heightMm: 297 }, letter: { widthMm: 215.9, heightMm: 279.4 } } as const
export type SheetId = keyof typeof sheets

/** Whether an outline is cut out, and so has a paper template: a cutting outline, or a slab as it lies unrolled. */
export function isCutOut(polygon: Pick<GeometryPolygon, 'role'>): boolean {
  return polygon.role === 'template' || polygon.role === 'slab'
}
