import type { Step } from '../../model/step'
import { makeStep } from './make-step'

/**
 * The step that comes before anything else where the spine may be hurt: a person takes the head and keeps it.
 * @param to the step at whose end the hands may leave it
 * @param more what this device adds to it
 */
export function holdHead<To extends string>(to: To, more: string): Step<'hold-head' | To> {
  return makeStep<'hold-head' | To>({
    id: 'hold-head',
    text: `Before anything else a second person holds the head in line with both hands and keeps it. ${more}`,
    why: 'What is put on is one part of protection; the hands are the other.',
    prevents: 'A head let go, a neck moved by every later step.',
    after: [],
    minutes: [0.2, 0.4, 1],
    hands: ['hold-joint'],
    holds: { what: 'head' as const, from: 'hold-head', to, place: 'hold-joint' },
    say: 'Do not nod or turn; answer with your voice. Somebody holds your head so that you need not.',
  })
}
