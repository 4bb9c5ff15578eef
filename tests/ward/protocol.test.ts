import { expect } from 'chai'
import { catalogue } from '#core/catalogue/catalogue'
import { createMemo } from '#core/model/plan-context'
import { defaultProtocol, type Protocol } from '#core/quantities/defaults'
import type { FoldableEvent } from '#contract/event'
import { foldWard } from '#contract/events/fold'
import { protocolInForce, protocolName } from '#contract/records/protocol'
import { newWard, type WardRecord } from '#contract/records/ward'
import { caseRounds } from '#ward/owed/case-progress'
import { protocolEffect } from '#ward/owed/protocol-effect'
import { workAhead } from '#ward/owed/work-ahead'
import { foldStay } from '../harness/cases/fold-stay'

const quicker: Protocol = { ...defaultProtocol, numbers: { 'task-minutes.round': 8 }, rounds: { usual: [{ everyMin: 10, times: 60 }] } }
const draftedAt = '2026-03-27T09:00:00.000Z'

function ward(...events: readonly (readonly [kind: string, body: object, actor?: string])[]): WardRecord {
  return events.reduce<WardRecord>((record, [kind, body, actor = 'maren']) => {
    const event: FoldableEvent = { id: kind, kind, v: 1, body, at: draftedAt, actor, actorName: actor }
    return foldWard(record, event)
  }, newWard)
}

describe('a protocol in the ward’s record', () => {
  it('is a draft, then a numbered version; a draft written again is signed again', () => {
    const drafted = ward(['protocol-drafted', { protocol: quicker, note: 'timed' }], ['protocol-signed', { draftedAt }])
    expect(drafted.draft?.signed.map((one) => one.by)).to.deep.equal(['maren'])
    expect(protocolInForce(drafted)).to.equal(defaultProtocol)
    const twice = foldWard(drafted, {
      id: 's',
      kind: 'protocol-signed',
      v: 1,
      body: { draftedAt },
      at: draftedAt,
      actor: 'maren',
      actorName: 'maren',
    })
    expect(twice.draft?.signed).to.have.length(1)
    const again = ward(
      ['protocol-drafted', { protocol: quicker, note: '' }],
      ['protocol-signed', { draftedAt }],
      ['protocol-drafted', { protocol: quicker, note: '' }],
    )
    expect(again.draft?.signed).to.deep.equal([])
    const first = ward(['protocol-drafted', { protocol: quicker, note: 'timed' }], ['protocol-in-force', { draftedAt }, 'otto'])
    expect(first.draft).to.equal(undefined)
    expect(first.versions).to.have.length(1)
    expect(first.versions?.[0]).to.include({ draftedBy: 'maren', by: 'otto', note: 'timed' })
    expect(protocolName(protocolInForce(first))).to.equal('version 1')
    expect(ward(['protocol-drafted', { protocol: quicker, note: '' }], ['protocol-dropped', { draftedAt }]).draft).to.equal(undefined)
    expect(ward(['protocol-in-force', { draftedAt }]).versions).to.equal(undefined)
  })
})

describe('a case and its protocol', () => {
  const { record, stay, caseAfter, event, ms } = foldStay()
  const ctx = { catalogue, seed: 1, now: new Date(ms(30)).toISOString(), zone: 'UTC', memo: createMemo() }

  it('goes by the one it has: rounds, and how long they take', () => {
    const moved = caseAfter(event('protocol', { protocol: quicker }, 5))
    expect(caseRounds(record, stay, ms(5))[0]?.dueAt).to.equal(ms(15))
    expect(caseRounds(moved, stay, ms(5))[0]?.dueAt).to.equal(ms(10))
    const takes = (one: typeof record): number | undefined => workAhead(one, stay, ms(5)).at(-1)?.takesMin
    expect([takes(record), takes(moved)]).to.deep.equal([6, 8])
  })

  it('is told what another one would change, and nothing where nothing would', () => {
    expect(protocolEffect(record, stay, defaultProtocol, ctx, ms(5))).to.deep.equal([])
    expect(protocolEffect(record, stay, quicker, ctx, ms(5))).to.deep.equal(['Next round 5 min earlier', 'Rounds in the next 24 h 16 → 62'])
    const padded: Protocol = { ...defaultProtocol, options: { 'leg-slab/extent': 'above-knee' } }
    expect(protocolEffect(record, stay, padded, ctx, ms(5)).join(' ')).to.match(/above|thigh|knee/i)
  })
})
