import { useState } from 'react'
import { protocolInForce, protocolName } from '#contract/records/protocol'
import type { WardRecord } from '#contract/records/ward'
import { compareProtocols } from '#core/protocols/compare-protocols'
import type { Protocol } from '#core/quantities/defaults'
import { Button } from '../../parts/button'
import { ChoiceRow } from '../../parts/choice-row'
import { Notice } from '../../parts/notice'
import { TextField } from '../../parts/text-field'
import { FigureList } from './figure-list'
import { readForm, type ProtocolForm } from './protocol-form'
import { RoundLists } from './round-lists'
import { SchoolList } from './school-list'
import { StopTables } from './stop-tables'

const parts = [
  { value: 'rounds', label: 'Rounds' },
  { value: 'schools', label: 'Schools' },
  { value: 'figures', label: 'Figures' },
  { value: 'stops', label: 'Brace stops' },
] as const

/** The fields of a draft, part by part; what is typed stays on this device until it is kept for everybody. */
export function ProtocolEditor({
  form,
  ward,
  onChange,
  onKeep,
  onClose,
}: {
  form: ProtocolForm
  ward: WardRecord
  onChange: (form: ProtocolForm) => void
  onKeep: (protocol: Protocol, note: string) => void
  onClose: () => void
}) {
  const [part, setPart] = useState<(typeof parts)[number]['value']>('rounds')
  const inForce = protocolInForce(ward)
  const { protocol, problems } = readForm(form, inForce)
  const { draft } = ward
  const isKept = draft && protocol ? draft.note === form.note && compareProtocols(draft.protocol, protocol).length === 0 : false
  const changes = protocol ? compareProtocols(inForce, protocol).length : null
  return (
    <section aria-labelledby="fields" className="grid gap-5">
      <h2 id="fields" className="sr-only">
        The draft
      </h2>
      {form.basedOn === protocolName(inForce) ? null : (
        <Notice tone="caution" lead={`You began this when the protocol was ${form.basedOn}; now it is ${protocolName(inForce)}`}>
          What differs from it now is counted below: look at each part before you keep it.
        </Notice>
      )}
      <ChoiceRow label="Part" value={part} choices={parts} onChange={setPart} />
      {part === 'rounds' ? <RoundLists form={form} problems={problems} onChange={onChange} /> : null}
      {part === 'schools' ? <SchoolList form={form} protocol={protocol ?? inForce} onChange={onChange} /> : null}
      {part === 'figures' ? <FigureList form={form} problems={problems} onChange={onChange} /> : null}
      {part === 'stops' ? <StopTables form={form} problems={problems} onChange={onChange} /> : null}
      <div className="sticky bottom-0 z-10 -mx-3 grid gap-3 border-t border-line bg-paper px-3 py-3">
        {problems.length > 0 ? (
          <Notice
            tone="caution"
            lead={problems.length === 1 ? (problems[0]?.message ?? '') : `${problems.length} things to put right first`}
          >
            {problems.length > 1 ? (
              <ul className="list-disc pl-5">
                {problems.slice(0, 5).map((problem) => (
                  <li key={problem.path + problem.message}>{problem.message}</li>
                ))}
              </ul>
            ) : null}
          </Notice>
        ) : null}
        <div className="flex flex-wrap items-end gap-3">
          <TextField
            label="Why, in a line"
            value={form.note}
            maxLength={300}
            className="min-w-60 flex-1"
            onChange={(event) => onChange({ ...form, note: event.target.value })}
          />
          {isKept ? (
            <Button onClick={onClose}>Close the fields</Button>
          ) : (
            <>
              <Button
                look="next"
                refuses={!protocol || problems.length > 0 ? 'A figure is out of its range: it is marked above.' : null}
                onClick={() => protocol && onKeep(protocol, form.note)}
              >
                Keep the draft
              </Button>
              <Button look="quiet" onClick={onClose}>
                Leave it
              </Button>
            </>
          )}
        </div>
        <p className="text-sm text-soft" role="status">
          {isKept
            ? 'Kept: nobody is planned by it yet.'
            : changes === null
              ? ''
              : changes === 0
                ? 'Nothing differs from what is in force.'
                : `${changes} ${changes === 1 ? 'change' : 'changes'} against what is in force, not kept yet.`}
        </p>
      </div>
    </section>
  )
}
