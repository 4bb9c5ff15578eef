/** What a person set for themselves. */
export interface PersonSettings {
  readonly units: 'metric' | 'inches'
  /** Own breadth of fingers held together ÷ their number, cm, by how many fingers; null while not calibrated. */
  readonly fingerCm: number | null
  readonly theme: 'system' | 'light' | 'dark'
}

export const defaultSettings: PersonSettings = { units: 'metric', fingerCm: null, theme: 'system' }
