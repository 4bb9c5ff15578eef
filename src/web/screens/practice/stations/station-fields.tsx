import { useId, useState, type ReactNode } from 'react'
import { drawPatient } from '#core/practice/draw-patient'
import type { StationProblem } from '#core/practice/stations/read-station'
import { criticalErrors, criticalIds } from '#core/practice/stations/station'
import { givenOf, planOfForm, type StationForm } from '#core/practice/stations/station-form'
import type { Plan } from '#core/model/plan'
import { sides, spoken, swellings } from '#core/model/vocabulary'
import { stepName } from '#core/runs/step-name'
import { findTechnique, techniques } from '#core/techniques/registry'
import { Button } from '../../../parts/button'
import { ChoiceRow, ChoiceSet } from '../../../parts/choice-row'
import { TextField } from '../../../parts/text-field'

/** What an author says of a station. */
export function StationFields({
  form,
  problems,
  onChange,
  onTechnique,
}: {
  form: StationForm
  problems: readonly StationProblem[]
  onChange: (part: Partial<StationForm>) => void
  onTechnique: (technique: string) => void
}) {
  const [seed, setSeed] = useState('')
  const technique = findTechnique(form.technique)
  const plan = planOfForm(form)
  const error = (field: string): string | undefined => problems.find((problem) => problem.field === field)?.message
  const setOption = (id: string, value: string): void => {
    const next = { ...form, options: { ...form.options, [id]: value } }
    const steps = new Set(planOfForm(next)?.procedure.steps.map((step) => step.id))
    onChange({ options: next.options, required: form.required.filter((step) => steps.has(step)) })
  }
  const draw = (): void => {
    const patient = drawPatient(seed)
    onChange({ ...patient, heightCm: String(patient.heightCm), massKg: String(patient.massKg) })
  }
  return (
    <div className="grid gap-5">
      <Part title="Skill">
        <TextField
          label="Name"
          value={form.name}
          maxLength={120}
          error={error('name')}
          onChange={(event) => onChange({ name: event.target.value })}
        />
        <Select
          label="Technique"
          value={form.technique}
          choices={techniques.map((one) => ({ id: one.id, label: one.name }))}
          onChange={onTechnique}
        />
        <div className="grid gap-3 sm:grid-cols-2 lg:grid-cols-3">
          {technique?.options
            .filter((option) => option.values.length > 0)
            .map((option) => (
              <Select
                key={option.id}
                label={option.label}
                value={String(form.options[option.id] ?? '')}
                choices={[{ id: '', label: 'As the plan has it' }, ...option.values]}
                onChange={(value) => setOption(option.id, value)}
              />
            ))}
        </div>
        <TextField
          label="Time, min"
          inputMode="decimal"
          value={form.limitMin}
          error={error('limitS')}
          onChange={(event) => onChange({ limitMin: event.target.value })}
        />
      </Part>
      <Part title="Patient, made up">
        <div className="grid gap-3 sm:grid-cols-2">
          <TextField
            label="Height, cm"
            inputMode="decimal"
            value={form.heightCm}
            error={error('patient/heightCm')}
            onChange={(event) => onChange({ heightCm: event.target.value })}
          />
          <TextField
            label="Weight, kg"
            inputMode="decimal"
            value={form.massKg}
            error={error('patient/massKg')}
            onChange={(event) => onChange({ massKg: event.target.value })}
          />
        </div>
        <ChoiceRow
          label="Side"
          value={form.side}
          choices={sides.map((side) => ({ value: side as string, label: spoken(side) }))}
          onChange={(side) => onChange({ side })}
        />
        <ChoiceRow
          label="Swelling"
          value={form.swelling}
          choices={swellings.map((swelling) => ({ value: swelling as string, label: spoken(swelling) }))}
          onChange={(swelling) => onChange({ swelling })}
        />
        <div className="flex flex-wrap items-end gap-3">
          <TextField label="Or drawn by a seed" value={seed} maxLength={40} onChange={(event) => setSeed(event.target.value)} />
          <Button onClick={draw}>Draw a patient</Button>
        </div>
      </Part>
      <Part title="What is said">
        <Lines label="Given at the start, a line each" value={givenOf(form)} onChange={(given) => onChange({ given })} />
        <Lines label="Told on asking, a line each: Pulse? = Strong" value={form.onAsking} onChange={(onAsking) => onChange({ onAsking })} />
        <Lines
          label="Said by the clock, a line each: 5: Half of the time has gone."
          value={form.prompts}
          onChange={(prompts) => onChange({ prompts })}
        />
      </Part>
      <Part title="What counts">
        <ChoiceSet
          label="Steps without which it is not complete"
          values={form.required}
          choices={(plan?.procedure.steps ?? []).map((step) => ({ value: step.id, label: stepName(step) }))}
          onChange={(required) => onChange({ required })}
        />
        <ChoiceSet
          label="What fails it"
          values={form.criticals}
          choices={criticalIds.map((id) => ({ value: id as string, label: criticalErrors[id].label }))}
          onChange={(criticals) => onChange({ criticals })}
        />
        <Asked form={form} plan={plan} problems={problems} onChange={onChange} />
      </Part>
    </div>
  )
}

/** Figures that are asked, each with its tolerance. */
function Asked({
  form,
  plan,
  problems,
  onChange,
}: {
  form: StationForm
  plan: Plan | null
  problems: readonly StationProblem[]
  onChange: (part: Partial<StationForm>) => void
}) {
  const figures = plan?.decisions.filter((decision) => typeof decision.value === 'number') ?? []
  return (
    <>
      <ChoiceSet
        label="Figures that are asked"
        values={form.asked}
        choices={figures.map((figure) => ({ value: figure.id, label: figure.label }))}
        onChange={(asked) => onChange({ asked })}
      />
      {form.asked.map((decision, index) => {
        const figure = figures.find((one) => one.id === decision)
        return figure ? (
          <TextField
            key={decision}
            label={`Tolerance for ${figure.label}${figure.unit ? `, ${figure.unit}` : ''}`}
            inputMode="decimal"
            placeholder="the figure’s own doubt, else 5 %"
            value={form.tolerances[decision] ?? ''}
            error={problems.find((problem) => problem.field === `asked/${index}/tolerance`)?.message}
            onChange={(event) => onChange({ tolerances: { ...form.tolerances, [decision]: event.target.value } })}
          />
        ) : null
      })}
    </>
  )
}

function Part({ title, children }: { title: string; children: ReactNode }) {
  const id = useId()
  return (
    <section aria-labelledby={id} className="grid gap-4 rounded-3xl border border-line bg-sheet p-5">
      <h2 id={id} className="text-lg font-bold">
        {title}
      </h2>
      {children}
    </section>
  )
}

function Select({
  label,
  value,
  choices,
  onChange,
}: {
  label: string
  value: string
  choices: readonly { readonly id: string; readonly label: string }[]
  onChange: (value: string) => void
}) {
  return (
    <label className="grid gap-1.5">
      <span className="text-sm font-semibold text-soft">{label}</span>
      <select value={value} className="field-box" onChange={(event) => onChange(event.target.value)}>
        {choices.map((choice) => (
          <option key={choice.id} value={choice.id}>
            {choice.label}
          </option>
        ))}
      </select>
    </label>
  )
}

function Lines({ label, value, onChange }: { label: string; value: string; onChange: (value: string) => void }) {
  return (
    <label className="grid gap-1.5">
      <span className="text-sm font-semibold text-soft">{label}</span>
      <textarea
        value={value}
        rows={Math.min(8, Math.max(2, value.split('\n').length))}
        maxLength={4000}
        className="field-box h-auto py-2"
        onChange={(event) => onChange(event.target.value)}
      />
    </label>
  )
}
