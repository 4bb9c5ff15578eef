import type { Trouble } from '../../model/trouble'
import { tooHot } from './troubles'

const waterTooWarm: Trouble = {
  id: 'water-too-warm',
  label: 'The water is too warm',
  level: 'none',
  actions: [
    'Wet nothing more in it. Fresh water, by the thermometer: warm water sets faster and burns.',
    'What is on already and feels hot to the patient: press Something is wrong, too hot.',
    'Set the water under Make ready to what the thermometer reads: working time and heat are counted from it.',
  ],
}

const dentSeen: Trouble = {
  id: 'dent-seen',
  label: 'A dent is seen',
  level: 'review',
  danger: 'own',
  actions: [
    'Still soft: smooth it out with a flat palm, and let no finger rest there.',
    'Set: it presses for as long as it is worn. Cut it out, padding too, and look at the skin; or make it again.',
    'Write where it was. Ask about that place at every round.',
  ],
}

const rollDropped: Trouble = {
  id: 'roll-dropped',
  label: 'A roll or strip fell down',
  level: 'none',
  actions: [
    'Leave it: what was on the floor is not put on, and a roll that was wetted does not wait.',
    'A fresh one, same width, same water. Whoever holds goes on holding.',
    'Count the layers once more where it was to go; none left: say so, and lay what is there where it matters most.',
  ],
}

/**
 * What goes wrong with whatever sets.
 * @param redo what is done where it set before it was moulded
 */
export function wetTroubles(redo: string): readonly Trouble[] {
  return [tooHot, settingEarly(redo), waterTooWarm, dentSeen, rollDropped]
}

/** Set before it was moulded: its clocks end now, and what is not moulded is said. */
function settingEarly(redo: string): Trouble {
  return {
    id: 'setting-early',
    label: 'It is setting too early',
    level: 'none',
    endsClocks: ['set'],
    actions: [
      'Stop moulding: moved now it cracks inside, where nobody sees it.',
      'Look: is the angle right, are the edges clear, is there no dent? Then leave it, held as it is.',
      redo,
      'Next time: cooler water, slower material, one more pair of hands.',
    ],
  }
}
