import { DateTime } from 'luxon'
import type { SheetId } from '#contract/api/papers'
import { teamRoles, type Sitting } from '#contract/records/practice'
import type { StepBand } from '#contract/api/practice-overview'
import { sheetRows } from '#ward/practice/sheet-rows'
import type { ExaminerSheet, SittingSheets } from '#ward/practice/sitting-sheets'
import { partWorth } from '#core/practice/stations/score-station'
import { criticalErrors } from '#core/practice/stations/station'
import { stepName } from '#core/runs/step-name'
import { printFlow, type FlowBlock, type FlowFacts } from './flow-paper'

/** The sheet of a station on paper, marked as practice. */
export function printStationSheet(
  sitting: Sitting,
  sheets: SittingSheets,
  bands: readonly StepBand[],
  facts: Omit<FlowFacts, 'title'>,
  sheet: SheetId,
): Promise<Buffer> {
  const title = `Practice, no patient: ${sitting.station.name}`
  return printFlow(stationSheetBlocks(sitting, sheets, bands, facts.zone), { ...facts, title }, sheet)
}

/** What the sheet says, in order. */
export function stationSheetBlocks(
  sitting: Sitting,
  { sheets, agreement }: SittingSheets,
  bands: readonly StepBand[],
  zone: string,
): readonly FlowBlock[] {
  const who = sitting.candidates
    .map((candidate) => (candidate.role ? `${candidate.name} (${teamRoles[candidate.role]})` : candidate.name))
    .join(', ')
  const at = DateTime.fromISO(sitting.begunAt, { zone }).toFormat('d LLL yyyy, HH:mm')
  return [
    { kind: 'title', text: `Practice, no patient: ${sitting.station.name}` },
    { kind: 'line', text: `${who}. ${at}.` },
    ...sheets.flatMap((sheet) => sheetBlocks(sheet, bands, sitting)),
    ...(agreement
      ? ([
          { kind: 'heading', text: 'How far the examiners agree' },
          {
            kind: 'line',
            text: `${Math.round(100 * (agreement.observed ?? 0))} % of the steps alike; kappa ${agreement.kappa === null ? 'says nothing here, both saw everything alike' : agreement.kappa.toFixed(2)}.`,
          },
          ...(agreement.apart.length > 0
            ? ([{ kind: 'line', text: `Apart on: ${agreement.apart.map((id) => stepName({ id })).join(', ')}.` }] as const)
            : []),
        ] as const)
      : []),
  ]
}

function sheetBlocks({ by, score }: ExaminerSheet, bands: readonly StepBand[], { way, station }: Sitting): readonly FlowBlock[] {
  const parts = (Object.keys(partWorth) as readonly (keyof typeof partWorth)[])
    .map((part) => `${part} ${(partWorth[part] * score.parts[part]).toFixed(1)} of ${partWorth[part]}`)
    .join(', ')
  const seconds = (ms: number): string => (ms / 1000).toFixed(0)
  return [
    { kind: 'heading', text: way === 'alone' ? 'Alone' : `Examined by ${by.name}` },
    { kind: 'strong', text: `${score.total.toFixed(1)} of 100, ${score.hasPassed ? 'passed' : 'failed: critical'}` },
    { kind: 'line', text: `${parts}. ${seconds(score.tookMs)} s of ${station.limitS} s.` },
    ...score.criticals.map((id): FlowBlock => ({ kind: 'strong', text: `${criticalErrors[id].label}. ${criticalErrors[id].why}` })),
    ...score.pairs
      .filter((pair) => pair.isBroken)
      .map((pair): FlowBlock => ({
        kind: 'line',
        text: `${stepName({ id: pair.before })} comes before ${stepName({ id: pair.after })}. Crossed: ${pair.why}`,
      })),
    ...(score.another.length > 0
      ? [
          {
            kind: 'line' as const,
            text: `Another order than is usual here: ${score.another.map(({ before, after }) => `${stepName({ id: after })} before ${stepName({ id: before })}`).join('; ')}.`,
          },
        ]
      : []),
    {
      kind: 'table',
      head: ['Step', 'At', 'Took', 'Others, middle half', 'Wrong'],
      shares: [4, 1.4, 1.4, 2, 3],
      rows: sheetRows(score, bands).map((row) => [
        row.step,
        row.atS === null ? '' : `${row.atS.toFixed(1)} s`,
        row.tookS === null ? '' : `${row.tookS.toFixed(1)} s`,
        row.others ? `${seconds(row.others.lowMs)} to ${seconds(row.others.highMs)} s` : '',
        row.wrong,
      ]),
    },
    ...score.numbers.map((mark): FlowBlock => ({
      kind: 'line',
      text: `${mark.label}: ${mark.given === null || mark.given === '' ? 'nothing given' : `${mark.given} ${mark.unit ?? ''}`.trim()}, right ${typeof mark.right === 'number' ? Number(mark.right.toFixed(2)) : mark.right}${mark.unit ? ` ${mark.unit}` : ''}, ${Math.round(100 * mark.share)} %. ${mark.formula}`,
    })),
  ]
}
