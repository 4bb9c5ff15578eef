import { expect } from 'chai'
import { hasNoRoom, openingForLimit, pressureUnderShell, type RoomInput } from '#core/figures/swelling/room'
import { defaultProtocol } from '#core/quantities/defaults'
import { planFile, type CaseFile } from '../../harness/cases/leg-slab-cases'
import { changedExample } from '../../harness/cases/example-cases'

const sign = { reason: 'as told', by: 'Sorrel Vane', at: '2026-01-10T08:00:00Z' }
const overruled = (...values: readonly (readonly [decision: string, value: unknown])[]) =>
  values.map(([decision, value]) => ({ decision, value, ...sign }))
const planOf = (id: string, change: (file: CaseFile) => void) => planFile(changedExample(id, change))
const stopsOf = (id: string, change: (file: CaseFile) => void): readonly string[] =>
  planOf(id, change)
    .cautions.filter((caution) => caution.level === 'stop')
    .map((caution) => caution.code)
const floorsOf = (id: string, change: (file: CaseFile) => void): readonly string[] =>
  planOf(id, change)
    .cautions.filter((caution) => caution.isFloor)
    .map((caution) => caution.code)
const loose = (file: CaseFile): Record<string, unknown> => file as unknown as Record<string, unknown>

/** Floors judge the worse of what was overruled and what was worked out, at the end of the chain. */
describe('a floor', () => {
  it('holds the skin to its cap however slack the cord is said to be', () => {
    for (const values of [
      [
        ['traction', 20],
        ['cord-tension', 40],
      ] as const,
      [
        ['counterweight', 8],
        ['cord-tension', 49],
      ] as const,
    ]) {
      const floors = floorsOf('suspended-ring-traction', (file) => (loose(file)['overrules'] = overruled(...values)))
      expect(floors, JSON.stringify(values)).to.include('over-skin-cap')
    }
    expect(floorsOf('ring-traction', (file) => (loose(file)['overrules'] = overruled(['traction', 20])))).to.include('over-skin-cap')
  })

  it('and the ring to its pressure', () => {
    const floors = floorsOf('suspended-ring-traction', (file) => {
      loose(file)['overrules'] = overruled(['traction', 30], ['counterweight', 0], ['ring-pressure', 0.5], ['cord-tension', 0])
    })
    expect(floors).to.include('ring-pressure')
  })

  it('lets no counterweight hang without what holds the patient, or an order for a sling', () => {
    const heavy = (file: CaseFile): void => {
      Object.assign(file.patient, { massKg: 20 })
      loose(file)['overrules'] = overruled(['counterweight', 5], ['foot-raise', 0], ['traction', 2])
    }
    expect(floorsOf('suspended-ring-traction', heavy)).to.include('no-countertraction')
    const withSling = (file: CaseFile): void => {
      heavy(file)
      loose(file)['orders'] = { countertraction: { by: 'Sorrel Vane', at: '08:00' } }
    }
    expect(floorsOf('suspended-ring-traction', withSling)).to.not.include('no-countertraction')
  })

  it('takes 7 kg by an ankle hitch and no more', () => {
    for (const id of ['pole-traction', 'frame-traction']) {
      expect(
        floorsOf(id, (file) => (loose(file)['overrules'] = overruled(['load', 12]))),
        id,
      ).to.include('over-hitch-cap')
      expect(
        floorsOf(id, (file) => (loose(file)['overrules'] = overruled(['load', 7]))),
        id,
      ).to.not.include('over-hitch-cap')
    }
  })

  it('lets no strap lie on the break', () => {
    for (const id of ['pole-traction', 'frame-traction']) {
      const floors = floorsOf(id, (file) => {
        file.injury['levelCm'] = 60
        loose(file)['overrules'] = overruled(['strap-places', [12, 30, 60]])
      })
      expect(floors, id).to.include('strap-on-break')
      expect(
        floorsOf(id, (file) => (file.injury['levelCm'] = 60)),
        id,
      ).to.not.include('strap-on-break')
    }
  })

  it('judges the front by the fold in force', () => {
    const tucked = planOf('leg-slab', () => undefined).decisions.find((decision) => decision.id === 'ankle-fold')
    expect(Number(tucked?.value)).to.be.greaterThan(0)
    expect(floorsOf('leg-slab', (file) => (loose(file)['overrules'] = overruled(['ankle-fold', 0])))).to.include('front-gap')
  })

  it('lets no weight hang over the leg', () => {
    const over = (file: CaseFile): void => void (loose(file)['rig'] = { ...(loose(file)['rig'] as object), onwardCm: [] })
    expect(floorsOf('suspended-ring-traction', over)).to.include('weight-over-leg')
    expect(floorsOf('suspended-ring-traction', () => undefined)).to.not.include('weight-over-leg')
  })

  it('is a limb without a pulse, whatever is put on it', () => {
    for (const id of ['leg-slab', 'volar-slab', 'leg-cast', 'ring-traction', 'walker-boot', 'hinged-knee-brace'])
      expect(
        floorsOf(id, (file) => (file.injury['flags'] = ['pulse-absent'])),
        id,
      ).to.include('pulse-absent')
  })

  it('is water that burns', () => {
    const hot = (file: CaseFile): void => void (loose(file)['environment'] = { ...(loose(file)['environment'] as object), waterC: 45 })
    for (const id of ['leg-slab', 'leg-cast', 'slab-and-stirrup', 'volar-slab']) expect(floorsOf(id, hot), id).to.include('hot-water')
  })

  it('is always a stop, and never set aside: a case file that tries is told so, and the plan stays stopped', () => {
    const plan = planOf('pole-traction', (file) => {
      loose(file)['overrules'] = [...overruled(['load', 12]), { caution: 'over-hitch-cap', ...sign }]
    })
    const floor = plan.cautions.find((caution) => caution.code === 'over-hitch-cap')
    expect(floor).to.include({ level: 'stop', isFloor: true })
    expect(floor?.overruled).to.equal(undefined)
    expect(plan.problems.map(({ path, message }) => [path, message])).to.deep.include([
      'overrules/1/caution',
      'over-hitch-cap is a floor of safety and is not set aside: change what raises it.',
    ])
  })
})

describe('what stops without being a floor', () => {
  it('a ring by girth + 4 cm beyond every range has no size', () => {
    const stops = stopsOf('suspended-ring-traction', (file) => {
      loose(file)['options'] = { ...(loose(file)['options'] as object), 'ring-rule': 'plus-four' }
      for (const one of file.measurements) if (one['id'] === 'oblique-groin-girth') Object.assign(one, { value: 88, confirmed: true })
    })
    expect(stops).to.include('no-size')
  })

  it('a leg without a mass keeps a limit to its pull, asked for with load and pain; nothing is "as ordered"', () => {
    for (const [id, mostKg] of [
      ['ring-traction', 5],
      ['suspended-ring-traction', 5],
      ['pole-traction', 7],
      ['frame-traction', 7],
    ] as const) {
      const plan = planOf(id, (file) => delete file.patient['massKg'])
      const pulls = plan.procedure.steps.flatMap((step) => step.pull ?? [])
      expect(pulls.length, id).to.be.greaterThan(0)
      expect(pulls[0], id).to.deep.include({ expectedKg: null, mostKg })
      expect(JSON.stringify(plan.procedure.steps)).to.not.include('as ordered')
    }
  })

  const full: RoomInput = { girthCm: 40, growthMax: 0.05, paddingLayers: 2, openingCm: 0, hasCrepe: true, coveredShare: 1 }
  it('a cast has no room from nine tenths of its padding on', () => {
    expect(hasNoRoom({ ...full, growthMax: 0.001 }, 72, defaultProtocol)).to.equal(false)
    expect(hasNoRoom({ ...full, growthMax: 0.09 }, 72, defaultProtocol)).to.equal(true)
    expect(pressureUnderShell({ ...full, growthMax: 0.09 }, 72, defaultProtocol), 'above 40 kPa no figure means anything').to.equal(null)
  })
  it('says how wide an opening brings 4 kPa', () => {
    const cm = openingForLimit(full, 72, defaultProtocol)!
    expect(pressureUnderShell({ ...full, openingCm: cm }, 72, defaultProtocol)).to.be.closeTo(4, 1e-3)
    expect(pressureUnderShell({ ...full, openingCm: cm - 0.1 }, 72, defaultProtocol) ?? Infinity).to.be.greaterThan(4)
  })

  it('a spine order without a name is a caution, and none at all a stop', () => {
    const way = (file: CaseFile, spine?: unknown): void => {
      loose(file)['options'] = { ...(loose(file)['options'] as object), way: 'standing-doorway' }
      loose(file)['orders'] = spine === undefined ? {} : { spine }
    }
    const found = (spine?: unknown) =>
      planOf('trunk-shell', (file) => way(file, spine)).cautions.find((caution) => caution.code === 'not-ordered')?.level
    expect(found()).to.equal('stop')
    expect(found('standing')).to.equal('caution')
    expect(found({ posture: 'standing', by: 'Sorrel Vane', at: '08:00' })).to.equal(undefined)
    const people = planOf('trunk-shell', (file) => way(file, 'standing')).decisions.find((decision) => decision.id === 'least-crew')
    expect(people?.value).to.be.at.least(2)
  })
})
