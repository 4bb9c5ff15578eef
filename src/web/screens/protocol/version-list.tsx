import { saveJson } from '../../parts/save-file'
import { useState } from 'react'
import type { CaseEffect, EffectsAnswer } from '#contract/api/protocols'
import { paths } from '#contract/api/paths'
import { protocolInForce, protocolName } from '#contract/records/protocol'
import type { WardRecord } from '#contract/records/ward'
import { protocolFile } from '#core/files/read-protocol'
import { compareProtocols } from '#core/protocols/compare-protocols'
import { defaultProtocol } from '#core/quantities/defaults'
import { Button } from '../../parts/button'
import { formatMoment } from '../../parts/format-time'
import { Notice } from '../../parts/notice'
import { makeEvent, sendEvent } from '../../sync/outbox'
import { useAnswer } from '../../sync/use-answer'
import { ChangeList } from './draft-panel'
import { EffectList } from './effect-list'

/** Every version there was, what it changed, and who answers for it; the newest first. */
export function VersionList({ ward }: { ward: WardRecord }) {
  const versions = ward.versions ?? []
  return (
    <section aria-labelledby="versions" className="grid gap-3">
      <h2 id="versions" className="text-lg font-bold">
        Versions
      </h2>
      {versions
        .map((version, index) => ({ ...version, before: versions[index - 1]?.protocol ?? defaultProtocol }))
        .toReversed()
        .map(({ protocol, at, by, draftedBy, signedBy, note, before }, index) => (
          <details key={protocol.version} open={index === 0} className="rounded-2xl border border-line bg-sheet px-4 py-2">
            <summary className="min-h-11 cursor-pointer content-center">
              <strong>Version {protocol.version}</strong>
              <span className="ml-2 text-soft">
                {index === 0 ? 'in force since ' : ''}
                {formatMoment(at)}
              </span>
            </summary>
            <div className="grid gap-3 pb-3">
              <p className="text-soft">
                {note ? `${note}. ` : ''}Drafted by {draftedBy}
                {signedBy.length > 0 ? `, signed by ${signedBy.join(' and ')}` : ''}, put in force by {by}.
              </p>
              <ChangeList changes={compareProtocols(before, protocol)} none="The same figures as before." />
              <p>
                <Button onClick={() => saveJson(`protocol-${protocol.version}.json`, protocolFile(protocol))}>
                  Save version {protocol.version} as a file
                </Button>
              </p>
            </div>
          </details>
        ))}
      {versions.length === 0 ? <p className="text-soft">Nobody has changed anything: everything is as shipped.</p> : null}
    </section>
  )
}

/** Live cases that go by another version than the one in force, and what moving them would change. */
export function LeftBehind({ ward, mayChange }: { ward: WardRecord; mayChange: boolean }) {
  const [isAsked, setAsked] = useState(false)
  const { answer, refusal } = useAnswer<EffectsAnswer>(isAsked ? paths.protocolEffects('in-force') : null)
  const inForce = protocolInForce(ward)
  const move = ({ caseId, caseVersion }: CaseEffect): void =>
    void sendEvent(makeEvent({ type: 'case', id: caseId }, 'protocol', { protocol: inForce }, caseVersion))
  const behind = answer?.cases.filter((one) => one.from !== protocolName(inForce)) ?? []
  return (
    <section aria-labelledby="behind" className="grid gap-3">
      <h2 id="behind" className="text-lg font-bold">
        Live cases on another version
      </h2>
      <p className="text-soft">A case keeps the version it was opened with until a lead moves it.</p>
      {refusal ? <Notice tone="caution" lead={refusal} role="alert" /> : null}
      {!isAsked ? (
        <p>
          <Button onClick={() => setAsked(true)}>Look for them</Button>
        </p>
      ) : !answer ? (
        <p role="status">Planning every live case again…</p>
      ) : behind.length === 0 ? (
        <p role="status">Every live case goes by {protocolName(inForce)}.</p>
      ) : (
        <EffectList cases={behind} {...(mayChange ? { onMove: move } : {})} />
      )}
    </section>
  )
}
