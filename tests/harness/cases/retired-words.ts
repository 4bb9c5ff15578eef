import { readFileSync } from 'node:fs'
import { root } from '../root'

/** What docs/words.md says is not to be used: the last column of its table, each as it would stand on a screen. */
export const retiredWords: readonly string[] = readFileSync(new URL('docs/words.md', root), 'utf8')
  .split('\n')
  .filter((line) => line.startsWith('| ') && !line.startsWith('| ---'))
  .flatMap((line) => [...(line.split('|').at(-2) ?? '').matchAll(/`([^`]+)`/g)].map((found) => found[1]!))

/** The retired words in a text, each with the words around it. */
export function retiredIn(text: string): readonly string[] {
  return retiredWords.flatMap((word) => {
    const found = new RegExp(String.raw`(?<!\w)${word.replace(/[.*+?^${}()|[\]\\]/g, String.raw`\$&`)}(?!\w)`).exec(text)
    return found ? [`${word}: …${text.slice(Math.max(0, found.index - 40), found.index + 50).replaceAll('\n', ' / ')}…`] : []
  })
}
