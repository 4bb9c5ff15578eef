import { useWords } from '../../sync/use-words'
import { useState } from 'react'
import { Check, X } from 'lucide-react'
import { flagWords, type AskedFlag } from '#core/model/flag-words'
import type { WhatIf } from '#core/techniques/what-if'
import type { Questions } from '#ward/case/questions'
import { Button } from '../../parts/button'
import { formatClock } from '../../parts/format-time'
import { ToneShape } from '../../parts/tone-shape'
import { keepPlaces, placeQuestions, type Places } from './place-questions'

interface Props {
  readonly questions: Questions
  /** Null until it is worked out. */
  readonly results: readonly WhatIf[] | null
  /** Device and injured part: questions stand anew when one of them is another. */
  readonly about: string
  readonly onSet: (flag: AskedFlag, isSo: boolean) => void
  readonly onNotSo: (flags: readonly AskedFlag[]) => void
}

/** What is still to be asked of patient and injury: six at most in sight, what could stop the plan first, the rest under lines that name it. */
export function QuestionGroups({ questions, results, about, onSet, onNotSo }: Props) {
  const places = usePlaces(questions, results, about)
  const [isExplained, setExplained] = useState(false)
  if (!places) return <p className="min-h-96 text-soft">Working out what matters here…</p>
  const hows = new Map(results?.map(({ question, how }) => [question, how]))
  const stops = new Set(
    results?.filter((result) => result.consequence === 'stop' || result.consequence === 'device').map((result) => result.question),
  )
  const stateOf = (flag: AskedFlag): ChipState =>
    questions.so.includes(flag) ? 'so' : questions.notSo.some((answered) => answered.question === flag) ? 'not' : 'open'
  const chips = (flags: readonly AskedFlag[]): React.ReactNode => {
    const left = flags.filter((flag) => stateOf(flag) === 'open')
    return (
      <ul className={isExplained ? 'grid gap-1.5 sm:grid-cols-2' : 'flex flex-wrap gap-1.5'}>
        {flags.map((flag) => (
          <li key={flag}>
            <Chip
              flag={flag}
              state={stateOf(flag)}
              isStop={stops.has(flag)}
              how={isExplained ? (hows.get(flag) ?? '') : null}
              onToggle={() => onSet(flag, stateOf(flag) !== 'so')}
            />
          </li>
        ))}
        {left.length > 0 ? (
          <li>
            <Button look="quiet" className="min-h-11 px-3" onClick={() => onNotSo(left)}>
              {left.length < flags.length ? 'None of the others' : 'None of these'}
            </Button>
          </li>
        ) : null}
      </ul>
    )
  }
  // What could stop it first, then what every patient is asked, then what would change how it is done.
  const mattering = [...places.stops, ...places.always, ...places.changes]
  const [inSight, folded] = [mattering.slice(0, mostInSight), mattering.slice(mostInSight)]
  return (
    <section aria-labelledby="questions" className="grid gap-2">
      <div className="flex flex-wrap items-center gap-x-4 gap-y-1">
        <h2 id="questions" className="text-lg font-bold">
          Is any of this so?
        </h2>
        <button
          type="button"
          aria-pressed={isExplained}
          onClick={() => setExplained(!isExplained)}
          className="toggle-box min-h-11 rounded-xl px-2 font-semibold"
        >
          Why each is asked
        </button>
        {places.so.length > 0 ? (
          <div role="group" aria-label="So here">
            {chips(places.so)}
          </div>
        ) : null}
      </div>
      {inSight.length > 0 ? (
        <div role="group" aria-labelledby="questions">
          {chips(inSight)}
        </div>
      ) : null}
      <Fold flags={folded} lead="More that would stop or change it">
        {chips(folded)}
      </Fold>
      <Fold flags={places.rest} lead="Also asked">
        {chips(places.rest)}
      </Fold>
      <Fold flags={places.notSo} lead={`Asked, not so${lastAsked(questions)}`}>
        {chips(places.notSo)}
      </Fold>
    </section>
  )
}

/** So many are in sight; the rest stands under a line that names it. */
const mostInSight = 6

/** Places that stay where they are while the case is on the screen. */
function usePlaces(questions: Questions, results: readonly WhatIf[] | null, about: string): Places | null {
  const [shown, setShown] = useState<{ readonly about: string; readonly results: readonly WhatIf[]; readonly places: Places } | null>(null)
  if (results && (shown?.results !== results || shown.about !== about)) {
    const fresh = placeQuestions(results, questions)
    const places = shown?.about === about ? keepPlaces(shown.places, fresh) : fresh
    setShown({ about, results, places })
    return places
  }
  return shown?.places ?? null
}

function lastAsked({ notSo }: Questions): string {
  const last = notSo.at(-1)
  return last ? `, ${formatClock(last.at)} ${last.by}` : ''
}

/** One line that names what it covers. */
function Fold({ flags, lead, children }: { flags: readonly AskedFlag[]; lead: string; children: React.ReactNode }) {
  if (flags.length === 0) return null
  return (
    <details className="rounded-2xl border border-line px-4">
      <summary className="min-h-11 content-center py-1.5 text-[0.95rem] leading-snug">
        <span className="font-semibold">{lead}:</span>{' '}
        <span className="text-soft">{flags.map((flag) => flagWords[flag].label.toLowerCase()).join(', ')}</span>
      </summary>
      <div className="pb-3">{children}</div>
    </details>
  )
}

type ChipState = 'open' | 'so' | 'not'
const stateLooks: Readonly<Record<ChipState, string>> = {
  open: 'border-line bg-sheet',
  so: 'border-ink bg-ink font-bold text-paper',
  not: 'border-dashed border-line text-soft',
}

function Chip({
  flag,
  state,
  isStop,
  how,
  onToggle,
}: {
  flag: AskedFlag
  state: ChipState
  isStop: boolean
  how: string | null
  onToggle: () => void
}) {
  const say = useWords()
  const { label, question } = flagWords[flag]
  return (
    <button
      type="button"
      aria-pressed={state === 'so'}
      onClick={onToggle}
      className={`min-h-11 rounded-xl border-[1.5px] px-2.5 pointer-fine:min-h-9 py-1 text-left leading-tight sm:px-3 ${how === null ? '' : 'w-full'} ${isStop && state === 'open' ? 'border-stop' : ''} ${stateLooks[state]}`}
    >
      <span className="inline-flex items-center gap-1.5">
        {isStop && state === 'open' ? <ToneShape tone="stop" size={13} /> : null}
        {state === 'so' ? <Check size={16} aria-hidden /> : null}
        {state === 'not' ? <X size={16} aria-hidden /> : null}
        {label}
        {state === 'not' ? <span className="sr-only">: asked, not so</span> : null}
      </span>
      {how === null ? null : (
        <span className="block text-sm font-normal opacity-85">
          {question}
          {how ? <span className="block">{say(how)}</span> : null}
        </span>
      )}
    </button>
  )
}
