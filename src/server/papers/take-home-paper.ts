import { isOrdered } from '#core/model/orders'
import { DateTime } from 'luxon'
import type { Plan } from '#core/model/plan'
import { bodyRegionOf, spoken } from '#core/model/vocabulary'
import { homeLooks, homeWarnings } from '#core/standing/home-warnings'
import { lastFigures } from '#core/techniques/again-plan'
import { findTechnique } from '#core/techniques/registry'
import type { SheetId } from '#contract/api/papers'
import type { CaseRecord } from '#contract/records/case'
import { patientIdentity, type EpisodeRecord } from '#contract/records/episode'
import { orderLines } from '#ward/case/order-lines'
import { carefulAtHome, castAtHome } from '#ward/story/take-home'
import { workOwed } from '#ward/owed/work-owed'
import { largeSize, printFlow, type FlowBlock } from './flow-paper'

const aids = { none: 'no walking aid', crutches: 'crutches', frame: 'a walking frame', wheelchair: 'a wheelchair' } as const
const blank = '____________________'

/** What goes home with the patient: when to come back, first and large; then the number, the times, and how to live with it. */
export function printTakeHome(record: CaseRecord, episode: EpisodeRecord, plan: Plan, printedAt: string, sheet: SheetId): Promise<Buffer> {
  const technique = findTechnique(record.technique)
  const name = (technique?.name ?? record.technique).toLowerCase()
  const title = `At home with your ${name}`
  return printFlow(takeHomeBlocks(record, episode, plan, printedAt, title), { title, zone: episode.zone, printedAt }, sheet, {
    size: largeSize,
  })
}

/** How it goes on again at home, where that is ordered; otherwise that nobody opens it. */
function donningBlocks({ technique, orders, measurements }: CaseRecord, plan: Plan): readonly FlowBlock[] {
  const device = findTechnique(technique)
  if (!device?.again) return []
  if (!isOrdered(orders?.atHome))
    return [{ kind: 'line', text: 'Do not open it and do not take it off: nobody has ordered that. If it has to come off, call.' }]
  const figures = lastFigures(plan, device, measurements)
  // Whoever helps has it before them on one page.
  return [
    {
      kind: 'together',
      blocks: [
        { kind: 'heading', text: 'Off, and on again' },
        { kind: 'list', lines: device.again.home },
        ...(figures.length > 0
          ? ([
              { kind: 'strong', text: 'As it was fitted to you' },
              { kind: 'list', lines: figures },
            ] as const)
          : []),
      ],
    },
  ]
}

/** The sheet as it flows down its pages. */
export function takeHomeBlocks(
  record: CaseRecord,
  episode: EpisodeRecord,
  plan: Plan,
  printedAt: string,
  title: string,
): readonly FlowBlock[] {
  const technique = findTechnique(record.technique)
  const holds = technique?.onUrgent.holds ?? 'break'
  const injury = episode.injuries[record.injuryId]
  const region = injury?.region ?? technique?.regions[0] ?? 'ankle'
  const part = [injury?.side ?? '', injury?.region ? spoken(injury.region) : ''].filter(Boolean).join(' ')
  const time = (at: string | number): string =>
    DateTime.fromMillis(typeof at === 'number' ? at : Date.parse(at), { zone: episode.zone }).toFormat('cccc d LLLL, HH:mm')
  // What is owed goes on at home: its end here ends the rounds alone.
  const { ended, ...goingOn } = record
  const owed = workOwed(goingOn, episode, Date.parse(printedAt)).filter((work) => work.kind !== 'round')
  const home = ended?.home
  const ordered = orderLines(record)
  const cast = castAtHome(record)
  return [
    { kind: 'title', text: title },
    { kind: 'line', text: [patientIdentity(episode), part].filter(Boolean).join(', ') },
    { kind: 'heading', text: 'Call or come back at once if' },
    { kind: 'list', lines: [...homeWarnings(holds, bodyRegionOf(region)), ...carefulAtHome(episode)] },
    {
      kind: 'figure',
      geometry: plan.geometry,
      findings: homeLooks(holds, bodyRegionOf(region)),
      alt: `What you wear, and where to look: ${homeLooks(holds, bodyRegionOf(region))
        .map((homeLook) => homeLook.label)
        .join('; ')}.`,
    },
    { kind: 'heading', text: `Day and night, call: ${home?.callNumber ?? blank}` },
    // What opens by its straps is not cut; whether it may be opened is said below.
    {
      kind: 'line',
      text: technique?.again ? 'Do not wait for the morning.' : 'Do not cut it open yourself, and do not wait for the morning.',
    },
    { kind: 'heading', text: 'Your times' },
    {
      kind: 'list',
      lines: [
        ...(record.appliedAt ? [`It went on ${time(record.appliedAt)}.`] : []),
        ...owed.map((work) => `${work.text} ${work.dueAt > Date.parse(printedAt) ? `By ${time(work.dueAt)}.` : 'This is due now.'}`),
        ...(home ? [`We call you on the next day: ${home.phone}.`] : []),
        ...(ordered.length > 0 ? ordered.map((line) => `Ordered for you: ${line}.`) : []),
      ],
    },
    { kind: 'heading', text: 'Living with it' },
    {
      kind: 'list',
      lines: [
        ...(cast ? [cast] : []),
        ...plan.care,
        ...(home && home.walkingAid !== 'none' ? [`You walk with ${aids[home.walkingAid]}.`] : []),
        ...(home ? [`At home helps you: ${home.helper}.`] : []),
      ],
    },
    ...donningBlocks(record, plan),
    ...(home
      ? ([
          { kind: 'heading', text: 'In your own words' },
          { kind: 'line', text: home.taughtBack },
        ] as const)
      : []),
  ]
}
