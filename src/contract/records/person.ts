/** What a person set for themselves. */
export interface PersonSettings {
  readonly units: 'metric' | 'inches'
  /** Own breadth of fingers held together ÷ their number, cm, by how many fingers; null while not calibrated. */
  readonly fingerCm: number | null
  readonly theme: 'system' | 'light' | 'dark'
  /** The team that the person joined, and the areas that are theirs: my round walks them. */
  readonly team?: string
  readonly places?: readonly string[]
  /** Steps and the last minute of timers are read aloud. */
  readonly readsAloud?: boolean
  /** They were shown round, or want to see no more of it. */
  readonly isLed?: boolean
  /** What the Board lets them hear beside what is urgent; quiet hours by the local clock, empty for none. */
  readonly sound?: { readonly isOn: boolean; readonly quietFrom: string; readonly quietUntil: string }
}

export const defaultSettings: PersonSettings = { units: 'metric', fingerCm: null, theme: 'system' }
