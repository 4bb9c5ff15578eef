import type { DecisionBody } from './case'

/** What a senior answered, in words, without their name: "open it now", "comes in 10 min", "leave it for 30 min: theatre at 04:00". */
export function decisionWords({ answer, what, comesInMin, forMin }: DecisionBody): string {
  switch (answer) {
    case 'open-now':
      return what ? `open it now; ${what}` : 'open it now'
    case 'comes':
      return `comes ${comesInMin === 0 ? 'at once' : `in ${comesInMin} min`}${what ? `; ${what}` : ''}`
    case 'leave':
      return `leave it for ${forMin} min: ${what}`
    case 'words':
      return what
  }
}
