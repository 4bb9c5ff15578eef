import type { FitTest } from '../../model/plan'

/** What to look at on the closed collar. */
export const careCollarFit: readonly FitTest[] = [
  {
    id: 'no-shell',
    text: 'No skin on the shell',
    why: 'Plastic breaks skin within a shift.',
    remedy: 'Set the liner again.',
    where: ['front', 'back'],
  },
  {
    id: 'chin',
    text: 'Chin on its rest',
    why: 'Inside or above it nothing is held.',
    remedy: 'Open the front with the head held and settle it.',
    where: ['front'],
  },
  {
    id: 'in-line',
    text: 'Nose, chin and notch in line',
    why: 'Twist shows along that line.',
    remedy: 'Even out the straps.',
    where: ['front'],
  },
  { id: 'locks', text: 'Locks locked', why: 'They open when the patient is turned.', remedy: 'Press until they click.', where: ['front'] },
]

/** Care in words. */
export const careCollarCare: readonly string[] = [
  'Never opened by one person alone, never without the head held.',
  'Liners washed by hand, dried flat; a fresh set is always at the bedside.',
  'New weakness, numbness or tingling in any limb, trouble breathing or swallowing: call at once.',
]
