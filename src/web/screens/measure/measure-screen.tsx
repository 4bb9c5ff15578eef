import { useWords } from '../../sync/use-words'
import { useState } from 'react'
import { spoken, type Side } from '#core/model/vocabulary'
import type { Measurement } from '#core/model/clinical-case'
import { Lane } from '../../lane/lane'
import { girthDoubt } from '#core/figures/body/girth-neighbours'
import { disagreeing, lengthDoubt } from '#core/figures/body/length-order'
import { stillMissing } from '#core/planner/still-missing'
import { AfterChange } from '../../case/standing/after-change'
import { usePlan } from '../../case/plan/use-plan'
import { Button, ButtonLink } from '../../parts/button'
import { PlanMessages } from '../../case/plan/plan-messages'
import { StagePage } from '../../parts/stage-page'
import { useOpenCase, writeEvent } from '../../sync/case-store'
import { useSettings } from '../../sync/session-store'
import { askedReadings, readingsOf, usualSide, type AskedReading } from './asked-readings'
import { FigureEntry } from './figure-entry'
import { ReadingEntry } from './reading-entry'
import { ReadingList } from './reading-list'
import { ReadingTools } from './reading-tools'

/** One place after another: the landmark in words, the reading with Enter, the limb redrawn as it is typed. */
export function MeasureScreen() {
  const open = useOpenCase()
  const { units } = useSettings()
  // Not with what is being typed: the question must not change under the hand.
  const lacks = stillMissing(usePlan(open))
  const asked = askedReadings(open).map((askedReading) =>
    lacks.readings.has(askedReading.definition.id) ? { ...askedReading, need: 'required' as const } : askedReading,
  )
  const [picked, setPicked] = useState<string | null>(null)
  const [provisional, setProvisional] = useState<Measurement | null>(null)
  const [chosenSide, setChosenSide] = useState<{ for: string; side: Side } | null>(null)
  const [isByEye, setByEye] = useState(false)
  const plan = usePlan(open, provisional)
  const readings = open.record.measurements
  const injury = open.episode.injuries[open.record.injuryId]
  const stature = open.episode.patient.heightCm
  const swollenSide = injury && injury.swelling !== 'none' ? injury.side : null
  const doubts = new Map(
    readings.flatMap((reading): [string, string][] => {
      const doubt = lengthDoubt(reading, readings, stature) ?? girthDoubt(reading, readings, swollenSide)
      const problem = plan.problems.find((each) => each.path.startsWith(`measurements/${reading.id}`) && each.code !== 'missing')
      return doubt ? [[reading.id, doubt]] : problem ? [[reading.id, 'doubted: look again']] : []
    }),
  )
  const isRead = (place: AskedReading): boolean => readingsOf(place, readings).length > 0
  const isUnread = (place: AskedReading): boolean => place.need !== 'optional' && !isRead(place)
  const isDoubted = (place: AskedReading): boolean => isRead(place) && doubts.has(place.definition.id)
  const wantsThird = (place: AskedReading): boolean =>
    plan.problems.some((problem) => problem.code === 'third-reading' && problem.path === `measurements/${place.definition.id}`)
  const next = asked.find(isUnread) ?? asked.find(wantsThird) ?? asked.find(isDoubted)
  const current =
    asked.find((reading) => reading.key === picked) ??
    next ??
    asked.find((reading) => readingsOf(reading, readings).length === 0) ??
    asked[0]
  const usual = current ? usualSide(current, injury?.side ?? null, injury?.swelling !== 'none') : null
  const side = current?.fixedSide ?? (chosenSide && chosenSide.for === current?.key && usual ? chosenSide.side : usual)
  const unreadCount = asked.filter(isUnread).length
  const doubtedCount = asked.filter(isDoubted).length
  const figure = lacks.figures[0] ?? null
  const figureInHand = picked === null && !next ? figure : null
  const isEnough = figure === null && !asked.some((reading) => reading.need === 'required' && (isUnread(reading) || isDoubted(reading)))
  const take = (taken: readonly Measurement[]): void => {
    setProvisional(null)
    setPicked(null)
    for (const reading of taken) void writeEvent('reading', reading)
  }
  const undo = (): void => {
    // Of one place the reading that disagrees, not only the newest.
    const newest = readings.at(-1)
    const last = newest && disagreeing(readings.filter((reading) => reading.id === newest.id && reading.side === newest.side))
    if (last?.key) void writeEvent('reading-withdrawn', { key: last.key })
  }
  return (
    <StagePage
      lane={
        <Lane
          isStrip
          geometry={plan.geometry}
          units={units}
          layers={['readings']}
          off={open.record.appliedAt === null ? plan.geometry.bands.map((band) => band.id) : undefined}
          lit={current ? [current.definition.id, current.definition.id.replace(/-girth$/, '')] : []}
          drawnSide={side ?? undefined}
          onPick={(id) => setPicked(asked.some((reading) => reading.key === `${id}-girth`) ? `${id}-girth` : id)}
        />
      }
      aside={
        <ReadingList
          asked={asked}
          readings={readings}
          units={units}
          doubts={doubts}
          current={current?.key ?? null}
          onPick={setPicked}
          onWithdraw={(key) => void writeEvent('reading-withdrawn', { key })}
        />
      }
      title="Measure"
      lead={leadOf(unreadCount + lacks.figures.length, doubtedCount, asked.some(wantsThird))}
      next={
        <ButtonLink look={next || figure ? 'plain' : 'next'} to={`/case/${open.record.id}/choose`}>
          {isEnough ? 'Choose the size' : 'Choose with what there is'}
        </ButtonLink>
      }
    >
      <div className="grid gap-5">
        <AfterChange open={open} />
        {figureInHand ? (
          <FigureEntry
            key={figureInHand}
            caseId={open.record.id}
            patient={open.episode.patient}
            figure={figureInHand}
            why={lacks.messages[`patient/${figureInHand}`] ?? ''}
          />
        ) : current?.definition.words ? (
          <WordEntry place={current} onTake={(value) => take([{ id: current.definition.id, value }])} />
        ) : current ? (
          <ReadingEntry
            key={current.key}
            caseId={open.record.id}
            place={current}
            asked={asked}
            side={side}
            injury={injury ?? null}
            body={plan.geometry.body}
            isByEye={isByEye}
            isNext={next !== undefined}
            problems={plan.problems.filter((problem) => problem.path.startsWith(`measurements/${current.definition.id}`))}
            onSide={(chosen) => setChosenSide({ for: current.key, side: chosen })}
            onTyping={setProvisional}
            onEnter={take}
            onUndo={undo}
          />
        ) : (
          <p>This technique asks for no reading.</p>
        )}
        {current && !figureInHand && !current.definition.words ? (
          <ReadingTools
            key={`tools ${current.key}`}
            place={current}
            side={side}
            isByEye={isByEye}
            onByEye={setByEye}
            onTake={(reading) => take([reading])}
          />
        ) : null}
        <PlanMessages plan={{ ...plan, problems: [] }} levels={['stop', 'caution']} />
      </div>
    </StagePage>
  )
}

/** How far measuring is: a place whose reading is doubted is not read. */
function leadOf(unreadCount: number, doubtedCount: number, wantsThird: boolean): string {
  if (unreadCount > 0) return `${unreadCount} to go${doubtedCount > 0 ? `, ${doubtedCount} doubted` : ''}`
  if (wantsThird) return 'A third reading is wanted'
  return doubtedCount > 0 ? `${doubtedCount} of the readings doubted: look again` : 'All asked places are read'
}

/** A reading judged in words: one tap. */
function WordEntry({ place, onTake }: { place: AskedReading; onTake: (word: string) => void }) {
  const say = useWords()
  const { definition } = place
  return (
    <section aria-label={`Reading: ${definition.label}`} className="grid content-start gap-3">
      <h2 className="text-2xl font-bold">{definition.label}</h2>
      <p className="text-lg">{say(definition.landmarks)}.</p>
      <p className="text-soft">{say(definition.posture)}.</p>
      <div className="grid gap-2 sm:grid-cols-2">
        {definition.words?.map((word) => (
          <Button key={word} className="min-h-16 text-lg" onClick={() => onTake(word)}>
            {spoken(word)}
          </Button>
        ))}
      </div>
    </section>
  )
}
