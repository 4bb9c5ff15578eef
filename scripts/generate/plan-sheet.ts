import type { Decision } from '#core/model/decision'
import type { Plan } from '#core/model/plan'
import type { Step } from '#core/model/step'
import { timersOf } from '#core/runs/step-work'

/** Every figure and word of a plan, a line each, so that any change of one shows as a changed line; what there is none of is not said. */
export function planSheet(plan: Plan): readonly string[] {
  return [
    ...plan.cautions.map(
      (caution) =>
        `${caution.level} ${caution.code} @ ${[...caution.decisions, ...caution.steps].join(' ') || 'plan'}: ${caution.text} ${caution.why}`,
    ),
    ...plan.problems.map((problem) => `problem ${problem.code} ${problem.path}: ${problem.message}`),
    ...plan.decisions.flatMap(decisionLines),
    ...plan.pending.map((task) => `pending ${task.decision}`),
    ...plan.materials.map(
      (material) =>
        said(`material ${material.id} = ${material.item}`, [
          ['wide', material.widthCm],
          ['long', material.lengthCm],
          ['rolls', material.rolls],
          ['layers', material.layers],
        ]) + (material.note ? `: ${material.note}` : ''),
    ),
    ...plan.procedure.steps.flatMap(stepLines),
    ...plan.fit.map((test) => `fit ${test.id} @ ${test.where.join(' ')}: ${test.text}. ${test.why} ${test.remedy}`),
    ...plan.care.map((one) => `care: ${one}`),
    ...roundLines(plan),
    ...plan.schedule
      .filter((entry) => entry.kind !== 'round')
      .map((entry) => `at ${figure(entry.dueMin)} min, grace ${figure(entry.graceMin)}: ${entry.kind} ${entry.id}: ${entry.text}`),
  ]
}

/** The rounds, a line for each grace and wording. */
function roundLines({ schedule }: Plan): readonly string[] {
  const due = new Map<string, string[]>()
  for (const one of schedule.filter(({ kind }) => kind === 'round')) {
    const key = `grace ${figure(one.graceMin)}: ${one.text}`
    due.set(key, [...(due.get(key) ?? []), figure(one.dueMin)])
  }
  return [...due].map(([key, minutes]) => `rounds at ${minutes.join(' ')} min, ${key}`)
}

function decisionLines(one: Decision): readonly string[] {
  const doubt = [one.sd === undefined ? '' : `, sd ${figure(one.sd)}`, one.odds === undefined ? '' : `, odds ${figure(one.odds)}`].join('')
  const head = `decision ${one.id} = ${figure(one.value)} ${one.unit ?? ''} (${one.display}) ${one.status}${doubt}${one.school ? `, school ${one.school}` : ''}`
  return [
    head,
    `  ${one.id} by ${one.formula} (${one.source})`,
    ...one.working.map((line) => `  ${one.id} from ${line.from} ${line.label} ${figure(line.value)} ${line.unit ?? ''}`),
    ...(one.alternatives ?? []).map((other) => `  ${one.id} or ${other.display}, odds ${figure(other.odds ?? null)}: ${other.why}`),
    ...(one.strip?.sizes ?? []).map(
      (size) => `  ${one.id} size ${size.size} ${figure(size.fromCm)} to ${figure(size.toCm)}, odds ${figure(size.odds)}`,
    ),
  ]
}

function stepLines(step: Step): readonly string[] {
  const { id } = step
  const ways = [step.wet ? 'wet' : '', step.optional ? 'optional' : '', step.onPatient ? 'on the patient' : ''].filter(Boolean).join(', ')
  return [
    `step ${id}: ${step.text} | ${step.why} | ${step.prevents}`,
    said(`  ${id} ${figure(step.minutes)} min`, [
      ['hands', step.hands.join(' ') || null],
      ['after', step.after.join(' ') || null],
      ['at', step.where.join(' ') || null],
    ]) + (ways ? `, ${ways}` : ''),
    ...(step.holds ? [`  ${id} holds ${step.holds.place} from ${step.holds.from} to ${step.holds.to}`] : []),
    ...(step.items ?? []).map((item) => `  ${id} item ${item}`),
    ...timersOf(step).map(
      (timer) =>
        `  ${id} timer ${timer.id} ${timer.kind} ${figure(timer.minutes)} min from ${timer.starts}${timer.until ? ` until ${timer.until}` : ''}: ${timer.label}`,
    ),
    ...(step.angles ?? []).map(
      (angle) => `  ${id} angle ${angle.id} ${angle.targetDeg} (${angle.lowDeg} to ${angle.highDeg}): ${angle.label}`,
    ),
    ...(step.pull
      ? [
          `  ${id} pull ${figure(step.pull.expectedKg)} kg, most ${figure(step.pull.mostKg)}, ${step.pull.toRelief ? 'to relief' : 'to the figure'}`,
        ]
      : []),
    ...(step.straps?.straps ?? []).map(
      (strap) => `${said(`  ${id} strap ${strap.id}`, [['slack', strap.slackCm]])}, order ${step.straps?.order}: ${strap.label}`,
    ),
    ...(step.say ? [`  ${id} said: ${step.say}`] : []),
    ...(step.reads ?? []).map(
      (read) => `  ${id} reads ${read.id}${read.side ? ` ${read.side}` : ''}, wanted ${read.wanted}: ${read.label}`,
    ),
    ...(step.fits?.length ? [`  ${id} fit: ${step.fits.join(', ')}`] : []),
    ...(step.waitsFor ? [`  ${id} waits: ${step.waitsFor}`] : []),
    ...(step.confirm ? [`  ${id} button: ${step.confirm}`] : []),
  ]
}

/** A line with those of its facts that there are. */
function said(head: string, facts: readonly (readonly [string, string | number | null])[]): string {
  return [head, ...facts.flatMap(([name, value]) => (value === null ? [] : [`${name} ${figure(value)}`]))].join(', ')
}

/** A value with its numbers cut to six figures: more would be the machine's and not the plan's. */
function figure(value: unknown): string {
  return typeof value === 'string'
    ? value
    : JSON.stringify(value, (_, inner: unknown) => (typeof inner === 'number' ? Number(inner.toPrecision(6)) : inner))
}
