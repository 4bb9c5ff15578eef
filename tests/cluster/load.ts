import { QueryTypes } from 'sequelize'
import { connectDatabase } from '../../src/server/db/connect'
import { expectWhole } from '../harness/durable-servers'
import { startLedger } from '../harness/ledger'
import { chooseOwnPassword } from '../harness/browser/own-password'

// Writes through the proxy of a cluster, and tells what it was like; started by npm run cluster.

const writers = 8

async function main(): Promise<void> {
  const { WREN_ADDRESS: address = '', WREN_PASSWORD: printed = '', WREN_DATABASE: url = '' } = process.env
  const db = connectDatabase(url, 4, true)
  const [lead] = await db.query<{ id: string }>("SELECT id FROM people WHERE sign_in = 'lead'", { type: QueryTypes.SELECT })
  const password = await chooseOwnPassword(address, 'lead', printed)
  const ledger = await startLedger(address, { name: 'lead', password, id: lead?.id ?? '' }, writers)
  process.send?.({ begun: true })
  let faultsBefore = 0
  process.on('message', (word) => {
    if (word === 'measure') {
      faultsBefore = ledger.faults().length
      ledger.measureAnew()
    }
    if (word === 'tell') process.send?.({ pauseMs: { pauseMs: ledger.longestPauseMs(), faults: ledger.faults().length - faultsBefore } })
    if (word === 'finish') void finish()
  })

  const finish = async (): Promise<void> => {
    const faults = await expectWhole(db, ledger).then(
      () => [],
      (error: Error) => [error.message],
    )
    process.send?.({ result: { acknowledged: ledger.acknowledged.size, faults } })
    await db.close()
    process.disconnect()
  }
}

await main()
