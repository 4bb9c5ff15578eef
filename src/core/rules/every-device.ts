import type { FlagRule } from './flag-rule'

/** Whatever is put on. */
export const everyDevice: readonly FlagRule[] = [
  {
    flag: 'latex-allergy',
    level: 'caution',
    at: ['protects', 'lays-out'],
    text: 'Latex-free gloves, bandage and tubing, before the first touch.',
    why: 'Gloves and elastic bandage may hold latex; a reaction can close the airway.',
  },
  {
    flag: 'lives-alone',
    level: 'note',
    steps: [],
    text: 'Before going home: who helps, are there stairs, is there a telephone in reach?',
    why: 'Nobody at home sees it get worse.',
  },
]

/** Put on over an injury, which may bleed into what it encloses. */
export const overInjury: readonly FlagRule[] = [
  {
    flag: 'anticoagulated',
    level: 'caution',
    at: ['baseline', 'check-after'],
    text: 'It may go on bleeding: look at once when pain, girth or swelling grows.',
    why: 'Blood thinners let a bruise go on filling the limb or the neck.',
  },
]

/** What touches the skin without being stuck to it: edges, straps, and what a bandage is fixed with. */
export const skinEdges: readonly FlagRule[] = [
  {
    flag: 'adhesive-allergy',
    level: 'caution',
    at: ['lays-out', 'first-layer', 'wraps', 'closes'],
    text: 'Nothing sticky on the skin: fix with turned-in bandage ends or a sling pin.',
    why: 'A rash under a device weeps and cannot be looked at.',
  },
  {
    flag: 'fragile-skin',
    lasts: true,
    level: 'caution',
    at: ['settles', 'first-layer', 'closes', 'opens', 'check-after'],
    text: 'Lift, never drag; pad every edge and strap, and look under them at each look.',
    why: 'Thin skin tears at a pull and dies under an edge.',
  },
]

/** Pressure on skin of which a person may feel nothing, where no shell brings cautions of its own. */
export const unfeltEdges: readonly FlagRule[] = [
  {
    flag: 'neuropathy',
    level: 'caution',
    at: ['lays-on', 'closes', 'check-after'],
    text: 'Look at the skin under edges, straps and all that presses each time: it will not be felt.',
    why: 'Where feeling is lost a sore begins without a word.',
  },
]

/** Anything that presses on a limb. */
export const limbDevice: readonly FlagRule[] = [
  {
    flag: 'implant',
    level: 'caution',
    at: ['first-layer', 'lays-on', 'closes'],
    text: 'Find out where the implant lies: nothing presses on it or levers at its end.',
    why: 'Skin over metal is thin, and bone breaks at the end of a plate.',
  },
  {
    flag: 'lymphoedema',
    level: 'caution',
    at: ['first-layer', 'wraps', 'closes'],
    text: 'Wider padding, everything laid on looser, earlier review.',
    why: 'The limb cannot drain what a bandage or strap holds back.',
  },
]
