import { Check } from 'lucide-react'
import { Link } from 'react-router'
import { paths } from '#contract/api/paths'
import type { WardAnswer } from '#contract/api/pager'
import type { ManagedPeopleAnswer } from '#contract/api/people'
import type { StockPlace } from '#contract/records/store'
import { hasRight } from '#contract/rights'
import { useAnswer } from '../../sync/use-answer'
import { usePerson } from '../../sync/session-store'

/** The first day of an empty house, for whoever sets it up: what to do in which order, and what of it is done. */
export function FirstDay() {
  const { roles } = usePerson()
  const isLead = hasRight(roles, 'manage-protocols')
  const isAdmin = hasRight(roles, 'manage-people')
  const { answer: ward } = useAnswer<WardAnswer>(isLead ? paths.ward : null)
  const { answer: people } = useAnswer<ManagedPeopleAnswer>(isAdmin ? paths.managedPeople : null)
  const { answer: store } = useAnswer<{ readonly places: readonly StockPlace[]; readonly now?: string }>(isLead ? paths.places : null)
  if (!isLead && !isAdmin) return null
  const tasks: readonly {
    readonly to: string
    readonly name: string
    readonly what: string
    readonly isDone: boolean
    readonly mine: boolean
  }[] = [
    {
      to: '/ward',
      name: 'Places',
      what: 'Areas with their beds, and who is called.',
      isDone: (ward?.ward.areas.length ?? 0) > 0,
      mine: isLead,
    },
    {
      to: '/people',
      name: 'People',
      what: 'Everybody by a one-time code; two leads, and a second admin.',
      isDone: (people?.people.length ?? 0) > 1,
      mine: isAdmin,
    },
    {
      to: '/store',
      name: 'Store',
      what: 'A place, and what lies on its shelves by CSV.',
      isDone: (store?.places.length ?? 0) > 0,
      mine: isLead,
    },
    {
      to: '/protocol',
      name: 'Protocol',
      what: 'What your house does otherwise: one lead drafts it, another signs.',
      isDone: (ward?.ward.versions?.length ?? 0) > 0,
      mine: isLead,
    },
  ]
  return (
    <section aria-labelledby="first-day" className="mt-4 grid gap-3">
      <h2 id="first-day" className="text-lg font-bold">
        The first day
      </h2>
      <ol className="grid gap-2 md:grid-cols-2">
        {tasks
          .filter(({ mine }) => mine)
          .map(({ to, name, what, isDone }, index) => (
            <li key={to}>
              <Link to={to} className="flex h-full min-h-16 items-center gap-4 rounded-2xl border border-line bg-sheet px-4 py-3">
                <span
                  className={`grid size-9 shrink-0 place-items-center rounded-full font-bold ${isDone ? 'bg-calm-wash text-calm' : 'bg-well'}`}
                >
                  {isDone ? <Check size={20} aria-label="done" /> : index + 1}
                </span>
                <span>
                  <span className="block font-bold">{name}</span>
                  <span className="block text-[0.95rem]">{what}</span>
                </span>
              </Link>
            </li>
          ))}
      </ol>
    </section>
  )
}
