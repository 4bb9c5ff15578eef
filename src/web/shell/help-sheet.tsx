import { Dialog } from '../parts/dialog'

const keys: readonly (readonly [string, string])[] = [
  ['?', 'this sheet'],
  ['b', 'Board'],
  ['n', 'new case'],
  ['1 … 7', 'stages of the open case'],
  ['w', 'something is wrong, in an open case'],
  ['Enter', 'take the reading; go on in a form'],
  ['Space, Page Down', 'Apply: step done; held down, it counts once'],
  ['Backspace', 'Apply: one step back'],
  ['arrows', 'round: from cell to cell'],
  ['1 … 9', 'round: the word in that place; of a scale the figure, x is ten'],
  ['c, l', 'round: cannot be assessed; as last time, where it was well'],
  ['Escape', 'close a sheet'],
]

/** What this is and where to begin, then every key that does something. */
export function HelpSheet({ isOpen, onClose }: { isOpen: boolean; onClose: () => void }) {
  return (
    <Dialog title="What this is, and its keys" isOpen={isOpen} onClose={onClose}>
      <div className="mb-5 grid gap-2">
        <p>
          For whoever puts on a splint, collar, cast or traction: it works out size, cutting and hands, walks the work step by step, and
          keeps the checks afterwards until it is off.
        </p>
        <ul className="grid list-disc gap-1 pl-5">
          <li>
            <strong>A patient</strong>: <em>New case</em>, then tap where it hurts. The stages go on from there: size up, measure, choose,
            make ready, apply, check, watch.
          </li>
          <li>
            <strong>A ward</strong>: <em>Board</em> has the worst first, <em>My round</em> what is owed bed by bed, <em>Hand-over</em> what
            the next shift must know.
          </li>
          <li>
            <strong>No patient</strong>: <em>Guide</em> to read, <em>Practice</em> to try.
          </li>
        </ul>
        <p className="text-sm text-soft">It supports a decision, reminds and records. It does not monitor anybody.</p>
      </div>
      <h3 className="mb-2 font-bold">Keys</h3>
      <dl className="grid grid-cols-[auto_1fr] gap-x-5 gap-y-2.5">
        {keys.map(([key, what]) => (
          <div key={key} className="contents">
            <dt>
              <kbd className="rounded-lg border border-soft bg-sheet px-2 py-1 font-sans text-sm font-bold">{key}</kbd>
            </dt>
            <dd>{what}</dd>
          </div>
        ))}
      </dl>
      <p className="mt-5 text-sm text-soft">
        Space and a pedal never confirm identity, side, a pulse check or a stop: those have their own button.
      </p>
    </Dialog>
  )
}
