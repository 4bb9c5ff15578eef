/** How a case ends here. Taking the device off is another matter: that is recorded as removed. */
export const endingWays = ['home', 'ward', 'theatre', 'other-hospital', 'died', 'voided'] as const
export type EndingWay = (typeof endingWays)[number]

export const endingWords: Readonly<Record<EndingWay, string>> = {
  home: 'Home with it on',
  ward: 'To a ward that keeps no record here',
  theatre: 'To theatre, not back here',
  'other-hospital': 'To another hospital',
  died: 'Died',
  voided: 'Entered by mistake',
}

/** What is asked of a patient who goes home with it on. */
export interface HomeAdvice {
  /** Who helps at home, by name or as what. */
  readonly helper: string
  readonly stairs: 'none' | 'can' | 'cannot'
  /** Where the patient can be called. */
  readonly phone: string
  /** The number to call day and night. */
  readonly callNumber: string
  readonly walkingAid: 'none' | 'crutches' | 'frame' | 'wheelchair'
  /** What the patient said when asked what to look for and when to come back. */
  readonly taughtBack: string
}

export interface EndingBody {
  readonly how: EndingWay
  /** Why, or what else is to be said. */
  readonly note: string
  readonly home?: HomeAdvice
}
