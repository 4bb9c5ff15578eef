import type { OwnSession } from '#contract/api/people'
import type { RecoveryAnswer, SecondFactorAnswer } from '#contract/api/session'
import { ApiError, invalidInput } from '../ground/api-error'
import { createAccessChanges, keepDevice, type AccessDeps } from './access-changes'
import { isCommon, isRepeated } from './common-passwords'
import { hashPassword } from './password'
import type { SecondFactor } from './second-factor'
import type { OpenSession } from './sign-in'

export interface OwnAccessDeps extends AccessDeps {
  readonly second: SecondFactor
}

/** What people change of their own access: password, second factor, sessions. */
export function createOwnAccess(deps: OwnAccessDeps) {
  const { people, clock } = deps
  const { change, provePassword } = createAccessChanges(deps)
  return {
    /** The secret of an authenticator app, for whoever gives their password again. */
    async beginSecondFactor(session: OpenSession, password: string): Promise<SecondFactorAnswer> {
      const { account } = session
      keepDevice(account)
      if (account.hasSecondFactor)
        throw new ApiError(409, 'second-factor', 'You have an authenticator app already: an admin takes it away, then you set up another.')
      await provePassword(session, password, 'password')
      return deps.second.begin(account)
    },

    /** From the first right code on, codes are asked for. @returns what stands in for the app when it is not at hand; said once */
    async confirmSecondFactor({ account, sessionId }: OpenSession, code: string): Promise<RecoveryAnswer> {
      const wasRight = await deps.tries.beginInside({ signIn: account.signIn, sessionId })
      if (account.hasSecondFactor || !(await deps.second.isRight(account, code)))
        throw invalidInput([
          { code: 'format', path: 'code', message: 'These are not the six digits of now: wait for the next ones and type them.' },
        ])
      await wasRight()
      return change(account.id, { change: 'second-factor' }, account, async (transaction) => {
        await people.saveAccess(account.id, { secondSince: new Date(clock()) }, transaction)
        await people.endSessionsOf(account.id, sessionId, transaction)
        return { recovery: await deps.second.makeRecovery(account.id, transaction) }
      })
    },

    /** New recovery codes in place of those of before, for whoever gives their password again. */
    async renewRecovery(session: OpenSession, password: string): Promise<RecoveryAnswer> {
      const { account } = session
      if (!account.hasSecondFactor)
        throw new ApiError(409, 'second-factor', 'You have no authenticator app: set one up, and its recovery codes come with it.')
      await provePassword(session, password, 'password')
      return change(account.id, { change: 'recovery-codes' }, account, async (transaction) => ({
        recovery: await deps.second.makeRecovery(account.id, transaction),
      }))
    },

    /** The password again, for what only an admin does. */
    async prove(session: OpenSession, password: string): Promise<void> {
      await provePassword(session, password, 'password')
      await people.noteProof(session.sessionId, new Date(clock()))
    },

    /** Where a person is signed in. */
    async ownSessions({ account, sessionId }: OpenSession): Promise<readonly OwnSession[]> {
      const sessions = await people.sessionsOf(account.id, new Date(clock()))
      return sessions.map((session) => ({ ...session, isThis: session.id === sessionId }))
    },
    /** A person ends one of their own sessions. */
    async endOwnSession({ account }: OpenSession, session: string): Promise<void> {
      await change(account.id, { change: 'sessions-ended' }, account, (transaction) => people.endOneOf(account.id, session, transaction))
    },

    /** A person chooses a password; their other sessions end. */
    async changePassword(session: OpenSession, current: string, next: string): Promise<void> {
      const { account, sessionId } = session
      await provePassword(session, current, 'current')
      if (next === current)
        throw invalidInput([{ code: 'format', path: 'next', message: 'The new password is the old one: choose another.' }])
      if (next.toLowerCase().includes(account.signIn))
        throw invalidInput([{ code: 'format', path: 'next', message: 'The new password has the sign-in name in it: choose another.' }])
      if (isRepeated(next))
        throw invalidInput([{ code: 'format', path: 'next', message: 'The new password says the same again and again: choose another.' }])
      if (isCommon(next))
        throw invalidInput([
          { code: 'format', path: 'next', message: 'Many people have this password, so it is tried first: choose another.' },
        ])
      const passwordHash = await hashPassword(next)
      await change(account.id, { change: 'password' }, account, async (transaction) => {
        await people.saveAccess(account.id, { passwordHash, mustChange: false, codeUntil: null }, transaction)
        await people.endSessionsOf(account.id, sessionId, transaction)
      })
    },
  }
}

export type OwnAccess = ReturnType<typeof createOwnAccess>
