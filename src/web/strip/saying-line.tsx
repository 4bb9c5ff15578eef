import type { Saying } from './saying'
import { ToneShape } from '../parts/tone-shape'

/** One sentence with its shape, what opens all of it, and what can be done at once. */
export function SayingLine({ saying }: { saying: Saying }) {
  const { tone, words, act, onOpen } = saying
  const look = 'flex min-h-[39px] min-w-0 flex-1 items-center gap-2 py-0.5 pl-3 pr-1 text-left leading-[1.12] max-sm:text-[0.92rem]'
  return (
    <>
      {onOpen ? (
        <button type="button" onClick={onOpen} className={`reach font-bold ${look}`}>
          <ToneShape tone={tone} size={17} />
          <span className="min-w-0">{words}</span>
        </button>
      ) : (
        <p className={look}>
          <ToneShape tone={tone} size={17} />
          <span className="flex min-w-0 items-center gap-2">{words}</span>
        </p>
      )}
      {act}
    </>
  )
}
