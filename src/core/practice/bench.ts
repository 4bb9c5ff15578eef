import type { CrewInput } from '../model/crew-input'
import type { HeatInput } from '../model/heat-input'
import type { Geometry, GeometryScene } from '../model/geometry'
import type { ClinicalCase } from '../model/clinical-case'
import type { Plan } from '../model/plan'
import type { PlanContext } from '../model/plan-context'
import type { LimbFinding } from '../standing/findings-on-limb'

/** A figure that is turned. */
export interface RangeControl {
  readonly kind: 'range'
  readonly id: string
  readonly label: string
  readonly unit: string
  readonly least: number
  readonly greatest: number
  readonly step: number
  readonly usual: number
}

/** A word that is chosen. */
export interface ChoiceControl {
  readonly kind: 'choice'
  readonly id: string
  readonly label: string
  readonly choices: readonly { readonly id: string; readonly label: string }[]
  readonly usual: string
}

export type BenchControl = RangeControl | ChoiceControl

/** What every control is at; ranges as numbers, choices as their ids. */
export type BenchState = Readonly<Record<string, number | string>>

/** A figure that follows, with how it came about. */
export interface BenchFigure {
  readonly id: string
  readonly label: string
  /** Null where there is none: `words` says why. */
  readonly value: number | null
  readonly unit: string
  readonly digits: number
  /** Instead of the figure, or after it. */
  readonly words?: string
  readonly working: string
}

export interface BenchCaution {
  readonly level: 'stop' | 'caution' | 'note'
  readonly text: string
  readonly why: string
}

/** Lines over one axis; a value of null breaks a line. */
export interface CurveScene {
  readonly kind: 'curves'
  readonly id: string
  readonly title: string
  readonly xLabel: string
  readonly yLabel: string
  readonly lines: readonly {
    readonly label: string
    readonly tone: 'ink' | 'soft' | 'stop' | 'caution' | 'calm'
    readonly isDashed?: boolean
    readonly points: readonly (readonly [x: number, y: number | null])[]
  }[]
  /** Words instead of figures, from y 0 up: each has a lane of its own. */
  readonly lanes?: readonly string[]
  /** The greatest y that is always shown, and the least. */
  readonly yRange?: readonly [number, number]
  /** An upright line there: where the handle stands. */
  readonly atX?: number
  /** The handle is moved under this one. */
  readonly hasHandle?: true
  /** The scene in one sentence. */
  readonly words: string
}

/** The limb to scale, with a tone and a word at each girth. */
export interface LimbScene {
  readonly kind: 'limb'
  readonly id: string
  readonly geometry: Geometry
  /** What is said at a girth, by station, never by tone alone. */
  readonly notes: Readonly<Record<string, LimbNote>>
  /** What stands, where it was found. */
  readonly findings?: readonly LimbFinding[]
}

export interface LimbNote {
  readonly words: string
  readonly tone: 'calm' | 'caution' | 'stop'
}

/** A leg in its rig, forces to scale; what is dragged is a control. */
export interface PullScene {
  readonly kind: 'pull'
  readonly id: string
  readonly scene: GeometryScene
  readonly geometry: Geometry
  readonly drags: string
}

/** Two figures against each other, point by point, worked out in workers. */
export interface MapScene {
  readonly kind: 'heat-map'
  readonly id: string
  readonly input: HeatInput
  readonly limitC: number
}

/** Something drawn to scale in cm, y up: forms and lines with names beside them. */
export interface SketchScene {
  readonly kind: 'sketch'
  readonly id: string
  readonly title: string
  readonly shapes: readonly {
    readonly id: string
    readonly look: 'skin' | 'device' | 'strap' | 'before' | 'line' | 'warning'
    /** Closed forms are filled; lines are not. */
    readonly isClosed: boolean
    readonly isSmooth?: true
    readonly points: readonly (readonly [x: number, y: number])[]
  }[]
  readonly labels: readonly { readonly id: string; readonly text: string; readonly at: readonly [x: number, y: number] }[]
  /** The scene in one sentence. */
  readonly words: string
}

/** The wet phase of a crew as bars over the setting curve. */
export interface WetScene {
  readonly kind: 'wet'
  readonly id: string
  readonly input: CrewInput
  readonly people: number
}

export type BenchScene = WetScene | CurveScene | LimbScene | PullScene | MapScene | SketchScene

export interface BenchAnswer {
  readonly figures: readonly BenchFigure[]
  readonly cautions: readonly BenchCaution[]
  readonly scenes: readonly BenchScene[]
}

/** An unknown that a bench can solve for. */
export interface BenchSolver {
  readonly id: string
  readonly label: string
  /** The controls as they have to be; null where nothing in their range does it. */
  readonly solve: (state: BenchState, ctx: PlanContext) => BenchState | null
}

/** One thing to turn and see the rest move: at most six controls, what follows, and why. */
export interface Bench {
  readonly id: string
  readonly name: string
  /** What it teaches, in a sentence. */
  readonly purpose: string
  readonly controls: readonly BenchControl[]
  /** Moves along a scene (a minute, an hour); looks, and changes nothing that is turned. */
  readonly handle?: RangeControl
  readonly solvers?: readonly BenchSolver[]
  readonly work: (state: BenchState, ctx: PlanContext) => BenchAnswer
  /** The controls as a case has them; null where this bench says nothing about its device. */
  readonly fromCase?: (clinicalCase: ClinicalCase, plan: Plan, ctx: PlanContext) => BenchState | null
}

/** The controls of a bench with its handle last. */
export function allControls(bench: Bench): readonly BenchControl[] {
  return bench.handle ? [...bench.controls, bench.handle] : bench.controls
}

/** Every control as it stands when nobody turned it. */
export function usualState(bench: Bench): BenchState {
  return Object.fromEntries(allControls(bench).map((control) => [control.id, control.usual]))
}

/** A range control of a state, within its range. */
export function figureAt(state: BenchState, control: RangeControl): number {
  const value = state[control.id]
  return typeof value === 'number' ? Math.min(control.greatest, Math.max(control.least, value)) : control.usual
}

/** A choice of a state. */
export function choiceAt(state: BenchState, control: ChoiceControl): string {
  const value = state[control.id]
  return control.choices.some((choice) => choice.id === value) ? String(value) : control.usual
}

/** A value taken to the nearest step of its control, within its range. */
export function onStep(control: RangeControl, value: number): number {
  const steps = Math.round((value - control.least) / control.step)
  const rounded = Number((control.least + steps * control.step).toFixed(6))
  return Math.min(control.greatest, Math.max(control.least, rounded))
}
