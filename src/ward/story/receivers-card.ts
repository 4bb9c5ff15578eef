import { flagLabel, type AskedFlag } from '#core/model/flag-words'
import { needsAnswer } from '#core/model/observation'
import type { Plan } from '#core/model/plan'
import { bodyRegionOf, spoken } from '#core/model/vocabulary'
import { nameOfItem, nameOfPart } from '#core/standing/item-names'
import { takenItems } from '#core/techniques/decision-in-role'
import { findTechnique } from '#core/techniques/registry'
import type { CaseRecord } from '#contract/records/case'
import { handOverWords } from '#contract/records/crew-hand-over'
import { patientIdentity, unknownInjury, type EpisodeRecord, type RoundRecord } from '#contract/records/episode'
import { observationsOf } from '#contract/records/observations'
import { builtWords, pullWords } from '../body/as-built'
import { handOverOf } from './hand-over'
import type { HandOverLine } from '#contract/api/hand-over'
import { questionsOf } from '../case/questions'
import { roundsDone } from '../rounds/round-chart'
import { storyWords } from './shift-story'

/** One thing that whoever takes the patient has to know, with its lines. */
export interface CardSection {
  readonly title: string
  readonly lines: readonly string[]
}

/** What a crew tells whoever takes the patient, in the order in which it is told. Screen, paper and code say these lines. */
export interface ReceiversCard {
  /** Who it is about: the first line of all. */
  readonly who: string
  readonly sections: readonly CardSection[]
}

/** Of what is owed, so many lines: the code has to be read by a camera. */
const mostOwed = 8
const mostNotes = 4
/** Letters of a note: the card is one page. */
const longestNote = 240

/**
 * The receiver's card of a case: what is on as built, what was felt before, after and now, what stands and what is owed.
 * @param plan the plan of what is on; null where there is none
 * @param nowMs the server's time
 * @param at how a time of this place is said
 */
export function receiversCard(
  record: CaseRecord,
  episode: EpisodeRecord,
  plan: Plan | null,
  nowMs: number,
  at: (iso: string) => string,
): ReceiversCard {
  const line = handOverOf(record, episode, nowMs, plan && plan.cautions)
  const all: readonly CardSection[] = [
    { title: 'What happened', lines: happened(record, episode, at) },
    { title: 'Careful', lines: careful(record, episode) },
    { title: 'Wound', lines: wounds(record, episode) },
    { title: 'On the body', lines: worn(line, plan, at) },
    { title: 'Held by hand', lines: held(line, at) },
    { title: 'Pulse and feeling', lines: felt(record, episode, line, at) },
    { title: 'What was lost', lines: lost(line, at) },
    { title: 'Vital signs', lines: [vitals(episode, at)] },
    { title: 'What stands', lines: stands(line, at) },
    { title: 'Drugs', lines: drugs(record, episode, at) },
    { title: 'Owed', lines: owed(line, at) },
    { title: 'Hand-over', lines: [handOverWords(episode.crewHandOver ?? {}, at) ?? 'Neither side has said it yet.'] },
  ]
  return { who: whoIs(episode), sections: all.filter(({ lines }) => lines.length > 0) }
}

/** The card as plain text: what the code says, and what each side was told. */
export function cardLines({ who, sections }: ReceiversCard): readonly string[] {
  return [who, ...sections.map(({ title, lines }) => `${title}: ${lines.join('; ')}`)]
}

function whoIs(episode: EpisodeRecord): string {
  const { ageYears, isAgeEstimated, sex, massKg, isMassEstimated, born } = episode.patient
  const age = ageYears === null || born ? '' : `${isAgeEstimated ? 'about ' : ''}${ageYears} years`
  const mass = massKg === null ? '' : `${isMassEstimated ? 'about ' : ''}${massKg} kg`
  return [patientIdentity(episode), age, sex, mass].filter(Boolean).join(', ')
}

/** "LEFT thigh" */
function partOf({ side, region }: Pick<HandOverLine, 'side' | 'region'>): string {
  return [side?.toUpperCase(), region ? spoken(region) : ''].filter(Boolean).join(' ') || 'side not set'
}

function happened(record: CaseRecord, episode: EpisodeRecord, at: (iso: string) => string): readonly string[] {
  const injury = episode.injuries[record.injuryId] ?? unknownInjury
  const shown = injury.flags.filter((flag) => !woundFlags.includes(flag)).map((flag) => flagLabel(flag).toLowerCase())
  const swelling = injury.swelling === 'none' ? '' : `swelling ${injury.swelling}`
  const what = [partOf(injury), injury.pattern === 'other' ? '' : spoken(injury.pattern), ...shown, swelling].filter(Boolean).join(', ')
  return [what, `Begun ${at(episode.openedAt)}${episode.place ? `, ${episode.place}` : ''}`, ...notes(record, at)]
}

function notes({ notes: all }: CaseRecord, at: (iso: string) => string): readonly string[] {
  return all
    .slice(-mostNotes)
    .map(
      ({ text, at: noted }) =>
        `${at(noted)} “${text.length > longestNote ? `${text.slice(0, longestNote)}…” (longer in the case)` : `${text}”`}`,
    )
}

const carefulFlags = ['adhesive-allergy', 'latex-allergy', 'anticoagulated'] as const satisfies readonly AskedFlag[]
const woundFlags: readonly string[] = ['open', 'wound-under-device', 'skin-tented', 'part-amputation', 'penetrating']

/** Whether it is so, was asked and is not, or was never asked: left out would be read as no. */
function saidOf(record: CaseRecord, episode: EpisodeRecord, flag: AskedFlag): string {
  const { so, notSo } = questionsOf(record, episode)
  const answer = so.includes(flag) ? 'YES' : notSo.some(({ question }) => question === flag) ? 'no' : 'not asked'
  return `${flagLabel(flag)}: ${answer}`
}

function careful(record: CaseRecord, episode: EpisodeRecord): readonly string[] {
  const others = episode.flags.filter((flag) => !(carefulFlags as readonly string[]).includes(flag)).map(flagLabel)
  return [...carefulFlags.map((flag) => saidOf(record, episode, flag)), ...others]
}

function wounds(record: CaseRecord, episode: EpisodeRecord): readonly string[] {
  const { flags } = episode.injuries[record.injuryId] ?? unknownInjury
  const others = flags.filter((flag) => flag !== 'open' && woundFlags.includes(flag)).map(flagLabel)
  return [saidOf(record, episode, 'open'), ...others]
}

function worn({ built }: HandOverLine, plan: Plan | null, at: (iso: string) => string): readonly string[] {
  const by = built.onSince !== null && built.putOnBy ? `put on by ${built.putOnBy}` : ''
  const size = plan && built.onSince !== null ? takenItems(plan).map(({ label, display }) => `${label.toLowerCase()} ${display}`) : []
  return [
    `${partOf(built)}: ${built.device}, ${builtWords(built, at)}`,
    ...[by, ...size].filter(Boolean),
    ...built.pulls.map((pull) => `${pullWords(pull)} (${at(pull.at)})`),
  ]
}

function held({ built }: HandOverLine, at: (iso: string) => string): readonly string[] {
  return built.held.map(({ what, where, by, asOf }) => `${spoken(what)}, ${where}: ${by || 'nobody named'} (as of ${at(asOf)})`)
}

/** What was felt of the hurt part before, once it was on, and last; each with its time. */
function felt(record: CaseRecord, episode: EpisodeRecord, { built }: HandOverLine, at: (iso: string) => string): readonly string[] {
  const rounds = roundsDone(record, episode)
  const onMs = built.onSince === null ? Infinity : Date.parse(built.onSince)
  const before = rounds.findLast((round) => Date.parse(round.at) < onMs)
  const after = rounds.filter((round) => Date.parse(round.at) >= onMs)
  const part = injuredPart(record, episode)
  const named: readonly (readonly [string, RoundRecord | undefined])[] = [
    ['before', before],
    ['after', after[0]],
    ['now', after.length > 1 ? after.at(-1) : undefined],
  ]
  const looks = named.flatMap(([when, round]) => {
    const words = round && lookWords(round, part)
    return words ? [`${when} (${at(round.at)}) ${words}`] : []
  })
  return looks.length > 0 ? looks : ['not looked at']
}

/** The limb that is hurt, as rounds name it; null where neck or trunk is, and all limbs are looked at. */
function injuredPart(record: CaseRecord, episode: EpisodeRecord): string | null {
  const { region, side } = episode.injuries[record.injuryId] ?? unknownInjury
  const body = region && bodyRegionOf(region)
  return side !== null && (body === 'leg' || body === 'arm') ? `${body}-${side}` : null
}

function lookWords(round: RoundRecord, part: string | null): string {
  if (round.findings.cannotAsk !== undefined && part === null) return `cannot be asked: ${round.findings.cannotAsk}`
  const told = observationsOf(round).flatMap(({ item, value }): readonly Told[] => {
    const [of = '', group = '', id] = item.split('/')
    const isTold = group === 'pulse' || group === 'refill' || needsAnswer(group)
    if (!isTold || (part !== null && of !== part)) return []
    return [{ part: of, group, item: id === undefined ? group : `${group}/${id}`, value: group === 'refill' ? `${value} s` : value }]
  })
  const groups = new Map<string, Told[]>()
  for (const one of told) {
    const key = part === null ? `${one.part} ${one.group}` : one.group
    groups.set(key, [...(groups.get(key) ?? []), one])
  }
  return [...groups.values()].map((group) => groupWords(group, part === null)).join(', ')
}

interface Told {
  readonly part: string
  readonly group: string
  readonly item: string
  readonly value: string
}

/** "feeling normal" where all of it is alike; else each by its name. */
function groupWords(told: readonly Told[], withPart: boolean): string {
  const [first] = told
  if (!first) return ''
  const where = withPart ? `${nameOfPart(first.part).toLowerCase()} ` : ''
  const isAlike = told.every(({ value }) => value === first.value)
  if (isAlike) return `${where}${nameOfItem(told.length > 1 ? first.group : first.item)} ${first.value}`
  return told.map(({ item, value }) => `${where}${nameOfItem(item)} ${value}`).join(', ')
}

function vitals({ rounds }: EpisodeRecord, at: (iso: string) => string): string {
  const last = rounds.filter(({ outcome }) => outcome === 'done').findLast(({ findings }) => Object.keys(findings.vital ?? {}).length > 0)
  if (!last) return 'none entered'
  const words = observationsOf(last).flatMap(({ item, value }) =>
    item.startsWith('vital/') ? [`${nameOfItem(item.slice('vital/'.length))} ${value}`] : [],
  )
  return `${words.join(', ')} (${at(last.at)})`
}

/** What a look found lost, or found again. */
function lost({ happened: story }: HandOverLine, at: (iso: string) => string): readonly string[] {
  return story
    .filter(({ was, wellAt }) => was !== undefined || wellAt !== undefined)
    .map((line) => `${at(line.at)} ${storyWords(line, at)}`)
}

function stands({ stands: all, known, headline }: HandOverLine, at: (iso: string) => string): readonly string[] {
  const now = all.map(({ level, text, sinceAt }) => `${level}: ${text} (since ${at(sinceAt)})`)
  return [...(now.length > 0 ? now : [headline]), ...known.map((text) => `before it was put on: ${text}`)]
}

/** Pain relief as rounds say it; what else was given stands in the notes. */
function drugs({ notes: typed }: CaseRecord, { rounds }: EpisodeRecord, at: (iso: string) => string): readonly string[] {
  const given = rounds.filter(({ outcome, findings }) => outcome === 'done' && findings.analgesia === true).map((round) => at(round.at))
  const relief = given.length > 0 ? [`pain relief given before the look of ${given.join(', ')}`] : ['none entered']
  return [...relief, ...(typed.length > 0 ? ['see the notes above'] : [])]
}

function owed(line: HandOverLine, at: (iso: string) => string): readonly string[] {
  if (line.owed.length === 0) return ['nothing in the next hours']
  return line.owed
    .slice(0, mostOwed)
    .map(({ text, dueAt, isOverdue }) => `${at(dueAt)}${isOverdue ? ' LATE' : ''} ${text.replace(/\.$/, '')}`)
}

/** The name of the device whose card it is. */
export function cardTitle(record: Pick<CaseRecord, 'technique'>): string {
  return `Receiver’s card: ${findTechnique(record.technique)?.name ?? record.technique}`
}
