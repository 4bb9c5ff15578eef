import type { FlowBlock } from '../../../src/server/papers/flow-paper'

/** Every text of a paper, in its order. */
export function textsOf(blocks: readonly FlowBlock[]): readonly string[] {
  return blocks.flatMap((block): readonly string[] => {
    switch (block.kind) {
      case 'list':
        return block.lines
      case 'table':
        return block.rows.flat()
      case 'codes':
        return block.texts
      case 'together':
        return textsOf(block.blocks)
      case 'page':
      case 'rule':
        return []
      case 'figure':
        return [block.alt]
      default:
        return [block.text]
    }
  })
}
