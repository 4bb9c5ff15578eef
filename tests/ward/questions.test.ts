import { expect } from 'chai'
import { foldEpisode } from '#contract/events/fold'
import { unknownInjury, type EpisodeRecord, type InjuryRecord } from '#contract/records/episode'
import { questionsOf } from '#ward/case/questions'
import type { CaseRecord } from '#contract/records/case'

const injuryId = 'injury-1'
const record = { id: 'case-1', injuryId, technique: 'leg-slab', options: {} } as unknown as CaseRecord
const ankle: InjuryRecord = { ...unknownInjury, region: 'ankle', side: 'left' }

function stay(...events: readonly (readonly [kind: string, body: object])[]): EpisodeRecord {
  const opened = { patientId: 'p1', place: 'Bay 1', zone: 'Etc/UTC' }
  return ([['episode-opened', opened], ...events] as const).reduce<EpisodeRecord | null>(
    (before, [kind, body], index) =>
      foldEpisode(before, 'stay-1', {
        id: `e${index}`,
        kind,
        v: 1,
        body,
        at: `2026-01-10T08:0${index}:00.000Z`,
        actorName: 'Ada Finch',
      } as never),
    null,
  )!
}
const injury = (one: InjuryRecord) => ['injury', { injuryId, injury: one }] as const
const asked = (...questions: string[]) => ['asked', { injuryId, questions }] as const

describe('questions of a case', () => {
  it('are those that suit the part, and only what is always asked before the part is known', () => {
    const before = questionsOf(record, stay()).open
    expect(before).to.include('latex-allergy').and.not.include('kyphosis').and.not.include('numb')
    const { open, so } = questionsOf(record, stay(injury(ankle)))
    expect(open).to.include.members(['latex-allergy', 'numb', 'swelling', 'level', 'position', 'age', 'height', 'mass'])
    expect(open).to.not.include('kyphosis').and.not.include('dialysis-arm').and.not.include('fresh')
    expect(so).to.deep.equal(['fresh'])
  })

  it('that were answered by no are open no longer, and say when and by whom', () => {
    const { open, notSo } = questionsOf(record, stay(injury(ankle), asked('numb', 'latex-allergy', 'swelling')))
    expect(open).to.not.include.members(['numb']).and.not.include('latex-allergy').and.not.include('swelling')
    expect(notSo).to.deep.equal([
      { question: 'numb', injuryId, at: '2026-01-10T08:02:00.000Z', by: 'Ada Finch' },
      { question: 'latex-allergy', injuryId: null, at: '2026-01-10T08:02:00.000Z', by: 'Ada Finch' },
      { question: 'swelling', injuryId, at: '2026-01-10T08:02:00.000Z', by: 'Ada Finch' },
    ])
  })

  it('what is found later is so, whatever was answered before; taken back, it was asked and is not so', () => {
    const events = [injury(ankle), asked('numb', 'swelling'), injury({ ...ankle, flags: ['numb'], swelling: 'mild' })] as const
    const set = questionsOf(record, stay(...events))
    expect(set.so).to.deep.equal(['numb'])
    expect(set.notSo).to.deep.equal([])
    const taken = questionsOf(record, stay(...events, injury(ankle)))
    expect(taken.notSo.map((answered) => answered.question)).to.deep.equal(['numb', 'swelling'])
  })

  it('asked of one leg say nothing of the other; those of the patient hold', () => {
    const { open, notSo } = questionsOf(record, stay(injury(ankle), asked('numb', 'latex-allergy'), injury({ ...ankle, side: 'right' })))
    expect(open).to.include('numb')
    expect(notSo.map((answered) => answered.question)).to.deep.equal(['latex-allergy'])
  })

  it('asked twice stand once, with the later answer', () => {
    const { notSo } = questionsOf(record, stay(injury(ankle), asked('numb'), asked('numb')))
    expect(notSo).to.have.length(1)
    expect(notSo[0]!.at).to.equal('2026-01-10T08:03:00.000Z')
  })

  it('of another injury of the same stay are asked again', () => {
    const other = { ...record, injuryId: 'injury-2' }
    const two = stay(injury(ankle), ['injury', { injuryId: 'injury-2', injury: { ...ankle, side: 'right' } }], asked('numb'))
    expect(questionsOf(record, two).open).to.not.include('numb')
    expect(questionsOf(other, two).open).to.include('numb')
  })
})
