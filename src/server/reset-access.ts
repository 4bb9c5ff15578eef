import { setTimeout as sleep } from 'node:timers/promises'
import { signInForm } from '#contract/sign-in-name'
import { connectDatabase } from './db/connect'
import { migrate } from './db/migrate'
import { defineModels } from './db/models'
import { createMasterKey, readMasterKey } from './ground/master-key'
import { systemClock } from './ground/clock'
import { createTryCounter } from './people/count-tries'
import { createPeopleManager } from './people/manage-people'
import { createSecondFactor } from './people/second-factor'
import { createEventRepository } from './repositories/events'
import { createPeopleRepository } from './repositories/people'
import { createRecoveryCodes } from './repositories/recovery-codes'
import { createSignInFailures } from './repositories/sign-in-failures'
import { createStreamRepository } from './repositories/streams'

/** Who does it, as the events of the person say. */
const byMachine = { id: 'system', name: 'At the machine' }

/**
 * `wren reset-access NAME`: lets somebody in who lost their password, and their authenticator app, where no other admin is there to do it. Kept as
 * events of that person, and so in the anchor of the day. @returns 0 when a code was made, 2 when nothing was changed
 */
async function main(): Promise<number> {
  const [name, ...more] = process.argv.slice(3)
  const url = process.env['DATABASE_URL']
  if (!name || more.length > 0) return refuse('wren reset-access NAME: NAME is what they sign in as.')
  if (!url) return refuse('Which database? Set DATABASE_URL, or start Zesty Wren with npm start: it is found then.')
  const db = connectDatabase(url)
  try {
    await migrate(db)
    const models = defineModels(db)
    const [people, failures] = [createPeopleRepository(models), createSignInFailures(db)]
    const account = await people.findBySignIn(signInForm(name))
    if (!account) return refuse(`Nobody signs in as ${name}: check the spelling.`)
    if (!account.isActive) return refuse(`The access of ${account.name} was ended: another admin lets them in again.`)
    const master = createMasterKey(readMasterKey(process.env, 'WREN_MASTER_KEY'))
    const clock = systemClock
    const manager = createPeopleManager({
      db,
      people,
      events: createEventRepository(db, models),
      streams: createStreamRepository(db, models),
      second: createSecondFactor(people, createRecoveryCodes(db), master, clock),
      failures,
      tries: createTryCounter({ failures, clock, sleep: (ms) => sleep(ms), tell: () => undefined }),
      tell: () => undefined,
      clock,
    })
    if (account.hasSecondFactor) await manager.act(account.id, 'second-factor-off', byMachine)
    await manager.act(account.id, 'let-in', byMachine)
    // An admin who is new to their device comes in where the address is shut too.
    await failures.releaseAddresses()
    const made = await manager.act(account.id, 'code', byMachine)
    process.stdout.write(
      `${account.name} signs in as ${account.signIn} with this code, once, until ${made?.until ?? ''}, and chooses a password:\n${made?.code ?? ''}\n` +
        `${account.hasSecondFactor ? 'Their authenticator app was taken away: they set it up anew.\n' : ''}It is kept in their record, as done at the machine.\n`,
    )
    return 0
  } catch (error) {
    return refuse(`Nothing was changed: ${(error as Error).message}`)
  } finally {
    await db.close()
  }
}

function refuse(why: string): number {
  process.stderr.write(`${why}\n`)
  return 2
}

process.exitCode = await main()
