import { likelyWindows, worstLateMin, type Lateness } from '../../figures/crew/likely-minutes'
import type { CrewWindow } from '../../model/crew-input'
import type { SettingMaterial } from '../../model/setting-material'
import type { Step } from '../../model/step'
import type { PlanDraft } from '../../planner/draft'
import { wrapDefaults } from '../../figures/wraps/wrap-length'
import { readDefaults } from '../../quantities/defaults'
import { settingDefaults, settingTime } from '../../figures/setting-time/working-time'

/** One way of having more time, as it would be: what differs from the plan. */
export interface Mend {
  /** As it is offered: "water of 18 °C, fresh for each part". */
  readonly words: string
  readonly setMin?: number
  readonly order?: { readonly steps: readonly Step[]; readonly windows: readonly CrewWindow[] }
}

export interface MinutesQuestion {
  readonly steps: readonly Step[]
  readonly windows: readonly CrewWindow[]
  readonly setMin: number
  /** Worked out only where something is late. */
  readonly mends: () => readonly Mend[]
}

/**
 * Warns of a part that by the plan's own likely minutes is shaped when it has begun to set, and of a roll that is laid on a layer that no longer
 * bonds, with what mends it and by how much.
 */
export function judgeMinutes(draft: PlanDraft, question: MinutesQuestion): void {
  const late = likelyWindows(likelyOf(question.steps), question.windows, question.setMin).filter(isLate)
  if (late.length === 0) return
  const gives = mendWords(question)
  for (const { window, doneMin, limitMin } of late) {
    const byMin = (doneMin - limitMin).toFixed(1)
    if (window.toAt === 'start') {
      draft.caution({
        level: 'caution',
        code: 'damp-joint',
        decisions: ['set-time'],
        steps: [window.to],
        text: `Wet the joint, and lap it ${readDefaults(wrapDefaults, draft.ctx.protocol).lapCm} cm.`,
        why: `By likely minutes this roll begins ${byMin} min after the layer under it stops bonding.${gives}`,
      })
    } else {
      draft.caution({
        level: 'caution',
        code: 'set-before-moulded',
        decisions: ['set-time', 'least-crew'],
        steps: [window.to],
        text: `Gain time before you wet it: this part is shaped ${byMin} min too late.`,
        why: `By likely minutes it is shaped at ${doneMin.toFixed(1)} min, and can be shaped until ${limitMin.toFixed(1)}; later it cracks.${gives}`,
      })
    }
  }
}

/** What gives more time, with what each leaves; said once for all that is late. */
function mendWords({ steps, windows, setMin, mends }: MinutesQuestion): string {
  const said = mends().map((mend) => {
    const order = mend.order ?? { steps, windows }
    const lateMin = worstLateMin(likelyWindows(likelyOf(order.steps), order.windows, mend.setMin ?? setMin))
    return `${mend.words}: ${lateMin > 0 ? `still ${lateMin.toFixed(1)} min late` : `${Math.abs(lateMin).toFixed(1)} min in hand`}`
  })
  return said.length > 0 ? ` What saves time: ${said.join('; ')}.` : ''
}

function isLate({ doneMin, limitMin }: Lateness): boolean {
  return doneMin > limitMin + 1e-9
}

function likelyOf(steps: readonly Step[]): readonly { readonly id: string; readonly likelyMin: number }[] {
  return steps.filter((step) => step.wet && !step.optional).map(({ id, minutes }) => ({ id, likelyMin: minutes[1] }))
}

/** What slows any material down: cooler water, not below 18 °C, and a slower material where the technique has one. */
export function slowerMends(draft: PlanDraft, material: SettingMaterial, slower: SettingMaterial | null): readonly Mend[] {
  const { waterC, packSetMin } = draft.clinicalCase.environment
  const { protocol } = draft.ctx
  const { coldC } = readDefaults(settingDefaults, protocol)
  return [
    ...(waterC > coldC
      ? [{ words: `clean water of ${coldC} °C, fresh for each part`, setMin: settingTime(material, coldC, packSetMin, protocol).minutes }]
      : []),
    ...(slower && slower !== material ? [{ words: 'slow plaster', setMin: settingTime(slower, waterC, undefined, protocol).minutes }] : []),
  ]
}
