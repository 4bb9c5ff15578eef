import { limits } from '#core/model/limits'
import type { Protocol } from '#core/quantities/defaults'
import { findTechnique } from '#core/techniques/registry'
import { optionValues } from '#core/planner/technique'
import type { CaseSetup } from '#contract/records/case'
import { ChoiceRow } from '../../parts/choice-row'
import { NumberStepper } from '../../parts/number-stepper'

/** Options that change the forecast, tried here before the plan is changed. */
export const triedOptions = ['material', 'position'] as const

/** People, water, room, what it lies on, material and position: the forecast moves at once. */
export function SetupForm({
  setup,
  technique,
  protocol,
  options,
  isWet,
  needed,
  onSave,
  onTry,
}: {
  setup: CaseSetup
  technique: string
  protocol: Protocol
  options: Readonly<Record<string, string | number>>
  /** Whether something sets: without it neither water nor room matters. */
  isWet: boolean
  /** People that the plan needs; null where it does not say. */
  needed: number | null
  onSave: (setup: CaseSetup) => void
  /** Absent once the application has begun. */
  onTry?: ((option: string, value: string) => void) | undefined
}) {
  const tried = (findTechnique(technique)?.options ?? []).filter((option) => triedOptions.some((id) => id === option.id))
  return (
    <section aria-label="People and water" className="grid gap-3">
      <div className={`grid gap-3 ${isWet ? 'grid-cols-2 xl:grid-cols-3' : 'grid-cols-2'}`}>
        <NumberStepper
          label="People here"
          unit=""
          value={setup.people}
          {...(needed === null ? {} : { aim: needed })}
          {...limits.people}
          onChange={(people) => onSave({ ...setup, people })}
        />
        {isWet ? (
          <>
            <NumberStepper
              label="Water"
              unit="°C"
              value={setup.waterC}
              {...limits.waterC}
              onChange={(waterC) => onSave({ ...setup, waterC })}
            />
            <NumberStepper label="Room" unit="°C" value={setup.roomC} {...limits.roomC} onChange={(roomC) => onSave({ ...setup, roomC })} />
          </>
        ) : null}
      </div>
      <div className="flex flex-wrap gap-x-6 gap-y-3">
        {isWet ? (
          <ChoiceRow
            label="It sets on"
            value={setup.backing}
            choices={[
              { value: 'air', label: 'open air' },
              { value: 'pillow', label: 'a pillow' },
            ]}
            onChange={(backing) => onSave({ ...setup, backing })}
          />
        ) : null}
        {onTry
          ? tried.map((option) => (
              <ChoiceRow
                key={option.id}
                label={option.label}
                value={String(options[option.id] ?? '')}
                choices={optionValues(option, protocol).map((value) => ({ value: value.id, label: value.label }))}
                onChange={(value) => onTry(option.id, value)}
              />
            ))
          : null}
      </div>
    </section>
  )
}
