import { useState } from 'react'
import { useNavigate } from 'react-router'
import { v7 as uuidv7 } from 'uuid'
import type { Decision } from '#core/plan/decision'
import type { Material } from '#core/plan/plan'
import type { DisplayUnits } from '#core/plan/format-decision'
import { Lane } from '../../lane/lane'
import { useDraft } from '../../hooks/use-draft'
import { usePlan } from '../../hooks/use-plan'
import { Button, ButtonLink } from '../../parts/button'
import { describeMaterial, layOutOrder } from '../../parts/describe-material'
import { Notice } from '../../parts/notice'
import { PlanMessages } from '../../parts/plan-messages'
import { WorkingSheet } from '../../parts/working-sheet'
import { StagePage } from '../../parts/stage-page'
import { useOpenCase, writeEvent } from '../../stores/case-store'
import { useSettings } from '../../stores/session-store'
import { tabId } from '../../stores/tab-id'
import { CrewForecast } from './crew-forecast'
import { SetupForm } from './setup-form'
import { TakeList } from './take-list'

/** What to lay out, who is here, how warm the water is, and whether they will finish before it sets. */
export function MakeReadyScreen() {
  const open = useOpenCase()
  const { record } = open
  const plan = usePlan(open)
  const { units } = useSettings()
  const navigate = useNavigate()
  const run = record.runs.at(-1)
  const [shown, setShown] = useState<Decision | null>(null)
  const start = (): void => {
    if (!run) {
      const runId = uuidv7()
      void writeEvent('run-started', { runId })
      void writeEvent('run-lease', { runId, device: tabId() })
    }
    void navigate(`/case/${record.id}/apply`)
  }
  const forecast = ['least-crew', 'set-time', 'peak-skin-temp']
  return (
    <StagePage
      lane={<Lane geometry={plan.geometry} units={units} layers={['padding', 'slab', 'bandage']} />}
      aside={<LayOut caseId={record.id} materials={plan.materials} units={units} />}
      title="Make ready"
      lead={record.accepted ? undefined : 'The plan is not accepted yet.'}
      next={
        record.accepted ? (
          <Button look="next" onClick={start}>
            {run ? 'Go on applying' : 'Start applying'}
          </Button>
        ) : (
          <ButtonLink look="next" to={`/case/${record.id}/choose`}>
            Back to the plan
          </ButtonLink>
        )
      }
    >
      <div className="grid content-start gap-5">
        <SetupForm setup={record.setup} onSave={(setup) => void writeEvent('setup', setup)} />
        <CrewForecast plan={plan} onOpen={setShown} />
        <TakeList record={record} plan={plan} />
        <PlanMessages plan={plan} decisions={forecast} showProblems={false} />
        <Notice tone="note" lead="Heat and crew odds are estimates">
          They are for planning. Ask about heat while it sets; &ldquo;too hot&rdquo; means take it off.
        </Notice>
      </div>
      {shown ? <WorkingSheet decision={shown} units={units} onClose={() => setShown(null)} /> : null}
    </StagePage>
  )
}

function LayOut({ caseId, materials, units }: { caseId: string; materials: readonly Material[]; units: DisplayUnits }) {
  const [draft, setDraft] = useDraft(`case/${caseId}/laid-out`)
  const ticked = new Set(draft ? draft.split(' ') : [])
  const toggle = (id: string): void => {
    const next = new Set(ticked)
    if (!next.delete(id)) next.add(id)
    setDraft([...next].join(' '))
  }
  const extras: readonly Material[] = ['Bucket of water, thermometer', 'Shears, tape, marker', 'Waterproof sheet, towel'].map((item) => ({
    id: item.split(',')[0]?.replaceAll(' ', '-') ?? item,
    item,
    widthCm: null,
    lengthCm: null,
    rolls: null,
    layers: null,
    note: '',
  }))
  return (
    <section aria-labelledby="lay-out">
      <h2 id="lay-out" className="mb-2 font-bold">
        Lay out, in the order of use
      </h2>
      <ul className="divide-y divide-line rounded-2xl border border-line bg-sheet">
        {[...materials]
          .sort((a, b) => layOutOrder(a) - layOutOrder(b))
          .concat(extras)
          .map((material) => (
            <li key={material.id}>
              <label className="flex min-h-14 items-center gap-4 px-4 py-2">
                <input
                  type="checkbox"
                  checked={ticked.has(material.id)}
                  onChange={() => toggle(material.id)}
                  className="size-7 shrink-0 accent-ink"
                />
                <span className="min-w-0">
                  <span className={`block font-semibold ${ticked.has(material.id) ? 'text-soft line-through' : ''}`}>
                    {describeMaterial(material, units)}
                  </span>
                  {material.note ? <span className="block text-sm text-soft">{material.note}</span> : null}
                </span>
              </label>
            </li>
          ))}
      </ul>
    </section>
  )
}
