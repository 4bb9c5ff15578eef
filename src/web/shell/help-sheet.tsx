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

/** Every key that does something. */
export function HelpSheet({ isOpen, onClose }: { isOpen: boolean; onClose: () => void }) {
  return (
    <Dialog title="Keys" isOpen={isOpen} onClose={onClose}>
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
