import type { FlowBlock } from '../../src/server/papers/flow-paper'

/** Every text of a paper, in its order. */
export function textsOf(blocks: readonly FlowBlock[]): readonly string[] {
  return blocks.flatMap((one): readonly string[] => {
    switch (one.kind) {
      case 'list':
        return one.lines
      case 'table':
        return one.rows.flat()
      case 'together':
        return textsOf(one.blocks)
      case 'page':
      case 'rule':
        return []
      default:
        return [one.text]
    }
  })
}
