import type { Trouble } from '../../model/trouble'

/** What no list foresaw: it stands until a person says what became of it. */
export const otherTrouble: Trouble = {
  id: 'other',
  label: 'Something else',
  level: 'review',
  actions: ['Stop where the limb is safe. Say it aloud.', 'Call the senior; write down below what it is.'],
}
