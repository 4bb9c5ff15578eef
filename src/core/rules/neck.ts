import type { StepRole } from '../model/step-role'
import type { FlagRule } from './flag-rule'

/** A collar closed round the neck, whatever the local policy. */
export const closedCollar: readonly FlagRule[] = [
  {
    flag: 'head-injury',
    level: 'caution',
    decisions: ['slack'],
    at: ['rigid-on'],
    text: 'Look at tightness and neck veins again after closing; open it if they fill.',
    why: 'A tight collar holds blood in the head and raises the pressure there.',
  },
  {
    flag: 'agitated',
    level: 'caution',
    at: ['hold-taken', 'rigid-on'],
    text: 'Do not fight it: hands as far as they are accepted, find the cause.',
    why: 'Struggling against a collar moves the neck more than no collar does.',
  },
]

/** While head and neck are held in line the patient lies. */
export const heldLying: readonly FlagRule[] = [
  {
    flag: 'pregnant-late',
    level: 'caution',
    at: ['settles', 'hold-taken'],
    text: 'Tilt the whole board or bed 15 to 30° to the left, head and body as one.',
    why: 'Flat on the back the womb presses on the great vein.',
  },
  {
    flag: 'breathless-lying',
    level: 'caution',
    at: ['settles', 'hold-taken'],
    text: 'Raise the head end of the whole bed; never only the head.',
    why: 'Flat, the breath fails; with the head alone raised, the neck bends.',
  },
]

/** Against a rigid collar: stops where the local policy is a rigid one, cautions under another. */
export const rigidCollarFlags: readonly Pick<FlagRule, 'flag' | 'why'>[] = [
  { flag: 'airway-at-risk', why: 'A closed collar hides and worsens a failing airway. Suction and a turning plan ready.' },
  { flag: 'stiff-spine', why: 'A stiff neck breaks where a collar straightens it.' },
  { flag: 'kyphosis', why: 'A bent neck breaks where a collar straightens it.' },
  { flag: 'penetrating', why: 'It hides bleeding and swelling, and a stab seldom makes the spine unstable.' },
]
/** Where such a stop bites: before the head is taken, and where the collar goes on. */
export const rigidCollarRoles: readonly StepRole[] = ['hold-taken', 'rigid-on']
