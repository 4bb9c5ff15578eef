import { collarSkin, skinGrades, type SkinGrade } from '../../figures/body/measurements/neck'
import { splitOccasions } from '../../figures/body/occasions'
import type { Measurement } from '../../model/clinical-case'
import type { PlanDraft } from '../../planner/draft'

interface SkinLook {
  readonly area: string
  readonly label: string
  readonly now: SkinGrade
  /** The look before, when there was one. */
  readonly before: SkinGrade | null
}

/**
 * Decides `skin-trend` over the areas that were looked at, and stops on skin that no longer blanches or is broken.
 * @returns whether some area reddens and still blanches, or is worse
 */
export function decideSkin(draft: PlanDraft): boolean {
  const looks = collarSkin.flatMap((definition): SkinLook[] => {
    const [now, before] = lastTwo(draft.clinicalCase.measurements, definition.id)
    return now ? [{ area: definition.id, label: definition.label, now, before: before ?? null }] : []
  })
  if (looks.length === 0) return false
  warnAboutSkin(draft, looks)
  const change = (look: SkinLook): number => (look.before === null ? 0 : skinGrades.indexOf(look.now) - skinGrades.indexOf(look.before))
  const isFirst = looks.every((look) => look.before === null)
  const trend = looks.some((look) => change(look) > 0)
    ? 'worse'
    : looks.some((look) => change(look) < 0)
      ? 'better'
      : isFirst
        ? 'first-look'
        : 'unchanged'
  const worst = looks.reduce((a, b) => (skinGrades.indexOf(b.now) > skinGrades.indexOf(a.now) ? b : a))
  draft.decide({
    id: 'skin-trend',
    value: trend,
    display: `${trend.replace('-', ' ')}; worst: ${worst.now.replaceAll('-', ' ')}, ${worst.label.replace('Skin, ', '')}`,
    source: 'practice',
    formula: 'Each area beside the look before: worse if any got worse, better if any got better and none worse.',
    working: looks.map((look) => ({
      label: look.label,
      value: look.before === null || look.before === look.now ? look.now : `${look.before} → ${look.now}`,
      unit: null,
      from: 'measured' as const,
      where: look.area,
    })),
  })
  return looks.some((look) => look.now !== 'intact')
}

/** The worst word for an area on the latest occasion, and on the one before it; looks within two hours that name no occasion are one. */
function lastTwo(all: readonly Measurement[], id: string): readonly SkinGrade[] {
  const superseded = new Set(all.flatMap((reading) => reading.supersedes ?? []))
  const looks = all.filter((reading) => reading.id === id && !(reading.key && superseded.has(reading.key)))
  const worst = splitOccasions(looks).map((group) => Math.max(...group.map((look) => skinGrades.indexOf(look.value as SkinGrade))))
  return worst
    .slice(-2)
    .reverse()
    .map((grade) => skinGrades[grade] ?? 'broken')
}

function warnAboutSkin(draft: PlanDraft, looks: readonly SkinLook[]): void {
  for (const [grade, code] of [
    ['broken', 'skin-broken'],
    ['red-not-blanching', 'red-not-blanching'],
  ] as const) {
    const there = looks.filter((look) => look.now === grade)
    if (there.length === 0) continue
    draft.caution({
      level: 'stop',
      code,
      decisions: ['skin-trend'],
      steps: ['front-on', 'back-on'],
      text: `Relieve, refit and tell: ${there.map((look) => look.label.replace('Skin, ', '')).join(', ')}.`,
      why:
        grade === 'broken'
          ? 'Broken skin under a collar becomes a deep sore within days.'
          : 'Red that does not blanch is a sore that has begun.',
    })
  }
}
