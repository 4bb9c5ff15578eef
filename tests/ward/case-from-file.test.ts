import { expect } from 'chai'
import { readCase } from '#core/files/read-case'
import { caseFile } from '#core/files/write-case'
import { foldCase, foldEpisode } from '#contract/events/fold'
import { exampleInjuryId } from '#contract/events/example-ids'
import { eventBodySchemas } from '#contract/events/schemas'
import { eventsOfFile, isUntouched } from '#ward/case/case-from-file'
import { toClinicalCase } from '#ward/case/clinical-case'
import type { CaseRecord } from '#contract/records/case'
import { eventKinds } from '#contract/events/index'
import { unknownInjury } from '#contract/records/episode'
import { exampleOf, techniqueIds } from '../harness/cases/example-cases'
import { foldStay } from '../harness/cases/fold-stay'

const plain = (value: unknown): unknown => JSON.parse(JSON.stringify(value))

describe('a case as a file', () => {
  for (const technique of techniqueIds) {
    it(`${technique}: written and read again it is the same case`, () => {
      const { clinicalCase } = readCase(exampleOf(technique))
      const again = readCase(plain(caseFile(clinicalCase!)))
      expect(again.problems).to.deep.equal([])
      expect(plain(again.clinicalCase)).to.deep.equal(plain(clinicalCase))
    })

    it(`${technique}: taken into a new case it is planned from the same`, () => {
      const file = readCase(exampleOf(technique)).clinicalCase!
      const { stay, record: on, event } = foldStay()
      const fresh: CaseRecord = { ...on, appliedAt: null }
      const { events } = eventsOfFile(file, fresh, stay)
      let [record, episode] = [fresh, stay]
      for (const { kind, body } of events) {
        // The stays of these tests have short ids.
        const sent = kind === 'injury' ? { ...body, injuryId: exampleInjuryId } : body
        const { error } = eventBodySchemas[kind].validate(sent)
        expect(error?.message, kind).to.equal(undefined)
        if (eventKinds[kind].stream === 'case') record = foldCase(record, 'c1', event(kind, body, 1))
        else episode = foldEpisode(episode, 'e1', event(kind, body, 1))
      }
      const taken = toClinicalCase(record, episode)
      expect(taken).to.deep.include({ technique, options: file.options, injury: file.injury, crew: file.crew, orders: file.orders })
      expect(taken.patient).to.deep.equal(file.patient)
      expect(taken.measurements.map((measurement) => [measurement.id, measurement.side, measurement.value])).to.deep.equal(
        file.measurements.map((measurement) => [measurement.id, measurement.side, measurement.value]),
      )
    })
  }

  it('leaves to people what they decide, and is read only into a case in which nothing was entered', () => {
    const { stay, record: on } = foldStay()
    const fresh: CaseRecord = { ...on, appliedAt: null }
    const file = readCase({
      ...exampleOf('leg-slab'),
      appliedAt: '2026-01-10T08:00:00Z',
      overrules: [{ caution: 'x', reason: 'because', by: 'a' }],
    })
    expect(eventsOfFile(file.clinicalCase!, fresh, stay).left).to.deep.equal(['what was overruled or set aside', 'when it was applied'])
    expect(isUntouched(fresh, stay)).to.equal(false)
    const blank = { ...stay, injuries: { i1: unknownInjury } }
    expect(isUntouched(fresh, blank)).to.equal(true)
    expect(isUntouched(on, blank)).to.equal(false)
  })

  it('does not take a test of feeling for done that nobody here has made', () => {
    const { stay, record } = foldStay()
    const example = exampleOf('leg-slab')
    const file = readCase({ ...example, injury: { ...example.injury, flags: ['fresh', 'feeling-tested', 'pulse-absent'] } }).clinicalCase!
    const { events, left } = eventsOfFile(file, record, stay)
    const injury = events.find((one) => one.kind === 'injury')?.body as { injury: { flags: readonly string[] } }
    expect(injury.injury.flags).to.deep.equal(['fresh', 'pulse-absent'])
    expect(left).to.deep.equal(['the test of feeling'])
  })

  it('brings a reading that was taken again once', () => {
    const { stay, record } = foldStay()
    const file = readCase({
      ...exampleOf('leg-slab'),
      measurements: [
        { id: 'ankle-girth', side: 'left', value: 25, unit: 'cm', key: 'k1' },
        { id: 'ankle-girth', side: 'left', value: 26, unit: 'cm', key: 'k2', supersedes: 'k1' },
      ],
    }).clinicalCase!
    const readings = eventsOfFile(file, record, stay).events.filter((one) => one.kind === 'reading')
    expect(readings.map((reading) => (reading.body as { value: number }).value)).to.deep.equal([26])
  })
})
