import type { CaseSetup } from '#contract/case-record'
import { ChoiceRow } from '../../parts/choice-row'
import { NumberStepper } from '../../parts/number-stepper'

/** People, water, room and what the slab lies on: the forecast moves at once. */
export function SetupForm({ setup, onSave }: { setup: CaseSetup; onSave: (setup: CaseSetup) => void }) {
  return (
    <section aria-label="People and water" className="grid grid-cols-2 gap-4">
      <NumberStepper
        label="People here"
        unit=""
        value={setup.people ?? 1}
        least={1}
        greatest={12}
        onChange={(people) => onSave({ ...setup, people })}
      />
      <NumberStepper
        label="Water"
        unit="°C"
        value={setup.waterC}
        least={5}
        greatest={60}
        onChange={(waterC) => onSave({ ...setup, waterC })}
      />
      <NumberStepper
        label="Room"
        unit="°C"
        value={setup.roomC}
        least={-10}
        greatest={45}
        onChange={(roomC) => onSave({ ...setup, roomC })}
      />
      <ChoiceRow
        label="It sets on"
        value={setup.backing}
        choices={[
          { value: 'air', label: 'open air' },
          { value: 'pillow', label: 'a pillow' },
        ]}
        onChange={(backing) => onSave({ ...setup, backing })}
      />
    </section>
  )
}
