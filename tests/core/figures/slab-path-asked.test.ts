import { expect } from 'chai'
import { changedExample } from '../../harness/cases/example-cases'
import { planFile } from '../../harness/cases/leg-slab-cases'

/** Codes of what is asked about the slab path of an example, with the path read as so many cm. */
function saidOf(
  technique: string,
  pathCm: number,
  change: (options: Record<string, unknown>) => void = () => undefined,
): readonly string[] {
  const file = changedExample(technique, (one) => {
    one.measurements = one.measurements.map((reading) =>
      reading['id'] === 'slab-path' ? { ...reading, value: pathCm, unit: 'cm' } : reading,
    )
    change((one as unknown as { options: Record<string, unknown> }).options)
  })
  return planFile(file)
    .cautions.filter(({ code, text }) => code === 'check-reading' && text.includes('Slab path'))
    .map(({ code }) => code)
}

describe('a slab path that is short for the body', () => {
  // 0.26 of 171 cm are 44.5 cm.
  it('is asked about under 0.26 of the stature, and not above', () => {
    expect(saidOf('leg-slab', 44)).to.deep.equal(['check-reading'])
    expect(saidOf('leg-slab', 45)).to.deep.equal([])
  })

  it('of a slab up to the thigh is asked about under 0.45', () => {
    const above = (options: Record<string, unknown>): void => void (options['extent'] = 'above-knee')
    // 0.45 of 171 cm are 77 cm.
    expect(saidOf('leg-slab', 76, above)).to.deep.equal(['check-reading'])
    expect(saidOf('leg-slab', 78, above)).to.deep.equal([])
  })
})
