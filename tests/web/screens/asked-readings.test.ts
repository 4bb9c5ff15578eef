import { expect } from 'chai'
import { foldCase } from '#contract/events/fold'
import { unknownInjury, type InjuryRecord } from '#contract/records/episode'
import { foldEpisode } from '#contract/events/fold'
import type { FoldableEvent } from '#contract/event'
import type { Region, Side } from '#core/model/vocabulary'
import { techniques } from '#core/techniques/registry'
import { bodyParts, bodyViews, chartSize, matchParts, sideAskedOf, zonesOf } from '../../../src/web/screens/size-up/body-zones'
import { figureOf } from '../../../src/web/screens/size-up/body-outline'
import { askedReadings, readingsOf, usualSide } from '../../../src/web/screens/measure/asked-readings'
import { createLineSource } from '../../../src/standins/line-instrument/line-source'
import { tape as tapeKind } from '../../../src/standins/tape/tape'
import { parseInstrumentLine } from '#core/quantities/instrument-line'

const event = (kind: string, body: object): FoldableEvent => ({
  id: kind,
  kind,
  v: 1,
  body,
  at: '2026-01-10T08:00:00Z',
  actor: 'p',
  actorName: 'Ada',
})
const openOf = (technique: string, region: Region, side: Side | null) => {
  const injury: InjuryRecord = { ...unknownInjury, region, side, swelling: 'moderate' }
  const opened = foldEpisode(null, 'e', event('episode-opened', { patientId: 'p', place: 'Bay 1', zone: 'UTC' }))
  return {
    record: foldCase(null, 'c', event('case-opened', { episodeId: 'e', injuryId: 'i', technique })),
    episode: foldEpisode(opened, 'e', event('injury', { injuryId: 'i', injury })),
  }
}

describe('places to measure', () => {
  for (const technique of techniques) {
    const region = technique.regions[0] ?? 'ankle'
    const side = region === 'neck' || region === 'trunk' ? null : 'left'

    it(`${technique.id}: are asked once each, with words, and what is required is asked`, () => {
      const places = askedReadings(openOf(technique.id, region, side))
      expect(new Set(places.map((place) => place.key)).size).to.equal(places.length)
      for (const { definition } of places) {
        expect(definition.label, definition.id).to.match(/\S/)
        expect(definition.landmarks, definition.id).to.match(/\S/)
        expect(definition.posture, definition.id).to.match(/\S/)
      }
    })

    it(`${technique.id}: are read on a side only where the body has two`, () => {
      for (const place of askedReadings(openOf(technique.id, region, side))) {
        const usual = usualSide(place, side, true)
        if (place.definition.sideRule === 'none') expect(usual ?? null, place.key).to.equal(place.fixedSide)
        if (place.definition.sideRule === 'wearing' && side) expect(usual, place.key).to.equal(side)
        if (side === null && place.fixedSide === null) expect(usual, place.key).to.equal(null)
      }
    })
  }

  it('keep left and right of a place apart', () => {
    const places = askedReadings(openOf('trunk-shell', 'trunk', null))
    const groove = places.filter((place) => place.definition.id === 'groove-to-crest')
    expect(groove.map((reading) => reading.fixedSide)).to.deep.equal(['left', 'right'])
    const readings = [{ id: 'groove-to-crest', side: 'left', value: 1, unit: 'cm' }] as const
    expect(groove.map((reading) => readingsOf(reading, readings).length)).to.deep.equal([1, 0])
  })

  it('are of the sound side before swelling, of the injured one where the swelling counts', () => {
    const places = askedReadings(openOf('leg-slab', 'ankle', 'left'))
    const calf = places.find((place) => place.definition.id === 'calf-girth')
    const path = places.find((place) => place.definition.id === 'slab-path')
    if (!calf || !path) throw new Error('not asked')
    expect(usualSide(calf, 'left', true)).to.equal('left')
    expect(usualSide(calf, 'left', false)).to.equal('right')
    expect(usualSide(path, 'left', true)).to.equal('right')
  })
})

describe('the body chart', () => {
  for (const view of bodyViews) {
    for (const side of ['left', 'right'] as const) {
      it(`${view}, ${side}: zones lie inside, cover a thumb and do not overlap`, () => {
        const zones = zonesOf(view, side)
        for (const zone of zones) {
          expect(zone.x).to.be.at.least(0)
          expect(zone.y + zone.height).to.be.at.most(chartSize.height)
          expect(zone.x + zone.width).to.be.at.most(chartSize.width)
          expect(Math.min(zone.width, zone.height), zone.region).to.be.at.least(40)
        }
        for (const [index, a] of zones.entries()) {
          for (const b of zones.slice(index + 1)) {
            const across = Math.min(a.x + a.width, b.x + b.width) - Math.max(a.x, b.x)
            const down = Math.min(a.y + a.height, b.y + b.height) - Math.max(a.y, b.y)
            expect(Math.min(across, down), `${a.region} ${a.side} and ${b.region} ${b.side}`).to.be.at.most(3)
          }
        }
      })
    }
  }

  it('has every part on some view, and draws every view', () => {
    const shown = new Set(bodyViews.flatMap((view) => zonesOf(view, 'left').map((zone) => zone.region)))
    for (const part of bodyParts) expect(shown.has(part.region), part.label).to.equal(true)
    for (const view of bodyViews) {
      const { paths, hair, lines } = figureOf(view)
      for (const path of [...paths, hair]) expect(path).to.match(/^M[^a-z]*Z$/)
      for (const line of lines) expect(line).to.not.match(/NaN|undefined/)
    }
  })

  for (const [typed, label] of [
    ['l ank', 'left ankle'],
    ['right kn', 'right knee'],
    ['wri l', 'left wrist'],
    ['low r', 'right lower leg'],
    ['NECK', 'neck'],
    ['tr', 'trunk'],
  ] as const) {
    it(`finds ${label} by "${typed}"`, () => expect(matchParts(typed)[0]?.label).to.equal(label))
  }

  it('asks which side where none was typed, and of what has none asks nothing', () => {
    for (const typed of ['ank', 'kn', 'thi', 'wr']) expect(sideAskedOf(matchParts(typed)), typed).to.equal(matchParts(typed)[0]?.region)
    for (const typed of ['l ank', 'right kn', 'neck', 'tr', '', 'wing']) expect(sideAskedOf(matchParts(typed)), typed).to.equal(null)
  })

  it('finds nothing by nothing, and nothing by nonsense', () => {
    expect(matchParts('  ')).to.deep.equal([])
    expect(matchParts('wing')).to.deep.equal([])
  })
})

describe('the simulated tape', () => {
  const steady = () => 0.5

  it('speaks lines that the protocol knows', () => {
    const tape = createLineSource(tapeKind, Math.random)
    for (let tick = 0; tick < 400; tick++) {
      if (tick % 40 === 0) tape.change({ value: (tick * 7) % 150, jitter: (tick / 40) % 3 })
      for (const line of [...tape.tick(), tape.hold()]) expect(parseInstrumentLine('tape', line).kind, line).not.to.equal('garbage')
    }
  })

  it('settles on the new length within a second, unsteady until then', () => {
    const tape = createLineSource(tapeKind, steady)
    tape.change({ value: 60, jitter: 0 })
    const first = parseInstrumentLine('tape', tape.tick()[0] ?? '')
    expect(first).to.include({ kind: 'reading', isSteady: false })
    let last = first
    for (let tick = 0; tick < 10; tick++) last = parseInstrumentLine('tape', tape.tick()[0] ?? '')
    expect(last).to.deep.equal({ kind: 'reading', value: 60, isSteady: true })
    expect(tape.hold()).to.equal('H 60.0')
  })

  it('is never steady while it jitters, and never beyond its reach', () => {
    const tape = createLineSource(tapeKind, () => 1)
    tape.change({ value: 150, jitter: 5 })
    for (let tick = 0; tick < 20; tick++) {
      const read = parseInstrumentLine('tape', tape.tick()[0] ?? '')
      if (read.kind === 'reading') {
        expect(read.isSteady).to.equal(false)
        expect(read.value).to.be.at.most(150)
      }
    }
  })

  it('loses what it is told to lose, and tells its battery', () => {
    const tape = createLineSource(tapeKind, steady)
    tape.change({ lossShare: 1, batteryPercent: 9 })
    const lines = Array.from({ length: 60 }, () => tape.tick()).flat()
    expect(lines.every((line) => line.startsWith('B '))).to.equal(true)
    expect(parseInstrumentLine('tape', lines[0] ?? '')).to.deep.equal({ kind: 'battery', percent: 9 })
  })
})
