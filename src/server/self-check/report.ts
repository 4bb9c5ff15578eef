import { printFlow } from '../papers/flow-paper'
import type { Line } from './check-core'

/** A self-check as it is shown and filed. */
export interface Report {
  readonly format: 'zesty-wren/self-check'
  readonly version: 1
  readonly isRight: boolean
  /** ISO 8601 */
  readonly at: string
  readonly host: string
  readonly versions: Readonly<Record<string, string>>
  /** Names of the settings that are set; never what they say. */
  readonly settings: readonly string[]
  readonly lines: readonly Line[]
}

/** In one sentence. */
export function verdictOf({ lines }: Pick<Report, 'lines'>): string {
  const wrong = lines.filter((line) => !line.isRight).length
  return wrong === 0
    ? `PASS: ${lines.length} of ${lines.length}.`
    : `FAIL: ${wrong} of ${lines.length} are wrong. Do not use it on patients: install it again, and run this again.`
}

/** Line by line, as text. */
export function reportText(report: Report): string {
  return [
    `Self-check of ${report.at} on ${report.host}`,
    ...Object.entries(report.versions).map(([what, version]) => `${what} ${version}`),
    `settings: ${report.settings.join(', ') || 'none'}`,
    ...report.lines.map(({ what, isRight, says }) => `${isRight ? 'pass' : 'FAIL'}  ${what}: ${says}`),
    verdictOf(report),
    '',
  ].join('\n')
}

/** On paper, to be filed. */
export function reportPaper(report: Report): Promise<Buffer> {
  const title = 'Self-check'
  const wrong = report.lines.filter((line) => !line.isRight)
  const linesOf = (lines: readonly Line[]): readonly string[] => lines.map(({ what, says }) => `${what}: ${says}`)
  return printFlow(
    [
      { kind: 'title', text: title },
      { kind: 'strong', text: verdictOf(report) },
      {
        kind: 'line',
        text: `On ${report.host}. ${Object.entries(report.versions)
          .map((pair) => pair.join(' '))
          .join(', ')}.`,
      },
      { kind: 'line', text: `Settings that are set: ${report.settings.join(', ') || 'none'}.` },
      ...(wrong.length > 0 ? [{ kind: 'heading', text: 'Wrong' } as const, { kind: 'list', lines: linesOf(wrong) } as const] : []),
      { kind: 'heading', text: 'Right' },
      { kind: 'list', lines: linesOf(report.lines.filter((line) => line.isRight)) },
      { kind: 'line', text: 'Checked by  ____________________   filed on  ____________' },
    ],
    { title, zone: 'Etc/UTC', printedAt: report.at },
    'a4',
  )
}
