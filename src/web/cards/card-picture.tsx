import { memo } from 'react'
import pictures from 'virtual:card-pictures'

/** The picture on a card, drawn when the program was built: it is there with the words. It says nothing to a screen reader: words stand beside it. */
export const CardPicture = memo(function CardPicture({ of, id }: { of: 'techniques' | 'benches'; id: string }) {
  const svg = pictures[of][id]
  return svg ? <div aria-hidden className="pointer-events-none" dangerouslySetInnerHTML={{ __html: svg }} /> : null
})
