import type { WardAnswer } from '#contract/api/pager'
import { paths } from '#contract/api/paths'
import { protocolInForce, protocolName } from '#contract/records/protocol'
import { wardId } from '#contract/records/ward'
import type { BodyOf } from '#contract/events/index'
import { hasRight } from '#contract/rights'
import { ButtonLink } from '../../parts/button'
import { Notice } from '../../parts/notice'
import { makeEvent, sendEvent } from '../../sync/outbox'
import { usePerson, useSession } from '../../sync/session-store'
import { useAnswer } from '../../sync/use-answer'
import { useNow } from '../../sync/use-now'
import { AreasEditor } from './areas-editor'
import { ChainEditor } from './chain-editor'
import { LooksIn } from './looks-in'
import { RotaEditor } from './rota-editor'
import { TeamsEditor } from './teams-editor'

type WardKind = 'areas-set' | 'teams-set' | 'chain-set' | 'rota-set'

/** Who is called about what is urgent, who is on, which places and teams there are: for everybody to read, for leads to set; teams for admins too. */
export function WardScreen() {
  const { answer, refusal } = useAnswer<WardAnswer>(paths.ward)
  const person = usePerson()
  const hasCareTeams = useSession((state) => state.hasCareTeams)
  const now = useNow(30_000)
  const mayChange = hasRight(person.roles, 'manage-protocols')
  const maySetTeams = hasRight(person.roles, 'set-teams')
  const write = <Kind extends WardKind>(kind: Kind, body: BodyOf<Kind>): void => {
    if (answer) void sendEvent(makeEvent({ type: 'ward', id: wardId }, kind, body, answer.version))
  }
  return (
    <main id="main" className="page page-text">
      <h1 className="text-2xl font-bold">Ward</h1>
      <p className="mb-5 text-soft">
        {mayChange
          ? 'What you keep here holds for everybody at once.'
          : maySetTeams
            ? 'Teams are yours to set; the rest is set by leads.'
            : 'Set by leads: ask one to change it.'}
      </p>
      {refusal ? <Notice tone="caution" lead={refusal} role="alert" /> : null}
      {answer ? (
        <div className="grid gap-8">
          <PagerLine answer={answer} />
          <p className="flex flex-wrap items-center gap-3">
            <ButtonLink to="/protocol">Protocol</ButtonLink>
            <span className="text-soft">
              In force: {protocolName(protocolInForce(answer.ward))}
              {answer.ward.draft ? `; a draft by ${answer.ward.draft.by} waits` : ''}
            </span>
          </p>
          <ChainEditor
            key={`c${answer.version}`}
            answer={answer}
            now={now}
            mayChange={mayChange}
            onKeep={(body) => write('chain-set', body)}
          />
          <RotaEditor key={`r${answer.version}`} ward={answer.ward} mayChange={mayChange} onKeep={(body) => write('rota-set', body)} />
          <AreasEditor key={`a${answer.version}`} ward={answer.ward} mayChange={mayChange} onKeep={(body) => write('areas-set', body)} />
          {hasCareTeams && hasRight(person.roles, 'move') ? <LooksIn /> : null}
          <TeamsEditor key={`t${answer.version}`} ward={answer.ward} mayChange={maySetTeams} onKeep={(body) => write('teams-set', body)} />
        </div>
      ) : refusal ? null : (
        <p className="text-soft">Reading…</p>
      )}
    </main>
  )
}

function PagerLine({ answer: { pager } }: { answer: WardAnswer }) {
  if (!pager) return <Notice tone="caution" lead="No pager is set up here: phone" />
  if (!pager.isAnswering) return <Notice tone="stop" lead="The pager is not answering: phone" role="alert" />
  return <p className="font-semibold text-calm">The pager answers.</p>
}
