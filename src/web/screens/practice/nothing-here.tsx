import { ButtonLink } from '../../parts/button'
import { Notice } from '../../parts/notice'

/** An address of Practice that names nothing. */
export function NothingHere({ title, lead }: { title: string; lead: string }) {
  return (
    <main id="main" className="page page-text grid content-start gap-4">
      <h1 className="text-xl font-bold">{title}</h1>
      <Notice tone="note" lead={lead} />
      <ButtonLink to="/practice">Practice</ButtonLink>
    </main>
  )
}
