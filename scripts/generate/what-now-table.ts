import { dangers, heldParts, type Danger, type Held, type Posture } from '#core/model/danger'
import { actionWords, openingAction } from '#core/standing/action-words'
import { whatNow, type Situation, type StandingDanger } from '#core/standing/what-now'
import { techniques } from '#core/techniques/registry'

const marks = { begin: '<!-- what now: begin -->', end: '<!-- what now: end -->' }

/** Dangers in the words of the bedside. */
const words: Readonly<Record<Danger, string>> = {
  arrest: 'no pulse at the neck, no breath',
  breathing: 'breath harder or noisy, voice, swallowing, full neck veins',
  'slow-breathing': 'breath too slow',
  vomiting: 'vomiting',
  cord: 'new loss of feeling or power, neck or trunk hurt',
  limb: 'limb: pulse, cold and pale, pain on stretching, numb, weak',
  pain: 'pain at rest alone, no analgesia yet',
  circulation: 'low pressure, heart too fast or too slow',
  mind: 'new confusion',
  'pull-lost': 'the pull is lost',
  point: 'a point presses',
  skin: 'skin broken under it',
  burn: 'too hot',
  own: 'a trouble with steps of its own',
  clot: 'clot (never an alarm)',
  infection: 'infection (never an alarm)',
  belly: 'belly (never an alarm)',
  cover: 'the cover fails (never an alarm)',
}

function situation(holds: Held | null, people: number): Situation {
  const column = holds === 'head' ? 'neck' : holds === 'spine' ? 'spine' : null
  const part = holds === 'break' || holds === 'pull' ? ('leg-left' as const) : null
  return { on: holds && { holds, part, isWarm: false }, people, posture: 'lying', column, isStiff: false, isChild: false }
}

function cell(danger: Danger, holds: Held | null, people: number): string {
  const one: StandingDanger = { danger, part: 'leg-left', item: null }
  return whatNow([one], situation(holds, people)).join(', ')
}

/** Every danger with everything that can be on: what is done, in order; where one person alone does otherwise, that too. */
function dangerRows(): string {
  const columns = [...heldParts, null] as const
  const names = columns.map((holds) => {
    const worn = techniques.filter((technique) => technique.onUrgent.holds === holds).map((technique) => technique.name.toLowerCase())
    return holds === null ? 'nothing on' : `holds the ${holds}: ${worn.join(', ')}`
  })
  return [
    `| danger | ${names.join(' | ')} |`,
    `|---|${names.map(() => '---').join('|')}|`,
    ...dangers.map((danger) => {
      const cells = columns.map((holds) => {
        const [two, alone] = [cell(danger, holds, 2), cell(danger, holds, 1)]
        return two === alone ? two : `${two}; alone: ${alone}`
      })
      return `| **${danger}**: ${words[danger]} | ${cells.join(' | ')} |`
    }),
  ].join('\n')
}

/** What the actions say with a collar, a shell, traction and a cast, where they say it differently. */
function actionRows(): string {
  const ids = [...new Set(dangers.flatMap((danger) => [...heldParts, null].flatMap((holds) => cell(danger, holds, 2).split(', '))))]
  const lines = ids.map((id) => {
    const said = heldParts.map((holds) => actionWords(id as never, situation(holds, 2), []))
    const own = heldParts.find((holds) => openingAction[holds] === id)
    return `- \`${id}\`: ${[...new Set(said)].join(' / ')}${own ? ' Then the device’s own way, step by step.' : ''}`
  })
  return lines.join('\n')
}

const onWords: Readonly<Record<Held | 'nothing', string>> = {
  head: 'collar or vest',
  spine: 'shell',
  pull: 'traction',
  break: 'slab, cast, brace',
  nothing: 'nothing',
}
const postures: readonly Posture[] = ['lying', 'upright', 'half-turned']

function firstLine(danger: Danger, at: Situation): string {
  const standing: readonly StandingDanger[] = [{ danger, part: 'leg-left', item: null }]
  const id = whatNow(standing, at)[0]
  return id ? actionWords(id, at, standing) : ''
}

/**
 * The first line of every danger, as it is read aloud: with what is on, by two and by one alone; of somebody upright or half turned where that is
 * another line.
 */
function firstLineRows(): string {
  const rows = dangers.flatMap((danger) =>
    [...heldParts, null].flatMap((holds) => {
      const said = (posture: Posture): readonly string[] =>
        [2, 1].map((people) => firstLine(danger, { ...situation(holds, people), posture }))
      const lying = said('lying')
      return postures.flatMap((posture) => {
        const lines = said(posture)
        if (posture !== 'lying' && lines.join() === lying.join()) return []
        return [
          `| ${danger} | ${onWords[holds ?? 'nothing']} | ${posture} | ${lines[0]} | ${lines[1] === lines[0] ? 'the same' : lines[1]} |`,
        ]
      })
    }),
  )
  return ['| danger | on | patient | first line | alone |', '|---|---|---|---|---|', ...rows].join('\n')
}

/** The page with the table of what to do now as it is today. */
export function withWhatNow(page: string): string {
  const [head = '', rest = ''] = page.split(marks.begin)
  const [, tail = ''] = rest.split(marks.end)
  return `${head}${marks.begin}\n\n${dangerRows()}\n\n${actionRows()}\n\n${firstLineRows()}\n\n${marks.end}${tail}`
}
