import type { FlagRule } from './flag-rule'

function stop(flag: FlagRule['flag'], why: string): FlagRule {
  return { flag, level: 'stop', at: ['pulls'], text: 'No traction on this leg: splint it as it lies.', why }
}
function caution(flag: FlagRule['flag'], text: string, why: string): FlagRule {
  return { flag, level: 'caution', at: ['pulls'], text, why }
}

/** What flags raise in every kind of leg traction. */
export const legPull: readonly FlagRule[] = [
  {
    flag: 'pulse-absent',
    level: 'stop',
    isFloor: true,
    at: ['first-layer', 'pulls'],
    text: 'Call the senior first; then a gentle pull in line by hand. Feel within a minute, and keep the pull that brings the pulse back.',
    why: 'A leg without a pulse needs its blood back within hours; a splint that is put on first hides it.',
  },
  stop('pelvis-suspected', 'It pushes up on a broken pelvis.'),
  stop('hip-suspected', 'It pulls on a hip that may be broken or out of joint.'),
  stop('knee-involved', 'The pull goes through the hurt knee.'),
  stop('ankle-involved', 'The hitch sits on the hurt ankle.'),
  stop('foot-involved', 'The hitch pulls on the hurt foot.'),
  stop('part-amputation', 'The pull may finish the amputation.'),
  caution('several-injuries', 'Life first; traction only when it costs no time.', 'A broken thigh can wait behind a chest or a belly.'),
  caution('open', 'Cover the wound, and do not let bare bone slip back unnoticed: record it.', 'Bone that slides back takes dirt with it.'),
  caution(
    'distal-femur',
    'Knee bent, less pull; feel the pulse behind the ankle.',
    'Straight pull tips a low fragment back onto the vessel.',
  ),
  caution('pathological', 'Gentle pull only.', 'Weak bone breaks again under it.'),
  caution('unstable', 'Do not delay transport for it.', 'An unstable patient needs theatre, not a splint.'),
]

/** On the skin of the shin and ankle: strips and bandage hold there for days. */
export const skinStrips: readonly FlagRule[] = [
  stop('arterial-disease', 'Skin with poor blood flow dies under strips and bandage.'),
  stop('wound-under-device', 'Wound, ulcer or dermatitis under the strips gets worse unseen.'),
]

/** In the field the hitch is on for an hour or two. */
export const ankleHitch: readonly FlagRule[] = [
  caution('arterial-disease', 'Padded hitch, looked at every 15 minutes.', 'Skin with poor blood flow dies under a hitch.'),
]
