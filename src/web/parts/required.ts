/** A field without which a form keeps nothing. */
interface Required {
  /** Its name, as the screen says it. */
  readonly label: string
  /** What to do about it. */
  readonly remedy: string
  /** Its name is of several things. */
  readonly isMany?: true
  /** So many letters are enough; one where it is left out. */
  readonly least?: number
}

const why = { label: 'Reason', remedy: 'say in a few words why', least: 3 }
const password = { label: 'Password', remedy: 'type it' }
const orderedBy = { label: 'Who ordered it', remedy: 'write the name', least: 2 }

/** What each form needs before it keeps anything: the one table of it. */
export const requiredIn = {
  'add-person': {
    name: { label: 'Name', remedy: 'write first and last name', least: 2 },
    roles: { label: 'Roles', isMany: true, remedy: 'choose at least one' },
  },
  'add-task': { what: { label: 'What', remedy: 'say in a few words what is owed', least: 3 } },
  'angle-read': { deg: { label: 'Reading', remedy: 'read the goniometer, and set or type what it shows' } },
  'another-device': { technique: { label: 'The device', remedy: 'choose one above' } },
  'answer-not-yet': {
    about: { label: 'About', remedy: 'tick at least one finding' },
    because: { label: 'Because', remedy: 'say why it is left', least: 3 },
  },
  'answer-other-words': { words: { label: 'What was said', remedy: 'write it', least: 3 } },
  'answer-by-somebody-else': { senior: { label: 'Senior, by name', remedy: 'name who said it', least: 2 } },
  area: { area: { label: 'Area', remedy: 'write its name, such as Ward A', least: 2 } },
  call: { to: { label: 'Name and role', remedy: 'name the person who was called', least: 2 } },
  chain: { area: { label: 'Area', remedy: 'write how its places begin, such as Ward A', least: 2 } },
  claim: { who: { label: 'Who was there', remedy: 'say in a few words who did what', least: 3 } },
  'correct-round': { why: { label: 'What was wrong with it', remedy: 'say it in a few words', least: 3 } },
  count: { count: { label: 'Count', remedy: 'type how many there are' } },
  crew: { name: { label: 'Who is here', remedy: 'type the name' } },
  drill: { seed: { label: 'Seed', remedy: 'write any word or number, or ask for another night' } },
  ending: { way: { label: 'What happens', remedy: 'choose it' } },
  'ending-died': { note: { label: 'Reason', remedy: 'say in a few words what happened', least: 3 } },
  'ending-home': {
    helper: { label: 'Who helps at home', remedy: 'name somebody, or keep the patient', least: 2 },
    stairs: { label: 'Stairs', isMany: true, remedy: 'try them, or say that there are none' },
    phone: { label: 'The phone of the patient', remedy: 'the call of the next day needs it', least: 2 },
    callNumber: { label: 'The number to call', remedy: 'say which the patient was given', least: 2 },
    walkingAid: { label: 'The walking aid', remedy: 'choose one, or none' },
    taughtBack: { label: 'Taught back', remedy: 'ask what the patient will come back for, and write that down', least: 2 },
  },
  'ending-off': {
    skin: { label: 'Skin under it', remedy: 'look, and say it' },
    moves: { label: 'Movement and feeling', isMany: true, remedy: 'test, and say it' },
    note: { label: 'Reason', remedy: 'say in a few words why it came off', least: 3 },
  },
  examination: { candidate: { label: 'Candidate', remedy: 'choose who is examined' } },
  'found-on': {
    what: { label: 'What is on, and who put it on', remedy: 'say it in a few words', least: 3 },
    since: { label: 'On since', remedy: 'choose a time, or “Not known”' },
  },
  group: {
    name: { label: 'Group', remedy: 'write its name, such as Spring', least: 2 },
    members: { label: 'Members', isMany: true, remedy: 'choose one at least' },
  },
  'hand-over-hold': { to: { label: 'Taken by', remedy: 'type who takes it, or choose one below' } },
  incident: {
    what: { label: 'What happened, and what was done', remedy: 'say it in a sentence', least: 10 },
    harm: { label: 'Harm', remedy: 'choose one, or no harm' },
  },
  merge: {
    other: { label: 'The other record', remedy: 'find it and tap it' },
    why: { label: 'Reason', remedy: 'say by what you know that they are one patient', least: 3 },
  },
  move: { to: { label: 'Place', remedy: 'type it, or tap one' } },
  'not-done': {
    outcome: { label: 'What happened', remedy: 'choose it' },
    why: { label: 'Reason', remedy: 'say in a few words why it was not done', least: 3 },
  },
  note: { text: { label: 'Note', remedy: 'type a line first' } },
  order: { kind: { label: 'What is ordered', remedy: 'choose it' }, by: orderedBy },
  'order-posture': { posture: { label: 'The posture', remedy: 'choose it' } },
  'ordered-by': { by: orderedBy },
  'overrule-why': { why: { label: 'Reason', remedy: 'say in a few words why. It is kept with the number', least: 3 } },
  pair: { name: { label: 'The name of this device', remedy: 'write where it lies, for example Resus 2', least: 2 } },
  prove: { password },
  pull: { kg: { label: 'The load', remedy: 'read the scale, and ask for pain before and after' } },
  'put-aside': { why: { label: 'Why', remedy: 'say why this is not taken', least: 3 } },
  'read-back': { by: { label: 'Ordered by', remedy: 'type the name' } },
  reason: { why },
  recall: { lot: { label: 'Lot', remedy: 'type it as it is printed on the device', least: 2 } },
  'receive-stock': { lot: { label: 'Lot on the pack', remedy: 'copy it from the pack' } },
  'round-cannot': { why: { label: 'Cannot be assessed because', remedy: 'choose a reason below the list' } },
  shift: {
    role: { label: 'Role', remedy: 'write it as the chain names it', least: 2 },
    name: { label: 'Name', remedy: 'write who is on', least: 2 },
    days: { label: 'Days', isMany: true, remedy: 'choose one at least' },
  },
  'say-why': { why: { label: 'Why', remedy: 'choose one, or say it in a few words', least: 3 } },
  'sign-in': { name: { label: 'Name', remedy: 'type the one you sign in with' }, password },
  'size-up': { place: { label: 'Region and side', isMany: true, remedy: 'tap the part on the picture, or type it' } },
  'stock-place': { name: { label: 'Name of the place', remedy: 'say where the stock stands' } },
  team: {
    name: { label: 'Team', remedy: 'write its name, such as Orthopaedics', least: 2 },
    places: { label: 'Its places', isMany: true, remedy: 'choose one at least' },
  },
} as const satisfies Readonly<Record<string, Readonly<Record<string, Required>>>>

export type FormId = keyof typeof requiredIn
type Entered = string | number | null | undefined | readonly unknown[]

/**
 * What a form still needs, in words that name the field and say what to do: of its first field that is not there; null when all are.
 * @param form its row of the table
 * @param entered what stands in each of its fields now
 */
export function missingIn<F extends FormId>(form: F, entered: Readonly<Record<keyof (typeof requiredIn)[F], Entered>>): string | null {
  const values: Readonly<Record<string, Entered>> = entered
  for (const [field, need] of Object.entries<Required>(requiredIn[form])) if (!isThere(values[field], need)) return missingWords(need)
  return null
}

/** What is said where a field is not there. */
export function missingWords({ label, remedy, isMany }: Required): string {
  return `${label} ${isMany ? 'are' : 'is'} missing: ${remedy}.`
}

/** Whether a field holds enough. */
export function isThere(value: Entered, { least = 1 }: Required): boolean {
  if (value === null || value === undefined) return false
  if (typeof value === 'number') return true
  return (typeof value === 'string' ? value.trim() : value).length >= least
}
