import { Button } from './button'
import { Notice } from './notice'

/** Codes that stand in for an authenticator app, shown once. */
export function RecoveryCodes({ codes, onDone }: { codes: readonly string[]; onDone: () => void }) {
  return (
    <section aria-label="Recovery codes" className="grid gap-4">
      <Notice tone="caution" lead="Write these down: they are shown once">
        Without your phone, type one of them in place of the six digits. Each opens once. Keep them where you keep your keys, not on this
        device.
      </Notice>
      <ol className="grid gap-x-8 gap-y-1 font-mono text-lg font-bold select-all sm:grid-cols-2">
        {codes.map((code) => (
          <li key={code}>{code}</li>
        ))}
      </ol>
      <Button look="next" className="justify-self-start" onClick={onDone}>
        I have them
      </Button>
    </section>
  )
}
