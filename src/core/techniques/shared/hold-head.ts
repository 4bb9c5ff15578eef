import type { Step } from '../../model/step'
import type { StepLine } from '../../model/step-line'
import { line, linesOf, makeStep } from './make-step'

/**
 * The step that comes before anything else where the spine may be hurt: a person takes the head and keeps it.
 * @param to the step at whose end the hands may leave it
 * @param more what this device adds to it: a sentence, or lines once the technique is cut into lines
 */
export function holdHead<To extends string>(to: To, more: string | readonly Omit<StepLine, 'id'>[]): Step<'hold-head' | To> {
  const said =
    typeof more === 'string'
      ? { text: `Before anything else a second person holds the head in line with both hands and keeps it. ${more}` }
      : {
          headline: 'The head is held, and kept',
          lines: linesOf(
            line('hold', 'head', 'Before anything else: both hands, the head in line, and keep it.', { takes: ['head'] }),
            line('hold', 'head', 'Elbows rested on the bed; nothing else from now on.', { rests: true }),
            ...more,
          ),
        }
  return makeStep<'hold-head' | To>({
    id: 'hold-head',
    ...said,
    why: 'What is put on is one part of protection; the hands are the other.',
    prevents: 'A head let go, a neck moved by every later step.',
    after: [],
    minutes: [0.2, 0.4, 1],
    hands: ['hold-joint'],
    holds: { what: 'head' as const, from: 'hold-head', to, place: 'hold-joint' },
    say: 'Do not nod or turn; answer with your voice. Somebody holds your head so that you need not.',
  })
}
