import { useState } from 'react'
import { Link, useParams } from 'react-router'
import { findBench } from '#core/practice/benches'
import { usualState, type Bench, type BenchState } from '#core/practice/bench'
import { readBenchFile, writeBenchFile } from '#core/practice/bench-file'
import { Button } from '../../../parts/button'
import { FileButton } from '../../../parts/file-button'
import { Notice } from '../../../parts/notice'
import { parseJson } from '../../../parts/parse-json'
import { saveJson } from '../../../parts/save-file'
import { BenchControls } from './bench-controls'
import { BenchFigures } from './bench-figures'
import { BenchScenes } from './bench-scenes'
import { CasePicker } from './case-picker'
import { NothingHere } from '../nothing-here'
import { PracticeSign } from '../practice-sign'
import { useBench } from './use-bench'
import { useBenchAddress } from './use-bench-address'

/** One bench: turn one thing and see the rest move. */
export function BenchScreen() {
  const { bench: id } = useParams()
  const bench = findBench(id ?? '')
  if (bench) return <OpenBench key={bench.id} bench={bench} />
  return <NothingHere title="No such bench" lead="The address names no bench: choose one from the list." />
}

function OpenBench({ bench }: { bench: Bench }) {
  const { state, pin, problems, set, setPin } = useBenchAddress(bench)
  const { now, pinned, hasFailed, solve } = useBench(bench, state, pin)
  const [said, setSaid] = useState<string | null>(null)
  const [isPicking, setPicking] = useState(false)
  const takeSolved = async (solver: string, label: string): Promise<void> => {
    const solved = await solve(solver, state)
    setSaid(solved ? null : `${label}: nothing in the range of its control does it.`)
    if (solved) set(solved)
  }
  const takeFile = (text: string): void => {
    const read = readBenchFile(bench, parseJson(text))
    setSaid('refusal' in read ? read.refusal : read.problems.join(' ') || null)
    if ('state' in read) set(read.state)
  }
  const [first, ...rest] = now?.scenes ?? []
  const shared = { bench, state, pinned: pinned?.scenes ?? null, onChange: set }
  return (
    <main id="main" className="page page-list grid print:[zoom:0.58] grid-cols-[minmax(0,1fr)] content-start gap-4">
      <header className="flex flex-wrap items-baseline gap-x-4 gap-y-1">
        <h1 className="text-2xl font-bold">{bench.name}</h1>
        <PracticeSign />
        <p className="basis-full text-soft sm:basis-auto">{bench.purpose}</p>
        <Link to="/practice" className="ml-auto font-semibold underline decoration-2 underline-offset-4 print:hidden">
          All benches
        </Link>
      </header>
      {problems.length > 0 ? (
        <Notice tone="caution" lead="Not everything in the address could be used" role="status">
          {problems.join(' ')}
        </Notice>
      ) : null}
      {said ? <Notice tone="caution" lead={said} role="status" /> : null}
      {hasFailed ? <Notice tone="caution" lead="This state could not be worked out: turn a control back." role="alert" /> : null}
      <div className="grid grid-cols-[minmax(0,1fr)] items-start gap-3 lg:grid-cols-[minmax(0,7fr)_minmax(0,5fr)] lg:grid-rows-[auto_1fr] lg:gap-x-4 print:grid-cols-[minmax(0,7fr)_minmax(0,5fr)] print:grid-rows-[auto_1fr]">
        {/* What moves stays in sight while it is turned: on a phone the first scene stays at the top, where it leaves room. */}
        <div
          className={`min-w-0 ${first && first.kind !== 'pull' ? 'max-lg:sticky max-lg:top-0 max-lg:z-10 max-lg:bg-paper max-lg:pb-2' : ''}`}
        >
          {first ? <BenchScenes {...shared} scenes={[first]} /> : <p className="h-72 text-soft">Working it out…</p>}
        </div>
        <div className="grid min-w-0 gap-3 lg:sticky lg:top-3 lg:col-start-2 lg:row-span-2 lg:row-start-1 print:static print:col-start-2 print:row-span-2 print:row-start-1">
          <BenchControls bench={bench} state={state} onChange={set} />
          {/* Below what is turned: a caution that comes up above it would move the next control from under the thumb. */}
          {now?.cautions.map((caution) => (
            <Notice key={caution.text} tone={caution.level} lead={caution.text}>
              {caution.why}
            </Notice>
          ))}
          {bench.solvers ? (
            <div className="flex flex-wrap gap-2 print:hidden">
              {bench.solvers.map((solver) => (
                <Button key={solver.id} onClick={() => void takeSolved(solver.id, solver.label)}>
                  {solver.label}
                </Button>
              ))}
            </div>
          ) : null}
          {now ? <BenchFigures figures={now.figures} pinned={pinned?.figures ?? null} /> : null}
          <Keeping
            bench={bench}
            state={state}
            isPinned={pin !== null}
            onPin={() => setPin(pin ? null : state)}
            onUsual={() => set(usualState(bench))}
            onFile={takeFile}
            {...(bench.fromCase ? { onCase: () => setPicking(true) } : {})}
          />
        </div>
        <div className="min-w-0">
          <BenchScenes {...shared} scenes={rest} />
        </div>
      </div>
      {isPicking ? (
        <CasePicker
          bench={bench}
          onClose={() => setPicking(false)}
          onTaken={(taken) => {
            setPicking(false)
            setSaid(null)
            set(taken)
          }}
        />
      ) : null}
    </main>
  )
}

/** What can be done with a bench as it stands. */
function Keeping({
  bench,
  state,
  isPinned,
  onPin,
  onUsual,
  onFile,
  onCase,
}: {
  bench: Bench
  state: BenchState
  isPinned: boolean
  onPin: () => void
  onUsual: () => void
  onFile: (text: string) => void
  onCase?: () => void
}) {
  return (
    <div className="flex flex-wrap gap-2 print:hidden">
      <Button look="next" aria-pressed={isPinned} onClick={onPin}>
        {isPinned ? 'Take the pin out' : 'Pin this as A'}
      </Button>
      <Button onClick={onUsual}>As usual</Button>
      {onCase ? <Button onClick={onCase}>From a case</Button> : null}
      <Button onClick={() => saveJson(`bench-${bench.id}.json`, writeBenchFile(bench, state))}>Save as a file</Button>
      <FileButton label="Bench file" accept="application/json,.json" onText={onFile}>
        Open a file
      </FileButton>
      <Button onClick={() => window.print()}>Print</Button>
    </div>
  )
}
