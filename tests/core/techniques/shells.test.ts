import { expect } from 'chai'
import { defaultProtocol } from '#core/quantities/defaults'
import { compareOpenings } from '#core/figures/swelling/compare-openings'
import { pressureUnderShell } from '#core/figures/swelling/room'
import { volarTemplate } from '#core/techniques/volar-slab/template'
import { cautionCodes, decisionOf, planFile, problemLines, type CaseFile } from '../../harness/cases/leg-slab-cases'
import { changedExample } from '../../harness/cases/example-cases'

const plan = (technique: string, change: (file: CaseFile) => void = () => undefined) => planFile(changedExample(technique, change))
const padded = (girth: number): number => girth + 2 * Math.PI * 0.3

describe('slab and stirrup', () => {
  it('bounds both by the open front', () => {
    const made = plan('slab-and-stirrup')
    const gap = (girth: number): number => Math.max(2, 0.02 * padded(girth))
    expect(Number(decisionOf(made, 'slab-width').value)).to.be.at.most(padded(23.5) - gap(23.5))
    expect(decisionOf(made, 'stirrup-width').value).to.equal(10)
    const calf = padded(37)
    expect(decisionOf(made, 'coverage').value).to.be.closeTo(Math.min(1 - 2 / calf, (calf / 2 + 10) / calf), 1e-9)
    expect(decisionOf(made, 'slab-length').value).to.equal(62)
    expect(decisionOf(made, 'stirrup-length').value).to.equal(72)
  })
  it('does not know the quarter that a back slab leaves', () => {
    const fresh = (file: CaseFile): void => void (file.injury['swelling'] = 'marked')
    expect(decisionOf(plan('slab-and-stirrup', fresh), 'slab-width').value).to.equal(12.5)
    const widest = plan('slab-and-stirrup', (file) => {
      fresh(file)
      file.options['slab-width-rule'] = 'widest'
    })
    expect(decisionOf(widest, 'slab-width').value).to.equal(15)
  })
  it('says when the sides are poorly held', () => {
    const made = plan('slab-and-stirrup', (file) => {
      file['stock'] = [{ item: 'fibreglass-slab', widthCm: 7.5, count: 4 }]
    })
    expect(cautionCodes(made)).to.include('poor-side-control')
  })
})

describe('volar slab', () => {
  it('is cut by the longer path, slanted, with a half-moon', () => {
    const made = plan('volar-slab')
    expect(decisionOf(made, 'slab-length').value).to.equal(25.5)
    expect(decisionOf(made, 'end-slant').value).to.be.closeTo((Math.atan(2.5 / (20 / 2.4)) * 180) / Math.PI, 1e-9)
    expect(decisionOf(made, 'thumb-notch').value).to.be.closeTo(6.6 / (2 * Math.PI) + 0.5, 1e-9)
    expect(decisionOf(made, 'stockinette-length').value).to.be.closeTo(38.25, 1e-9)
    expect(Number(decisionOf(made, 'slab-width').value)).to.be.within(0.38 * padded(23), 0.5 * padded(23))
    expect(decisionOf(made, 'slab-layers').value).to.equal(12)
  })
  it('trims a wider slab where none lies between', () => {
    const made = plan(
      'volar-slab',
      (file) => void (file['stock'] = [5, 15].map((widthCm) => ({ item: 'plaster-slab', widthCm, count: 1 }))),
    )
    expect(decisionOf(made, 'slab-width').value).to.equal(12)
    expect(cautionCodes(made)).to.include('no-slab-width')
  })
  it('draws an outline of that size', () => {
    const { points } = volarTemplate({ widthCm: 10, indexCm: 25, littleCm: 22, lengthCm: 25, notchCm: 1.6, thumbAtCm: 5 })
    const xs = points.map(([x]) => x)
    const ys = points.map(([, y]) => y)
    expect(Math.max(...xs) - Math.min(...xs)).to.be.closeTo(25, 1e-9)
    expect([Math.min(...ys), Math.max(...ys)]).to.deep.equal([0, 10])
    expect(points[0]).to.deep.equal([3, 10])
  })
  it('names the parts of the outline inside of it: hand end, thumb, little finger side, elbow end', () => {
    const { parts = [] } = volarTemplate({ widthCm: 10, indexCm: 25, littleCm: 22, lengthCm: 25, notchCm: 1.6, thumbAtCm: 5 })
    expect(parts.map((part) => part.label)).to.deep.equal(['hand end', 'thumb', 'little finger side', 'elbow end'])
    for (const { label, at } of parts) {
      expect(at[0], label).to.be.within(0, 25)
      expect(at[1], label).to.be.within(0, 10)
    }
    const uncut = volarTemplate({ widthCm: 10, indexCm: 25, littleCm: 22, lengthCm: 25, notchCm: null, thumbAtCm: 5 })
    expect(uncut.parts?.map((part) => part.label)).to.not.include('thumb')
  })
  it('stops without pulse or with an open wound without plan; names the dialysis arm', () => {
    expect(cautionCodes(plan('volar-slab', (file) => void (file.injury['flags'] = ['pulse-absent'])))).to.include('pulse-absent')
    expect(plan('volar-slab', (file) => void (file.injury['flags'] = ['open'])).cautions[0]).to.include({ level: 'stop', code: 'open' })
    const withPlan = plan('volar-slab', (file) => {
      file.injury['flags'] = ['open']
      file['orders'] = { woundPlan: true }
    })
    expect(cautionCodes(withPlan)).not.to.include('open')
    expect(
      plan('volar-slab', (file) => void (file.patient['flags'] = ['dialysis-arm'])).cautions.find(
        (caution) => caution.code === 'dialysis-arm',
      )?.text,
    ).to.include('arm')
  })
  it('notes a thumb that was not read, and leaves its notch out', () => {
    const made = plan(
      'volar-slab',
      (file) => void (file.measurements = file.measurements.filter((measurement) => measurement['id'] !== 'thumb-girth')),
    )
    expect(made.problems).to.deep.equal([])
    expect(made.decisions.some((decision) => decision.id === 'thumb-notch')).to.equal(false)
    expect(cautionCodes(made)).to.include('check-reading')
  })
  it('takes two layers fewer and one for weight under 35 kg', () => {
    expect(
      decisionOf(
        plan('volar-slab', (file) => void (file.patient['massKg'] = 30)),
        'slab-layers',
      ).value,
    ).to.equal(9)
  })
})

describe('leg cast', () => {
  it('bends, counts and cures', () => {
    const made = plan('leg-cast')
    expect(decisionOf(made, 'knee-angle').value).to.equal(18)
    expect(decisionOf(made, 'cast-layers').value).to.equal(7)
    expect(decisionOf(made, 'cure-time')).to.include({ value: 48, unit: 'h' })
    expect(made.decisions.map((decision) => decision.id)).not.to.include('stocking-length')
    const stocking = plan('leg-cast', (file) => void (file.options['padding'] = 'stocking-and-padding'))
    expect(decisionOf(stocking, 'stocking-length').value).to.be.closeTo(79 + 25.5 + 20, 1e-9)
    expect(decisionOf(made, 'rolls').value).to.equal(
      Number(decisionOf(made, 'rolls-lower').value) + Number(decisionOf(made, 'rolls-thigh').value),
    )
    expect(decisionOf(made, 'least-crew').value).to.equal(3)
    const short = plan('leg-cast', (file) => void (file.options['extent'] = 'short'))
    expect(decisionOf(short, 'cure-time').value).to.equal(24)
    expect(decisionOf(short, 'least-crew').value).to.equal(2)
    for (const id of ['knee-angle', 'knee-strength', 'rolls-thigh'])
      expect(
        short.decisions.some((decision) => decision.id === id),
        id,
      ).to.equal(false)
    expect(
      decisionOf(
        plan('leg-cast', (file) => Object.assign(file.options, { extent: 'short', 'foot-hold': 'own-chest' })),
        'least-crew',
      ).value,
    ).to.equal(1)
  })
  it('has a strength at the knee that grows with fibreglass and falls with mass', () => {
    const at = (massKg: number, material: string): number =>
      Number(
        decisionOf(
          plan('leg-cast', (file) => {
            file.patient['massKg'] = massKg
            file.options['material'] = material
          }),
          'knee-strength',
        ).value,
      )
    expect(at(140, 'plaster-fast')).to.be.lessThan(at(70, 'plaster-fast'))
    expect(at(70, 'fibreglass-roll')).to.be.closeTo(at(70, 'plaster-fast') * (10 / 1.5) * (0.08 / 0.05), 1e-6)
    expect(problemLines(plan('leg-cast', (file) => void delete file.patient['massKg']))).to.include('missing patient/massKg')
  })
  it('has the room of the greatest girth in it, and is opened when fresh', () => {
    const fresh = plan('leg-cast', (file) => {
      file.injury['flags'] = ['fresh']
      file.injury['swelling'] = 'moderate'
    })
    const input = { girthCm: 57, growthMax: 0.05, paddingLayers: 2, openingCm: 0, hasCrepe: false, coveredShare: 1 }
    expect(decisionOf(fresh, 'room').value).to.equal(pressureUnderShell(input, 72, defaultProtocol))
    expect(cautionCodes(fresh)).to.include('fresh')
    expect(fresh.schedule.find((entry) => entry.kind === 'opening')?.dueMin).to.equal(60)
    expect(fresh.schedule.filter((entry) => entry.kind === 'round').map((entry) => entry.dueMin)).to.include(25 * 60 + 60)
  })
  it('stops when the swelling leaves no room at all', () => {
    const made = plan('leg-cast', (file) => {
      file.injury['flags'] = ['fresh']
      file.injury['swelling'] = 'marked'
      file.patient['flags'] = ['anticoagulated']
    })
    expect(cautionCodes(made)).to.include.members(['no-room', 'swelling'])
    expect(decisionOf(made, 'room')).to.include({ value: null, status: 'stop' })
  })
  it('cautions a pillow, an open wound without plan, a short cast on a toddler', () => {
    expect(cautionCodes(plan('leg-cast', (file) => void (file['environment'] = { backing: 'pillow' })))).to.include('pillow')
    expect(plan('leg-cast', (file) => void (file.injury['flags'] = ['open'])).cautions[0]).to.include({ level: 'stop', code: 'open' })
    const toddler = plan('leg-cast', (file) => {
      file.patient['ageYears'] = 2
      file.options['extent'] = 'short'
    })
    expect(cautionCodes(toddler)).to.include('unusual')
  })
  it('rolls in the order of its school', () => {
    const ids = (order: string) => plan('leg-cast', (file) => void (file.options['order'] = order)).procedure.steps.map((step) => step.id)
    expect(ids('lower-part-first')).to.include('relief-cuts')
    expect(ids('in-one')).not.to.include('relief-cuts')
  })
})

describe('opening a cast', () => {
  it('waits until it is hard, unless it must not wait', () => {
    const early = (file: CaseFile): void => void (file['device'] = { material: 'plaster-fast', minutesSince: 30 })
    expect(plan('cast-opening', early).cautions[0]).to.include({ level: 'stop', code: 'not-hard' })
    const now = plan('cast-opening', (file) => {
      early(file)
      file['orders'] = { openNow: true }
    })
    expect(decisionOf(now, 'earliest').value).to.equal(0)
    expect(cautionCodes(now)).not.to.include('not-hard')
    expect(now.procedure.steps.map((step) => step.id))
      .to.include('cut-padding')
      .and.not.include('crepe')
    const urgent = plan(
      'cast-opening',
      (file) => void (file['device'] = { material: 'plaster-fast', minutesSince: 5, lastRound: 'urgent' }),
    )
    expect(decisionOf(urgent, 'earliest').value).to.equal(0)
  })
  it('asks what the cast is made of and how old it is', () => {
    expect(problemLines(plan('cast-opening', (file) => void delete file['device']))).to.have.members([
      'missing device/material',
      'missing device/minutesSince',
    ])
  })
  for (const [options, opening, freed] of [
    [{}, null, 0.9],
    [{ padding: 'cut' }, null, 1.5],
    [{ lines: 'single', padding: 'keep' }, null, 0.36],
    // One line kept would leave more than 4 kPa: the padding is cut unless somebody says otherwise.
    [{ lines: 'single' }, null, 0.6],
    [{ lines: 'two-halves', padding: 'cut' }, null, 3],
    [{}, 2, 1.2],
  ] as const) {
    it(`frees ${freed} cm with ${JSON.stringify(options)} and opening ${opening ?? 'not measured'}`, () => {
      const made = plan('cast-opening', (file) => {
        Object.assign(file.options, options)
        if (opening) file.measurements.push({ id: 'opening-cm', value: opening, unit: 'cm' })
      })
      expect(decisionOf(made, 'room-gained').value).to.be.closeTo(freed / (2 * Math.PI), 1e-9)
      const base = { girthCm: 37.5, growthMax: 0.05, paddingLayers: 2, coveredShare: 1 }
      expect(decisionOf(made, 'pressure-before').value).to.equal(
        pressureUnderShell({ ...base, openingCm: 0, hasCrepe: false }, 72, defaultProtocol),
      )
      expect(decisionOf(made, 'pressure-after').value).to.be.closeTo(
        pressureUnderShell({ ...base, openingCm: freed, hasCrepe: true }, 72, defaultProtocol) ?? NaN,
        1e-9,
      )
    })
  }
  it('warns of thin padding', () => {
    expect(
      cautionCodes(
        plan('cast-opening', (file) => void (file['device'] = { material: 'plaster-fast', minutesSince: 90, paddingLayers: 1 })),
      ),
    ).to.include('thin-padding')
  })
})

describe('ways of leaving room', () => {
  const input = { girthCm: 40, paddedGirthCm: 42, growthMax: 0.05, paddingLayers: 2, isPaddingCut: false, coverage: 0.6 }
  const ways = compareOpenings(input, defaultProtocol)
  it('are five curves of 73 hours, each opening lower than the one before', () => {
    expect(ways.map((way) => way.opening)).to.deep.equal(['closed', 'single', 'strip', 'two-halves', 'half-shell'])
    const last = (index: number): number => ways[index]?.kPa.at(-1) ?? Infinity
    expect(ways.every((way) => way.kPa.length === 73)).to.equal(true)
    expect(last(1)).to.be.lessThan(last(0) + 0.5)
    expect(last(2)).to.be.lessThan(last(1))
    expect(last(3)).to.be.at.most(last(2))
    expect(last(4)).to.be.lessThan(last(3))
  })
})

describe('an edge that climbs', () => {
  const shell = (edges: Readonly<Record<string, number>>) =>
    plan('trunk-shell', (file) => {
      file.measurements = file.measurements.filter((measurement) => !String(measurement['id']).startsWith('edge-to-notch'))
      for (const [posture, value] of Object.entries(edges)) file.measurements.push({ id: `edge-to-notch-${posture}`, value, unit: 'cm' })
    })

  it('is subtracted: wanted tight and what tightening lifts is the loose height to aim for', () => {
    const made = shell({ loose: 3, tight: 1.4 })
    expect(decisionOf(made, 'tighten-rise').value).to.be.closeTo(1.6, 1e-9)
    expect(decisionOf(made, 'loose-aim').value).to.be.closeTo(3.6, 1e-9)
    expect(made.procedure.steps.find(({ id }) => id === 'edge-loose')?.reads?.[0]?.wanted).to.match(
      /^2\.6 cm to 4\.6 cm: tightening lifts it 1\.6 cm here/,
    )
  })
  it('is judged loose, by the usual range until the rise is known, then by it', () => {
    expect(cautionCodes(shell({ loose: 3 }))).not.to.include('loose-edge')
    expect(cautionCodes(shell({ loose: 1.5 }))).to.include('loose-edge')
    const high = shell({ loose: 2.2, tight: 0.6 })
    expect(high.cautions.find(({ code }) => code === 'loose-edge')?.text).to.match(/Seat it lower .* 3\.6 cm below the notch, loose/)
    expect(high.cautions.find(({ code }) => code === 'top-edge')?.text).to.match(/3\.6 cm below the notch while it is loose/)
  })
  it('says what climbed, when and why', () => {
    const made = shell({ loose: 3.4, tight: 2.2, standing: 2, sitting: 0.2 })
    expect(decisionOf(made, 'climb').display).to.match(
      /^up 1\.8 cm when the patient sat down \(3\.4 → 2\.2 → 2\.0 → 0\.2 cm below the notch\)\. Seat and thighs/,
    )
    expect(decisionOf(shell({ loose: 2, tight: 2 }), 'climb').value).to.equal('nowhere')
    expect(decisionOf(made, 'loose-aim').value, 'more where sitting takes more').to.be.closeTo(2.5 + 1.2, 1e-9)
  })
})
