import { useState } from 'react'
import { readCase } from '#core/files/read-case'
import { eventsOfFile } from '#ward/case/case-from-file'
import { FileButton } from '../../parts/file-button'
import { Notice } from '../../parts/notice'
import { parseJson } from '../../parts/parse-json'
import { writeEvent, type OpenCase } from '../../sync/case-store'

/** A case file read into a case in which nothing has been entered yet. */
export function FileIn({ open, onTaken }: { open: OpenCase; onTaken: (words: string) => void }) {
  const [faults, setFaults] = useState<readonly string[]>([])
  const take = async (text: string): Promise<void> => {
    const { clinicalCase, problems } = readCase(parseJson(text))
    if (!clinicalCase || problems.length > 0) return setFaults(problems.map((problem) => problem.message))
    const { events, left } = eventsOfFile(clinicalCase, open.record, open.episode)
    for (const { kind, body } of events) await writeEvent(kind, body as never)
    const readings = events.filter((one) => one.kind === 'reading').length
    onTaken(
      `Taken from the file: ${readings} ${readings === 1 ? 'reading' : 'readings'} and what is known of patient and injury.${left.length > 0 ? ` Left to you: ${left.join(', ')}.` : ''} Who it is, is yours to say.`,
    )
  }
  return (
    <div className="grid justify-items-start gap-3">
      <FileButton label="Case file" accept="application/json,.json" onText={(text) => void take(text)}>
        From a case file
      </FileButton>
      {faults.length > 0 ? (
        <Notice tone="caution" lead="The file was not taken: put it right, then choose it again" role="alert">
          <ul className="list-disc pl-5">
            {faults.slice(0, 8).map((fault) => (
              <li key={fault}>{fault}</li>
            ))}
          </ul>
        </Notice>
      ) : null}
    </div>
  )
}
