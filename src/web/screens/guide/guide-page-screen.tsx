import { saidLines } from '#core/runs/said-lines'
import type { Step } from '#core/model/step'
import { useEffect, useMemo, type ReactNode } from 'react'
import { Link, useLocation, useParams, useSearchParams } from 'react-router'
import { flagLabel } from '#core/model/flag-words'
import { spoken } from '#core/model/vocabulary'
import { flagRulesOf } from '#core/rules/by-what-is-put-on'
import { inUnits } from '#core/quantities/words-in-units'
import { sourceKindWords } from '#core/techniques/guide-page'
import type { Plan } from '#core/model/plan'
import { LanePicture } from '../../lane/lane-picture'
import { stepOnLane } from '../../lane/step-on-lane'
import { ButtonLink } from '../../parts/button'
import { Notice } from '../../parts/notice'
import type { OptionValues, Technique } from '#core/planner/technique'
import { guidePageBy, guidePages } from './guide-index'
import { StepLines } from '../../parts/step-lines'
import { SchoolsTable } from './schools-table'
import { guideSections } from './guide-sections'
import { useSettings } from '../../sync/session-store'
import { useProtocolInForce } from '../../sync/protocol-in-force'

/** One technique to read beforehand, all of it from the technique itself. */
export function GuidePageScreen() {
  const { technique: id } = useParams()
  const { hash } = useLocation()
  const { units } = useSettings()
  const [asked] = useSearchParams()
  const protocol = useProtocolInForce()
  const usual = guidePages(protocol).find((guidePage) => guidePage.technique.id === id)
  const page = useMemo(() => {
    if (!usual) return usual
    const schools = schoolsAsked(usual.technique, asked)
    return Object.keys(schools).length === 0 ? usual : guidePageBy(usual.technique, protocol, schools)
  }, [usual, asked, protocol])
  useEffect(() => {
    if (hash) document.getElementById(hash.slice(1))?.scrollIntoView()
  }, [hash, id])
  if (!page) {
    return (
      <main id="main" className="page page-list grid content-start gap-4">
        <Notice tone="caution" lead="There is no such technique in the guide">
          Look for it in the list.
        </Notice>
        <ButtonLink to="/guide">To the guide</ButtonLink>
      </main>
    )
  }
  const { technique, sources } = page
  const { plan, measured } = inUnits({ plan: page.plan, measured: page.measured }, units)
  const flagRules = flagRulesOf(technique.puts)
  return (
    <main
      id="main"
      className="page page-list grid content-start gap-x-8 gap-y-4 grid-cols-[minmax(0,1fr)] lg:grid-cols-[13rem_minmax(0,1fr)]"
    >
      <nav aria-label="On this page" className="lg:sticky lg:top-4 lg:self-start">
        <Link to="/guide" className="inline-flex min-h-11 items-center font-semibold underline underline-offset-4">
          ‹ Guide
        </Link>
        <ul className="flex flex-wrap gap-x-4 lg:block">
          {Object.entries(guideSections).map(([section, name]) => (
            <li key={section}>
              <a href={`#${section}`} className="inline-flex min-h-10 items-center text-[0.95rem]">
                {name}
              </a>
            </li>
          ))}
        </ul>
      </nav>
      <article className="grid min-w-0 grid-cols-[minmax(0,1fr)] gap-7">
        <header id="purpose" className="grid gap-2">
          <h1 className="text-2xl font-bold">{technique.name}</h1>
          <p className="text-lg">{technique.purpose}</p>
          <div className="rounded-2xl border border-line bg-sheet p-2">
            <LanePicture geometry={page.plan.geometry} heightPx={190} />
          </div>
          <p className="text-soft">For: {technique.patterns.map(spoken).join(', ')}.</p>
          <p className="text-sm text-soft">
            Steps and figures are those of an ordinary adult, by the schools marked below. Local policy and the licensed clinician’s
            judgement come first.
          </p>
        </header>
        <Section id="cautions">
          {flagRules.length === 0 ? <p>None beyond those of every limb: look, ask, check again.</p> : null}
          <ul className="grid gap-2">
            {flagRules.map((rule) => (
              <li key={`${rule.flag}${rule.text}`}>
                <Notice tone={rule.level} lead={`${flagLabel(rule.flag)}: ${rule.text}`}>
                  {rule.why}
                </Notice>
              </li>
            ))}
          </ul>
        </Section>
        <Section id="schools">
          <SchoolsTable technique={technique} chosen={plan.options} asked={asked} />
        </Section>
        <Section id="measure">
          <dl className="grid gap-1.5">
            {measured.map((definition) => (
              <div key={definition.id} className="grid gap-x-4 sm:grid-cols-[15rem_1fr]">
                <dt className="font-semibold">{definition.label}</dt>
                <dd>{definition.landmarks}</dd>
              </div>
            ))}
          </dl>
        </Section>
        <Section id="steps">
          <ol className="grid gap-3">
            {plan.procedure.steps.map((step, index) => (
              <li key={step.id} className="grid grid-cols-[2.2rem_1fr] gap-x-2 gap-y-1 md:grid-cols-[2.2rem_1fr_17rem] md:gap-x-4">
                <span className="numeral text-right text-soft">{index + 1}</span>
                <div className="max-md:col-start-2">
                  <p className="font-semibold">{step.items ? step.text : saidLines(step).headline}</p>
                  <StepLines step={step} className="mt-1" />
                  {step.say ? <p className="border-l-4 border-known pl-2">Say: “{step.say}”</p> : null}
                  {step.reads ? <p className="text-[0.95rem] text-soft">Read and enter: {readsWords(step.reads)}</p> : null}
                  <p className="text-[0.95rem]">
                    {step.why} <span className="text-caution">Prevents: {step.prevents}</span>
                  </p>
                </div>
                <StepPicture plan={page.plan} step={step} before={plan.procedure.steps[index - 1] ?? null} />
              </li>
            ))}
          </ol>
        </Section>
        <Section id="fit">
          <ul className="grid gap-1.5">
            {plan.fit.map((test) => (
              <li key={test.id}>
                <span className="font-semibold">{test.text}.</span> {test.why} If not: {test.remedy}
              </li>
            ))}
          </ul>
        </Section>
        <Section id="care">
          <ul className="grid list-disc gap-1 pl-5">
            {plan.care.map((line) => (
              <li key={line}>{line}</li>
            ))}
          </ul>
        </Section>
        <Section id="troubles">
          <dl className="grid gap-3">
            {technique.troubles.map((trouble) => (
              <div key={trouble.id}>
                <dt className={`font-bold ${trouble.level === 'urgent' ? 'text-stop' : ''}`}>
                  {trouble.level === 'urgent' ? '◆ ' : ''}
                  {trouble.label}
                </dt>
                <dd>{trouble.actions.join(' ')}</dd>
              </div>
            ))}
          </dl>
        </Section>
        <Section id="sources">
          {sources.map((source) => (
            <div key={source.kind} className="mb-3">
              <h3 className="font-bold">{sourceKindWords[source.kind]}</h3>
              <dl className="grid gap-1">
                {source.decisions.map((decision) => (
                  <div key={decision.label} className="grid gap-x-4 sm:grid-cols-[15rem_1fr]">
                    <dt>{decision.label}</dt>
                    <dd className="text-[0.95rem]">{decision.formula}</dd>
                  </div>
                ))}
              </dl>
            </div>
          ))}
        </Section>
      </article>
    </main>
  )
}

/** The lane as it is in a run at this step; nothing where it is as at the step before. */
function StepPicture({ plan, step, before }: { plan: Plan; step: Step; before: Step | null }) {
  const { geometry, procedure } = plan
  const at = (one: Step | null) => stepOnLane(procedure.steps, geometry, one, () => null)
  const shown = at(step)
  if (!step.onPatient && shown.lit.length === 0 && shown.hands.length === 0) return null
  if (before && JSON.stringify(shown) === JSON.stringify(at(before))) return null
  return (
    <div className="max-md:col-start-2">
      <LanePicture geometry={geometry} heightPx={110} {...shown} />
    </div>
  )
}

/** What a step reads, with what it should be. */
function readsWords(reads: NonNullable<Step['reads']>): string {
  return reads.map((read) => `${read.label} (${read.wanted})`).join('; ')
}

/** Schools that the address asks for, as far as the technique has them. */
function schoolsAsked(technique: Technique, asked: URLSearchParams): OptionValues {
  return Object.fromEntries(
    technique.options.flatMap((option) => {
      const value = asked.get(option.id)
      return value !== null && option.values.some((school) => school.id === value) ? [[option.id, value]] : []
    }),
  )
}

function Section({ id, children }: { id: string; children: ReactNode }) {
  return (
    <section id={id} aria-labelledby={`${id}-title`} className="scroll-mt-4">
      <h2 id={`${id}-title`} className="mb-2 border-b border-line pb-1 text-xl font-bold">
        {guideSections[id]}
      </h2>
      {children}
    </section>
  )
}
