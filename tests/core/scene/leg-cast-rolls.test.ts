import { expect } from 'chai'
import type { Plan } from '#core/model/plan'
import type { RollRun } from '#core/model/roll-run'
import { judgeRolls, layersAt } from '#core/scene/judge-rolls'
import { mulberry32 } from '#core/figures/crew/draws'
import { sceneWith } from './scene-cases'
import { changedExample } from '../../harness/cases/example-cases'
import { cautionCodes, decisionOf, planFile, type CaseFile } from '../../harness/cases/leg-slab-cases'

const plan = (change: (file: CaseFile) => void = () => undefined) => planFile(changedExample('leg-cast', change))
const layersOf = (made: Plan): number => Number(decisionOf(made, 'cast-layers').value)
const turns = { 'heel-instep': 3, knee: 4 }

/** Rolls in short: "roll-3 leg 0 → 43 ×2", turns as "knee 4". */
const inShort = (rolls: readonly RollRun[] | undefined): readonly string[] =>
  (rolls ?? []).map(({ id, axis, fromCm, toCm, layers, turnsAt, lengthCm, restCm }) => {
    const [turn] = turnsAt
    const way = turn ? `${turn.station} ${turn.turns}` : `${axis} ${fromCm.toFixed(0)} → ${toCm.toFixed(0)} ×${layers}`
    return `${id} ${way}, ${lengthCm.toFixed(0)} cm${restCm > 0.5 ? `, ${restCm.toFixed(0)} left` : ''}`
  })

describe('the long cast, roll by roll', () => {
  it('the published leg: 2 × 10, 3 × 15 and 3 × 20 cm, each with its way, its turns and its length of 270 cm', () => {
    expect(inShort(plan().rolls)).to.deep.equal([
      'roll-1 foot 7 → 20 ×2, 80 cm',
      'roll-1 heel-instep 3, 105 cm',
      'roll-1 foot 20 → 7 ×2, 80 cm',
      'roll-1 foot 7 → 8 ×3, 5 cm',
      'roll-2 foot 8 → 20 ×3, 115 cm, 155 left',
      'roll-3 leg 0 → 43 ×2, 188 cm',
      'roll-3 leg 43 → 27 ×2, 82 cm',
      'roll-4 leg 27 → 0 ×2, 105 cm',
      'roll-4 leg 0 → 28 ×3, 165 cm',
      'roll-5 leg 28 → 43 ×3, 117 cm, 153 left',
      'roll-6 leg 33 → 43 ×2, 39 cm',
      'roll-6 leg 43 → 49 ×2, 23 cm',
      'roll-6 knee 4, 156 cm',
      'roll-6 leg 49 → 62 ×2, 61 cm',
      'roll-7 leg 62 → 79 ×2, 99 cm',
      'roll-7 leg 79 → 44 ×2, 179 cm',
      'roll-8 leg 44 → 43 ×2, 4 cm',
      'roll-8 leg 43 → 79 ×3, 274 cm',
    ])
  })

  it('every station has its seven layers, nine where the thigh is lapped over the boot', () => {
    const { rolls, geometry } = plan()
    const at = (axis: string, cm: number): number => layersAt(rolls ?? [], axis, cm)
    const stations = geometry.stations.filter(({ id }) => id !== 'groin' && id !== 'heel-instep')
    expect(stations.map(({ id, axis, atCm }) => [id, at(axis, atCm)])).to.deep.equal([
      ['toe', 7],
      ['midfoot', 7],
      ['ankle', 7],
      ['calf', 9],
      ['below-knee', 7],
      ['knee', 7],
      ['above-knee', 7],
      ['mid-thigh', 7],
    ])
    expect(at('leg', 36)).to.equal(9)
  })

  it('from the injury, high: two rolls run over the lower leg from below the knee before the knee is wrapped; the foot is last', () => {
    const { rolls } = plan((file) => {
      file.options['order'] = 'from-the-injury'
      file.injury['levelCm'] = 35
    })
    expect(inShort(rolls)[0]).to.equal('roll-1 leg 43 → 0 ×2, 188 cm')
    expect(rolls?.at(-1)?.axis).to.equal('foot')
    const overBreak = new Set(
      (rolls ?? [])
        .filter(({ axis, fromCm, toCm }) => axis === 'leg' && Math.min(fromCm, toCm) <= 35 && 35 <= Math.max(fromCm, toCm))
        .map(({ id }) => id),
    )
    expect(overBreak).to.include.keys(['roll-1', 'roll-2'])
  })

  it('from the injury, low: two rolls up from the heel, the foot, then the rest of the lower leg and the thigh; in one: as the limb goes', () => {
    const ways = (order: string, levelCm: number): readonly string[] => {
      const { rolls } = plan((file) => {
        file.options['order'] = order
        file.injury['levelCm'] = levelCm
      })
      const ids = [...new Set((rolls ?? []).map(({ id }) => id))]
      return ids.map((id) => {
        const own = (rolls ?? []).filter((run) => run.id === id)
        return `${own[0]?.axis} ${own[0]?.fromCm.toFixed(0)} → ${own.at(-1)?.toCm.toFixed(0)}`
      })
    }
    expect(ways('from-the-injury', 10)).to.deep.equal([
      'leg 0 → 27',
      'leg 27 → 28',
      'foot 7 → 8',
      'foot 8 → 20',
      'leg 28 → 43',
      'leg 33 → 62',
      'leg 62 → 44',
      'leg 44 → 79',
    ])
    expect(ways('from-the-injury', 35)).to.deep.equal([
      'leg 43 → 22',
      'leg 22 → 21',
      'leg 33 → 62',
      'leg 62 → 44',
      'leg 44 → 79',
      'leg 21 → 0',
      'foot 7 → 8',
      'foot 8 → 20',
    ])
    expect(ways('in-one', 24)).to.deep.equal(ways('lower-part-first', 24))
  })

  it('the lap of the thigh is laid within three minutes of the roll under it, by likely minutes', () => {
    const { procedure } = plan()
    const startOf = (id: string): number => {
      const wet = procedure.steps.filter((step) => step.wet)
      return wet
        .slice(
          0,
          wet.findIndex((step) => step.id === id),
        )
        .reduce((sum, { minutes }) => sum + minutes[1], 0)
    }
    expect(startOf('roll-6') - startOf('roll-5')).to.be.within(1, 3)
  })

  it('in every order the same layers lie everywhere: 400 casts drawn, long and short, none bare, each roll used up', () => {
    const random = mulberry32(57)
    const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)] as T
    for (let drawn = 0; drawn < 400; drawn++) {
      const scale = 0.55 + 0.75 * random()
      const options = {
        extent: pick(['long', 'short']),
        order: pick(['lower-part-first', 'from-the-injury', 'in-one']),
        material: pick(['plaster-slow', 'plaster-fast', 'fibreglass-roll']),
      }
      const { plan: made } = sceneWith('leg-cast', (file) => {
        Object.assign(file.options, options)
        file.patient['massKg'] = pick([30, 70, 130])
        file.injury['levelCm'] = Math.round(40 * scale * random())
        for (const one of file.measurements) one['value'] = Math.round(Number(one['value']) * scale * (0.95 + 0.1 * random()))
      })
      const wanted = options.extent === 'long' ? turns : { 'heel-instep': 3 }
      expect(made.rolls, JSON.stringify(options)).to.have.length.above(0)
      expect(judgeRolls(made, layersOf(made), wanted), `${JSON.stringify(options)} ×${scale}`).to.deep.equal([])
    }
  })

  it('a number of rolls set by hand is wound again; too few are cautioned, and said to the steps', () => {
    const overruled = (decision: string, value: number) =>
      plan((file) => {
        file['overrules'] = [{ decision, value, reason: 'what is left', by: 'A. Clinician', at: '2026-01-10T08:00:00Z' }]
      })
    const more = overruled('rolls-thigh', 4)
    expect(more.rolls?.filter(({ axis, toCm }) => axis === 'leg' && toCm > 45).map(({ id }) => id)).to.include('roll-9')
    expect(more.procedure.steps.map(({ id }) => id)).to.include('roll-9')
    expect(more.materials.find(({ id }) => id === 'rolls-thigh-20')?.rolls).to.equal(4)
    expect(decisionOf(more, 'rolls').value).to.equal(9)
    const less = overruled('rolls-thigh', 2)
    expect(cautionCodes(less)).to.include('outside-usual')
    expect(layersAt(less.rolls ?? [], 'leg', 60)).to.be.within(3, 5)
    expect(judgeRolls(less, 7, turns).map(({ rule }) => rule)).to.include('bare')
  })

  it('an adult’s foot takes 10 cm, a thigh 20 or 15; what else is stocked stands as an alternative', () => {
    const working = (id: string) => decisionOf(plan(), id).working.map(({ label, value }) => `${label}: ${String(value)}`)
    expect(working('rolls-lower')).to.include('Instead, leg, 10 cm wide: 4')
    expect(working('rolls-thigh')).to.include('Instead, thigh, 15 cm wide: 4')
    const only15 = plan((file) => {
      file['stock'] = [
        { item: 'plaster-roll', widthCm: 15, lengthCm: 270 },
        { item: 'padding-roll', widthCm: 10, lengthCm: 270 },
      ]
    })
    expect(decisionOf(only15, 'rolls-lower').display).to.match(/^\d × 15 cm$/)
    expect(judgeRolls(only15, 7, turns)).to.deep.equal([])
  })
})

describe('the material of a cast that was not chosen', () => {
  it('is the quickest by which nine of ten are in time, where one is', () => {
    const odds = (file: (given: CaseFile) => void, material?: string): number => {
      const made = plan((given) => {
        file(given)
        if (material) given.options['material'] = material
      })
      return decisionOf(made, 'least-crew').odds ?? 0
    }
    for (const waterC of [16, 18, 20, 22])
      for (const [ageYears, scale] of [
        [7, 0.65],
        [41, 1],
        [41, 1.2],
      ] as const) {
        const given = (file: CaseFile): void => {
          file.patient['ageYears'] = ageYears
          file['environment'] = { waterC, roomC: 21 }
          for (const one of file.measurements) one['value'] = Number(one['value']) * scale
        }
        expect(odds(given), `${ageYears} years, ${waterC} °C`).to.be.at.least(0.9)
        const chosen = plan(given).options['material']
        if (chosen === 'plaster-slow' && ageYears > 16) expect(odds(given, 'plaster-fast'), `fast, ${waterC} °C`).to.be.below(0.9)
      }
  })
})
