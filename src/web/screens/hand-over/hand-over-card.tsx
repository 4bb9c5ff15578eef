import { builtWords, pullWords } from '#ward/body/as-built'
import { SeniorWords } from '../../case/standing/senior-words'
import { useState } from 'react'
import { Link } from 'react-router'
import { spoken } from '#core/model/vocabulary'
import { aheadHours } from '#ward/story/hand-over'
import type { HandOverLine } from '#contract/api/hand-over'
import { storyWords } from '#ward/story/shift-story'
import { LanePicture } from '../../lane/lane-picture'
import { Button } from '../../parts/button'
import { formatDayAndClock } from '../../parts/format-time'
import { TextField } from '../../parts/text-field'
import type { Tone } from '../../parts/tone-shape'
import { LevelMark, toneOf } from '../../parts/level-mark'
import { makeEvent, sendEvent } from '../../sync/outbox'
import { useDraft } from '../../sync/use-draft'
import { Form } from '../../parts/form'

const mostDone = 4
const mostHappened = 10

/** The edge by the worst that stands; who has the patient colours nothing. */
const edges: Readonly<Record<Tone, string>> = {
  stop: 'border-l-stop',
  caution: 'border-l-caution',
  note: 'border-l-soft',
  calm: 'border-l-line',
  known: 'border-l-line',
  blank: 'border-l-soft',
}

/** One patient as it is told: what is on, what stands, what was done, what is owed, what worries; and taking the patient over. */
export function HandOverCard({ line }: { line: HandOverLine }) {
  const when = (iso: string): string => formatDayAndClock(Date.parse(iso))
  const taken = line.takenOver
  const part = [line.side?.toUpperCase(), line.region ? spoken(line.region) : ''].filter(Boolean).join(' ')
  const stream = { type: 'case', id: line.caseId } as const
  return (
    <li
      aria-label={line.patient}
      className={`grid gap-x-6 gap-y-3 rounded-2xl border border-l-[10px] border-line bg-sheet p-4 lg:grid-cols-[1.1fr_1.2fr_1.1fr] ${edges[toneOf(line.level)]}`}
    >
      <div className="min-w-0">
        <Link to={`/case/${line.caseId}/watch`} className="text-[1.12rem] font-bold underline decoration-line underline-offset-4">
          {line.patient}
        </Link>
        <p className="text-soft">{[line.place, line.identifiers].filter(Boolean).join(' · ')}</p>
        <p className="mt-1">
          <strong>{part || 'side not set'}</strong> · {line.technique}
          {`, ${[builtWords(line.built, when), ...line.built.pulls.map(pullWords)].join('; ')}`}
        </p>
        <SeniorWords words={line.words} />
        {line.drawing ? (
          <div className="mt-3 max-w-80">
            <LanePicture geometry={line.drawing.geometry} heightPx={112} findings={line.drawing.findings} />
          </div>
        ) : null}
        <div className="mt-3">
          {taken ? (
            <p className="font-semibold">
              ✓ {taken.by} has the patient, {when(taken.at)}
            </p>
          ) : (
            <Button aria-label={`I take over ${line.patient}`} onClick={() => void sendEvent(makeEvent(stream, 'taken-over', {}, 0))}>
              I take over
            </Button>
          )}
        </div>
      </div>
      <div className="min-w-0">
        {line.careful.length > 0 ? <p className="mb-1 font-semibold text-caution">▲ {line.careful.join(', ')}</p> : null}
        <LevelMark level={line.level} {...(line.stands.length === 0 ? { word: line.headline } : {})} />
        <ul className="mt-1 grid gap-1">
          {line.stands.map((stand) => (
            <li key={stand.text} className="leading-snug">
              {stand.text} <span className="text-sm text-soft">since {when(stand.sinceAt)}</span>
            </li>
          ))}
        </ul>
        {line.unassessed > 0 ? (
          <p className="mt-1">
            Cannot be assessed: {line.unassessed} {line.unassessed === 1 ? 'item' : 'items'}
          </p>
        ) : null}
        {line.known.length > 0 ? <p className="mt-1 text-sm text-soft">Was there before: {line.known.join('; ')}</p> : null}
        {line.happened.length > 0 ? (
          <>
            <h2 className="mt-2 text-sm font-semibold text-soft">What happened</h2>
            <ul className="grid gap-0.5">
              {line.happened.slice(-mostHappened).map((one) => (
                <li key={`${one.at} ${one.text}`} className="leading-snug">
                  <span className="numeral">{when(one.at)}</span> {storyWords(one, when)}{' '}
                  <span className="text-sm text-soft">{one.by}</span>
                </li>
              ))}
            </ul>
          </>
        ) : null}
        {line.done.length > 0 ? (
          <>
            <h2 className="mt-2 text-sm font-semibold text-soft">Done</h2>
            <ul className="grid gap-0.5 text-sm">
              {line.done.slice(0, mostDone).map((act) => (
                <li key={`${act.at} ${act.text}`}>
                  <span className="numeral">{when(act.at)}</span> {act.text} <span className="text-soft">{act.by}</span>
                </li>
              ))}
            </ul>
          </>
        ) : null}
      </div>
      <div className="min-w-0">
        <h2 className="text-sm font-semibold text-soft">Owed in {aheadHours} h</h2>
        {line.owed.length === 0 ? <p>nothing</p> : null}
        <ul className="grid gap-0.5">
          {line.owed.map((one) => (
            <li key={`${one.dueAt} ${one.text}`} className={`leading-snug ${one.isOverdue ? 'font-semibold text-stop' : ''}`}>
              <span className="numeral">{when(one.dueAt)}</span>
              {one.isOverdue ? ' late:' : ''} {one.text}
            </li>
          ))}
        </ul>
        <Worry key={line.caseId} line={line} when={when} />
      </div>
    </li>
  )
}

/** What worries, in a line, for whoever comes next. */
function Worry({ line, when }: { line: HandOverLine; when: (iso: string) => string }) {
  const [text, setText, isRead] = useDraft(`case/${line.caseId}/worry`)
  const [isOpen, setOpen] = useState(false)
  const keep = (): void => {
    setOpen(false)
    setText('')
    void sendEvent(makeEvent({ type: 'case', id: line.caseId }, 'worry', { text: text.trim() }, 0))
  }
  if (isOpen || (isRead && text !== '')) {
    return (
      <Form onSend={keep} className="mt-2 grid gap-2">
        <TextField
          label={`What worries about ${line.patient}`}
          value={text}
          maxLength={200}
          onChange={(event) => setText(event.target.value)}
        />
        <div>
          <Button type="submit">Keep the line</Button>
        </div>
      </Form>
    )
  }
  return (
    <div className="mt-2">
      {line.worry ? (
        <p className="rounded-xl bg-caution-wash px-3 py-1.5">
          <strong>{line.worry.text}</strong>{' '}
          <span className="text-sm text-soft">
            {line.worry.by}, {when(line.worry.at)}
          </span>
        </p>
      ) : null}
      <Button
        look="quiet"
        className="-ml-5"
        aria-label={`${line.worry ? 'Another line' : 'What worries?'} ${line.patient}`}
        onClick={() => setOpen(true)}
      >
        {line.worry ? 'Another line' : 'What worries?'}
      </Button>
    </div>
  )
}
