import type { BlockFindings, LimbFindings, RoundInput, Watched } from '#core/model/observation'
import type { Side } from '#core/model/vocabulary'
import { bothArms, bothLegs, fourLimbs, quietNeck, quietSpine } from '../demo/findings'

/** Rounds that are judged on a case: a quiet baseline, and what was found an hour after. */
export interface RoundsToJudge {
  readonly name: string
  readonly rounds: readonly RoundInput[]
}

type Findings = Omit<RoundInput, 'atMin' | 'baseline'>

const ofLimb: Readonly<Record<string, Partial<LimbFindings>>> = {
  'nothing new': {},
  'pulse gone': { pulse: 'absent' },
  'pulse weaker': { pulse: 'weak' },
  'slow refill, pale': { refillS: 4, colour: 'pale' },
  'pain on stretch, tight': { restPain: 9, stretchPain: true, tight: true },
  'pain alone': { restPain: 8, painBeyondExpected: true },
  'burning spot': { spotPain: true },
  'skin broken': { skin: 'broken' },
  'not assessed': { pulse: { cannotAssess: true, reason: 'dressing' } },
}
const ofNeck: Readonly<Record<string, BlockFindings>> = {
  'nothing new': {},
  'voice changed': { voice: 'changed' },
  'breathing noisy': { breathing: 'noisy' },
  'veins full': { veins: 'full' },
}
const ofSpine: Readonly<Record<string, BlockFindings>> = {
  'nothing new': {},
  'saddle numb': { saddle: 'numb' },
  'bladder full': { bladder: 'retention' },
  vomiting: { vomiting: 'yes' },
}

/** What is judged of a case that asks for something to be watched: nothing new, and each thing that must be found. */
export function roundsToJudge(watched: Watched, side: Side): readonly RoundsToJudge[] {
  switch (watched) {
    case 'neck':
      return judged(ofNeck, (change) => fourLimbs({ neck: { ...quietNeck, ...change } }))
    case 'spine':
      return judged(ofSpine, (change) => fourLimbs({ spine: { ...quietSpine, ...change } }))
    case 'arm':
      return judged(ofLimb, (change) => bothArms(side, change))
    case 'leg':
      return judged(ofLimb, (change) => bothLegs(side, change))
  }
}

function judged<Change>(changes: Readonly<Record<string, Change>>, findings: (change: Change) => Findings): readonly RoundsToJudge[] {
  const quiet = findings(Object.values(changes)[0] as Change)
  return Object.entries(changes).map(([name, change]) => ({
    name,
    rounds: [
      { ...quiet, atMin: -5, baseline: true },
      { ...findings(change), atMin: 60, baseline: false },
    ],
  }))
}
