import type { ClinicalCase } from '#core/model/clinical-case'
import type { Plan } from '#core/model/plan'
import type { PlanContext } from '#core/model/plan-context'
import { castMaterials, type Device } from '#core/model/device'
import { hardMinutes } from '#core/figures/setting-time/hard-after'
import { protocolOf, type CaseRecord } from '#contract/records/case'
import { decisionInRole } from '#core/techniques/decision-in-role'
import { openNowPlan } from '#core/techniques/open-now-plan'
import { planCase } from '#core/techniques/plan-case'
import { findTechnique, techniques } from '#core/techniques/registry'
import { toClinicalCase } from './clinical-case'
import type { EpisodeRecord } from '#contract/records/episode'
import type { RunRecord, RunStartedBody } from '#contract/records/run'

/** The technique that opens casts. */
export const openingTechnique = techniques.find((technique) => technique.opensCasts)?.id ?? ''

/** Whether a technique puts on what is opened on its own case. */
export function isCastTechnique(technique: string): boolean {
  return findTechnique(technique)?.isCast === true
}

/** The cast that a case put on, as opening it reads it, at a moment. */
export function castOf(record: CaseRecord, at: string): Device {
  const material = castMaterials.find((castMaterial) => castMaterial === record.accepted?.plan.options['material'])
  const layers = decisionInRole(record.accepted?.plan, 'layers-on')?.value
  const topCm = castTopCm(record.accepted?.plan)
  return {
    paddingLayers: 2,
    ...(material ? { material } : {}),
    ...(typeof layers === 'number' ? { layers } : {}),
    ...(topCm === null ? {} : { topCm }),
    ...(record.appliedAt ? { minutesSince: Math.max(0, (Date.parse(at) - Date.parse(record.appliedAt)) / 60_000) } : {}),
  }
}

/** Where a planned cast ends above the heel sole, cm, by its drawing; null where none is drawn. */
function castTopCm(plan: Plan | undefined): number | null {
  const tops = (plan?.geometry.bands ?? []).flatMap((band) => (band.axis === 'leg' && band.kind === 'zone' ? [band.toCm] : []))
  return tops.length === 0 ? null : Math.max(...tops)
}

/**
 * The case of an opening: the cast's own readings and patient, the cast as device, the wait lifted when it is opened
 * now.
 * @param at when it is opened, ISO 8601: a run keeps its start, so that its plan stays the same to its end
 */
export function toOpeningCase(
  record: CaseRecord,
  episode: EpisodeRecord,
  opening: { readonly at: string; readonly options: Readonly<Record<string, string | number>>; readonly isOpenNow: boolean },
): ClinicalCase {
  const clinicalCase = toClinicalCase(record, episode)
  return {
    ...clinicalCase,
    technique: openingTechnique,
    options: opening.options,
    device: castOf(record, opening.at),
    orders: { ...clinicalCase.orders, openNow: opening.isOpenNow },
    overrules: [],
  }
}

/** When the cast is hard enough to open, ms since the epoch; null before it is on or when its material is not known. */
export function hardAtMs(record: CaseRecord): number | null {
  const { material } = castOf(record, record.appliedAt ?? record.openedAt)
  if (!record.appliedAt || !material) return null
  return Date.parse(record.appliedAt) + hardMinutes(material, protocolOf(record)) * 60_000
}

/** The core's case for one run: the case itself, or the opening of its cast. */
export function caseOfRun(record: CaseRecord, episode: EpisodeRecord, run: RunRecord | undefined): ClinicalCase {
  if (!run || run.technique === undefined) return toClinicalCase(record, episode)
  return toOpeningCase(record, episode, { at: run.startedAt, options: run.options ?? {}, isOpenNow: run.isOpenNow === true })
}

/**
 * What opening at once begins with: a cast by the technique that opens casts, anything else by its own lines; the plan whole, so
 * that it needs no line.
 * @param worn the plan of what is on
 * @param at when it is opened, ISO 8601
 * @returns null where the technique is not known
 */
export function openNowRun(
  record: CaseRecord,
  episode: EpisodeRecord,
  worn: Plan,
  at: string,
  ctx: PlanContext,
): Pick<RunStartedBody, 'technique' | 'options' | 'isOpenNow' | 'plan'> | null {
  const technique = findTechnique(record.technique)
  if (!technique) return null
  if (!technique.isCast) return { isOpenNow: true, plan: openNowPlan(worn, technique, toClinicalCase(record, episode)) }
  const plan = planCase(toOpeningCase(record, episode, { at, options: {}, isOpenNow: true }), ctx)
  return plan && { technique: openingTechnique, options: {}, isOpenNow: true, plan }
}
