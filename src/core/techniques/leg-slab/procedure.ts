import type { DecidedSetting } from '../families/cast/decide-set-time'
import type { LappedSlabs } from '../../figures/slabs/lap-two'
import type { ClinicalCase } from '../../model/clinical-case'
import type { Side } from '../../model/vocabulary'
import type { Step } from '../../model/step'
import type { StepAngle } from '../../model/step'
import { formatValue } from '../../planner/format-decision'
import { closingCheck, openingSteps } from '../shared/opening-steps'
import { takeFoot } from '../families/slab/hold'
import { lastLook } from '../shared/last-look'
import { makeStep } from '../shared/make-step'
import { ankleAngle, footPlane, kneeAngle } from '../shared/step-angles'
import { cureTimer, lowerTimer, lowerWords, releaseTimer, settingTimer, wettingTimer } from '../shared/step-timers'
import type { OptionValues } from '../../planner/technique'
import type { Extent } from './options'
import type { LegSlabStep } from './roles'

export interface ProcedureFacts {
  readonly options: OptionValues
  readonly extent: Extent
  readonly side: Side | undefined
  readonly widthCm: number | null
  /** Made of two slabs laid as one. */
  readonly lapped: LappedSlabs | null
  readonly lengthCm: number | null
  readonly ankleWords: string
  /** Null while the ordered angle is not entered. */
  readonly ankleDeg: number | null
  readonly set: DecidedSetting
  /** Face down or hanging the limb keeps its own angle. */
  readonly isHeldByItself: boolean
  readonly isPlaster: boolean
  readonly isScarce: boolean
  /** Folded away on each side at the ankle, cm. */
  readonly foldCm: number
  /** What stays open at the ankle, cm; null before there is a width. */
  readonly gapCm: number | null
  readonly clinicalCase: ClinicalCase
}

/** The steps of a back slab in a workable order; `after` says which order is binding. */
export function legSlabSteps(facts: ProcedureFacts): readonly Step<LegSlabStep>[] {
  return [...prepareSteps(facts), ...wetSteps(facts), ...finishSteps(facts)]
}

function prepareSteps({
  extent,
  options,
  side,
  widthCm,
  lengthCm,
  isScarce,
  isPlaster,
  foldCm,
  clinicalCase,
  isHeldByItself,
  lapped,
}: ProcedureFacts): readonly Step<LegSlabStep>[] {
  const size =
    widthCm !== null && lengthCm !== null ? `${formatValue(widthCm, 'cm')} wide, ${formatValue(lengthCm, 'cm')} long` : 'to the plan'
  const isAbove = extent === 'above-knee'
  const liner = options['liner'] === 'stockinette-and-wool' && !isScarce ? 'Stockinette first, without a crease. ' : ''
  const top = isAbove ? 'to the top of the thigh, with crossing turns at the knee' : 'to the knee crease'
  return [
    ...openingSteps({
      side,
      holdsLong: true,
      compared: 'both legs',
      where: ['dorsal-foot-pulse'],
      position: 'The whole leg bare and in reach.',
      chosen: { clinicalCase, options, supported: 'the calf and the heel' },
      say: `I wrap your leg, lay ${isPlaster ? 'wet plaster' : 'a damp strip'} behind it and bring your foot to its angle. It gets warm, then hard. Tell me at once if anything pinches.`,
      layOut: isPlaster
        ? 'padding, slab, bucket of water with thermometer, bandage, tape, shears'
        : 'padding, slab, a little cool water with thermometer, towel, bandage, tape, shears',
    }),
    ...takeFoot(isHeldByItself),
    makeStep({
      id: 'padding',
      text: `${liner}Padding from the toes, unrolled outward along the leg, figure-of-eight at the ankle, heel covered, loose corners tucked, half overlap ${top}.`,
      why: 'Two even layers let it swell a little and keep edges off; turns over bone count toward four layers.',
      say: 'The soft padding goes round your leg now.',
      prevents: 'A missed heel, an overpadded ankle, ridges under the slab.',
      after: [takeFoot(isHeldByItself)[0]?.id ?? 'baseline', 'lay-out'],
      minutes: [1.5, 2.5, 4],
      onPatient: true,
      where: ['padding', 'heel-instep'],
    }),
    makeStep({
      id: 'bone-points',
      text: `Feel every bony point through the padding: both malleoli, heel, ${isAbove ? 'kneecap, ' : ''}fibular neck.`,
      why: 'What you can feel sharply, the slab will press.',
      say: 'I feel the bones through the padding now. Tell me where it hurts.',
      prevents: 'A foot drop from a pressed nerve at the fibular neck.',
      after: ['padding'],
      minutes: [0.3, 0.5, 1],
      where: ['malleoli', 'fibular-neck'],
    }),
    makeStep({
      id: 'cut-slab',
      text: `Cut ${lapped ? `two slabs of ${formatValue(lapped.pieceCm, 'cm')}, to lie ${size} together` : `the slab ${size}`}${foldCm > 0 ? `, nicked ${formatValue(foldCm, 'cm')} deep on both edges at the ankle` : ''}; in doubt long, and cuffed back. Hold it dry round the limb: the front stays open from end to end.`,
      why: 'Plaster stretches a little wet and never shrinks; the open front is the release line.',
      prevents: 'Edges that meet: a slab that has become a closed cast.',
      after: ['identity', 'padding'],
      minutes: [0.7, 1, 2],
      confirm: `Cut for the ${side?.toUpperCase() ?? 'injured'} leg, gap checked`,
      where: ['slab'],
    }),
  ]
}

/** Fit that can still be changed while it is moulded; looked at once more on Check. */
const lookedAtWhileSoft = ['fibular-neck', 'no-dent', 'edges-apart']

/** What is held while it sets: the ankle at its angle, the sole level, above the knee the knee too. */
function heldAngles({ ankleDeg, extent }: ProcedureFacts): readonly StepAngle[] {
  return [...(ankleDeg === null ? [] : [ankleAngle(ankleDeg)]), footPlane, ...(extent === 'above-knee' ? [kneeAngle(18, 15, 20)] : [])]
}

function wetSteps(facts: ProcedureFacts): readonly Step<LegSlabStep>[] {
  const { options, isPlaster, set, ankleWords, extent, lapped } = facts
  const isAbove = extent === 'above-knee'
  const from = options['lay-from'] === 'knee' ? (isAbove ? 'top' : 'knee') : 'foot'
  const knee = isAbove ? ' Knee 15–20° bent, a holder under the thigh.' : ''
  const hurry = options['position'] === 'seated' ? ' Seated, fluid pools in the leg: be quick.' : ''
  const wet = makeStep({
    id: 'wet',
    text: `${
      isPlaster
        ? 'Wet until the bubbles stop, press out, smooth lightly on the table, last look at the length. The clock starts.'
        : 'A little cool water along the strip, roll it in a towel, press out. The clock starts.'
    }${hurry}`,
    say: 'It will get warm under the slab for some minutes; that is the setting. Too hot, and it comes off: say so.',
    why: 'Air left in makes it weak; water left in makes it slow.',
    prevents: 'Dry layers that split apart.',
    after: ['cut-slab', 'bone-points'],
    minutes: isPlaster ? [0.3, 0.5, 0.8] : [0.4, 0.6, 1],
    wet: true,
    timer: settingTimer(set.minutes),
    moreTimers: [wettingTimer(isPlaster ? 0.5 : 0.6), releaseTimer(set.releaseMin, 'done'), lowerTimer(set.lowerMin, 'done')],
  })
  const lay = makeStep({
    id: 'lay',
    text: `Lay it from the ${from}, square along the back of the limb${lapped ? `: a few layers left, then right, in turn, lapped ${formatValue(lapped.lapCm, 'cm')}, the seam flat beside the heel cord and off the malleoli` : ''}, and smooth it here until the weave no longer shows.${knee}`,
    why: 'Layers bond while they are wettest.',
    say: 'The wet strip comes behind your leg now: cool first, then warm.',
    prevents: 'A twisted slab that holds one side only.',
    after: ['wet'],
    minutes: isPlaster ? [0.4, 0.6, 1] : [0.3, 0.5, 0.8],
    wet: true,
    onPatient: true,
    where: ['slab'],
    ...(isAbove ? { hands: ['apply', 'hold-proximal'] as const } : {}),
  })
  const fold = makeStep({
    id: 'fold',
    text: `${
      options['length'] === 'past-toes' ? 'Double the end back into a guard just past the tips' : 'Fold the corner to free the little toe'
    }${foldWords(facts)}; fold the edge away from the fibular neck.`,
    ...(facts.foldCm > 0 && facts.gapCm !== null
      ? {
          reads: [{ id: 'gap-after-fold', label: 'Open at the ankle after folding', wanted: `at least ${formatValue(facts.gapCm, 'cm')}` }],
        }
      : {}),
    why: 'Creases dent, edges cut.',
    prevents: 'A sore little toe, a pressed nerve at the fibular neck.',
    after: ['lay'],
    minutes: [0.3, 0.5, 0.8],
    wet: true,
    where: ['malleoli', 'fibular-neck', 'toe'],
  })
  const turnBack = makeStep({
    id: 'turn-back',
    text: `Turn the padding back over both edges${options['top-end'] === 'turn-back' ? ', the top rolled back into a soft edge' : ''}.`,
    why: 'A padded edge can touch skin, a bare one cannot.',
    prevents: 'Plaster edges rubbing the skin.',
    after: ['fold'],
    minutes: [0.3, 0.5, 0.8],
    wet: true,
  })
  const bandage = makeStep({
    id: 'bandage',
    text: 'Elastic bandage from the injury to the toes and back up: half overlap, firm, the weave never stretched open, carried past both ends.',
    why: 'It presses the slab to the limb; pulled tight it is a tourniquet.',
    say: 'The bandage goes round now: firm, not tight. Tell me if it is tight.',
    prevents: 'A loose slab, or a tight bandage over swelling.',
    after: [isPlaster ? 'turn-back' : 'fold'],
    minutes: isPlaster ? [0.8, 1.2, 1.8] : [0.8, 1.1, 1.6],
    wet: true,
    where: ['bandage'],
  })
  const reduction = makeStep({
    id: 'reduction',
    text: 'Only if a reduction is planned: the person who is to do it does it now, before or after the bandage, and refines it after. Circulation again afterwards.',
    say: 'We bring the bone back into line now. It pulls, then it is over.',
    why: 'The slab is still soft and takes the new shape.',
    prevents: 'Setting a fracture in the wrong place.',
    after: ['lay'],
    minutes: [0.5, 1, 2],
    wet: true,
    optional: true,
  })
  const mould = makeStep({
    id: 'mould',
    text: `Flat palms, never fingertips, either side of the heel cord. Ankle ${ankleWords}; foot neither tilted nor turned. Ask: is it too hot? ${lastLook}`,
    why: 'Fingertips leave dents that press for weeks.',
    prevents: 'Dents, a dropped or tilted foot.',
    after: ['bandage'],
    minutes: isPlaster ? [0.4, 0.6, 1] : [0.2, 0.4, 0.6],
    wet: true,
    say: 'I bring your foot to its angle now; it pulls in the calf. Tell me where it hurts.',
    angles: heldAngles(facts),
    fits: lookedAtWhileSoft,
    where: ['heel-cord', 'ankle'],
  })
  return [wet, lay, fold, ...(isPlaster ? [turnBack] : []), bandage, reduction, mould]
}

/** How the edges are dealt with at the ankle. */
function foldWords({ options, foldCm, gapCm }: ProcedureFacts): string {
  if (options['ankle-edge'] === 'straight' || foldCm === 0) return ', edges straight at the ankle'
  const gap = gapCm === null ? '' : `; measure what is open there, ${formatValue(gapCm, 'cm')} or more`
  return `, nick and tuck ${formatValue(foldCm, 'cm')} of both edges at the ankle${gap}`
}

function finishSteps(facts: ProcedureFacts): readonly Step<LegSlabStep>[] {
  const { isScarce, set } = facts
  return [
    makeStep({
      id: 'hold-set',
      text: 'Hold without moving until it is hard to the knuckle, and no sooner than the clock. "Too hot" means: take it off.',
      why: 'Movement while it sets cracks it inside, where nobody sees it.',
      prevents: 'A slab that looks whole and holds nothing.',
      after: ['mould'],
      minutes: [2, 4, 8],
      angles: heldAngles(facts),
      timer: cureTimer(set.cureMin),
      where: ['ankle'],
    }),
    makeStep({
      id: 'finish',
      text: `Turn the bandage ends in and fix them with ${isScarce ? 'a plaster offcut' : 'an offcut or tape'}.`,
      why: 'Clips and pins fall into beds and under slabs.',
      say: 'I fix the ends now.',
      prevents: 'A bandage that unwinds overnight.',
      after: ['hold-set'],
      minutes: [0.3, 0.5, 1],
    }),
    makeStep({
      id: 'trim',
      text: 'Fold or cut back, no more, until all toe tips are seen and the little toe is free.',
      why: 'Toes are the window for every later check.',
      prevents: 'A check that finds only bandage.',
      after: ['finish'],
      minutes: [0.3, 0.7, 1.5],
      where: ['toe'],
    }),
    makeStep({
      id: 'transfer',
      text: `Set the leg down ${lowerWords}. The patient may shift up the bed but not leave it. Limb at heart level, no weight through the slab.`,
      say: 'We set your leg down now.',
      why: 'It carries nothing until it is cured, and then only what is ordered.',
      prevents: 'A slab cracked at the ankle within the hour.',
      after: ['finish'],
      minutes: [0.3, 0.5, 1],
    }),
    closingCheck(['trim'], 'both legs', ['dorsal-foot-pulse', 'toe']),
  ]
}
