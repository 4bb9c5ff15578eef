import { Button } from '../../parts/button'

/** A one-time code that was just made. */
export interface GivenCode {
  readonly who: string
  readonly code: string
  readonly until: string
}

/** The code, in groups that can be read out: it is shown this once. */
export function CodeNotice({ given, onClose }: { given: GivenCode; onClose: () => void }) {
  const groups = given.code.match(/.{1,4}/g) ?? [given.code]
  return (
    <section role="status" aria-label={`Code for ${given.who}`} className="grid gap-3 rounded-3xl border-[1.5px] border-ink bg-sheet p-5">
      <h2 className="text-lg font-bold">One-time code for {given.who}</h2>
      <p className="numeral text-3xl tracking-wide" aria-label={given.code.split('').join(' ')}>
        {groups.join(' ')}
      </p>
      <p className="text-soft">
        Shown this once: give it to them yourself. It is typed without spaces as the password, once, until tomorrow at the same time; then
        they choose one of their own.
      </p>
      <Button onClick={onClose} className="justify-self-start">
        I have passed it on
      </Button>
    </section>
  )
}
