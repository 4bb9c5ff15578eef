import { X } from 'lucide-react'
import { nights } from '#core/practice/drill/nights'
import { Button, ButtonLink } from '../../parts/button'
import { saveSettings } from '../../sync/save-settings'
import { usePerson, useSession } from '../../sync/session-store'

/** A newcomer's first minute, in the demo world alone: what this is, and three ways in; gone for good once it is closed. */
export function Welcome() {
  const isTrial = useSession((store) => store.isTrial)
  const { settings } = usePerson()
  if (!isTrial || settings.isLed) return null
  const close = (): void => saveSettings({ ...settings, isLed: true })
  return (
    <section aria-labelledby="welcome" className="mb-4 grid gap-3 rounded-3xl border-[1.5px] border-ink bg-sheet p-4 sm:p-5">
      <div className="flex items-start gap-3">
        <div className="min-w-0 flex-1">
          <h2 id="welcome" className="text-lg font-bold">
            New here?
          </h2>
          <p className="max-w-[62ch]">
            Zesty Wren measures a limb with you, works out what to put on it, takes you through putting it on, and says when to look again.
            Everybody here is made up.
          </p>
        </div>
        <button type="button" onClick={close} className="grid size-11 shrink-0 place-items-center rounded-xl">
          <X size={22} aria-hidden />
          <span className="sr-only">Close this for good</span>
        </button>
      </div>
      <div className="flex flex-wrap gap-2.5">
        <ButtonLink look="next" to="/new?try=leg-slab">
          Try a back slab
        </ButtonLink>
        <Button onClick={close}>Look at the ward</Button>
        <ButtonLink to={`/practice/drill/${nights[0]?.id ?? ''}`}>Practise a night</ButtonLink>
      </div>
    </section>
  )
}
