import type { PatientFlag } from '#core/model/vocabulary'
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
  { value: 'head-injury', label: 'Head injury' },
  { value: 'airway-at-risk', label: 'Airway at risk' },
  { value: 'chest-injury', label: 'Chest injury' },
  { value: 'kyphosis', label: 'Bent back or neck' },
  { value: 'stiff-spine', label: 'Stiff spine' },
  { value: 'agitated', label: 'Agitated' },
  { value: 'implant', label: 'Implant or joint' },
  { value: 'lymphoedema', label: 'Lymphoedema' },
  { value: 'dialysis-arm', label: 'Dialysis arm' },
  { value: 'stoma-or-drain', label: 'Stoma or drain' },
]

/** What makes this patient different, as plain questions. */
export function PatientFlagsForm({ flags, onSave }: { flags: readonly PatientFlag[]; onSave: (flags: readonly PatientFlag[]) => void }) {
  return <ChoiceSet label="Always asked: the patient has" values={flags} choices={questions} onChange={onSave} />
}
