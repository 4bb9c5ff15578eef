import { useState } from 'react'
import type { EpisodeRecord } from '#contract/records/episode'
import { hasRight } from '#contract/rights'
import { ReasonSheet } from '../../case/run/reason-sheet'
import { Button } from '../../parts/button'
import { writeEvent } from '../../sync/case-store'
import { usePerson, useSession } from '../../sync/session-store'

/** That a record is for the care team alone, and for clinicians the way to say so: where the house keeps care teams. */
export function ConfidentialLine({ episode }: { episode: EpisodeRecord }) {
  const hasCareTeams = useSession((state) => state.hasCareTeams)
  const mayMark = hasRight(usePerson().roles, 'decide')
  const [isAsked, setAsked] = useState(false)
  if (!hasCareTeams) return null
  const { confidential } = episode
  return (
    <div className="flex flex-wrap items-center gap-x-4 gap-y-1">
      {confidential ? (
        <p className="text-soft">
          Confidential since {confidential.by} said so: {confidential.reason}
        </p>
      ) : null}
      {mayMark ? (
        <Button look="quiet" onClick={() => setAsked(true)}>
          {confidential ? 'No longer confidential' : 'Mark confidential'}
        </Button>
      ) : null}
      {isAsked ? (
        <ReasonSheet
          title={confidential ? 'No longer confidential' : 'Mark confidential'}
          draftKey={`episode/${episode.id}/confidential`}
          submitLabel={confidential ? 'Open it to the ward' : 'Mark it'}
          backLabel="Leave it"
          onClose={() => setAsked(false)}
          onReason={(reason) => {
            setAsked(false)
            void writeEvent('confidential', { isConfidential: !confidential, reason })
          }}
        >
          <p>
            {confidential
              ? 'The name stands on the Board again, and the record opens to the whole ward.'
              : 'The Board shows initials to everybody who has entered nothing of this stay; they say why before the record opens.'}
          </p>
        </ReasonSheet>
      ) : null}
    </div>
  )
}
