import { Timer } from 'lucide-react'
import { Suspense, useState } from 'react'
import { Link } from 'react-router'
import { isPairedDevice } from '#contract/rights'
import { SoundSwitch } from './sound-switch'
import { sortClocks, timerKey, useTimers, type ShownTimer } from './timer-store'
import { Button } from '../parts/button'
import { formatLeft } from '../parts/format-left'
import { inSayingOrder, type Saying } from './saying'
import { useSoundUnlock } from '../parts/sound'
import { ToneShape, toneInk, toneWash } from '../parts/tone-shape'
import { useNarrow } from '../parts/use-narrow'
import { useCaseStore } from '../sync/case-store'
import { usePerson, useSession } from '../sync/session-store'
import { ClockFace, HeardButton, clockTone, whoseClock } from './clock-face'
import { latePart } from '../parts/late-part'
import { SayingLine } from './saying-line'
import { LineMark, useLineSaying } from './line-saying'
import { useClocks } from './use-clocks'

const StripSheet = latePart(async () => (await import('./strip-sheet')).StripSheet)

/**
 * The line below the header: one sentence, the most pressing of all that wants to be said; the others are a number beside it. At its end stand
 * the clock of the patient in hand, and one mark for those of other patients.
 * @param ofCase what the case in hand says
 * @param isKept its place is kept while it says nothing, so that nothing moves when it does
 */
export function Strip({ ofCase = [], isKept = false }: { ofCase?: readonly Saying[]; isKept?: boolean }) {
  useSoundUnlock()
  const { shown, now } = useClocks()
  const heldCase = useCaseStore((store) => store.caseId)
  const elsewhere = useTimers((store) => store.elsewhere)
  const isNarrow = useNarrow()
  const { pressing, own, others } = sortClocks(
    shown.filter((timer) => !elsewhere.includes(timerKey(timer.caseId, timer.timer))),
    heldCase,
    now,
  )
  const clocks = pressing.map((timer) => clockSaying(timer, timer.caseId !== heldCase, now))
  const sayings = inSayingOrder([...ofCase, ...clocks, ...useLineSaying(), ...useEntrySaying()])
  const [sheet, setSheet] = useState<'sayings' | 'clocks' | null>(null)
  const [first, ...rest] = sayings
  const lost = rest.find(({ rank }) => rank === 'line')
  const losers = rest.filter((saying) => saying !== lost)
  // What has the strip is not said beside it once more.
  const marked = others.filter((one) => timerKey(one.caseId, one.timer) !== first?.key)
  const hasClocks = own.length + others.length > 0 || clocks.length > 0
  if (!first && !hasClocks && !isKept) return null
  const tone = first?.tone ?? 'blank'
  return (
    <section
      aria-label="Said now"
      className={`flex min-h-[40px] items-stretch border-b print:hidden ${first ? `${toneWash[tone]} ${toneInk[tone]}` : 'border-line bg-paper'}`}
    >
      <div role="status" className="flex min-w-0 flex-1 items-stretch font-bold">
        {first ? <SayingLine saying={first} /> : null}
      </div>
      {lost ? <LineMark saying={lost} /> : null}
      {losers.length > 0 ? (
        <button type="button" onClick={() => setSheet('sayings')} className="reach min-w-11 shrink-0 px-2 font-bold">
          <span aria-hidden>+{losers.length}</span>
          <span className="sr-only">{losers.length} more</span>
        </button>
      ) : null}
      {hasClocks ? (
        <section aria-label="Running timers" className="flex min-w-0 shrink-0 items-stretch text-ink max-sm:text-[0.95rem]">
          {own.slice(0, isNarrow || first ? 1 : 2).map((timer) => (
            <Link
              key={timer.timer.id}
              to={`/case/${timer.caseId}/apply`}
              className={`reach inline-flex max-w-[18rem] items-center gap-1.5 px-2 font-semibold ${clockTone(timer, now) === 'note' ? '' : toneInk[clockTone(timer, now)]}`}
            >
              <ClockFace one={timer} nowMs={now} isLabelSpoken={isNarrow && first !== undefined} />
            </Link>
          ))}
          {marked.length > 0 || own.length > 1 ? (
            <ClocksMark
              // Of one's own the first stands beside it.
              clocks={[...own.slice(isNarrow || first ? 1 : 2), ...marked]}
              heldCase={heldCase}
              isOutranked={first?.rank === 'urgent' && clocks.length > 0}
              nowMs={now}
              onOpen={() => setSheet('clocks')}
            />
          ) : null}
          <SoundSwitch />
        </section>
      ) : null}
      {sheet ? (
        <Suspense>
          <StripSheet
            sayings={sheet === 'sayings' ? sayings : []}
            clocks={sheet === 'clocks' ? [...own, ...others] : []}
            heldCase={heldCase}
            nowMs={now}
            onClose={() => setSheet(null)}
          />
        </Suspense>
      ) : null}
    </section>
  )
}

/** Other patients' clocks in one mark: how many, which comes next, and whether one of them waits behind something worse. */
function ClocksMark({
  clocks,
  heldCase,
  isOutranked,
  nowMs,
  onOpen,
}: {
  clocks: readonly ShownTimer[]
  heldCase: string | null
  isOutranked: boolean
  nowMs: number
  onOpen: () => void
}) {
  const isNarrow = useNarrow()
  // One that has ended is said by the strip, or waits behind the mark's shape.
  const next = clocks.find((clock) => clock.endsAt > nowMs) ?? clocks[0]
  if (!next) return null
  const isOwn = next.caseId === heldCase
  return (
    <button
      type="button"
      onClick={onOpen}
      className={`reach inline-flex min-w-11 items-center gap-1.5 border-l border-current/25 px-2 font-semibold ${isOutranked ? 'text-stop' : ''}`}
    >
      {isOutranked ? <ToneShape tone="stop" size={15} /> : null}
      {clocks.length === 1 ? (
        <ClockFace one={next} nowMs={nowMs} whose={isOwn ? '' : whoseClock(next)} isLabelSpoken={isNarrow} />
      ) : (
        <>
          <span className="max-sm:sr-only">{clocks.length} clocks, next</span>
          <span className="inline-flex items-center gap-0.5 sm:hidden" aria-hidden>
            {clocks.length} <Timer size={17} />
          </span>
          <span className="numeral" role="timer" aria-label={next.timer.label}>
            {formatLeft(next.endsAt - nowMs)}
          </span>
        </>
      )}
    </button>
  )
}

function clockSaying(one: ShownTimer, isOther: boolean, nowMs: number): Saying {
  return {
    key: timerKey(one.caseId, one.timer),
    rank: 'clock',
    tone: clockTone(one, nowMs),
    words: <ClockFace one={one} nowMs={nowMs} {...(isOther ? { whose: whoseClock(one) } : {})} />,
    ...(one.endsAt <= nowMs ? { act: <HeardButton one={one} /> } : {}),
  }
}

/** Nobody is signed in, and everybody who looks at the glass should know. */
function useEntrySaying(): readonly Saying[] {
  const { name, roles } = usePerson()
  const signOut = useSession((store) => store.signOut)
  if (!isPairedDevice(roles)) return []
  return [
    {
      key: 'entry',
      rank: 'entry',
      tone: 'stop',
      words: (
        <span>
          Emergency entry. <span className="font-normal">Kept as {name} until a clinician claims it.</span>
        </span>
      ),
      act: <EndIt onEnd={() => void signOut()} />,
    },
  ]
}

function EndIt({ onEnd }: { onEnd: () => void }) {
  return (
    <Button onClick={onEnd} className="reach my-0.5 mr-1 min-h-9 self-center max-sm:px-3">
      End it
    </Button>
  )
}
