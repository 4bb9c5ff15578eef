/** Units a reading may be taken in; `fw` is finger widths. */
export const unitIds = ['cm', 'mm', 'in', 'ft', 'fw', 'deg'] as const
export type ReadingUnit = (typeof unitIds)[number]

/** What a reading may be taken with; `eye`: judged against one's own body, where there is no tape. */
export const toolIds = ['tape', 'fingers', 'digital-tape', 'goniometer', 'photo', 'eye'] as const
export type ReadingTool = (typeof toolIds)[number]
