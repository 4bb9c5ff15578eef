import { neckItems, spineItems } from '#core/rounds/judge-column'
import {
  colours,
  feelings,
  movements,
  nerves,
  pulses,
  warmths,
  type CannotAssess,
  type LimbFindings,
  type RoundInput,
} from '#core/model/observation'
import { swellings } from '#core/model/vocabulary'

/** One line of a round: what is looked at, in which words. */
export interface RoundItem {
  readonly key: string
  readonly label: string
  readonly how: string
  /** Words to choose from; empty for a figure. */
  readonly words: readonly string[]
  readonly figure?: { readonly unit: string; readonly quick: readonly number[] }
  /** What is entered by "normal". */
  readonly normal: string
  /** Only the injured limb has it. */
  readonly injuredOnly?: boolean
}

/** What a round on a leg or arm looks at, in the order of the hands. */
export function roundItems(limb: 'leg' | 'arm'): readonly RoundItem[] {
  return [
    { key: 'colour', label: 'Colour', how: 'Usual for this patient? Nail beds, sole.', words: colours, normal: 'pink' },
    { key: 'warmth', label: 'Warmth', how: 'Back of the hand, both sides.', words: warmths, normal: 'warm' },
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
      how: nerve.label,
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
    { key: 'swelling', label: 'Swelling', how: '', words: swellings, normal: 'none' },
    {
      key: 'restPain',
      label: 'Pain at rest',
      how: '0 none, 10 worst.',
      words: [],
      figure: { unit: '', quick: [0, 1, 2, 3, 4, 5, 6, 7, 8, 9, 10] },
      normal: '0',
    },
    {
      key: 'stretchPain',
      label: limb === 'leg' ? 'Pain when the toes are stretched' : 'Pain when the fingers are stretched',
      how: 'You move them.',
      words: ['no', 'yes'],
      normal: 'no',
    },
    { key: 'tight', label: 'Device feels tight', how: '', words: ['no', 'yes'], normal: 'no' },
  ]
}

/** Asked beyond the list, on the injured side; what is ticked is a finding. */
export const alsoAsked: readonly { readonly value: string; readonly label: string }[] = [
  { value: 'pain-beyond', label: 'Pain more than expected' },
  { value: 'spot-pain', label: 'Burning or one-spot pain' },
  { value: 'smell', label: 'Smell' },
  { value: 'stain', label: 'Stain' },
  { value: 'wet', label: 'Wet' },
  { value: 'cracked', label: 'Cracked' },
  { value: 'loose', label: 'Loose' },
  { value: 'heel', label: 'Sore heel' },
  { value: 'fever', label: 'Fever' },
  { value: 'calf-pain', label: 'Calf pain' },
  { value: 'breathlessness', label: 'Breathless' },
]

/** Skin at the edges and over bone, as it is judged there. */
export const skinWords = ['intact', 'reddens-and-blanches', 'red-not-blanching', 'broken'] as const

/** Why something cannot be judged. */
export const cannotReasons = ['nerve block', 'sedated', 'asleep', 'confused', 'too young', 'dressing in the way'] as const

/** What stands for an item that could not be judged. */
export const cannot = 'cannot'

/** Entered words by `<side>/<item key>`, as the form keeps them. */
export type RoundEntries = Readonly<Record<string, string>>

/** Findings of one limb from the entered words; items without an entry stay out. */
export function toFindings(limb: 'leg' | 'arm', side: 'left' | 'right', entries: RoundEntries, reason: string): LimbFindings {
  const found: Record<string, unknown> = { limb, side }
  for (const item of roundItems(limb)) {
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
  if (ticked.includes('pain-beyond')) found['painBeyondExpected'] = true
  if (ticked.includes('spot-pain')) found['spotPain'] = true
  const rest = ticked.filter((sign) => sign !== 'pain-beyond' && sign !== 'spot-pain')
  if (rest.length > 0) found['also'] = rest
  if (skin) found['skin'] = skin
  if (entries[`${side}/colourUsual`] === 'yes') found['colourUsual'] = true
}

function read(item: RoundItem, entry: string): string | number | boolean {
  if (item.figure) return Number(entry)
  if (item.words[0] === 'no') return entry === 'yes'
  return entry
}

/** What a neck or spine round asks of each of the four limbs: movement and feeling by nerve. */
export function nerveRows(limb: 'leg' | 'arm'): readonly RoundItem[] {
  return roundItems(limb).filter((item) => item.key.includes('/'))
}

/** What is asked of the neck or the spine itself. */
export function columnItems(watched: 'neck' | 'spine'): readonly RoundItem[] {
  return (watched === 'neck' ? neckItems : spineItems).map((item) => ({
    key: item.id,
    label: item.label,
    how: columnHow[item.id] ?? '',
    words: item.words,
    normal: item.words[0] ?? '',
  }))
}

const columnHow: Readonly<Record<string, string>> = {
  voice: 'Ask for a sentence.',
  swallowing: 'Ask, and watch.',
  breathing: 'Listen at the mouth.',
  veins: 'Above the collar bones.',
  saddle: 'Between the legs.',
  bladder: 'When was it last emptied?',
  bowel: 'Ask.',
}

/** Findings of a neck or spine round from the entered words; items without an entry stay out. */
export function toColumnFindings(watched: 'neck' | 'spine', entries: RoundEntries, reason: string): Omit<RoundInput, 'atMin' | 'baseline'> {
  const valueOf = (entry: string): string | CannotAssess =>
    entry === cannot ? { cannotAssess: true, reason: reason || 'not said' } : entry
  const block: Record<string, string | CannotAssess> = {}
  for (const { key } of columnItems(watched)) {
    const entry = entries[`column/${key}`]
    if (entry) block[key] = valueOf(entry)
  }
  const limbs = (['arm', 'leg'] as const).flatMap((limb) =>
    (['left', 'right'] as const).flatMap((side) => {
      const found: Record<string, Record<string, string | CannotAssess>> = {}
      for (const { key } of nerveRows(limb)) {
        const [group = '', nerve = ''] = key.split('/')
        const entry = entries[`${limb}-${side}/${key}`]
        if (entry) found[group] = { ...found[group], [nerve]: valueOf(entry) }
      }
      return Object.keys(found).length === 0 ? [] : [{ limb, side, ...found } as unknown as LimbFindings]
    }),
  )
  return { analgesia: entries['analgesia'] === 'yes', limbs, [watched]: block }
}
