import { expect } from 'chai'
import type { FoldableEvent } from '#contract/event'
import { foldWard } from '#contract/events/fold'
import type { CaseRecord } from '#contract/records/case'
import type { EpisodeRecord } from '#contract/records/episode'
import { newWard, type Rota, type WardRecord } from '#contract/records/ward'
import { callsOf } from '#ward/rounds/calls-of'
import { chainFor, onDuty, pageDue } from '#ward/standing/escalation'
import { standingOf } from '#ward/standing/standing-of-case'
import { bothLegs } from '../../src/server/demo/findings'
import { foldStay } from '../harness/cases/fold-stay'

const { event, stayAfter, caseAfter, ms } = foldStay({ place: 'Ward A, bed 2' })
const round = (atMin: number, change: object): FoldableEvent =>
  event('round', { cases: ['c1'], isBaseline: false, outcome: 'done', reason: '', findings: bothLegs('left', change) }, atMin)
const alarming = stayAfter(round(10, { stretchPain: true }))
const due = (record: CaseRecord, atMin: number, stay: EpisodeRecord = alarming, ward: WardRecord = newWard) =>
  pageDue(record, stay, ward, ms(atMin))

const footDrop = { 'deep-peroneal': 'none' }

/** The page that was due, sent. */
function paged(record: CaseRecord, atMin: number, stay: EpisodeRecord = alarming): FoldableEvent {
  const page = due(record, atMin, stay)
  if (!page) throw new Error(`nobody is paged at minute ${atMin}`)
  return event('paged', { pageId: `page-${atMin}`, ...page }, atMin)
}
/** The first act on the body, done. */
const acted = (atMin: number): FoldableEvent => event('response', { action: 'open-to-skin', outcome: 'done', why: '' }, atMin)
const receipt = (pageId: string, what: string, atMin: number, who = 'Sorrel Vane'): FoldableEvent =>
  event('page-receipt', { pageId, what, who }, atMin)

describe('who is paged about what is urgent', () => {
  it('is nobody while nothing is urgent, and the first of the chain at once', () => {
    expect(due(caseAfter(), 11, stayAfter(round(10, {})))).to.equal(null)
    const page = due(caseAfter(), 10)
    expect(page).to.include({ step: 0, role: 'Nurse in charge', name: '' })
    expect(page?.text).to.match(/^Ward A, bed 2: /)
    expect(page?.text).to.not.include('Hale Brannock')
    expect(page?.findings.length).to.be.above(0)
  })

  it('goes on to the next when nobody has answered in its minutes, and calls the last again and again', () => {
    let record = caseAfter(paged(caseAfter(), 10))
    expect(due(record, 14)).to.equal(null)
    for (const [atMin, role] of [
      [15, 'Registrar'],
      [20, 'Consultant'],
      [25, 'Consultant'],
      [30, 'Consultant'],
    ] as const) {
      expect(due(record, atMin - 1), `minute ${atMin - 1}`).to.equal(null)
      expect(due(record, atMin)?.role, `minute ${atMin}`).to.equal(role)
      record = caseAfter(
        ...(record.pages ?? []).map((page) => event('paged', page, (Date.parse(page.at) - ms(0)) / 60_000)),
        paged(record, atMin),
      )
    }
  })

  it('calls the first two together about a lost pulse or an airway, and then waits', () => {
    const pulseless = stayAfter(round(10, { pulse: 'absent' }))
    const first = paged(caseAfter(), 10, pulseless)
    const second = due(caseAfter(first), 10, pulseless)
    expect(second).to.include({ step: 1, role: 'Registrar' })
    const both = caseAfter(first, event('paged', { pageId: 'page-b', ...second }, 10))
    expect(due(both, 11, pulseless)).to.equal(null)
    expect(due(caseAfter(paged(caseAfter(), 10)), 10)).to.equal(null)
  })

  it('says in a repeat who has read it and not answered', () => {
    const read = caseAfter(paged(caseAfter(), 10), receipt('page-10', 'read', 11, 'Wenna Trewin'))
    expect(due(read, 15)?.text).to.include('Read, not answered: Wenna Trewin.')
    expect(due(caseAfter(paged(caseAfter(), 10)), 15)?.text).to.not.include('Read, not answered')
  })

  it('says whose it is where no bed does, and which limb', () => {
    const hall = stayAfter(event('place', { place: 'Plaster room' }, 0), round(10, { pulse: 'absent' }))
    expect(due(caseAfter(), 10, hall)?.text).to.match(/^Plaster room, H\.B\.: Left leg: no pulse felt/)
  })

  it('goes on at once where the pager could not bring it, and does not hammer the last', () => {
    const first = paged(caseAfter(), 10)
    const refused = caseAfter(first, receipt('page-10', 'refused', 10, ''))
    expect(due(refused, 10)?.role).to.equal('Registrar')
    const ward = { ...newWard, chains: [{ area: '', steps: [{ role: 'Nurse in charge', afterMin: 0 }] }] }
    expect(due(refused, 11, alarming, ward)).to.equal(null)
    expect(due(refused, 15, alarming, ward)?.role).to.equal('Nurse in charge')
  })

  it('goes to the next at once where somebody presses Call, and to the first where nobody was paged yet', () => {
    const first = paged(caseAfter(), 10)
    expect(due(caseAfter(first), 11)).to.equal(null)
    const pressed = caseAfter(first, event('page-asked', {}, 11))
    expect(due(pressed, 11)?.role).to.equal('Registrar')
    const done = caseAfter(first, event('page-asked', {}, 11), event('paged', { pageId: 'next', ...due(pressed, 11) }, 11))
    expect(due(done, 12)).to.equal(null)
  })

  it('goes on after an answer until the first act on the body is done, or whoever was called is at the bedside', () => {
    const answered = [paged(caseAfter(), 10), receipt('page-10', 'answered', 12)]
    expect(due(caseAfter(...answered), 16)).to.equal(null)
    const again = due(caseAfter(...answered), 17)
    expect(again).to.include({ step: 0 })
    expect(again?.text).to.match(/First: Call the senior and open at once/)
    expect(due(caseAfter(...answered, acted(13)), 60)).to.equal(null)
    const called = event('response', { action: 'call-and-open', outcome: 'done', why: '' }, 13)
    expect(due(caseAfter(...answered, called), 60), 'called is not opened').to.not.equal(null)
    expect(
      due(caseAfter(...answered, event('response', { action: 'call-and-open', outcome: 'not-done', why: 'no shears' }, 13)), 60),
    ).to.not.equal(null)
    const here = event('call', { to: 'Sorrel Vane', isReached: true, how: 'bedside', said: '' }, 14)
    expect(due(caseAfter(...answered, here), 60)).to.equal(null)
  })

  it('is not stopped by a senior’s words about something else, and waits while what they left holds', () => {
    const worse = stayAfter(round(10, { stretchPain: true }), round(20, { stretchPain: true, movement: footDrop }))
    const open = { by: 'Otto Marlowe-Pike', how: 'telephone', answer: 'leave', what: 'theatre at once' }
    const left = event(
      'senior-decision',
      { ...open, how: 'bedside', saw: [{ id: 'leg-left/stretchPain', level: 'urgent' }], forMin: 30 },
      12,
    )
    const first = paged(caseAfter(), 10)
    expect(due(caseAfter(first, left), 25)).to.equal(null)
    expect(due(caseAfter(first, left), 25, worse)?.findings).to.include('leg-left/movement/deep-peroneal')
    expect(due(caseAfter(first, left), 43), 'it comes back at its end').to.not.equal(null)
  })

  it('stops once a person answered and the first act is done, however that was told', () => {
    const first = paged(caseAfter(), 10)
    const delivered = caseAfter(first, receipt('page-10', 'delivered', 10), receipt('page-10', 'read', 11))
    expect(due(delivered, 15)?.role, 'read is not answered').to.equal('Registrar')
    const answered = caseAfter(first, receipt('page-10', 'answered', 12), acted(13))
    expect(due(answered, 60)).to.equal(null)
    expect(standingOf(answered, alarming, null, ms(13)).call?.answered).to.include({ to: 'Sorrel Vane', by: 'Pager' })
    const phoned = caseAfter(
      first,
      event('call', { to: 'Sorrel Vane, registrar', isReached: true, how: 'telephone', said: 'comes' }, 12),
      acted(13),
    )
    expect(due(phoned, 60)).to.equal(null)
  })

  it('tells whoever has the call of what joins it, once', () => {
    const first = paged(caseAfter(), 10)
    const answered = caseAfter(first, receipt('page-10', 'answered', 12))
    const worse = stayAfter(round(10, { stretchPain: true }), round(20, { stretchPain: true, movement: footDrop }))
    const joined = due(answered, 20, worse)
    expect(joined).to.include({ step: 0, role: 'Nurse in charge' })
    expect(joined?.text).to.not.match(/stretch/)
    const told = caseAfter(first, receipt('page-10', 'answered', 12), acted(13), event('paged', { pageId: 'joined', ...joined }, 20))
    expect(due(told, 40, worse)).to.equal(null)
  })

  it('does not wait longer for the next step because something joined', () => {
    const worse = stayAfter(round(10, { stretchPain: true }), round(14, { stretchPain: true, movement: footDrop }))
    const first = paged(caseAfter(), 10)
    const record = caseAfter(first, event('paged', { pageId: 'joined', ...due(caseAfter(first), 14, worse) }, 14))
    expect(due(record, 15, worse)?.role).to.equal('Registrar')
  })

  it('keeps a receipt once, and says in the calls who did not answer', () => {
    const record = caseAfter(
      event('paged', { pageId: 'a', step: 0, role: 'Nurse in charge', name: 'Wenna', text: '', findings: [] }, 10),
      receipt('a', 'delivered', 10, ''),
      receipt('a', 'delivered', 11, ''),
      event('paged', { pageId: 'b', step: 1, role: 'Registrar', name: '', text: '', findings: [] }, 15),
      receipt('b', 'answered', 16, ''),
    )
    expect(record.pages?.[0]?.receipts).to.have.length(1)
    expect(callsOf(record).map(({ to, isReached }) => [to, isReached])).to.deep.equal([
      ['Wenna, nurse in charge', false],
      ['Registrar', true],
    ])
  })
})

describe('the rota', () => {
  const night = { role: 'Registrar', name: 'Sorrel Vane', from: '20:00', until: '08:00', days: [5] }
  const day = { role: 'registrar ', name: 'Perran Lugg', from: '08:00', until: '20:00', days: [1, 2, 3, 4, 5] }
  const rotas: readonly Rota[] = [
    { area: '', shifts: [night, day] },
    { area: 'Ward A', shifts: [{ ...day, name: 'Own of A' }] },
  ]
  const who = (at: string, place = 'Ward B', zone = 'Etc/UTC'): string | null => onDuty({ rotas }, 'Registrar', place, Date.parse(at), zone)

  it('knows who is on, over midnight and by the clock of the place', () => {
    // The 27th of March 2026 is a Friday.
    expect(who('2026-03-27T19:59:00Z')).to.equal('Perran Lugg')
    expect(who('2026-03-27T20:00:00Z')).to.equal('Sorrel Vane')
    expect(who('2026-03-28T07:59:00Z')).to.equal('Sorrel Vane')
    expect(who('2026-03-28T08:00:00Z')).to.equal(null)
    expect(who('2026-03-27T03:00:00Z'), 'Thursday night is not hers').to.equal(null)
    expect(who('2026-03-27T10:30:00Z', 'Ward B', 'Asia/Tokyo')).to.equal('Perran Lugg')
    expect(who('2026-03-27T11:30:00Z', 'Ward B', 'Asia/Tokyo')).to.equal('Sorrel Vane')
  })

  it('takes the area’s own before that of everywhere', () => {
    expect(who('2026-03-27T10:00:00Z', 'ward a, bed 3')).to.equal('Own of A')
    expect(who('2026-03-27T23:00:00Z', 'Ward A, bed 3')).to.equal('Sorrel Vane')
  })
})

describe('what a lead sets for the ward', () => {
  const set = (record: WardRecord, kind: string, body: object): WardRecord => foldWard(record, event(kind, body, 0))

  it('replaces a chain by its area, and gives the area back to that of everywhere', () => {
    const own = set(newWard, 'chain-set', { area: 'Ward A', steps: [{ role: 'Consultant', afterMin: 0 }] })
    expect(chainFor(own, 'Ward A, bed 1').steps.map((step) => step.role)).to.deep.equal(['Consultant'])
    expect(chainFor(own, 'Ward B').steps[0]?.role).to.equal('Nurse in charge')
    const back = set(own, 'chain-set', { area: 'Ward A', steps: [] })
    expect(chainFor(back, 'Ward A, bed 1').steps[0]?.role).to.equal('Nurse in charge')
  })

  it('keeps rotas and places, and leaves the record alone for what it does not know', () => {
    const shifts = [{ role: 'Registrar', name: 'A', from: '08:00', until: '20:00', days: [1] }]
    const withRota = set(newWard, 'rota-set', { area: '', shifts })
    expect(withRota.rotas).to.deep.equal([{ area: '', shifts }])
    expect(set(withRota, 'rota-set', { area: '', shifts: [] }).rotas).to.deep.equal([])
    expect(set(newWard, 'areas-set', { areas: [{ name: 'Ward A', beds: ['bed 1'] }] }).areas).to.have.length(1)
    expect(set(newWard, 'from-the-future', {})).to.equal(newWard)
  })
})
