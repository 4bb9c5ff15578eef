import { alsoAskedSigns, confusionItem, feelingLevels, keyMovements, vitalItems, type WordItem } from '#core/model/round-items'
import { wordItemsOf } from '#core/rounds/look-at-block'
import {
  cannotAskReasons,
  cannotAskWords,
  colours,
  feelings,
  movements,
  needsAnswer,
  nerves,
  pulses,
  warmths,
  type CannotAssess,
  type BlockFindings,
  type LimbFindings,
  type RoundInput,
} from '#core/model/observation'
import { spoken, swellings } from '#core/model/vocabulary'

const alsoLabels: Readonly<Record<string, string>> = { heel: 'Sore heel', breathlessness: 'Breathless' }

/** One line of a round: what is looked at, in which words. */
export interface RoundItem {
  readonly key: string
  readonly label: string
  readonly how: string
  /** Words to choose from; empty for a figure. */
  readonly words: readonly string[]
  readonly figure?: { readonly unit: string; readonly quick: readonly number[] }
  /** A figure that is typed: no few of them would do. */
  readonly typed?: { readonly unit: string; readonly greatest: number }
  /** What is entered by "normal". */
  readonly normal: string
  /** Asked of the injured limb alone. */
  readonly injuredOnly?: boolean
}

/** What a round on a leg or arm looks at, in the order of the hands. */
export function roundItems(limb: 'leg' | 'arm'): readonly RoundItem[] {
  return [
    {
      key: 'colour',
      label: 'Colour',
      how: limb === 'leg' ? 'Usual for this patient? Toe nails, sole.' : 'Usual for this patient? Nail beds, palm.',
      words: colours,
      normal: 'pink',
    },
    { key: 'warmth', label: 'Warmth', how: 'Feel with the back of your hand, both sides.', words: warmths, normal: 'warm' },
    {
      key: 'refillS',
      label: 'Refill',
      how: limb === 'leg' ? 'Press a toe 5 s, count.' : 'Press a nail bed 5 s, count.',
      words: [],
      figure: { unit: 's', quick: [1, 1.5, 2, 3, 4, 5] },
      normal: '1.5',
    },
    {
      key: 'pulse',
      label: 'Pulse',
      how: limb === 'leg' ? 'Top of the foot, or behind the inner malleolus.' : 'At the wrist.',
      words: pulses,
      normal: 'present',
    },
    ...nerves[limb].map((nerve) => ({
      key: `feeling/${nerve.id}`,
      label: `Feeling: ${nerve.feelingAt}`,
      how: `Touch lightly, eyes closed: where is it? ${nerve.label}.`,
      words: feelings,
      normal: 'normal',
    })),
    ...nerves[limb].map((nerve) => ({
      key: `movement/${nerve.id}`,
      label: `Movement: ${nerve.movement}`,
      how: nerve.label,
      words: movements,
      normal: 'full',
    })),
    { key: 'swelling', label: 'Swelling', how: '', words: swellings, normal: 'none', injuredOnly: true },
    {
      key: 'restPain',
      label: 'Pain at rest',
      how: '0 none, 10 worst.',
      words: [],
      figure: { unit: '', quick: [0, 1, 2, 3, 4, 5, 6, 7, 8, 9, 10] },
      normal: '0',
      injuredOnly: true,
    },
    {
      key: 'stretchPain',
      label: limb === 'leg' ? 'Pain when the toes are stretched' : 'Pain when the fingers are stretched',
      how: 'You move them.',
      words: ['no', 'yes'],
      normal: 'no',
      injuredOnly: true,
    },
    { key: 'tight', label: 'Device feels tight', how: '', words: ['no', 'yes'], normal: 'no', injuredOnly: true },
  ]
}

/** What stands for "asked, and nothing of it". */
export const noneOfThese = 'none'

/** What only a device can do to a limb. */
const ofDevice: readonly string[] = ['tight', 'smell', 'stain', 'wet', 'cracked', 'loose']
/** Signs of a leg alone. */
const ofLegs: readonly string[] = ['heel', 'calf-pain']

/** Whether an item of a round can be there on a limb with nothing on. */
export function isOfBareLimb(item: RoundItem): boolean {
  return !ofDevice.includes(item.key)
}

/** Asked beyond the list, on the injured side; what is ticked is a finding, what is not was asked and is not there. */
export function alsoAsked(limb: 'leg' | 'arm', isBare = false): readonly { readonly value: string; readonly label: string }[] {
  return [
    { value: noneOfThese, label: 'None of these' },
    { value: 'pain-beyond', label: 'Pain more than expected' },
    { value: 'spot-pain', label: 'Burning or one-spot pain' },
    ...alsoAskedSigns
      .filter((sign) => (limb === 'leg' || !ofLegs.includes(sign)) && !(isBare && ofDevice.includes(sign)))
      .map((value) => ({ value, label: alsoLabels[value] ?? capital(spoken(value)) })),
  ]
}

/** Ticks after one more: "none of these" and anything else put each other out. */
export function tickAlso(before: readonly string[], after: readonly string[]): readonly string[] {
  const isNoneNew = after.includes(noneOfThese) && !before.includes(noneOfThese)
  return isNoneNew ? [noneOfThese] : after.filter((one) => one !== noneOfThese || after.length === 1)
}

function capital(words: string): string {
  return words.charAt(0).toUpperCase() + words.slice(1)
}

/** Why something cannot be judged. */
export const cannotReasons = ['nerve block', 'unresponsive', 'sedated', 'asleep', 'confused', 'too young', 'dressing in the way'] as const

/** Whether the patient answers, and why not: what needs an answer is then left out of the round. */
export const askedChoices = [
  ...cannotAskReasons.map((value) => ({ value, label: cannotAskWords[value] })),
  { value: 'yes', label: 'answers after all' },
]

/** What the form says of it, as the findings carry it. */
export function cannotAskOf(entries: RoundEntries): Pick<RoundInput, 'cannotAsk'> {
  const reason = cannotAskReasons.find((cannotAskReason) => cannotAskReason === entries['asked'])
  return reason ? { cannotAsk: reason } : {}
}

/** Whether something was given against the pain; not asked, nothing is kept of it. */
export function analgesiaOf(entries: RoundEntries): Pick<RoundInput, 'analgesia'> {
  return entries['analgesia'] ? { analgesia: entries['analgesia'] === 'yes' } : {}
}

/** Whether an item of the form is asked of this patient. */
export function isAnswerable({ key }: RoundItem, entries: RoundEntries): boolean {
  return !(needsAnswer(key) && cannotAskOf(entries).cannotAsk)
}

/** What stands for an item that could not be judged. */
export const cannot = 'cannot'

/** Entered words by `<side>/<item key>`, as the form keeps them. */
export type RoundEntries = Readonly<Record<string, string>>

/** Findings of one limb from the entered words; items without an entry stay out. */
export function toFindings(limb: 'leg' | 'arm', side: 'left' | 'right', entries: RoundEntries, reason: string): LimbFindings {
  const found: Record<string, unknown> = { limb, side }
  for (const item of roundItems(limb)) {
    if (!isAnswerable(item, entries)) continue
    const entry = entries[`${side}/${item.key}`]
    if (entry === undefined || entry === '') continue
    const value = entry === cannot ? { cannotAssess: true, reason: reason || 'not said' } : read(item, entry)
    const [group, nerve] = item.key.split('/')
    if (group && nerve) found[group] = { ...(found[group] as object | undefined), [nerve]: value }
    else found[item.key] = value
  }
  addAlso(found, side, entries)
  return found as unknown as LimbFindings
}

function addAlso(found: Record<string, unknown>, side: string, entries: RoundEntries): void {
  const ticked = (entries[`${side}/also`] ?? '').split(' ').filter(Boolean)
  const skin = entries[`${side}/skin`]
  if (ticked.length > 0) {
    found['painBeyondExpected'] = ticked.includes('pain-beyond')
    found['spotPain'] = ticked.includes('spot-pain')
    found['also'] = alsoAskedSigns.filter((sign) => ticked.includes(sign))
  }
  if (skin) found['skin'] = skin
  if (entries[`${side}/colourUsual`] === 'yes') found['colourUsual'] = true
}

function read(item: RoundItem, entry: string): string | number | boolean {
  if (item.figure || item.typed) return Number(entry)
  if (item.words[0] === 'no') return entry === 'yes'
  return entry
}

/** What a neck or trunk round asks of each of the four limbs: pulse, key movements, feeling. */
export function keyRows(limb: 'leg' | 'arm'): readonly RoundItem[] {
  const power = keyMovements[limb].map(({ id, label }) => ({
    key: `power/${id}`,
    label,
    how: id === 'grip' ? '0 nothing, 3 against its weight, 5 full.' : '',
    words: [],
    figure: { unit: '', quick: [5, 4, 3, 2, 1, 0] },
    normal: '5',
  }))
  const items = roundItems(limb)
  return [...items.filter((item) => item.key === 'pulse'), ...power, ...items.filter((item) => item.key.startsWith('feeling/'))]
}

/** What is tried at the roadside of each limb: the whole round stays owed. */
export function isInShortForm(key: string): boolean {
  return shortForm.includes(key)
}
const shortForm: readonly string[] = [
  'power/grip',
  'power/wrist-up',
  'power/foot-up',
  'power/foot-down',
  'feeling/median',
  'feeling/deep-peroneal',
]

function wordRow({ id, label, how, words }: WordItem): RoundItem {
  return { key: id, label, how, words, normal: words[0] ?? '' }
}

/** Levels of feeling as they are offered: none, then from the neck down. */
const levelWords = ['normal', ...feelingLevels.slice(1).reverse()]

/** The item that asks for a level of feeling. */
export const feelingItem = 'level'

/** What is asked of the neck or the trunk itself. */
export function columnItems(watched: 'neck' | 'spine'): readonly RoundItem[] {
  const rows = wordItemsOf[watched].map(wordRow)
  const level = {
    key: feelingItem,
    label: 'Level of feeling',
    how: 'The highest place where touch is lost.',
    words: levelWords,
    normal: 'normal',
  }
  return watched === 'spine' ? [...rows, level] : rows
}

/** The circulation as a whole, asked where blood may be lost. */
export function vitalRows(): readonly RoundItem[] {
  const figures = vitalItems.map(({ id, label, unit, greatest }) => ({
    key: id,
    label,
    how: '',
    words: [],
    typed: { unit, greatest },
    normal: '',
  }))
  return [...figures, wordRow(confusionItem)]
}

/** What was entered of a block; null where nothing was. */
export function toBlock(items: readonly RoundItem[], column: string, entries: RoundEntries, reason: string): BlockFindings | null {
  const found = items.flatMap((item): [string, string | number | CannotAssess][] => {
    const entry = entries[`${column}/${item.key}`]
    if (!entry) return []
    if (entry === cannot) return [[item.key, { cannotAssess: true, reason: reason || 'not said' }]]
    return [[item.key, item.typed ? Number(entry) : entry]]
  })
  return found.length === 0 ? null : Object.fromEntries(found)
}

/** Findings of a neck or trunk round from the entered words; items without an entry stay out. */
export function toColumnFindings(watched: 'neck' | 'spine', entries: RoundEntries, reason: string): Omit<RoundInput, 'atMin' | 'baseline'> {
  const limbs = (['arm', 'leg'] as const).flatMap((limb) =>
    (['left', 'right'] as const).flatMap((side) => {
      const found: Record<string, unknown> = {}
      for (const item of keyRows(limb)) {
        if (!isAnswerable(item, entries)) continue
        const entry = entries[`${limb}-${side}/${item.key}`]
        if (!entry) continue
        const value = entry === cannot ? { cannotAssess: true, reason: reason || 'not said' } : read(item, entry)
        const [group = '', id] = item.key.split('/')
        found[group] = id ? { ...(found[group] as object | undefined), [id]: value } : value
      }
      return Object.keys(found).length === 0 ? [] : [{ limb, side, ...found } as unknown as LimbFindings]
    }),
  )
  const block = toBlock(columnItems(watched), 'column', entries, reason)
  return { ...analgesiaOf(entries), ...cannotAskOf(entries), limbs, ...(block ? { [watched]: block } : {}) }
}
