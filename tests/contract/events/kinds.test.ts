import { expect } from 'chai'
import { foldCase } from '#contract/events/fold'
import { eventKinds, findEventKind, type EventKindId } from '#contract/events/index'
import { newestVersion } from '#contract/events/upcast'
import type { CaseRecord } from '#contract/records/case'
import { goodBodies } from '../../harness/cases/good-events'
import { foldStay } from '../../harness/cases/fold-stay'
import { findCaseRules, findPlaceRules, findStayRules, findWardRules } from '../../../src/server/kinds/find-rules'
import { isPlain } from '../../../src/server/writing/write-plain-events'

const ids = Object.keys(eventKinds) as EventKindId[]
/** Fields that hold the id of another stream, whatever the kind. */
const naming = ['episodeId', 'replaces', 'with', 'cases', 'toCase', 'fromCase', 'withEpisode', 'placeId', 'caseId']

describe('every kind of event', () => {
  it('names the streams that its body names: it is not sent before they are known', () => {
    for (const id of ids) {
      const kind = findEventKind(id)
      const body = { ...kind?.example } as Readonly<Record<string, unknown>>
      const written = naming.flatMap((field) => body[field] ?? [])
      if (kind?.right === 'server' || kind?.right === 'self') continue
      expect(
        (kind?.names?.(body) ?? []).filter((name) => name !== undefined),
        id,
      ).to.have.members(written)
    }
  })

  it('that takes an acceptance away gives back what was set aside, and never waits to be kept together with others', () => {
    const { record } = foldStay()
    const accepted = { ...record, accepted: { plan: null } } as unknown as CaseRecord
    const dropping = ids.filter((id) => {
      const kind = findEventKind(id)
      if (kind?.stream !== 'case' || kind.nature === 'opening') return false
      const event = {
        id: 'e1',
        kind: id,
        v: newestVersion(id),
        body: goodBodies[id],
        at: '2026-03-27T10:00:00Z',
        actor: 'a',
        actorName: 'A',
      }
      return foldCase(accepted, record.id, event).accepted === null
    })
    expect(dropping).to.have.members(['plan-dropped', 'side-changed', 'technique'])
    for (const id of dropping) {
      expect(findCaseRules(id)?.after, id).to.be.a('function')
      expect(isPlain({ kind: id, stream: { type: 'case', id: record.id } }), id).to.equal(false)
    }
  })

  it('that the server completes says so, so that no page takes its own body for what was kept', () => {
    for (const id of ids) {
      const isCompleted = findEventKind(id)?.isCompletedByServer ?? false
      const completes = { case: findCaseRules(id)?.complete, episode: findStayRules(id)?.complete }
      const stream = findEventKind(id)?.stream
      const copies = stream === 'case' || stream === 'episode' ? completes[stream] !== undefined : false
      // What only looks up whether something is there adds nothing; what a fold says of a case as well is completed too.
      if (copies && !['store', 'protocol', 'moved-out'].includes(id)) expect(isCompleted, id).to.equal(true)
    }
  })

  it('has rules on the server only for its own stream', () => {
    for (const id of ids) {
      const rules = { case: findCaseRules(id), episode: findStayRules(id), ward: findWardRules(id), place: findPlaceRules(id) }
      const stream = findEventKind(id)?.stream
      for (const [type, found] of Object.entries(rules)) if (type !== stream) expect(found, `${id} of ${type}`).to.equal(null)
    }
  })
})
