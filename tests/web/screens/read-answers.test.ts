import { expect } from 'chai'
import { skinOf, yesOf, type TaskForm } from '#core/model/task-form'
import { readAnswers } from '../../../src/web/screens/watch/read-answers'

const form: TaskForm = [
  skinOf('heel', 'heel'),
  yesOf('cords', 'Cords run on their wheels'),
  { kind: 'figure', id: 'load', label: 'Pull', unit: 'kg', least: 0, greatest: 15 },
  { kind: 'words', id: 'decided', label: 'What was decided' },
]
const all = { heel: 'intact', cords: 'no' }

describe('what is said of owed work', () => {
  it('is kept by question, figures read with comma or point, empty ones left out', () => {
    expect(readAnswers(form, { ...all, load: '4,5', decided: ' film at six ' })).to.deep.equal({
      ok: true,
      answers: { heel: 'intact', cords: 'no', load: 4.5, decided: 'film at six' },
    })
    expect(readAnswers(form, { ...all, load: ' ' })).to.deep.equal({ ok: true, answers: all })
  })

  it('lacks nothing that has to be looked at: what is open is named', () => {
    const read = readAnswers(form, { cords: 'yes' })
    expect(read.ok ? '' : read.message).to.match(/^Not said yet: Skin, heel\./)
  })

  it('wants skin read, and lets a length be', () => {
    const care: TaskForm = [
      { kind: 'reading', id: 'skin-chin', label: 'Skin, chin', wanted: 'intact' },
      { kind: 'reading', id: 'liner-margin', label: 'Liner margin', wanted: 'at least 0.5 cm' },
    ]
    const read = readAnswers(care, {})
    expect(read.ok ? '' : read.message).to.match(/^Not said yet: Skin, chin\./)
    expect(readAnswers(care, { 'skin-chin': 'broken' })).to.deep.equal({ ok: true, answers: {} })
  })

  for (const load of ['-1', '15.1', 'heavy', '1e9', 'NaN']) {
    it(`refuses a load of ${load} with its range`, () => {
      const read = readAnswers(form, { ...all, load })
      expect(read.ok ? '' : read.message).to.match(/from 0 to 15 kg, not/)
    })
  }

  it('keeps a note where nothing is asked', () => {
    expect(readAnswers([], { note: ' rung, slot at ten ' })).to.deep.equal({ ok: true, answers: { note: 'rung, slot at ten' } })
    expect(readAnswers([], {})).to.deep.equal({ ok: true, answers: {} })
  })
})
