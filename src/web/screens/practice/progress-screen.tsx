import { useMoment } from '../../sync/use-moment'
import { Link } from 'react-router'
import type { ProgressAnswer } from '#contract/api/practice'
import { paths } from '#contract/api/paths'
import type { TechniqueProgress } from '#contract/api/practice-overview'
import { findNight } from '#core/practice/drill/nights'
import { findTechnique } from '#core/techniques/registry'
import { stationIdOf } from '#core/practice/stations/shipped-stations'
import { Notice } from '../../parts/notice'
import { ButtonLink } from '../../parts/button'
import { EmptyPage } from '../../parts/empty-page'
import { serverNow } from '../../sync/server-clock'
import { useAnswer } from '../../sync/use-answer'
import { PracticeSign } from './practice-sign'
import { Mark } from './stations/result-mark'

const wayWords = { alone: 'alone', examined: 'examined', team: 'in a team' } as const

/** What somebody has done themselves, and what is due again. */
export function ProgressScreen() {
  const moment = useMoment()
  const { answer, refusal } = useAnswer<ProgressAnswer>(paths.practiceProgress)
  const progress = answer?.progress
  return (
    <main id="main" className="page page-text grid grid-cols-[minmax(0,1fr)] content-start gap-5">
      <header className="flex flex-wrap items-baseline gap-x-4 gap-y-1">
        <h1 className="text-2xl font-bold">My progress</h1>
        <PracticeSign />
        <p className="basis-full text-soft">You and whoever trains you see this; nobody else does.</p>
      </header>
      {refusal ? <Notice tone="caution" lead={refusal} role="alert" /> : null}
      {progress && progress.techniques.length === 0 && progress.drills.length === 0 ? (
        <EmptyPage lead="Nothing yet">
          <p>Do a station, alone or examined, or a night of the drill: how it went stands here.</p>
          <p>
            <ButtonLink to="/practice">Choose one</ButtonLink>
          </p>
        </EmptyPage>
      ) : null}
      <ul aria-label="Skills, what is due first" className="grid gap-2">
        {progress?.techniques.map((technique) => (
          <Skill key={technique.technique} skill={technique} />
        ))}
      </ul>
      {progress && progress.liveOnly.length > 0 ? (
        <p className="text-soft">
          Supervised on patients, no station yet: {progress.liveOnly.map((one) => `${nameOf(one.technique)} ${one.live}`).join(', ')}.
        </p>
      ) : null}
      {progress && progress.sittings.length > 0 ? (
        <section aria-labelledby="all" className="grid gap-2">
          <h2 id="all" className="text-lg font-bold">
            Every run
          </h2>
          <ul className="divide-y divide-line rounded-2xl border border-line bg-sheet">
            {progress.sittings.map((sitting) => (
              <li key={sitting.id}>
                <Link to={`/practice/run/${sitting.id}`} className="flex min-h-12 flex-wrap items-center gap-x-4 px-4 py-2">
                  <span className="min-w-0 flex-1">
                    <strong>{sitting.stationName}</strong> <span className="text-soft">{wayWords[sitting.way]}</span>
                  </span>
                  <span className="text-soft tabular-nums">{moment(Date.parse(sitting.at))}</span>
                  <Mark total={sitting.total} hasPassed={sitting.hasPassed} />
                </Link>
              </li>
            ))}
          </ul>
        </section>
      ) : null}
      {progress && progress.drills.length > 0 ? (
        <section aria-labelledby="nights" className="grid gap-2">
          <h2 id="nights" className="text-lg font-bold">
            Nights of the drill
          </h2>
          <ul className="divide-y divide-line rounded-2xl border border-line bg-sheet">
            {progress.drills.map((drill) => (
              <li key={drill.id} className="flex min-h-12 flex-wrap items-center gap-x-4 px-4 py-2">
                <span className="min-w-0 flex-1">
                  <strong>{findNight(drill.night)?.name ?? drill.night}</strong>{' '}
                  <span className="text-soft">
                    seed {drill.seed}
                    {drill.endedAtMin === null ? '' : `, ended after ${(drill.endedAtMin / 60).toFixed(1)} h`}
                  </span>
                </span>
                <span className="text-soft tabular-nums">{moment(Date.parse(drill.at))}</span>
                <span className="numeral">
                  <strong>{drill.score.toFixed(1)}</strong>{' '}
                  <span className="text-soft">
                    list {drill.byList.toFixed(1)}, perfect {drill.perfect.toFixed(1)}
                  </span>
                </span>
              </li>
            ))}
          </ul>
        </section>
      ) : null}
    </main>
  )
}

function Skill({ skill }: { skill: TechniqueProgress }) {
  const moment = useMoment()
  const isDue = Date.parse(skill.dueAt) <= serverNow()
  return (
    <li className="grid grid-cols-[minmax(0,1fr)_auto] items-center gap-x-4 gap-y-1 rounded-2xl border border-line bg-sheet px-4 py-3">
      <Link
        to={`/practice/station/${stationIdOf(skill.technique)}`}
        className="text-lg font-bold underline decoration-soft underline-offset-4"
      >
        {nameOf(skill.technique)}
      </Link>
      <Mark total={skill.last.total} hasPassed={skill.last.hasPassed} />
      <p className="text-soft">
        {skill.count} {skill.count === 1 ? 'run' : 'runs'}, {skill.passed} passed, best {skill.best.toFixed(1)}
        {skill.live > 0 ? `, ${skill.live} supervised on ${skill.live === 1 ? 'a patient' : 'patients'}` : ''}
      </p>
      <p className={isDue ? 'font-bold text-caution' : 'text-soft'}>
        {isDue ? '▲ due again' : `due again ${moment(Date.parse(skill.dueAt))}`}
      </p>
    </li>
  )
}

function nameOf(technique: string): string {
  return findTechnique(technique)?.name ?? technique
}
