import { useState } from 'react'
import { useSearchParams } from 'react-router'
import { dangerIn } from '#core/standing/judge-standing'
import { longestGraveMin } from '#core/standing/standing-finding'
import { isGrave, type Situation } from '#core/standing/what-now'
import type { Standing, StandingItem } from '#core/model/standing'
import type { BodyOf } from '#contract/events/index'
import { hasRight } from '#contract/rights'
import { situationOfCase } from '#ward/case/situation-of-case'
import { Button } from '../../parts/button'
import { ChoiceRow, ChoiceSet } from '../../parts/choice-row'
import { Dialog } from '../../parts/dialog'
import { TextField } from '../../parts/text-field'
import { writeEvent, type OpenCase } from '../../sync/case-store'
import { usePerson } from '../../sync/session-store'
import { serverNow } from '../../sync/server-clock'
import { useDraft } from '../../sync/use-draft'
import { missingIn } from '../../parts/required'

type Answer = Omit<BodyOf<'senior-decision'>, 'by' | 'how' | 'saw'>

/** What a senior answers about what is urgent: two taps where they read it themselves, by name and read back where they said it by telephone. */
export function SeniorAnswer({ open, standing }: { open: OpenCase; standing: Standing }) {
  // Somebody who comes from the Board to answer finds the answers open.
  const [params, setParams] = useSearchParams()
  const [isPressed, setPressed] = useState(false)
  const isOpen = isPressed || params.has('answer')
  const close = (): void => {
    setPressed(false)
    if (params.has('answer')) setParams({}, { replace: true })
  }
  const urgent = standing.items.filter((item) => item.level === 'urgent' && item.state === 'open' && item.isCalled)
  if (urgent.length === 0) return null
  return (
    <>
      <div>
        <Button onClick={() => setPressed(true)}>Answer as a senior</Button>
      </div>
      {isOpen ? (
        <AnswerSheet
          items={urgent}
          canOpen={standing.actions.some(({ id }) => id.startsWith('open') || id === 'call-and-open' || id === 'ease-pull')}
          situation={situationOfCase(open.record, open.episode, serverNow())}
          suggested={standing.call?.answered?.to ?? ''}
          onClose={close}
        />
      ) : null}
    </>
  )
}

function AnswerSheet({
  items,
  canOpen,
  situation,
  suggested,
  onClose,
}: {
  items: readonly StandingItem[]
  canOpen: boolean
  situation: Situation
  suggested: string
  onClose: () => void
}) {
  const person = usePerson()
  const isSenior = hasRight(person.roles, 'decide')
  const [who, setWho] = useState<'self' | 'other'>(isSenior ? 'self' : 'other')
  const [where, setWhere] = useState<'away' | 'bedside'>('away')
  const [typedBy, setBy] = useDraft('decision/by')
  const [isTyped, setTyped] = useState(false)
  const by = who === 'self' ? person.name : typedBy !== '' || isTyped ? typedBy : suggested
  const [isReadBack, setReadBack] = useState(false)
  const [error, setError] = useState<string>()
  const send = (answer: Answer, about: readonly StandingItem[] = items): boolean => {
    const noName = missingIn('answer-by-somebody-else', { senior: by })
    const missing =
      noName !== null
        ? `Not recorded. ${noName}`
        : who === 'other' && where === 'away' && !isReadBack
          ? 'Not recorded. Read it back to them, and tick that you did.'
          : null
    if (missing) {
      setError(missing)
      return false
    }
    const saw = about.map(({ id, level }) => ({ id, level }))
    const how = where === 'bedside' ? 'bedside' : who === 'self' ? 'self' : 'telephone'
    void writeEvent('senior-decision', { by: by.trim(), how, saw, ...answer })
    setBy('')
    onClose()
    return true
  }
  return (
    <Dialog title="A senior answers" isOpen onClose={onClose}>
      <div className="grid gap-4">
        <ul className="font-semibold">
          {items.map((item) => (
            <li key={item.id}>{item.text}</li>
          ))}
        </ul>
        {isSenior ? (
          <ChoiceRow
            label="Who answers"
            value={who}
            choices={[
              { value: 'self', label: `I, ${person.name}` },
              { value: 'other', label: 'Somebody else' },
            ]}
            onChange={setWho}
          />
        ) : null}
        {who === 'other' ? (
          <TextField
            label="Senior, by name"
            value={by}
            maxLength={120}
            onChange={(event) => {
              setTyped(true)
              setBy(event.target.value)
            }}
          />
        ) : null}
        <ChoiceRow
          label="Where"
          value={where}
          choices={[
            { value: 'away', label: who === 'self' ? 'Not there' : 'By telephone' },
            { value: 'bedside', label: 'At the bedside' },
          ]}
          onChange={setWhere}
        />
        {who === 'other' && where === 'away' ? (
          <label className="flex min-h-12 items-center gap-3 font-semibold">
            <input type="checkbox" className="size-7" checked={isReadBack} onChange={(event) => setReadBack(event.target.checked)} />
            Read back to them, word for word
          </label>
        ) : null}
        {error ? (
          <p role="alert" className="font-bold text-stop">
            {error}
          </p>
        ) : null}
        <div className="grid gap-3">
          {canOpen ? (
            <Button look="next" className="min-h-14 text-lg" onClick={() => send({ answer: 'open-now', what: '' })}>
              Open it now
            </Button>
          ) : null}
          <div className="flex flex-wrap items-center gap-2" role="group" aria-label="I come">
            <span className="font-semibold">{who === 'self' ? 'I come,' : 'Comes,'}</span>
            {[5, 10, 20, 30].map((comesInMin) => (
              <Button key={comesInMin} onClick={() => send({ answer: 'comes', what: '', comesInMin })}>
                {comesInMin} min
              </Button>
            ))}
          </div>
          <LeaveIt items={items} situation={situation} isAtBedside={where === 'bedside'} onSend={send} />
          <OtherWords onSend={send} />
        </div>
      </div>
    </Dialog>
  )
}

type Send = (answer: Answer, about?: readonly StandingItem[]) => boolean

/** Left as it is, because, until: of what is grave only at the bedside, and for half an hour. */
function LeaveIt({
  items,
  situation,
  isAtBedside,
  onSend,
}: {
  items: readonly StandingItem[]
  situation: Situation
  isAtBedside: boolean
  onSend: Send
}) {
  const [why, setWhy] = useDraft('decision/what')
  const [forMin, setForMin] = useState('30')
  const [about, setAbout] = useState<readonly string[]>(items.map(({ id }) => id))
  const [error, setError] = useState<string>()
  const chosen = items.filter(({ id }) => about.includes(id))
  const hasGrave = chosen.some((item) => isGrave(dangerIn(item), situation))
  const keep = (): void => {
    const missing = missingIn('answer-not-yet', { about: chosen, because: why })
    if (missing) return setError(`Not recorded. ${missing}`)
    if (hasGrave && !isAtBedside)
      return setError('Not recorded. A limb without pulse, an airway, a cord or a closed limb is left only by who stands at the bedside.')
    if (
      onSend({ answer: 'leave', what: why.trim(), forMin: hasGrave ? Math.min(Number(forMin), longestGraveMin) : Number(forMin) }, chosen)
    )
      setWhy('')
  }
  return (
    <details className="rounded-2xl border border-line px-3">
      <summary className="min-h-12 cursor-pointer content-center font-semibold">Leave it, until, because</summary>
      <div className="grid gap-3 pb-3">
        {items.length > 1 ? (
          <ChoiceSet
            label="About"
            values={about}
            choices={items.map((item) => ({ value: item.id, label: item.text }))}
            onChange={setAbout}
          />
        ) : null}
        {hasGrave ? (
          <p>Plan under way, {longestGraveMin} minutes at most, and only from the bedside. The rest of the list stays open.</p>
        ) : null}
        <TextField label="Because" value={why} maxLength={280} error={error} onChange={(event) => setWhy(event.target.value)} />
        {hasGrave ? null : (
          <ChoiceRow
            label="Until"
            value={forMin}
            choices={[
              { value: '30', label: '30 min' },
              { value: '60', label: '1 h' },
              { value: '120', label: '2 h' },
              { value: '240', label: '4 h' },
            ]}
            onChange={setForMin}
          />
        )}
        <Button onClick={keep}>Leave it</Button>
      </div>
    </details>
  )
}

function OtherWords({ onSend }: { onSend: Send }) {
  const [words, setWords] = useDraft('decision/words')
  const [error, setError] = useState<string>()
  const keep = (): void => {
    const missing = missingIn('answer-other-words', { words })
    if (missing) return setError(`Not recorded. ${missing}`)
    if (onSend({ answer: 'words', what: words.trim() })) setWords('')
  }
  return (
    <details className="rounded-2xl border border-line px-3">
      <summary className="min-h-12 cursor-pointer content-center font-semibold">Other words</summary>
      <div className="grid gap-3 pb-3">
        <TextField label="What was said" value={words} maxLength={300} error={error} onChange={(event) => setWords(event.target.value)} />
        <div className="flex flex-wrap gap-3">
          <Button onClick={keep}>Record the words</Button>
          <Button onClick={() => onSend({ answer: 'words', what: 'it was so before the injury' })}>It was so before the injury</Button>
        </div>
      </div>
    </details>
  )
}
