import { useState } from 'react'
import { useParams } from 'react-router'
import { findNight, type Night } from '#core/practice/drill/nights'
import { longestSeed } from '#contract/api/practice'
import { Button } from '../../../parts/button'
import { TextField } from '../../../parts/text-field'
import { DrillNight } from './drill-night'
import { DrillSheet } from './drill-sheet'
import { NothingHere } from '../nothing-here'
import { PracticePage } from '../practice-page'
import { useDrill } from './use-drill'
import { missingIn } from '../../../parts/required'

/** A night shift: begun from a seed, played in quick time, and looked back at. */
export function DrillScreen() {
  const { night: id } = useParams()
  const night = findNight(id ?? '')
  if (night) return <OpenNight key={night.id} night={night} />
  return <NothingHere title="No such night" lead="The address names no night: choose one from the list." />
}

function OpenNight({ night }: { night: Night }) {
  const { isRead, control, begin } = useDrill(night)
  return (
    <PracticePage title={night.name}>
      {!isRead ? null : control === null ? (
        <Before night={night} onBegin={begin} />
      ) : control.state.isOver ? (
        <DrillSheet control={control} />
      ) : (
        <DrillNight control={control} />
      )}
    </PracticePage>
  )
}

/** What the night is, and its seed: the same seed is the same night. */
function Before({ night, onBegin }: { night: Night; onBegin: (seed: string) => void }) {
  const [seed, setSeed] = useState(night.seed)
  const [error, setError] = useState<string | null>(null)
  const begin = (): void => {
    const missing = missingIn('drill', { seed })
    if (missing) return setError(missing)
    onBegin(seed.trim())
  }
  return (
    <section aria-label="Before you begin" className="grid max-w-2xl gap-4 rounded-3xl border border-line bg-sheet p-5">
      <p className="text-lg">{night.about}</p>
      <p>
        You are alone on the ward. Walk, look, write down what you find on the round, call, open. Everything takes its minutes. What stands
        is judged as on the real ward; what is under the devices nobody sees until morning.
      </p>
      <p className="text-soft">
        100 points, less 12 for each limb-hour above 4 kPa that could have been spared, 4 for what was urgent and not answered within 15
        min, 3 for each needless opening, 1 for each round or check later than its grace. The bodies are a model for teaching.
      </p>
      <div className="flex flex-wrap items-end gap-3">
        <TextField
          label="Seed"
          value={seed}
          maxLength={longestSeed}
          hint="The same seed is the same night."
          error={error ?? undefined}
          onChange={(event) => {
            setSeed(event.target.value)
            setError(null)
          }}
        />
        <Button className="mb-6" onClick={() => setSeed(String(Math.floor(Math.random() * 1e9)))}>
          Another night
        </Button>
      </div>
      <Button look="next" className="justify-self-start" onClick={begin}>
        Begin the night
      </Button>
    </section>
  )
}
