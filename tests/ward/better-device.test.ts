import { expect } from 'chai'
import { readCase } from '#core/files/read-case'
import { injuryFlags, patientFlags } from '#core/model/vocabulary'
import { rankBySuit } from '#core/techniques/rank-techniques'
import { betterDevice } from '#ward/case/better-device'
import type { CaseRecord } from '#contract/records/case'
import type { EpisodeRecord } from '#contract/records/episode'
import { exampleOf, techniqueIds } from '../harness/cases/example-cases'
import { testContext } from '../harness/cases/leg-slab-cases'

const fresh = (technique: string, change: Partial<CaseRecord> = {}): CaseRecord =>
  ({ id: 'c', injuryId: 'i', technique, measurements: [], runs: [], accepted: null, ...change }) as unknown as CaseRecord

/** The example of a technique, with one thing more known of the patient or the injury. */
function with_(technique: string, flag: string | null) {
  const { clinicalCase } = readCase(exampleOf(technique))
  if (!clinicalCase) throw new Error(`${technique} has no example`)
  const add = <F extends string>(flags: readonly F[], known: readonly string[]): readonly F[] =>
    flag !== null && known.includes(flag) ? [...flags, flag as F] : flags
  const { patient, injury } = clinicalCase
  const changed = {
    ...clinicalCase,
    patient: { ...patient, flags: add(patient.flags, patientFlags) },
    injury: { ...injury, flags: add(injury.flags, injuryFlags) },
  }
  return { ranked: rankBySuit(changed, testContext()), episode: { injuries: { i: injury } } as unknown as EpisodeRecord }
}

describe('what is stopped is never what a case goes on with', () => {
  for (const technique of techniqueIds)
    it(`${technique}: with any one thing more known, the device in hand is stopped only where every other is`, () => {
      for (const flag of [null, ...patientFlags, ...injuryFlags]) {
        const { ranked, episode } = with_(technique, flag)
        const goesOn = betterDevice(fresh(technique), episode, ranked)?.technique ?? technique
        const verdict = ranked.find((one) => one.technique.id === goesOn)?.verdict
        if (verdict === 'stop')
          expect(
            ranked.every((one) => one.verdict === 'stop'),
            `${technique}, ${flag}: ${goesOn}`,
          ).to.equal(true)
        const again = betterDevice(fresh(goesOn), episode, ranked)
        expect(again, `${technique}, ${flag}: it goes on to ${again?.technique} from ${goesOn}`).to.equal(null)
      }
    })

  it('says so where the device in hand was stopped, and nothing where it was for another part', () => {
    const said = [...patientFlags, ...injuryFlags].flatMap((flag) => {
      const { ranked, episode } = with_('ring-traction', flag)
      expect(betterDevice(fresh('care-collar'), episode, ranked)?.words, flag).to.equal(null)
      return ranked
        .filter(({ verdict }) => verdict === 'stop')
        .map(({ technique }) => [technique.name, betterDevice(fresh(technique.id), episode, ranked)?.words ?? null] as const)
    })
    const inWords = said.filter(([, words]) => words !== null)
    expect(inWords).to.have.lengthOf.above(3)
    for (const [name, words] of inWords) expect(words).to.match(new RegExp(`^${name} is stopped here: .+ is chosen instead\\.$`))
  })

  it('changes nothing of itself once something was measured, begun or accepted', () => {
    const { ranked, episode } = with_('leg-slab', null)
    for (const change of [{ measurements: [{}] }, { runs: [{}] }, { accepted: {} }])
      expect(betterDevice(fresh('care-collar', change as never), episode, ranked)).to.equal(null)
  })
})
