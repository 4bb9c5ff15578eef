import { expect } from 'chai'
import { drawPatient } from '#core/practice/draw-patient'
import { seedNumber } from '#core/practice/seed'
import { readStation } from '#core/practice/stations/read-station'
import { planOfStation, shippedStations } from '#core/practice/stations/shipped-stations'
import { stationContext } from '#core/practice/stations/station-context'
import type { Station } from '#core/practice/stations/station'
import { formOf, stationOfForm, type StationForm } from '#core/practice/stations/station-form'

const stepIds = (station: Station): readonly string[] =>
  planOfStation(station, stationContext)?.procedure.steps.map((step) => step.id) ?? []
const stations = shippedStations(stationContext)
const [first] = stations
if (!first) throw new Error('no station')
const messages = (change: Partial<StationForm>): readonly string[] => {
  const made = stationOfForm({ ...formOf(first), ...change }, 'own')
  return [...made.problems, ...readStation(made.station, stepIds).problems].map((one) => one.message)
}

describe('the author’s form of a station', () => {
  it('says every shipped station, and makes the same of it', () => {
    for (const station of stations) {
      const made = stationOfForm(formOf(station), station.id)
      expect(made.problems, station.name).to.deep.equal([])
      expect(readStation(made.station, stepIds)).to.deep.equal({ station, problems: [] })
    }
  })

  const bad: readonly (readonly [string, Partial<StationForm>, RegExp])[] = [
    ['no name', { name: ' ' }, /name is missing/],
    ['a time of nothing', { limitMin: '0' }, /time limit has to be 30 to 10800 seconds/],
    ['a time in words', { limitMin: 'ten' }, /time limit has to be/],
    ['no step', { required: [] }, /at least one required step/],
    ['a strange step', { required: ['dance'] }, /dance is no step/],
    ['a height in words', { heightCm: 'tall' }, /height has to be/],
    ['no weight', { massKg: '' }, /weight has to be/],
    ['a question without an answer', { onAsking: 'Pulse?' }, /Line 1 of what is told on asking needs a question, = and its answer/],
    ['a prompt without its minute', { prompts: 'Hurry' }, /Line 1 of the prompts needs its minute/],
    ['a tolerance in words', { tolerances: { [first.asked[0]?.decision ?? '']: 'some' } }, /tolerance has to be above 0/],
  ]
  for (const [name, change, words] of bad)
    it(`names ${name}`, () => {
      const all = messages(change)
      expect(all).to.have.length(1)
      expect(all[0]).to.match(words)
    })

  it('takes figures with a comma', () => {
    const { station } = stationOfForm({ ...formOf(first), limitMin: '7,5', massKg: '70,5' }, 'own')
    expect(station['limitS']).to.equal(450)
    expect((station['patient'] as { massKg: number }).massKg).to.equal(70.5)
  })
})

describe('a seed', () => {
  it('of 40 digits differs in its last, and draws the same patient each time', () => {
    const long = '1234567890'.repeat(4)
    const other = `${long.slice(0, -1)}1`
    expect(seedNumber(long)).to.not.equal(seedNumber(other))
    expect(drawPatient(long)).to.deep.equal(drawPatient(long))
    expect(drawPatient(long)).to.not.deep.equal(drawPatient(other))
  })
  it('draws people that every technique can plan for', () => {
    for (let seed = 0; seed < 200; seed++) {
      const { heightCm, massKg } = drawPatient(String(seed))
      expect(heightCm).to.be.within(140, 200)
      expect(massKg).to.be.within(31, 160)
    }
  })
})
