import { ButtonLink } from '../../parts/button'
import { Notice } from '../../parts/notice'

/** An address of Practice that names nothing. */
export function NothingHere({ title, lead }: { title: string; lead: string }) {
  return (
    <main id="main" className="mx-auto grid w-full max-w-lg flex-1 content-start gap-4 p-6">
      <h1 className="text-xl font-bold">{title}</h1>
      <Notice tone="note" lead={lead} />
      <ButtonLink to="/practice">Practice</ButtonLink>
    </main>
  )
}
