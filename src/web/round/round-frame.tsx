import { useEffect, useRef, useState, type ReactNode } from 'react'
import type { RoundBody } from '#contract/events/rounds/round'
import { Button } from '../parts/button'
import { ChoiceRow } from '../parts/choice-row'
import { focusNextOpen, hasOpen, useRoundKeys } from './use-round-keys'
import { useDraft } from '../sync/use-draft'
import type { LastEntries } from './last-entries'
import type { EverEntered, RoundCell } from './rest-is-normal'
import type { DrawnLimb } from './round-limb'
import { cannot, cannotReasons, type RoundEntries } from './round-items'
import { missingIn } from '../parts/required'

/** Under what it is kept how many minutes ago was looked. */
export const lookedAgo = 'looked-ago'
const none: LastEntries = {}
const wayOn = 'max-sm:px-2.5 max-sm:text-[0.95rem] lg:min-h-10'

/** The cell that has the focus, or the last one that had an entry put in. */
function cellInHand(form: HTMLElement): HTMLElement | null {
  return document.activeElement instanceof HTMLElement && form.contains(document.activeElement)
    ? document.activeElement.closest<HTMLElement>('[data-cell]')
    : null
}

/** What every round is given. */
export interface RoundProps {
  readonly draftKey: string
  readonly isBaseline: boolean
  /** Nothing is on the limb yet: what only a device does is not asked. */
  readonly isBare?: boolean
  readonly cases: readonly string[]
  readonly submitLabel: string
  /** What earlier rounds entered last, by item: it stands beside the entry. */
  readonly last?: LastEntries
  /** What stands in it before anything is entered: a round that is put right. */
  readonly initial?: RoundEntries
  /** Everything that earlier rounds entered: what was ever abnormal is not called normal by one tap. */
  readonly ever?: EverEntered
  /** Blood may be lost: the circulation as a whole is asked too. */
  readonly asksVital?: boolean
  /** What else has to be there before it is sent, in words; null when it is. */
  readonly refuses?: () => string | null
  /** The time of the look stands already: a round that is put right, or one in a run. */
  readonly isTimed?: boolean
  /** @param minutesAgo when it was looked at, where it is entered later */
  readonly onSubmit: (body: RoundBody, minutesAgo: number) => void
  /** What it is entered on, where the limb can be drawn. */
  readonly limb?: DrawnLimb
}

/**
 * What a round is written in, whatever it looks at: entries that are kept on the device until they are sent, the reason for what cannot be
 * assessed, what is missing, and the way on.
 * @param cells every cell that is shown, by its key: what is still open is counted and gone to
 * @param missing what has to be entered before it can be sent, in words; null when enough is there
 * @param children what is looked at
 */
export function RoundFrame({
  round,
  cells,
  onOpenElsewhere,
  missing,
  findings,
  children,
}: {
  round: RoundProps
  cells: (entries: RoundEntries) => readonly RoundCell[]
  /** Shows what is not on the screen, where what is there has nothing open. */
  onOpenElsewhere?: ((entries: RoundEntries) => void) | undefined
  missing: (entries: RoundEntries) => string | null
  findings: (entries: RoundEntries) => RoundBody['findings']
  children: (entries: RoundEntries, put: (changes: RoundEntries) => void) => ReactNode
}) {
  const { isBaseline, cases } = round
  const [draft, setDraft] = useDraft(round.draftKey)
  const [error, setError] = useState<string | null>(null)
  /** How many places were open when the round was sent: it asks once before it goes so. */
  const [askedOpen, setAskedOpen] = useState<number | null>(null)
  const entries = (draft ? JSON.parse(draft) : (round.initial ?? {})) as RoundEntries
  const put = (changes: RoundEntries): void => {
    setError(null)
    setAskedOpen(null)
    setDraft(JSON.stringify({ ...entries, ...changes }))
  }
  const form = useRef<HTMLFormElement>(null)
  const shown = cells(entries)
  const open = shown.filter(({ key }) => !entries[key]).length
  const onKeyDown = useRoundKeys((key) => shown.find((one) => one.key === key)?.item, round.last ?? none, put)
  const goOn = (): void => {
    if (!form.current) return
    if (hasOpen(form.current)) return focusNextOpen(form.current, cellInHand(form.current))
    onOpenElsewhere?.(entries)
    requestAnimationFrame(() => form.current && focusNextOpen(form.current))
  }
  // In a sheet the keys are for the round from the start.
  useEffect(() => {
    if (form.current?.closest('[role="dialog"]')) form.current.focus({ preventScroll: true })
  }, [])
  const asksNow = askedOpen !== null && askedOpen === open && open > 0
  const isCannot = Object.entries(entries).some(([key, value]) => key.includes('/') && value === cannot)
  const submit = (): void => {
    const fault = missing(entries) ?? round.refuses?.() ?? null
    if (fault) {
      goOn()
      return setError(fault)
    }
    if (isCannot && !entries['reason']) {
      form.current?.querySelector('[data-why]')?.scrollIntoView({ block: 'center' })
      return setError(missingIn('round-cannot', { why: null }))
    }
    if (open > 0 && askedOpen !== open) return setAskedOpen(open)
    setDraft('')
    setError(null)
    setAskedOpen(null)
    round.onSubmit({ cases, isBaseline, outcome: 'done', reason: '', findings: findings(entries) }, Number(entries[lookedAgo] ?? 0))
  }
  return (
    <form
      ref={form}
      tabIndex={-1}
      onKeyDown={onKeyDown}
      onSubmit={(event) => {
        event.preventDefault()
        submit()
      }}
      className="grid gap-1 outline-none sm:gap-3 lg:gap-1.5"
      aria-label={isBaseline ? 'Baseline round' : 'Round'}
    >
      {children(entries, put)}
      {isCannot ? (
        <div data-why>
          <ChoiceRow
            label="Cannot be assessed because"
            value={entries['reason'] ?? null}
            choices={cannotReasons.map((value) => ({ value, label: value }))}
            onChange={(reason) => put({ reason })}
          />
        </div>
      ) : null}
      {round.isTimed ? null : <LookedAt isNarrow value={entries[lookedAgo] ?? '0'} onChange={(ago) => put({ [lookedAgo]: ago })} />}
      <div className="sticky bottom-0 z-10 -mx-2 flex flex-wrap items-center justify-end gap-x-2 gap-y-2 sm:gap-x-4 border-t border-line bg-paper px-2 py-1.5">
        {/* Beside the button that was pressed: on a phone what stands further up is out of sight. */}
        {error ? (
          <p role="alert" className="w-full font-bold text-stop">
            Not recorded. {error}
          </p>
        ) : null}
        {asksNow ? (
          <p role="alert" className="w-full font-bold text-caution">
            {open === 1 ? 'One place is open: it counts as not looked at.' : `${open} places are open: they count as not looked at.`}
          </p>
        ) : null}
        <p role="status" className="mr-auto font-semibold">
          {open === 0 ? 'All is entered' : `${open} open`}
        </p>
        {round.isTimed ? null : <LookedAt value={entries[lookedAgo] ?? '0'} onChange={(ago) => put({ [lookedAgo]: ago })} />}
        {/* Asked, the two change places: a double tap then only goes to what is open. */}
        {open > 0 ? (
          <Button look={asksNow ? 'next' : 'plain'} className={`${wayOn} ${asksNow ? 'order-1' : ''}`} onClick={goOn}>
            Next open
          </Button>
        ) : null}
        <Button type="submit" look={asksNow ? 'plain' : 'next'} className={wayOn}>
          {asksNow ? `${round.submitLabel} with ${open} open` : round.submitLabel}
        </Button>
      </div>
    </form>
  )
}

const agoMin = [0, 5, 10, 15, 20, 30, 45, 60, 90, 120, 180, 240] as const

/** When it was looked at: a round that is entered later is timed by the look. */
function LookedAt({ value, isNarrow = false, onChange }: { value: string; isNarrow?: boolean; onChange: (ago: string) => void }) {
  return (
    <label className={`flex items-center gap-2 text-sm ${isNarrow ? 'sm:hidden' : 'max-sm:hidden'}`}>
      <span className="font-semibold text-soft">Looked at</span>
      <select
        value={value}
        onChange={(event) => onChange(event.target.value)}
        className="min-h-11 rounded-lg border border-line bg-sheet px-2 lg:min-h-9"
      >
        {agoMin.map((minutes) => (
          <option key={minutes} value={String(minutes)}>
            {minutes === 0 ? 'now' : minutes < 60 ? `${minutes} min ago` : `${minutes / 60} h ago`}
          </option>
        ))}
      </select>
    </label>
  )
}
