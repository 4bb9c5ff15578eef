import { limits, type Limits } from '#core/model/limits'
import Joi from 'joi'
import { joiResolver } from '@hookform/resolvers/joi'
import { useEffect } from 'react'
import { useForm } from 'react-hook-form'
import { ageFromBirth, type AgeFromBirth } from '#ward/case/age-from-birth'
import { skinTones, type EpisodeRecord, type PatientDetails } from '#contract/records/episode'
import { serverNow } from '../../sync/server-clock'
import { useDraft } from '../../sync/use-draft'
import { Button } from '../../parts/button'
import { ChoiceRow } from '../../parts/choice-row'
import { TextField } from '../../parts/text-field'
import { writeEvent } from '../../sync/case-store'

interface IdentityFields {
  name: string
  born: string
  number: string
  ageYears: string
  heightCm: string
  massKg: string
}

const figure = (label: string, { least, greatest }: Limits): Joi.StringSchema =>
  Joi.string()
    .trim()
    .allow('')
    .custom((value: string, helpers) => {
      const parsed = Number(value.replace(',', '.'))
      if (!Number.isFinite(parsed)) return helpers.message({ custom: `${label} is not a figure: type it like 70 or 70.5.` })
      if (parsed < least || parsed > greatest)
        return helpers.message({ custom: `${label} must be from ${least} to ${greatest}: check the figure.` })
      return value
    })

/** Age by a date of birth as it is typed, on the clock and in the zone of this device. */
function ageNow(born: string): AgeFromBirth | null {
  return ageFromBirth(born, new Date(serverNow()).toISOString(), Intl.DateTimeFormat().resolvedOptions().timeZone)
}

const schema = Joi.object({
  name: Joi.string().trim().allow('').max(120).messages({ 'string.max': 'Name is too long: keep it to 120 characters.' }),
  born: Joi.string()
    .trim()
    .allow('')
    .custom((value: string, helpers) => {
      const age = ageNow(value)
      return age && 'problem' in age ? helpers.message({ custom: age.problem }) : value
    }),
  number: Joi.string().trim().allow('').max(40).messages({ 'string.max': 'Number is too long: keep it to 40 characters.' }),
  ageYears: figure('Age', limits.ageYears),
  heightCm: figure('Height', limits.heightCm),
  massKg: figure('Weight', limits.massKg),
})

/**
 * Who the patient is, when there is time to ask: nothing here is needed to take a reading.
 * @param matters what age, height or weight could change here, in words
 */
export function IdentityForm({ episode, matters }: { episode: EpisodeRecord; matters: readonly string[] }) {
  const { patient } = episode
  const [draft, setDraft, isDraftRead] = useDraft(`episode/${episode.id}/patient`)
  const { register, handleSubmit, formState, watch, reset } = useForm<IdentityFields>({
    resolver: joiResolver(schema),
    values: toFields(patient),
    resetOptions: { keepDirtyValues: true },
  })
  useEffect(() => {
    if (isDraftRead && draft) reset(JSON.parse(draft) as IdentityFields, { keepDefaultValues: true })
    // Only the text kept from before; later drafts come from this very form.
    // oxlint-disable-next-line react/exhaustive-deps
  }, [isDraftRead])
  useEffect(() => {
    const subscription = watch((fields) => setDraft(JSON.stringify(fields)))
    return () => subscription.unsubscribe()
  }, [watch, setDraft])
  const submit = handleSubmit((fields) => {
    setDraft('')
    void writeEvent('patient', toPatient(fields, patient))
  })
  const age = ageNow(watch('born') ?? '')
  const years = age && 'ageYears' in age ? age.ageYears : null
  const error = (field: keyof IdentityFields): string | undefined => formState.errors[field]?.message
  return (
    <details className="rounded-2xl border border-line bg-sheet px-4 py-1" open={!patient.isTemporary ? false : undefined}>
      <summary className="min-h-11 content-center font-bold">
        Name, age, height, weight <span className="font-normal text-soft">{patient.isTemporary ? 'may follow' : ''}</span>
        {matters.map((matter) => (
          <span key={matter} className="block text-sm font-normal text-caution">
            {matter}
          </span>
        ))}
      </summary>
      <form noValidate onSubmit={(event) => void submit(event)} className="my-3 grid gap-3 sm:grid-cols-2">
        <TextField label="Name" {...register('name')} error={error('name')} className="sm:col-span-2" />
        <TextField label="Date of birth" placeholder="1985-03-02" {...register('born')} error={error('born')} />
        <TextField label="Hospital number" {...register('number')} error={error('number')} />
        {years === null ? (
          <TextField label="Age, years" inputMode="decimal" {...register('ageYears')} error={error('ageYears')} />
        ) : (
          <p className="self-end pb-3">
            <span className="block text-sm font-semibold text-soft">Age, by the date of birth</span>
            <strong className="numeral">{years}</strong> years
          </p>
        )}
        <TextField label="Height, cm" inputMode="decimal" {...register('heightCm')} error={error('heightCm')} />
        <TextField label="Weight, kg" inputMode="decimal" {...register('massKg')} error={error('massKg')} />
        <Button type="submit" className="self-end">
          Keep
        </Button>
      </form>
      <div className="mb-3">
        <ChoiceRow
          label="Skin in drawings"
          value={patient.skinTone ?? 'neutral'}
          choices={skinTones.map((tone) => ({ value: tone, label: tone }))}
          onChange={(skinTone) => void writeEvent('patient', { ...patient, skinTone })}
        />
      </div>
    </details>
  )
}

function toFields(patient: PatientDetails): IdentityFields {
  const text = (value: number | null): string => (value === null ? '' : String(value))
  return {
    name: patient.name,
    born: patient.born,
    number: patient.number,
    ageYears: text(patient.ageYears),
    heightCm: text(patient.heightCm),
    massKg: text(patient.massKg),
  }
}

function toPatient(fields: IdentityFields, before: PatientDetails): PatientDetails {
  const figureOf = (text: string): number | null => (text.trim() === '' ? null : Number(text.replace(',', '.')))
  const name = fields.name.trim()
  const age = ageNow(fields.born)
  return {
    ...before,
    name,
    isTemporary: name === '',
    born: fields.born.trim(),
    number: fields.number.trim(),
    ageYears: age && 'ageYears' in age ? age.ageYears : figureOf(fields.ageYears),
    isAgeEstimated: age && 'ageYears' in age ? false : before.isAgeEstimated,
    heightCm: figureOf(fields.heightCm),
    massKg: figureOf(fields.massKg),
  }
}
