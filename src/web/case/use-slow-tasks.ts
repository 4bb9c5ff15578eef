import { useMemo } from 'react'
import { createMemo } from '#core/model/plan-context'
import { planCase } from '#core/techniques/plan-case'
import type { SlowTask } from '#core/model/slow-task'
import { toClinicalCase } from '#contract/views/clinical-case'
import type { OpenCase } from '../sync/case-store'
import { browserContext } from './use-plan'

type TaskOf<D extends SlowTask['decision']> = Extract<SlowTask, { decision: D }>

/** The inputs of the slow decisions of the open case: what the crew forecast and the heat model are asked. */
export function useSlowTasks(open: OpenCase): {
  readonly heat: TaskOf<'peak-skin-temp'> | null
  readonly crew: TaskOf<'least-crew'> | null
} {
  return useMemo(() => {
    // A memo of its own that knows nothing yet, so that every slow decision is left open with its input.
    const plan = planCase(toClinicalCase(open.record, open.episode), { ...browserContext(), memo: createMemo() })
    const tasks = plan?.pending ?? []
    return {
      heat: tasks.find((one): one is TaskOf<'peak-skin-temp'> => one.decision === 'peak-skin-temp') ?? null,
      crew: tasks.find((one): one is TaskOf<'least-crew'> => one.decision === 'least-crew') ?? null,
    }
  }, [open])
}
