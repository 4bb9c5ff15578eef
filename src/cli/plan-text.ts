import { formatValue } from '#core/planner/format-decision'
import { saidLines } from '#core/runs/said-lines'
import type { Plan } from '#core/model/plan'

/** A plan as plain text for people: cautions first, then decisions, materials, steps and rounds. */
export function planText(plan: Plan): string {
  const lines: string[] = [`Plan: ${plan.technique}`, '']
  for (const caution of plan.cautions) {
    const setAside = caution.overruled ? ` (set aside: ${caution.overruled.reason})` : ''
    lines.push(`${caution.level.toUpperCase()} ${caution.code}: ${caution.text} ${caution.why}${setAside}`)
  }
  for (const problem of plan.problems) lines.push(`PROBLEM ${problem.code} ${problem.path}: ${problem.message}`)
  lines.push('', 'Decisions')
  for (const decision of plan.decisions) {
    const overruled = decision.overruled ? `, computed ${decision.overruled.computedDisplay}; ${decision.overruled.reason}` : ''
    lines.push(`  ${decision.label}: ${decision.display}${decision.status === 'ok' ? '' : ` [${decision.status}]`}${overruled}`)
  }
  lines.push('', 'Lay out')
  for (const material of plan.materials) {
    const width = material.widthCm === null ? '' : ` ${material.widthCm} cm`
    const amount =
      material.rolls === null
        ? material.lengthCm === null
          ? ''
          : `, ${material.lengthCm} cm`
        : `, ${formatValue(material.rolls, 'rolls')}`
    lines.push(`  ${material.item.replaceAll('-', ' ')}${width}${amount}: ${material.note}`)
  }
  lines.push('', 'Steps')
  plan.procedure.steps.forEach((step, index) => {
    const said = saidLines(step)
    const isCut = said.lines.length > 0 && !step.items
    lines.push(`  ${index + 1}. ${step.wet ? '[wet] ' : ''}${isCut ? said.headline : step.text}`)
    if (isCut) for (const { who, text } of said.lines) lines.push(`     ${who === null ? '' : `${who}: `}${text}`)
    if (step.say) lines.push(`     Say: “${step.say}”`)
    for (const one of step.reads ?? []) lines.push(`     Read: ${one.label} (${one.wanted})`)
  })
  const rounds = plan.schedule.filter((entry) => entry.kind === 'round').map((entry) => entry.dueMin)
  lines.push('', `Rounds at minutes ${rounds.join(', ')}`)
  for (const entry of plan.schedule.filter((one) => one.kind !== 'round')) lines.push(`At minute ${entry.dueMin}: ${entry.text}`)
  lines.push('', 'Decision support for trained staff. Local policy and the licensed clinician come first.')
  return `${lines.join('\n')}\n`
}
