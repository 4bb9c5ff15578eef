import QRCode from 'qrcode'
import { Secret, TOTP } from 'otpauth'
import type { SecondFactorAnswer } from '#contract/api/session'
import type { Clock } from '../ground/clock'
import type { Account, PeopleRepository } from '../repositories/people'

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

/** Codes of an authenticator app beside the password; each counts once. */
export function createSecondFactor(people: PeopleRepository, clock: Clock) {
  return {
    /** Makes a secret that counts from the first right code on. */
    async begin(account: Account): Promise<SecondFactorAnswer> {
      const secret = new Secret({ size: 20 }).base32
      await people.saveSecondSecret(account.id, secret)
      const uri = totpOf(account, secret).toString()
      return { secret, qr: await QRCode.toDataURL(uri, { margin: 2, width: 240 }) }
    },

    /** Whether a code is right now, and was not used before. */
    async isRight(account: Account, code: string): Promise<boolean> {
      if (account.secondSecret === null) return false
      const delta = totpOf(account, account.secondSecret).validate({ token: code, timestamp: clock(), window })
      if (delta === null) return false
      return people.useSecondStep(account.id, Math.floor(clock() / 1_000 / periodS) + delta)
    },
  }
}

export type SecondFactor = ReturnType<typeof createSecondFactor>
