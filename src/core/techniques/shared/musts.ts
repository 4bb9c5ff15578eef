import { must, type Must } from '../../model/order-rule'

// Orders that hold whatever the device: crossed, they hurt somebody or spoil the work . A step that only steadies may come before the
// baseline; one that lifts, turns, pulls or moulds may not.

/** Of whatever is looked at again: first it is done. */
export const checkMusts: readonly Must<never>[] = must<never>(
  [
    { role: 'lays-on' },
    { role: 'wraps' },
    { role: 'closes' },
    { role: 'pulls' },
    { role: 'holds-to-set' },
    { role: 'opens' },
    { role: 'takes-off' },
  ],
  { role: 'check-after' },
  'a check before it is done says nothing of it',
)

/** Of everything that is put on a limb. */
export const limbMusts: readonly Must<never>[] = [
  ...checkMusts,
  ...must<never>(
    { role: 'identity' },
    [{ role: 'cuts' }, { role: 'first-layer' }, { role: 'closes' }, { role: 'pulls' }],
    'the work on the wrong limb or patient',
  ),
  ...must<never>(
    { role: 'baseline' },
    [{ role: 'first-layer' }, { role: 'lays-on' }, { role: 'pulls' }, { role: 'moulds' }, { role: 'opens' }],
    'a loss that is found later cannot be dated',
  ),
  ...must<never>({ role: 'holds-to-set' }, [{ role: 'closes' }, { role: 'trims' }], 'it sags before it is hard'),
  ...must<never>({ role: 'holds-to-set' }, { role: 'lowers' }, 'it bends or dents as it is set down'),
]

/** Of what is wetted and sets on the limb. */
export const wetMusts: readonly Must<never>[] = [
  ...must<never>({ role: 'baseline' }, { role: 'hold-taken' }, 'lifted before anybody knows what moved and felt'),
  ...must<never>(
    { role: 'hold-taken' },
    [{ role: 'pads' }, { role: 'lays-on' }, { role: 'wraps' }],
    'the injury moves while it is wrapped',
  ),
  ...must<never>({ role: 'pads' }, { role: 'lays-on' }, 'a burn, or a sore over bone'),
  ...must<never>({ role: 'feels-points' }, { role: 'wets' }, 'a nerve pressed where nobody felt for it'),
  ...must<never>({ role: 'lays-out' }, { role: 'wets' }, 'it sets while somebody fetches'),
  ...must<never>({ role: 'moulds' }, { role: 'holds-to-set' }, 'it cracks where it is shaped after setting'),
]
