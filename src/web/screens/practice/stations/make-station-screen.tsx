import { useMemo, useState } from 'react'
import { useNavigate, useParams } from 'react-router'
import { v7 as uuidv7 } from 'uuid'
import type { OwnStationsAnswer } from '#contract/api/practice'
import { paths } from '#contract/api/paths'
import { readStation, readStationFile, writeStationFile, type StationProblem } from '#core/practice/stations/read-station'
import { findStation, planOfStation, stationIdOf } from '#core/practice/stations/shipped-stations'
import { stationContext } from '#core/practice/stations/station-context'
import type { Station } from '#core/practice/stations/station'
import { formOf, stationOfForm, type StationForm } from '#core/practice/stations/station-form'
import { techniques } from '#core/techniques/registry'
import { Button } from '../../../parts/button'
import { FileButton } from '../../../parts/file-button'
import { Notice } from '../../../parts/notice'
import { parseJson } from '../../../parts/parse-json'
import { saveJson } from '../../../parts/save-file'
import { callApi, describeNoAnswer } from '../../../sync/api'
import { useAnswer } from '../../../sync/use-answer'
import { useDraft } from '../../../sync/use-draft'
import { NothingHere } from '../nothing-here'
import { PracticeSign } from '../practice-sign'
import { StationFields } from './station-fields'

const stepIds = (station: Station): readonly string[] =>
  planOfStation(station, stationContext)?.procedure.steps.map((step) => step.id) ?? []

/** Makes a station, or changes one that was made here: it begins as the shipped one of its technique. */
export function MakeStationScreen() {
  const { station: id } = useParams()
  const { answer, refusal } = useAnswer<OwnStationsAnswer>(id === undefined ? null : paths.practiceStations)
  const known = answer?.stations.find((station) => station.station.id === id)?.station
  if (id !== undefined && !known) {
    if (!answer && !refusal) return <main id="main" className="page page-text" />
    return (
      <NothingHere title="No such station" lead={refusal ?? 'The address names no station that was made here: choose one from the list.'} />
    )
  }
  return (
    <StationEditor
      key={id ?? 'new'}
      draftKey={`practice/make/${id ?? 'new'}`}
      begun={known ?? shippedOf(techniques[0]?.id ?? '')}
      id={id ?? null}
    />
  )
}

function StationEditor({ draftKey, begun, id }: { draftKey: string; begun: Station | null; id: string | null }) {
  const navigate = useNavigate()
  const [text, write, isRead] = useDraft(draftKey)
  const [problems, setProblems] = useState<readonly StationProblem[]>([])
  const form = useMemo(() => (text === '' ? (begun ? formOf(begun) : null) : (JSON.parse(text) as StationForm)), [begun, text])
  if (!isRead || !form) return <main id="main" className="page page-text" />
  const change = (part: Partial<StationForm>): void => write(JSON.stringify({ ...form, ...part }))
  const begin = (station: Station | null): void => {
    if (station) write(JSON.stringify(formOf(station)))
  }
  /** Another technique has other steps, figures and patients; how it is run stays. */
  const beginWith = (technique: string): void => {
    const shipped = shippedOf(technique)
    if (!shipped) return
    const { limitMin, onAsking, prompts } = form
    write(JSON.stringify({ ...formOf(shipped), limitMin, onAsking, prompts }))
  }
  const read = (): Station | null => {
    const made = stationOfForm(form, id ?? uuidv7())
    const result = readStation(made.station, stepIds)
    const all = [...made.problems, ...result.problems]
    setProblems(all)
    return all.length === 0 ? result.station : null
  }
  const keep = async (): Promise<void> => {
    const station = read()
    if (!station) return
    const kept = await callApi('POST', paths.practiceStation(station.id), { station })
    if (kept.kind !== 'ok')
      return setProblems([
        {
          field: 'station',
          message:
            kept.kind === 'refused'
              ? kept.problem.detail
              : `${describeNoAnswer(kept)}: what you wrote is kept on this device; keep it again later.`,
        },
      ])
    write('')
    void navigate(`/practice/station/${station.id}`)
  }
  return (
    <main id="main" className="page page-text grid grid-cols-[minmax(0,1fr)] content-start gap-5">
      <header className="flex flex-wrap items-baseline gap-x-4 gap-y-1">
        <h1 className="text-2xl font-bold">{id === null ? 'Make a station' : 'Change a station'}</h1>
        <PracticeSign />
        <p className="basis-full text-soft">It begins as the shipped station of its technique; change what you want otherwise.</p>
      </header>
      <StationFields form={form} problems={problems} onChange={change} onTechnique={(technique) => beginWith(technique)} />
      {problems.length > 0 ? (
        <Notice tone="caution" lead="It cannot be kept yet" role="alert">
          <ul className="grid gap-1">
            {problems.map((problem) => (
              <li key={`${problem.field}${problem.message}`}>{problem.message}</li>
            ))}
          </ul>
        </Notice>
      ) : null}
      <div className="flex flex-wrap gap-3">
        <Button look="next" onClick={() => void keep()}>
          Keep the station
        </Button>
        <Button
          onClick={() => {
            const station = read()
            if (station) saveJson(`station-${station.technique}.json`, writeStationFile(station))
          }}
        >
          Save as a file
        </Button>
        <FileButton
          label="A station’s file"
          accept=".json,application/json"
          onText={(file) => {
            const { station, problems: faults } = readStationFile(parseJson(file), stepIds)
            setProblems(faults)
            begin(station)
          }}
        >
          From a file
        </FileButton>
        <Button look="quiet" onClick={() => write('')}>
          Begin anew
        </Button>
      </div>
    </main>
  )
}

function shippedOf(technique: string): Station | null {
  return findStation(stationIdOf(technique), stationContext)
}
