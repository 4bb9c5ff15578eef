import type { Plan, ScheduleEntry } from '#core/model/plan'
import type { Standing } from '#core/model/standing'
import { findTechnique } from '#core/techniques/registry'
import type { CaseRecord } from '#contract/records/case'
import type { EpisodeRecord } from '#contract/records/episode'

/** Work that ends a device within a day: it is for the way, not for home. */
const isForHours = ({ kind, dueMin }: ScheduleEntry): boolean => kind === 'convert' || (kind === 'remove' && dueMin <= 1440)

const pressing = { urgent: 'is urgent', stop: 'is a stop', review: 'is under review' } as const

/**
 * Why a patient is given no sheet for home yet, and what to do first; null where one is printed.
 * @param standing what stands on the case now
 */
export function takeHomeRefusal({ technique }: Pick<CaseRecord, 'technique'>, plan: Plan, standing: Standing): string | null {
  const known = findTechnique(technique)
  const name = (known?.name ?? technique).toLowerCase()
  const isOfField = Boolean(known?.changesTo?.length) || plan.schedule.some(isForHours)
  if (isOfField) return `Nobody goes home in this ${name}: change it for the device that follows first.`
  const { level, headline } = standing
  if (level !== 'urgent' && level !== 'stop' && level !== 'review') return null
  return `Something ${pressing[level]} (${headline.replace(/\.$/, '')}): settle it, then print the sheet.`
}

/** What a cast is, for whoever wears it: opened along its length, or closed all round; null for what is no cast. */
export function castAtHome({ technique, openedUpAt }: Pick<CaseRecord, 'technique' | 'openedUpAt'>): string | null {
  if (!findTechnique(technique)?.isCast) return null
  return openedUpAt
    ? 'Your cast has been cut open along its length so that it can give. Do not tie it tighter.'
    : 'Your cast is closed all round: it cannot give when the limb swells. Keep the limb up.'
}

/** What a patient of certain flags has to know at home. */
export function carefulAtHome({ flags }: Pick<EpisodeRecord, 'flags'>): readonly string[] {
  return flags.includes('anticoagulated')
    ? ['You take blood thinners: you bleed more under the skin. New swelling, a bruise that grows, or more pain: call at once.']
    : []
}
