import { useState } from 'react'
import type { WardAnswer } from '#contract/api/pager'
import { paths } from '#contract/api/paths'
import { protocolInForce, protocolName } from '#contract/records/protocol'
import { wardId, type WardRecord } from '#contract/records/ward'
import { hasRight } from '#contract/rights'
import { readProtocol } from '#core/files/read-protocol'
import { compareProtocols } from '#core/protocols/compare-protocols'
import type { Protocol } from '#core/quantities/defaults'
import { Button } from '../../parts/button'
import { FileButton } from '../../parts/file-button'
import { formatMoment } from '../../parts/format-time'
import { Notice } from '../../parts/notice'
import { parseJson } from '../../parts/parse-json'
import { makeEvent, sendEvent } from '../../sync/outbox'
import { usePerson } from '../../sync/session-store'
import { useAnswer } from '../../sync/use-answer'
import { useDraft } from '../../sync/use-draft'
import { DraftPanel } from './draft-panel'
import { ProtocolEditor } from './protocol-editor'
import { formOf, readForm, type ProtocolForm } from './protocol-form'
import { LeftBehind, VersionList } from './version-list'

/** What is local here: lists of rounds, schools, figures, brace stops; drafted and put in force by leads, for everybody to read. */
export function ProtocolScreen() {
  const { answer, refusal } = useAnswer<WardAnswer>(paths.ward)
  return (
    <main id="main" className="page page-list">
      <h1 className="text-2xl font-bold">Protocol</h1>
      {refusal ? <Notice tone="caution" lead={refusal} role="alert" /> : null}
      {answer ? <Protocols ward={answer.ward} version={answer.version} /> : refusal ? null : <p className="text-soft">Reading…</p>}
    </main>
  )
}

function Protocols({ ward, version }: { ward: WardRecord; version: number }) {
  const person = usePerson()
  const mayChange = hasRight(person.roles, 'manage-protocols')
  const [typed, setTyped] = useDraft('protocol')
  const setForm = (next: ProtocolForm | null): void => setTyped(next ? JSON.stringify(next) : '')
  const { draft } = ward
  const inForce = protocolInForce(ward)
  const form = typed === '' ? null : stillOpen(JSON.parse(typed) as ProtocolForm, inForce)
  const last = ward.versions?.at(-1)
  const begin = (): void => setForm(formOf(draft?.protocol ?? inForce, draft?.note ?? '', inForce))
  return (
    <>
      <p className="mb-5 text-soft">
        {last ? `In force: ${protocolName(inForce)}, since ${formatMoment(last.at)}, by ${last.by}.` : 'In force: everything as shipped.'}
        {mayChange ? '' : ' Set by leads: ask one to change it.'}
      </p>
      <div className={`grid items-start gap-8 ${form ? 'lg:grid-cols-[minmax(0,1fr)_24rem]' : ''}`}>
        {form && mayChange ? (
          <ProtocolEditor
            form={form}
            ward={ward}
            onChange={setForm}
            onClose={() => setForm(null)}
            onKeep={(protocol, note) => {
              const event = makeEvent({ type: 'ward', id: wardId }, 'protocol-drafted', { protocol, note }, version)
              void sendEvent(event)
            }}
          />
        ) : null}
        <div className="grid gap-8">
          {draft ? (
            <DraftPanel
              ward={ward}
              draft={draft}
              mayChange={mayChange}
              onStep={(step) => {
                void sendEvent(makeEvent({ type: 'ward', id: wardId }, step, { draftedAt: draft.at }, version))
                if (step !== 'protocol-signed') setForm(null)
              }}
            />
          ) : null}
          {mayChange && !form ? (
            <div className="flex flex-wrap items-start gap-3">
              <Button look={draft ? 'plain' : 'next'} onClick={begin}>
                {draft ? 'Go on writing' : 'Draft a change'}
              </Button>
              <ReadFile onRead={(protocol, note) => setForm(formOf(protocol, note, inForce))} />
            </div>
          ) : null}
          <VersionList ward={ward} />
          {ward.versions ? <LeftBehind ward={ward} mayChange={mayChange} /> : null}
        </div>
      </div>
    </>
  )
}

/** What was typed here, unless it is what another lead has put in force meanwhile. */
function stillOpen(form: ProtocolForm, inForce: Protocol): ProtocolForm | null {
  if (form.basedOn === protocolName(inForce)) return form
  const { protocol } = readForm(form, inForce)
  return protocol && compareProtocols(inForce, protocol).length === 0 ? null : form
}

/** A protocol from a file, into the fields: it counts for nothing until it is kept and put in force. */
function ReadFile({ onRead }: { onRead: (protocol: Protocol, note: string) => void }) {
  const [faults, setFaults] = useState<readonly string[]>([])
  const read = (text: string, name: string): void => {
    const { protocol, problems } = readProtocol(parseJson(text))
    if (protocol && problems.every((problem) => problem.code === 'out-of-range')) return onRead(protocol, `from the file ${name}`)
    setFaults(problems.map((problem) => problem.message))
  }
  return (
    <>
      <FileButton label="File with a protocol" accept="application/json,.json" onText={read}>
        From a file
      </FileButton>
      {faults.length > 0 ? (
        <Notice tone="caution" lead="The file was not taken" role="alert">
          <ul className="list-disc pl-5">
            {faults.map((fault) => (
              <li key={fault}>{fault}</li>
            ))}
          </ul>
        </Notice>
      ) : null}
    </>
  )
}
