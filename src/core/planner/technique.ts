import type { Held } from '../model/danger'
import type { HeldThing } from '../model/held-thing'
import type { Said } from './answer'
import type { MeasurementDefinition } from '../model/measurement-definition'
import type { ClinicalCase } from '../model/clinical-case'
import type { BodyRegion, Pattern, Region } from '../model/vocabulary'
import type { DecisionDefinition } from '../model/decision-definition'
import type { PlanDraft } from './draft'
import type { RoundLimits } from './schedule-rounds'
import type { Protocol } from '../quantities/defaults'
import type { PutOn } from '../rules/by-what-is-put-on'
import type { Trouble } from '../model/trouble'
import type { FitTest, ScheduleEntry } from '../model/plan'
import type { Geometry } from '../model/geometry'
import type { RollRun } from '../model/roll-run'
import type { Step } from '../model/step'
import type { Must } from '../model/order-rule'
import type { StepRoles } from '../model/step-role'
import type { TaskForm } from '../model/task-form'

export interface OptionValue {
  readonly id: string
  readonly label: string
  /** Who prefers it and why, in one line. */
  readonly why: string
}

/** A choice between schools of practice, or an ordered figure. */
export interface TechniqueOption {
  readonly id: string
  readonly label: string
  /** The schools; empty for an ordered figure. */
  readonly values: readonly OptionValue[]
  /** For an ordered figure: its unit and range. */
  readonly figure?: {
    readonly unit: string
    readonly least: number
    readonly greatest: number
    readonly describe: (value: number) => string
  }
  /** Further values that a local protocol brings. */
  readonly more?: (protocol: Protocol) => readonly OptionValue[]
  /** Where the local protocol keeps its default, when that is one for several techniques: `<technique>/<option>`. */
  readonly protocolKey?: string
  /** What counts when nothing was chosen; 'ask' when a person must say; null when it may stay empty. */
  readonly default: (clinicalCase: ClinicalCase, protocol: Protocol) => string | number | 'ask' | null
}

export interface TechniqueMeasurement {
  readonly definition: MeasurementDefinition
  /** Without it a decision is left out; girths can be estimated from one another. */
  readonly need: 'required' | 'one-girth' | 'optional'
}

/** What may be asked beside readings and options. */
export type OrderId =
  | 'wound-plan'
  | 'oxygen'
  | 'spine'
  | 'countertraction'
  | 'weight'
  | 'brace'
  | 'wedges'
  | 'week'
  | 'device'
  | 'open-now'
  | 'at-home'

/** Resolved option values by option id. */
export type OptionValues = Readonly<Record<string, string | number>>

/** What a technique computes itself; regions, flags, options and stock are handled for all alike. */
export interface TechniqueOutcome<Id extends string = string> {
  readonly steps: readonly Step<Id>[]
  readonly fit: readonly FitTest[]
  readonly care: readonly string[]
  readonly schedule: readonly ScheduleEntry[]
  readonly geometry: Geometry
  /** What holds where hands are short, in place of somebody; said with the stop for a post that nobody fills. */
  readonly relief?: readonly string[]
  /** Where each roll goes, where it puts rolls on. */
  readonly rolls?: readonly RollRun[]
}

/** Putting on again what its wearer had off. */
export interface DonnedAgain<Id extends string = string> {
  /** Steps of its procedure that put it on, by id. */
  readonly keeps: readonly Id[]
  /** The same for who does it at home, one step a line: only where that is ordered. */
  readonly home: readonly string[]
}

/** One way of immobilising: everything that the rest of the product needs to know about it. `Id` are the steps of its procedure. */
export interface Technique<Id extends string = string> {
  readonly id: string
  readonly name: string
  /** One sentence: what it is for. */
  readonly purpose: string
  readonly bodyRegion: BodyRegion | readonly BodyRegion[]
  readonly regions: readonly Region[]
  readonly patterns: readonly Pattern[]
  /** Every decision it can make, in the order in which they are shown. */
  readonly decisions: readonly DecisionDefinition[]
  readonly options: readonly TechniqueOption[]
  /** What to measure, in the order in which it is asked, for this case's options. */
  readonly measurements: (clinicalCase: ClinicalCase, options: OptionValues) => readonly TechniqueMeasurement[]
  /** Orders and facts beside readings that change its plan. */
  readonly asks?: readonly OrderId[]
  /** Stock that it cannot do without: item kinds, or the technique id under which sized devices are listed. */
  readonly uses: (options: OptionValues) => readonly string[]
  /** What it puts on the body: the rules of flags follow from that. */
  readonly puts: readonly PutOn[]
  /** Cautions and stops of its own that need no reading. */
  readonly judge?: (draft: PlanDraft, options: OptionValues) => void
  readonly plan: (draft: PlanDraft, options: OptionValues) => TechniqueOutcome<Id>
  /** What to do, in one sentence; null while what it turns on is not decided. */
  readonly answer: (said: Said) => string | null
  /** Girths (measurement ids) that lie inside of what is put on: what swells in it. */
  readonly girthsInside?: (clinicalCase: ClinicalCase, options: OptionValues) => readonly string[]
  /** Closed all round, so that it is opened on its own case. */
  readonly isCast?: true
  /** Opens what `isCast` put on. */
  readonly opensCasts?: true
  /** What it is made to be changed for, by technique: a field splint for the ward’s traction. */
  readonly changesTo?: readonly string[]
  /** The owed work (its schedule’s id) that is the whole procedure done again: a new run each time. */
  readonly repeatedAs?: string
  /** Where its rounds differ from the local list. */
  readonly rounds?: RoundLimits
  /** Whether the device itself puts the limb at risk, so that rounds follow the at-risk list. */
  readonly isAtRisk?: (clinicalCase: ClinicalCase) => boolean
  /** What each of its steps does, as rules see it: a step of its plans that does not stand here fails its contract test. */
  readonly roles: StepRoles
  /** Orders of its steps that are binding, each with what comes of it when it is crossed. The rest of `after` is a habit. */
  readonly musts: readonly Must[]
  /** Put on a patient who sits or stands, until a step lowers them. */
  readonly isUpright?: (options: OptionValues) => boolean
  /** What is carried whenever the body is worked on, from its lift until it is set or set down; once its steps are cut into lines. */
  readonly carries?: (options: OptionValues) => readonly HeldThing[]
  /** Turns that its rolls make at a joint, by station of the lane. */
  readonly turns?: (options: OptionValues, protocol: Protocol) => Readonly<Record<string, number>>
  /** What it holds, which decides what a hand takes before it is opened, and its own way of opening or easing. */
  readonly onUrgent: { readonly holds: Held; readonly actions: readonly string[] }
  /** How it comes off whole, in order, one step a line; what it holds is taken by a hand before. Empty where it puts nothing on. */
  readonly comesOff: readonly string[]
  /** How it is put on again after its wearer had it off; absent where it is never put on again. */
  readonly again?: DonnedAgain<Id>
  /** The step before which what was on before comes off; without it the first that puts something on. */
  readonly oldOffBefore?: Id
  /** What is said when work that its schedule owes is done, by the id of that work; the usual form of its kind where it is left out. */
  readonly taskForms?: Readonly<Record<string, TaskForm>>
  /** What goes wrong with it, and what to do: one key away during every run. */
  readonly troubles: readonly Trouble[]
}

/** Every value that an option offers under a protocol. */
export function optionValues(option: TechniqueOption, protocol: Protocol): readonly OptionValue[] {
  return [...option.values, ...(option.more?.(protocol) ?? [])]
}
