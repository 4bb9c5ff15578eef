import { patientFlags, type BodyRegion, type Flag } from './vocabulary'

/** How a flag is asked, and of whom. */
export interface FlagWords {
  /** What is so when it is set, in two or three words. */
  readonly label: string
  /** As it is asked at the bedside. */
  readonly question: string
  /** Parts of the body whose injuries it is asked for. */
  readonly parts: readonly BodyRegion[]
  /** Asked of every patient. */
  readonly isAlwaysAsked?: true
}

const everyPart: readonly BodyRegion[] = ['leg', 'arm', 'neck', 'trunk']
const limbs: readonly BodyRegion[] = ['leg', 'arm']
const spine: readonly BodyRegion[] = ['neck', 'trunk']
const leg: readonly BodyRegion[] = ['leg']

function ask(label: string, question: string, parts: readonly BodyRegion[] = everyPart): FlagWords {
  return { label, question, parts }
}
function always(label: string, question: string): FlagWords {
  return { label, question, parts: everyPart, isAlwaysAsked: true }
}

/** Flags that are asked, those of the patient first. That feeling was tested is found by a round and asked of nobody. */
export const flagWords: Readonly<Record<Exclude<Flag, 'feeling-tested'>, FlagWords>> = {
  'adhesive-allergy': always('Adhesive allergy', 'Does sticking plaster or tape give a rash?'),
  'latex-allergy': always('Latex allergy', 'Do rubber gloves or balloons give a reaction?'),
  'fragile-skin': always('Fragile skin', 'Is the skin thin, does it tear or bruise at a touch?'),
  neuropathy: always('Loss of feeling', 'Is feeling lost or dulled in hands or feet, from before?'),
  anticoagulated: always('Blood thinners', 'Is anything taken that thins the blood?'),
  'pregnant-late': always('Late pregnancy', 'More than 20 weeks pregnant?'),
  'breathless-lying': always('Breathless lying', 'Is breath short when lying flat?'),
  'cannot-be-moved': always('Cannot be moved', 'Is the patient too heavy, or too bound to a chair, to be moved?'),
  'several-injuries': ask('Several injuries', 'Is anything else badly hurt?'),
  unstable: ask('Unstable', 'Is pulse, pressure or breathing failing?'),
  unresponsive: ask('Unresponsive', 'Does the patient not answer?'),
  sedated: ask('Sedated', 'Is the patient under sedation?'),
  'nerve-block': ask('Nerve block', 'Was the nerve numbed?', limbs),
  agitated: ask('Agitated', 'Is the patient fighting it?'),
  'arterial-disease': ask('Arterial disease', 'Is the blood flow to the limb known to be poor?', limbs),
  diabetes: ask('Diabetes', 'Has the patient diabetes?'),
  'lives-alone': ask('Lives alone', 'Is nobody at home?'),
  implant: ask('Implant or joint', 'Is there metal or a new joint in this limb?', limbs),
  lymphoedema: ask('Lymphoedema', 'Has the limb been swollen for long?', limbs),
  'dialysis-arm': ask('Dialysis arm', 'Is this the arm for dialysis?', ['arm']),
  'head-injury': ask('Head injury', 'Was the head hit?', ['leg', 'neck', 'trunk']),
  'airway-at-risk': ask('Airway at risk', 'Is the airway noisy, bleeding or swelling?', spine),
  'chest-injury': ask('Chest injury', 'Is the chest hurt?', spine),
  kyphosis: ask('Bent back or neck', 'Is back or neck bent for good?', spine),
  'stiff-spine': ask('Stiff spine', 'Is the spine stiff from disease?', spine),
  'stoma-or-drain': ask('Stoma or drain', 'Is there a stoma, tube or drain?', spine),
  fresh: ask('Fresh, under 72 h', 'Was it hurt, set or operated in the last 72 hours?'),
  open: ask('Open wound', 'Is there a wound over it?'),
  'pulse-absent': ask('No pulse', 'Can no pulse be felt beyond it?', limbs),
  'skin-tented': ask('Skin tented', 'Does bone stretch the skin white?', limbs),
  numb: ask('Numb', 'Is it numb beyond the injury?', limbs),
  comminuted: ask('Many fragments', 'Is the bone in many fragments?', limbs),
  'high-energy': ask('High energy', 'Fall from a height, vehicle, crushed?'),
  'reduced-or-operated': ask('Reduced or operated', 'Was it set or operated on?'),
  'wound-under-device': ask('Wound under the device', 'Is there an ulcer, rash or wound where it will lie?'),
  'no-sound-side': ask('No sound side', 'Is the other side hurt or missing too?'),
  'pelvis-suspected': ask('Pelvis suspected', 'May the pelvis be broken?', ['leg', 'neck', 'trunk']),
  'hip-suspected': ask('Hip suspected', 'May the hip be broken or out?', leg),
  'knee-involved': ask('Knee involved', 'Is the knee hurt too?', leg),
  'ankle-involved': ask('Ankle involved', 'Is the ankle hurt too?', leg),
  'foot-involved': ask('Foot involved', 'Is the foot hurt too?', leg),
  'part-amputation': ask('Part amputation', 'Is part of the limb cut off?', limbs),
  penetrating: ask('Penetrating', 'Stabbed or shot?', spine),
  'distal-femur': ask('Low on the femur', 'Is the break just above the knee?', leg),
  pathological: ask('Weak bone', 'Did it break where the bone was weak before?', leg),
}

/** A flag that a person can be asked for. */
export type AskedFlag = keyof typeof flagWords

/** Every flag that is asked, in the order of the list. */
export const askedFlags = Object.keys(flagWords) as readonly AskedFlag[]

/** Whether a flag is of the patient and not of one injury. */
export function isOfPatient(flag: Flag): boolean {
  return (patientFlags as readonly string[]).includes(flag)
}

/** A flag in two or three words, for a list of them. */
export function flagLabel(flag: Flag): string {
  return flag === 'feeling-tested' ? 'Feeling tested, whole' : flagWords[flag].label
}
