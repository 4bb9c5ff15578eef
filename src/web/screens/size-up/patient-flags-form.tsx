import type { PatientFlag } from '#core/case/vocabulary'
import { ChoiceSet } from '../../parts/choice-row'

const questions: readonly { value: PatientFlag; label: string }[] = [
  { value: 'adhesive-allergy', label: 'Adhesive allergy' },
  { value: 'latex-allergy', label: 'Latex allergy' },
  { value: 'fragile-skin', label: 'Fragile skin' },
  { value: 'neuropathy', label: 'Loss of feeling' },
  { value: 'anticoagulated', label: 'Blood thinners' },
  { value: 'arterial-disease', label: 'Arterial disease' },
  { value: 'diabetes', label: 'Diabetes' },
  { value: 'pregnant-late', label: 'Late pregnancy' },
  { value: 'breathless-lying', label: 'Breathless lying' },
  { value: 'cannot-be-moved', label: 'Cannot be moved' },
  { value: 'several-injuries', label: 'Several injuries' },
  { value: 'unstable', label: 'Unstable' },
  { value: 'unresponsive', label: 'Unresponsive' },
  { value: 'sedated', label: 'Sedated' },
  { value: 'nerve-block', label: 'Nerve block' },
  { value: 'lives-alone', label: 'Lives alone' },
]

/** What makes this patient different, as plain questions. */
export function PatientFlagsForm({ flags, onSave }: { flags: readonly PatientFlag[]; onSave: (flags: readonly PatientFlag[]) => void }) {
  return <ChoiceSet label="Always asked: the patient has" values={flags} choices={questions} onChange={onSave} />
}
