import { flagLabel } from '#core/model/flag-words'
import { spoken } from '#core/model/vocabulary'
import type { Measurement } from '#core/model/clinical-case'
import { findEventKind } from '../events/index'
import type { AskedBody } from '../events/asked'
import type { TaskBody } from '../records/task'
import type { RoundBody } from '../events/round'
import { upcastBody } from '../events/upcast'
import type { RunStartedBody, StepBody } from '../records/run'
import { runName } from '../records/run-kind'
import type { SideAnsweredBody } from '../records/side'
import { observationsOf } from './round-chart'

const uuidPattern = /^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/
const longest = 400

/** Kinds that are said in their own way; every other one by its name and what was entered. */
const own: Readonly<Record<string, (body: never) => string>> = {
  reading: ({ id, side, value, unit, tool }: Measurement) =>
    `${spoken(id)}${side ? `, ${side}` : ''}: ${typeof value === 'string' ? spoken(value) : value}${unit && typeof value === 'number' ? ` ${unit}` : ''}${tool ? ` by ${spoken(tool)}` : ''}`,
  step: ({ stepId, outcome, reason, despite }: StepBody) =>
    `Step ${spoken(stepId)} ${outcome}${reason ? `: ${reason}` : ''}${despite?.length ? `, despite ${despite.map(spoken).join(', ')}` : ''}`,
  'run-started': (body: RunStartedBody) => `Begun: ${runName(body)}${body.withoutPlan ? `, without a plan: ${body.withoutPlan}` : ''}`,
  'side-answered': ({ on, hurt }: SideAnsweredBody) => `Looked where it is: ${on}${hurt ? `; hurt is the ${hurt}` : ''}`,
  asked: ({ questions }: AskedBody) =>
    `Asked, not so: ${questions.map((one) => (one === 'swelling' ? 'swelling' : flagLabel(one).toLowerCase())).join(', ')}`,
  'task-done': ({ text, outcome, reason, answers }: TaskBody) => {
    const said = valuesOf(answers, '').join(', ')
    return `${text.replace(/\.$/, '')}, ${spoken(outcome)}${reason ? ` (${reason})` : ''}${said ? `: ${said}` : ''}`
  },
  round: (body: RoundBody) =>
    body.outcome === 'done'
      ? `Round: ${observationsOf(body)
          .map(({ item, value }) => `${spoken(item.replaceAll('/', ' '))} ${value}`)
          .join('; ')}`
      : `Round, ${spoken(body.outcome)}: ${body.reason}`,
}

/**
 * What an entry says, in one line: for whoever has to look through what somebody else entered.
 * @param v version of its body
 */
export function entryWords(kind: string, v: number, body: unknown): string {
  const known = findEventKind(kind) ? upcastBody(kind, v, body) : body
  const words = own[kind]?.(known as never) ?? namedWords(kind, known)
  const text = words.charAt(0).toUpperCase() + words.slice(1)
  return text.length > longest ? `${text.slice(0, longest - 1)}…` : text
}

function namedWords(kind: string, body: unknown): string {
  const name = spoken(kind)
  const entered = valuesOf(body, '').map((one) => (one.startsWith(`${name} `) ? one.slice(name.length + 1) : one))
  return entered.length > 0 ? `${name}: ${entered.join(', ')}` : name
}

/** What was entered, each with its name; ids of other things, and what was left empty, say nothing. */
function valuesOf(value: unknown, name: string): readonly string[] {
  if (value === null || value === undefined || value === '' || (typeof value === 'string' && uuidPattern.test(value))) return []
  if (Array.isArray(value)) {
    const said = value.flatMap((one) => valuesOf(one, ''))
    return said.length > 0 ? [named(name, said.join(', '))] : []
  }
  if (typeof value === 'object') return Object.entries(value).flatMap(([key, one]) => valuesOf(one, key))
  if (typeof value === 'boolean') return [named(name, value ? 'yes' : 'no')]
  return [named(name, typeof value === 'string' && /^[a-z0-9-]+$/.test(value) ? spoken(value) : String(value))]
}

/** `stepId` is said as step, `painBefore` as pain before; what is words itself needs no name. */
function named(name: string, said: string): string {
  if (name === '' || name === 'text' || name === 'label') return said
  const words = name
    .replace(/Id$/, '')
    .replaceAll(/([A-Z])/g, ' $1')
    .toLowerCase()
  return `${words} ${said}`
}
