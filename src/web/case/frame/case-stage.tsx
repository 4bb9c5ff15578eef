import { Navigate } from 'react-router'
import { stageOf } from '#ward/owed/case-progress'
import { useOpenCase } from '../../sync/case-store'

/** The address of a case without a stage: it goes to the stage that the case has reached. */
export function CaseStage() {
  const { record, episode } = useOpenCase()
  return <Navigate to={`/case/${record.id}/${stageOf(record, episode)}`} replace />
}
