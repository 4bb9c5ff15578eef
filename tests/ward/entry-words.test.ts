import { expect } from 'chai'
import { eventKinds, type EventKindId } from '#contract/events/index'
import { newestVersion } from '#contract/events/upcast'
import { entryWords } from '#ward/story/entry-words'

describe('an entry in words', () => {
  const ofKind = (kind: EventKindId, body: object): string => entryWords(kind, newestVersion(kind), body)

  const worked: readonly (readonly [EventKindId, object, string])[] = [
    ['reading', { id: 'calf-girth', side: 'left', value: 38.5, unit: 'cm', tool: 'tape' }, 'Calf girth, left: 38.5 cm by tape'],
    ['reading', { id: 'skin-chin', value: 'red-not-blanching' }, 'Skin chin: red not blanching'],
    ['step', { runId: 'x', stepId: 'wrap-pad', outcome: 'skipped', reason: 'no pad left' }, 'Step wrap pad skipped: no pad left'],
    ['worry', { text: 'Look at the toes twice' }, 'Worry: Look at the toes twice'],
    ['fit', { testId: 'toes-seen', isGood: false, note: 'trimmed back' }, 'Fit: test toes seen, is good no, note trimmed back'],
    [
      'task-done',
      { taskId: 'care', text: 'Wash, straps equal.', outcome: 'done', reason: '', answers: { washed: 'yes', chin: 'red-not-blanching' } },
      'Wash, straps equal, done: washed yes, chin red not blanching',
    ],
    ['asked', { injuryId: 'i1', questions: ['numb', 'latex-allergy', 'swelling'] }, 'Asked, not so: numb, latex allergy, swelling'],
    ['flags', { flags: ['diabetes', 'fragile-skin'] }, 'Flags: diabetes, fragile skin'],
  ]
  for (const [kind, body, words] of worked)
    it(`says ${words}`, () => {
      expect(ofKind(kind, body)).to.equal(words)
    })

  it('says every kind without ids, brackets or undefined', () => {
    for (const kind of Object.keys(eventKinds) as EventKindId[]) {
      const words = ofKind(kind, eventKinds[kind].example)
      expect(words, kind).to.match(/^[A-Z]/)
      expect(words, kind).not.to.match(/[0-9a-f]{8}-[0-9a-f]{4}|undefined|null|NaN|\[object|[{}[\]]/)
      expect(words.length, kind).to.be.at.most(400)
    }
  })

  it('says a kind that it does not know', () => {
    expect(entryWords('later-kind', 1, { text: 'something' })).to.equal('Later kind: something')
  })
})
