import { expect } from 'chai'
import { gripWords, handGrips, handWords } from '#core/runs/grips'

describe('where hands are', () => {
  const places = (body: 'leg' | 'arm' | 'neck' | 'trunk') =>
    (['hold-distal', 'hold-joint', 'hold-proximal'] as const).map((place) => gripWords(place, body))

  it('is said by the part that is worked on', () => {
    expect(places('leg')).to.deep.equal(['at the foot', 'at the knee', 'under the thigh'])
    expect(places('arm')).to.deep.equal(['at the hand', 'at the elbow', 'at the upper arm'])
    for (const body of ['neck', 'trunk'] as const) expect(places(body)).to.deep.equal(['at the legs', 'at the head', 'at shoulder and hip'])
  })

  it('names whoever applies and whoever fetches, and a helper by their place', () => {
    for (const body of ['leg', 'arm', 'neck', 'trunk'] as const)
      for (const place of handGrips)
        expect(handWords(place, body)).to.equal(
          place === 'apply' ? 'You' : place === 'fetch' ? 'Whoever fetches' : `Helper ${gripWords(place, body)}`,
        )
  })
})
