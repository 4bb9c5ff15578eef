import { Volume2, VolumeX } from 'lucide-react'
import { useEffect } from 'react'
import { spokenStep } from '#core/runs/spoken-step'
import type { Caution } from '#core/model/plan'
import type { Step } from '#core/model/step'
import { useReadAloud } from '../../strip/use-read-aloud'

/**
 * Reads each step with its cautions as it comes, for hands that are wet and eyes that are on the limb.
 */
export function ReadAloudSwitch({ step, number, cautions }: { step: Step; number: number; cautions: readonly Caution[] }) {
  const { isOn, hasVoice, toggle, sayNow } = useReadAloud()
  const words = spokenStep(step, number, cautions)
  useEffect(() => {
    if (hasVoice) sayNow(words)
    // A step is said once: when it comes, or when the voice does.
    // oxlint-disable-next-line react/exhaustive-deps
  }, [step.id, hasVoice, isOn])
  const look = 'inline-flex min-h-11 items-center gap-2 rounded-xl px-3 font-semibold'
  return (
    <span className="flex flex-wrap items-center justify-end gap-1">
      {isOn && hasVoice ? (
        <button type="button" onClick={() => sayNow(words)} className={`${look} underline underline-offset-4`}>
          Say it again
        </button>
      ) : null}
      <button
        type="button"
        title="Read aloud"
        aria-pressed={isOn}
        onClick={toggle}
        className={`${look} ${isOn ? 'bg-ink text-paper' : 'border border-line'}`}
      >
        {isOn ? <Volume2 size={20} aria-hidden /> : <VolumeX size={20} aria-hidden />}
        <span className="max-sm:sr-only">Read aloud</span>
      </button>
      {isOn && hasVoice === false ? (
        <span role="status" className="w-full text-right text-sm font-semibold text-caution">
          This device has no voice of its own: nothing is read.
        </span>
      ) : null}
    </span>
  )
}
