import { readdirSync, readFileSync } from 'node:fs'
import { expect } from 'chai'
import { isThere, missingIn, missingWords, requiredIn, type FormId } from '../../../src/web/parts/required'

interface Need {
  readonly label: string
  readonly remedy: string
  readonly least?: number
}
const forms = Object.entries(requiredIn) as unknown as readonly (readonly [FormId, Readonly<Record<string, Need>>])[]
const enough = (need: Need): string => 'a'.repeat(need.least ?? 1)
/** The answer of a form, whichever it is. */
const answer = (form: FormId, entered: Readonly<Record<string, unknown>>): string | null =>
  (missingIn as (form: FormId, entered: object) => string | null)(form, entered)

describe('what forms need', () => {
  for (const [form, fields] of forms)
    it(`${form}: each field left out is named with what to do; with all nothing is`, () => {
      const all = Object.fromEntries(Object.entries(fields).map(([field, need]) => [field, enough(need)]))
      expect(answer(form, all)).to.equal(null)
      for (const [field, need] of Object.entries(fields))
        for (const left of [null, undefined, '', '  ', [], 'a'.repeat((need.least ?? 1) - 1)]) {
          const words = answer(form, { ...all, [field]: left })
          expect(words, `${field}: ${JSON.stringify(left)}`).to.equal(missingWords(need))
          expect(words).to.match(/^[A-Z“].* (is|are) missing: [a-z].*\.$/)
        }
    })
  it('a figure is there also where it is zero, and of several missing the first is named', () => {
    expect(isThere(0, { label: 'Reading', remedy: 'read it' })).to.equal(true)
    expect(missingIn('team', { name: '', places: [] })).to.match(/^Team is missing/)
  })
  it('are said by this table alone', () => {
    const root = new URL('../../../src/web/', import.meta.url)
    const own = (readdirSync(root, { recursive: true }) as string[]).filter(
      (file) => /(?<!required)\.tsx?$/.test(file) && /(?:is|are) missing: /.test(readFileSync(new URL(file, root), 'utf8')),
    )
    expect(own).to.deep.equal([])
  })
})
