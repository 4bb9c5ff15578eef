import { ToggleGroup } from 'radix-ui'

export interface Choice<V extends string> {
  readonly value: V
  readonly label: string
  readonly hint?: string
}

/** One choice of a few, all in sight. */
export function ChoiceRow<V extends string>({
  label,
  value,
  choices,
  onChange,
  isWrapped = true,
  isSmall = false,
  isLabelHidden = false,
  more,
}: {
  label: string
  value: V | null
  choices: readonly Choice<V>[]
  onChange: (value: V) => void
  isWrapped?: boolean
  /** Lower on a desk, where many stand together. */
  isSmall?: boolean
  /** Where what stands above says it to whoever sees. */
  isLabelHidden?: boolean
  /** Stands after the last choice. */
  more?: React.ReactNode
}) {
  return (
    <fieldset className="min-w-0">
      <legend className={isLabelHidden ? 'sr-only' : `${isSmall ? 'mb-0.5' : 'mb-1.5'} text-sm font-semibold text-soft`}>{label}</legend>
      <ToggleGroup.Root
        type="single"
        aria-label={label}
        value={value ?? ''}
        onValueChange={(next) => {
          if (next) onChange(next as V)
        }}
        className={`flex ${isSmall ? 'gap-1' : 'gap-1.5'} ${isWrapped ? 'flex-wrap' : 'overflow-x-auto pb-1'}`}
      >
        {choices.map((choice) => (
          <ToggleGroup.Item
            key={choice.value}
            value={choice.value}
            className={`${isSmall ? 'min-h-11 px-2 text-[0.95rem] lg:min-h-8' : 'min-h-11 px-3.5'} shrink-0 rounded-xl border-[1.5px] border-line bg-sheet text-left leading-tight data-[state=on]:border-ink data-[state=on]:bg-ink data-[state=on]:font-bold data-[state=on]:text-paper`}
          >
            {choice.label}
            {choice.hint ? <span className="block text-[0.8rem] opacity-75">{choice.hint}</span> : null}
          </ToggleGroup.Item>
        ))}
        {more}
      </ToggleGroup.Root>
    </fieldset>
  )
}

/** Any of several, all in sight. */
export function ChoiceSet<V extends string>({
  label,
  values,
  choices,
  onChange,
  isSmall = false,
}: {
  label: string
  values: readonly V[]
  choices: readonly Choice<V>[]
  onChange: (values: readonly V[]) => void
  /** Lower on a desk, where many stand together. */
  isSmall?: boolean
}) {
  return (
    <fieldset className="min-w-0">
      <legend className={`${isSmall ? 'mb-0.5' : 'mb-1.5'} text-sm font-semibold text-soft`}>{label}</legend>
      <ToggleGroup.Root
        type="multiple"
        aria-label={label}
        value={[...values]}
        onValueChange={(next) => onChange(next as V[])}
        className={`flex flex-wrap ${isSmall ? 'gap-1' : 'gap-1.5'}`}
      >
        {choices.map((choice) => (
          <ToggleGroup.Item
            key={choice.value}
            value={choice.value}
            className={`${isSmall ? 'min-h-11 px-1 text-[0.95rem] [--toggle-box:0.66rem] lg:min-h-8 lg:px-1.5' : 'min-h-11 px-3.5'} toggle-box rounded-xl border-[1.5px] border-line bg-sheet leading-tight data-[state=on]:border-ink data-[state=on]:bg-ink data-[state=on]:font-bold data-[state=on]:text-paper`}
          >
            {choice.label}
          </ToggleGroup.Item>
        ))}
      </ToggleGroup.Root>
    </fieldset>
  )
}
