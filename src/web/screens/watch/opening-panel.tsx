import { useMoment } from '../../sync/use-moment'
import { useWords } from '../../sync/use-words'
import { useEffect, useMemo, useRef, useState } from 'react'
import { useNavigate } from 'react-router'
import { v7 as uuidv7 } from 'uuid'
import { planCase } from '#core/techniques/plan-case'
import { doneWithRole } from '#ward/case/done-with-role'
import { decisionsInRole } from '#core/techniques/decision-in-role'
import { findTechnique } from '#core/techniques/registry'
import { hardAtMs, isCastTechnique, openingTechnique, toOpeningCase } from '#ward/case/opening-run'
import { protocolOf } from '#contract/records/case'
import { isOpeningRun } from '#contract/records/run-kind'
import { useNow } from '../../sync/use-now'
import { browserContext } from '../../case/plan/use-plan'
import { useOpenNow } from '../../case/standing/use-open-now'
import { DecisionValue } from '../../case/plan/decision-value'
import { Lane } from '../../lane/lane'
import { Button, ButtonLink } from '../../parts/button'
import { ChoiceRow } from '../../parts/choice-row'
import { formatLeft } from '../../parts/format-left'
import { Fold } from '../../parts/fold'
import { Notice } from '../../parts/notice'
import { writeEvent, type OpenCase } from '../../sync/case-store'
import { useSettings } from '../../sync/session-store'
import { tabId } from '../../sync/tab-id'

/** Opening the cast that this case put on: when it is hard, at once in an emergency, on its own drawing. */
export function OpeningPanel({
  open,
  isUrgent,
  asking,
}: {
  open: OpenCase
  isUrgent: boolean
  /** Somebody came here to open it: it is in sight. Each asking has its own. */
  asking: string | null
}) {
  const moment = useMoment()
  const panel = useRef<HTMLElement>(null)
  useEffect(() => {
    if (asking) panel.current?.scrollIntoView({ block: 'start' })
  }, [asking])
  const say = useWords()
  const { record, episode } = open
  const now = useNow(1_000)
  const { units } = useSettings()
  const navigate = useNavigate()
  const [options, setOptions] = useState<Readonly<Record<string, string>>>({})
  const openNow = useOpenNow(open)
  const isOpenNow = isUrgent || record.orders?.openNow === true
  const hardAt = hardAtMs(record)
  const minute = Math.floor(now / 60_000)
  const plan = useMemo(
    () =>
      planCase(
        toOpeningCase(record, episode, { at: new Date(minute * 60_000).toISOString(), options, isOpenNow: false }),
        browserContext(protocolOf(record)),
      ),
    [record, episode, minute, options],
  )
  if (!isCastTechnique(record.technique) || !record.appliedAt || !plan) return null
  const asked = (findTechnique(openingTechnique)?.options ?? []).filter((option) => option.id === 'lines' || option.id === 'padding')
  const running = record.runs.find((run) => isOpeningRun(run) && doneWithRole(record, run, 'check-after').length === 0)
  if (running) {
    return (
      <Notice tone="caution" lead="The cast is being opened">
        <ButtonLink look="next" to={`/case/${record.id}/apply`} className="mt-2">
          Go on opening
        </ButtonLink>
      </Notice>
    )
  }
  if (isOpenNow && openNow)
    return (
      <Notice tone="stop" lead="Open it now: nothing is waited for">
        <Button look="danger" className="mt-2 min-h-14 text-lg" onClick={openNow.begin}>
          Open it now, step by step
        </Button>
      </Notice>
    )
  const waitMs = hardAt === null ? 0 : hardAt - now
  const mustWait = waitMs > 0
  const chosen = Object.fromEntries(asked.map((option) => [option.id, plan.options[option.id] ?? '']))
  const start = (): void => {
    const runId = uuidv7()
    void writeEvent('run-started', { runId, device: tabId(), technique: openingTechnique, options: chosen })
    void navigate(`/case/${record.id}/apply`)
  }
  return (
    <Fold label={`Open the cast${record.openedUpAt ? ' again' : ''}`} isOpen={asking !== null}>
      <section ref={panel} aria-labelledby="opening" className="grid gap-4 rounded-3xl border border-line bg-sheet p-4">
        <div className="flex flex-wrap items-baseline justify-between gap-3">
          <h2 id="opening" className="text-lg font-bold">
            Open the cast{record.openedUpAt ? ' again' : ''}
          </h2>
          {record.openedUpAt ? <p className="text-soft">Opened {moment(Date.parse(record.openedUpAt))}</p> : null}
          <p className="font-semibold">
            {mustWait ? (
              <>
                Hard in{' '}
                <span role="timer" aria-label="Hard enough to open" className="numeral text-xl">
                  {formatLeft(waitMs)}
                </span>
              </>
            ) : (
              <span className="text-calm">■ Hard enough to open</span>
            )}
          </p>
        </div>
        <div className="flex flex-wrap gap-x-6 gap-y-3">
          {asked.map((option) => (
            <ChoiceRow
              key={option.id}
              label={option.label}
              value={String(plan.options[option.id] ?? '')}
              choices={option.values.map((value) => ({ value: value.id, label: value.label }))}
              onChange={(value) => setOptions({ ...options, [option.id]: value })}
            />
          ))}
        </div>
        <Lane geometry={plan.geometry} units={units} layers={['padding', 'slab']} lit={['cut-1', 'cut-2']} />
        <dl className="grid gap-2 sm:grid-cols-2">
          {decisionsInRole(plan, 'before-opening').map((decision) => (
            <div key={decision.id} className="rounded-xl bg-well px-3 py-1.5">
              <dt className="text-sm text-soft">{decision.label}</dt>
              <dd className="numeral">
                <DecisionValue decision={decision} />
              </dd>
            </div>
          ))}
        </dl>
        {plan.cautions
          .filter((caution) => caution.code !== 'not-hard' && caution.level !== 'note')
          .map((caution) => (
            <Notice key={`${caution.code}${caution.text}`} tone={caution.level} lead={say(caution.text)}>
              {say(caution.why)}
            </Notice>
          ))}
        <div className="flex flex-wrap gap-3">
          <Button refuses={mustWait ? 'It is not hard enough to saw yet. In an emergency: open it now.' : null} onClick={start}>
            Begin opening
          </Button>
          <Button look="danger" onClick={openNow?.begin}>
            Emergency: open it now
          </Button>
        </div>
      </section>
    </Fold>
  )
}
