import type { CrewResult } from '../figures/crew/crew-odds'
import type { HeatResult } from '../figures/heat/solve-heat'
import type { Decision } from '../model/decision'
import type { OverruleRange } from './overruled-range'
import { asEstimate, formatValue } from './format-decision'
import type { RoledCaution } from './at-steps'
import { peopleNotSaid } from './people-not-said'
import type { SlowTask } from '../model/slow-task'
import type { SlowResult } from './solve-slow-task'

/** The decision and the cautions that a solved task stands for; null when task and result are of two kinds. */
export function slowOutcome(task: SlowTask, solved: SlowResult): SlowOutcome | null {
  if (task.decision === 'peak-skin-temp' && solved.decision === 'peak-skin-temp') return heatOutcome(task, solved.result)
  if (task.decision === 'least-crew' && solved.decision === 'least-crew') return crewOutcome(task, solved.result)
  return null
}

/** What a slow result adds to a plan. */
export interface SlowOutcome {
  readonly decision: Decision
  /** What a figure set by hand may be. */
  readonly range?: OverruleRange
  readonly cautions: readonly RoledCaution[]
}

function heatOutcome(task: SlowTask & { decision: 'peak-skin-temp' }, heat: HeatResult): SlowOutcome {
  const { input, vulnerable } = task
  const c = input.constants
  const limitC = vulnerable ? c.hotVulnerableC : c.hotC
  const cautions: RoledCaution[] = []
  if (heat.omega >= c.burnStop) {
    cautions.push({
      level: 'stop',
      code: 'burn',
      lasts: true,
      decisions: ['peak-skin-temp'],
      steps: [],
      at: ['wets', 'holds-to-set'],
      text: 'Do not apply it like this: use cooler water, fewer layers, open air.',
      why: `In this estimate the skin is hot long enough to burn (burn integral ${heat.omega.toFixed(2)}, threshold ${c.burnStop}).`,
    })
  }
  if (heat.peakC >= limitC) {
    cautions.push({
      level: 'caution',
      code: 'hot-skin',
      lasts: true,
      decisions: ['peak-skin-temp'],
      steps: [],
      at: ['wets', 'holds-to-set'],
      text: 'Cooler water, fewer layers, bare to the air; ask about heat while it sets and take it off at "too hot".',
      why: `In this estimate the skin reaches ${heat.peakC.toFixed(1)} °C; ${limitC} °C is the limit${vulnerable ? ` (${vulnerable})` : ''}.`,
    })
  }
  return {
    cautions,
    range: {
      safe: [-Infinity, limitC],
      harm: { less: '', more: 'Skin as warm as that burns while it sets.' },
    },
    decision: {
      id: 'peak-skin-temp',
      label: 'Warmest skin (estimate)',
      value: heat.peakC,
      unit: '°C',
      display: asEstimate(`${formatValue(heat.peakC, '°C')} at ${heat.peakMin.toFixed(0)} min`),
      status: 'ok',
      school: null,
      source: 'model',
      formula:
        'One-dimensional heat flow from the core through tissue, damp padding and the setting material to the air; highest skin temperature within 60 minutes.',
      working: [
        { label: 'Layers', value: input.layers, unit: 'layers', from: 'computed' },
        { label: 'Padding', value: input.paddingLayers, unit: 'layers', from: 'default' },
        { label: 'Water', value: input.waterC, unit: '°C', from: 'measured' },
        { label: 'Room', value: input.roomC, unit: '°C', from: 'measured' },
        { label: 'Lies on', value: input.backing, unit: null, from: 'option' },
        { label: 'Setting time', value: input.setMin, unit: 'min', from: 'computed' },
        { label: 'Minutes above 44 °C', value: heat.minutesAbove44, unit: 'min', from: 'computed' },
        { label: 'Burn integral', value: heat.omega, unit: null, from: 'computed' },
      ],
    },
  }
}

function crewOutcome(task: SlowTask & { decision: 'least-crew' }, crew: CrewResult): SlowOutcome {
  const cautions: RoledCaution[] = []
  const chosen = crew.options.find((option) => option.people === crew.leastCrew)
  const gives = task.relief.length > 0 ? ` What helps: ${task.relief.join('; ')}.` : ''
  if (task.people === null && crew.leastCrew > 1) cautions.push(peopleNotSaid('least-crew', crew.leastCrew))
  // Too few to hold at all is a stop, where that was found by playing the procedure.
  const isStopped = task.isSearched === true && task.people !== null && task.people < task.input.floor
  if (task.people !== null && task.people < crew.leastCrew && !isStopped) {
    cautions.push({
      level: 'caution',
      code: 'short-handed',
      decisions: ['least-crew'],
      steps: [],
      at: ['wets', 'moulds'],
      text: `${formatValue(crew.leastCrew, 'people')} are needed, ${task.people} ${task.people === 1 ? 'is' : 'are'} here.${gives}`,
      why: 'A hold let go while it sets gives a sagging joint, a cracked slab or a dent.',
    })
  }
  return {
    cautions,
    decision: {
      id: 'least-crew',
      label: 'People needed',
      value: crew.leastCrew,
      unit: 'people',
      display: formatValue(crew.leastCrew, 'people'),
      status: 'ok',
      school: null,
      source: 'model',
      formula:
        'Fewest people who can staff every hold and shape each part within 0.8 of its setting time in nine of ten draws of step and setting times; where nobody is that quick, those that the holds need.',
      ...(chosen ? { odds: chosen.odds } : {}),
      working: [
        { label: 'Fewest for the holds', value: task.input.floor, unit: 'people', from: 'default' },
        { label: 'Setting time', value: task.input.setMin, unit: 'min', from: 'computed' },
        ...crew.options.map((option) => ({
          label: `Odds of ending in time with ${option.people}`,
          value: option.odds,
          unit: 'ratio',
          from: 'computed' as const,
        })),
      ],
    },
  }
}
