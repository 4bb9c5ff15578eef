import QRCode from 'qrcode'
import { Secret, TOTP } from 'otpauth'
import type { Transaction } from 'sequelize'
import { recoveryForm, secondCodePattern, type SecondFactorAnswer } from '#contract/api/session'
import type { Clock } from '../ground/clock'
import type { MasterKey } from '../ground/master-key'
import type { Account, PeopleRepository } from '../repositories/people'
import type { RecoveryCodes } from '../repositories/recovery-codes'
import { makeCode } from './made-code'
import { hashSecret } from './password'

/** RFC 6238 with the figures that every authenticator app knows: SHA-1, six digits, thirty seconds. */
const periodS = 30
/** Codes of the step before and after count too: clocks of phones differ. */
const window = 1

function totpOf(account: Pick<Account, 'signIn'>, secret: string): TOTP {
  return new TOTP({
    issuer: 'Zesty Wren',
    label: account.signIn,
    algorithm: 'SHA1',
    digits: 6,
    period: periodS,
    secret: Secret.fromBase32(secret),
  })
}

/** So many codes are printed and put away, each of 16 letters: nobody tries them through. */
const recoveryCount = 8
const recoveryLength = 16

/** Codes of an authenticator app beside the password, and codes that stand in for it; each counts once. */
export function createSecondFactor(people: PeopleRepository, codes: RecoveryCodes, master: MasterKey, clock: Clock) {
  return {
    /** New recovery codes in place of those of before, as they are read: in fours. */
    async makeRecovery(personId: string, transaction: Transaction): Promise<readonly string[]> {
      const made = Array.from({ length: recoveryCount }, () => makeCode(recoveryLength))
      await codes.replace(personId, made.map(hashSecret), transaction)
      return made.map((code) => code.replace(/(.{4})(?=.)/g, '$1-'))
    },
    dropRecovery: (personId: string, transaction: Transaction): Promise<void> => codes.replace(personId, [], transaction),

    /** Makes a secret that counts from the first right code on. */
    async begin(account: Account): Promise<SecondFactorAnswer> {
      const secret = new Secret({ size: 20 }).base32
      await people.saveSecondSecret(account.id, master.wrap(account.id, secret))
      const uri = totpOf(account, secret).toString()
      return { secret, qr: await QRCode.toDataURL(uri, { margin: 2, width: 240 }) }
    },

    /** Whether a code of the app is right now, or a recovery code is one of theirs, and was not used before. */
    async isRight(account: Account, code: string): Promise<boolean> {
      if (account.secondSecret === null) return false
      if (!secondCodePattern.test(code)) return codes.use(account.id, hashSecret(recoveryForm(code)), new Date(clock()))
      const delta = totpOf(account, master.unwrap(account.id, account.secondSecret)).validate({ token: code, timestamp: clock(), window })
      if (delta === null) return false
      return people.useSecondStep(account.id, Math.floor(clock() / 1_000 / periodS) + delta)
    },
  }
}

export type SecondFactor = ReturnType<typeof createSecondFactor>
