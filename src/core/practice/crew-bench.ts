import { forecastCrew } from '../figures/crew/crew-odds'
import { holdBreaksAt } from '../figures/crew/hold-breaks'
import { wetTimeline } from '../figures/crew/wet-timeline'
import { settingDefaults, settingTime } from '../figures/setting-time/working-time'
import type { CrewInput } from '../model/crew-input'
import { taskOf } from '../model/slow-task'
import type { SettingMaterial } from '../model/setting-material'
import type { PlanContext } from '../model/plan-context'
import { readDefaults } from '../quantities/defaults'
import { stepName } from '../runs/step-name'
import { legCast } from '../techniques/leg-cast/leg-cast'
import { legSlab } from '../techniques/leg-slab/leg-slab'
import { planCase } from '../techniques/plan-case'
import { slabAndStirrup } from '../techniques/slab-and-stirrup/slab-and-stirrup'
import { volarSlab } from '../techniques/volar-slab/volar-slab'
import {
  choiceAt,
  figureAt,
  type Bench,
  type BenchCaution,
  type BenchFigure,
  type BenchState,
  type ChoiceControl,
  type RangeControl,
} from './bench'
import { practiceCase, usualPatient } from './practice-case'

const made = [legCast, legSlab, slabAndStirrup, volarSlab]
const device: ChoiceControl = {
  kind: 'choice',
  id: 'device',
  label: 'Device',
  choices: made.map(({ id, name }) => ({ id, label: name.toLowerCase() })),
  usual: legCast.id,
}
const material: ChoiceControl = {
  kind: 'choice',
  id: 'material',
  label: 'Material',
  choices: (['plaster-extra-fast', 'plaster-fast', 'plaster-slow'] as const).map((id) => ({ id, label: id.replaceAll('-', ' ') })),
  usual: 'plaster-fast',
}
const people: RangeControl = { kind: 'range', id: 'people', label: 'People', unit: '', least: 1, greatest: 4, step: 1, usual: 3 }
const water: RangeControl = { kind: 'range', id: 'water', label: 'Water', unit: '°C', least: 10, greatest: 40, step: 1, usual: 22 }
const pace: RangeControl = { kind: 'range', id: 'pace', label: 'Each step takes', unit: '%', least: 50, greatest: 200, step: 5, usual: 100 }

/** Whether a crew finishes while it is still soft, as plans forecast it. */
export const crewBench: Bench = {
  id: 'crew',
  name: 'Crew',
  purpose: 'Whether so many people finish moulding before it sets, and what water, material and practice change.',
  controls: [device, material, people, water, pace],
  work: (state, ctx) => {
    const input = inputOf(state, ctx)
    const count = figureAt(state, people)
    const forecast = forecastCrew(input)
    const option = forecast.options.find((one) => one.people === count)
    const timeline = wetTimeline(input, count)
    const mould = timeline?.bars.find((bar) => bar.id === input.mouldingStep)
    const late = timeline?.bars.filter((bar) => bar.dueMin !== null && bar.lateEndMin > bar.dueMin) ?? []
    const cautions: BenchCaution[] = []
    if (!timeline)
      cautions.push({
        level: 'stop',
        text: 'So few cannot hold and lay at once: add hands, or let gravity hold.',
        why: `${forecast.leastCrew} people are the fewest for this device.`,
      })
    else if ((option?.odds ?? 0) < 0.9)
      cautions.push({
        level: 'caution',
        text: 'Cooler water, a slower plaster, or one more pair of hands.',
        why: `In ${(100 * (option?.odds ?? 0)).toFixed(0)} of 100 tries all is done while it is soft; 90 are wanted.`,
      })
    const oddsWords = forecast.options.map((one) => `${one.people}: ${(100 * one.odds).toFixed(0)} %`).join(', ')
    return {
      cautions,
      figures: [
        {
          id: 'odds',
          label: `In time with ${count === 1 ? '1 person' : `${count} people`}`,
          value: 100 * (option?.odds ?? 0),
          unit: '%',
          digits: 0,
          working: `2 000 seeded tries, step times drawn between their least and most, the setting time with its spread. By people: ${oddsWords}.`,
        },
        breakFigure(input, count),
        {
          id: 'least',
          label: 'Fewest people',
          value: forecast.leastCrew,
          unit: '',
          digits: 0,
          words: forecast.isInTime ? 'for 90 %' : 'and not in time',
          working: `The smallest crew, ${input.floor} or more by the holds, with odds of 90 %.`,
        },
        {
          id: 'set',
          label: 'It sets in',
          value: input.setMin,
          unit: 'min',
          digits: 1,
          words: `± ${input.setSdMin.toFixed(1)}`,
          working: `The pack’s time at 22 °C, changed by water of ${figureAt(state, water)} °C; its spread is 15 %.`,
        },
        {
          id: 'mould',
          label: 'Moulding ends',
          value: mould?.endMin ?? null,
          unit: 'min',
          digits: 1,
          words: mould ? `at the latest ${mould.lateEndMin.toFixed(1)} in nine of ten` : 'cannot be staffed',
          working: 'From the end of wetting, likely times one after the other as hands are free.',
        },
        {
          id: 'spare',
          label: 'To spare',
          value: mould ? input.setMin - mould.endMin : null,
          unit: 'min',
          digits: 1,
          ...(mould ? {} : { words: 'none' }),
          working: 'It sets, less moulding’s likely end.',
        },
        {
          id: 'late',
          label: 'Steps that may be late',
          value: late.length,
          unit: '',
          digits: 0,
          ...(late.length > 0 ? { words: late.slice(0, 3).map(stepName).join(', ') } : {}),
          working: 'Steps whose end, in nine of ten tries, comes after the part under them has set.',
        },
      ],
      scenes: [{ kind: 'wet', id: 'wet', input, people: count }],
    }
  },
  fromCase: (clinicalCase, plan): BenchState | null => {
    if (!made.some((one) => one.id === plan.technique)) return null
    return {
      device: plan.technique,
      water: clinicalCase.environment.waterC,
      ...(clinicalCase.crew.people === null ? {} : { people: Math.min(people.greatest, clinicalCase.crew.people) }),
    }
  },
}

/** Where so few people have to let go of a hold, doing one thing at a time. */
function breakFigure(input: CrewInput, people: number): BenchFigure {
  const found = holdBreaksAt(input, people)
  return {
    id: 'break',
    label: 'A hold breaks',
    value: null,
    unit: '',
    digits: 0,
    words: found ? `at “${stepName({ id: found.step })}”` : 'nowhere',
    working: found
      ? `It takes ${found.needed} at once: ${found.hands} at the work and ${found.needed - found.hands} who hold and may not let go; there are ${people}.`
      : 'At every step those who work and those who hold are no more than are here.',
  }
}

/** The wet phase of a practice plan with its own material, water and pace. */
function inputOf(state: BenchState, ctx: PlanContext): CrewInput {
  const technique = made.find((one) => one.id === choiceAt(state, device)) ?? legCast
  // What slow decisions came to before is not remembered here: their input is what is asked for.
  const plan = planCase(practiceCase(technique, usualPatient, ctx.protocol), {
    ...ctx,
    memo: { get: () => undefined, set: () => undefined, isEmpty: () => true },
  })
  const task = plan ? taskOf(plan.pending, 'least-crew') : null
  if (!task) throw new Error(`${technique.id} has no wet phase`)
  const { minutes } = settingTime(choiceAt(state, material) as SettingMaterial, figureAt(state, water), undefined, ctx.protocol)
  const share = figureAt(state, pace) / 100
  return {
    ...task.input,
    steps: task.input.steps.map((step) => ({
      ...step,
      minutes: [step.minutes[0] * share, step.minutes[1] * share, step.minutes[2] * share] as const,
    })),
    setMin: minutes,
    setSdMin: minutes * readDefaults(settingDefaults, ctx.protocol).sdShare,
  }
}
