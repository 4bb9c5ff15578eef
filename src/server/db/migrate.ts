import type { Sequelize } from 'sequelize'
import { SequelizeStorage, Umzug } from 'umzug'
import * as streams from './migrations/2026-11-24-streams'
import * as snapshotVersions from './migrations/2026-11-27-snapshot-versions'
import * as store from './migrations/2026-11-25-store'
import * as folds from './migrations/2026-11-26-folds'
import * as history from './migrations/2026-11-26-history'
import * as marksAndLots from './migrations/2026-11-26-marks-and-lots'
import * as patients from './migrations/2026-11-26-patients'
import * as recall from './migrations/2026-11-26-recall'
import * as ward from './migrations/2026-11-26-ward'
import * as anchors from './migrations/2026-11-27-anchors'
import * as cluster from './migrations/2026-11-27-cluster'
import * as countersign from './migrations/2026-11-27-countersign'
import * as lockouts from './migrations/2026-11-27-lockouts'
import * as people from './migrations/2026-11-27-people'
import * as reads from './migrations/2026-11-27-reads'
import * as secondFactor from './migrations/2026-11-27-second-factor'
import * as signIn from './migrations/2026-11-27-sign-in'
import * as judgedRules from './migrations/2026-11-28-judged-rules'
import * as practice from './migrations/2026-11-28-practice'
import * as oneName from './migrations/2026-11-28-one-name'
import * as heldEntries from './migrations/2026-11-29-held-entries'
import * as recoveryCodes from './migrations/2026-11-29-recovery-codes'
import * as askedRoles from './migrations/2026-11-29-asked-roles'
import * as looksIn from './migrations/2026-11-29-looks-in'
import * as servers from './migrations/2026-11-29-servers'
import * as wrappedSecrets from './migrations/2026-11-29-wrapped-secrets'
import * as datedWords from './migrations/2026-11-29-dated-words'
import * as changes from './migrations/2026-11-28-changes'

const migrations = [
  streams,
  store,
  marksAndLots,
  folds,
  history,
  patients,
  ward,
  recall,
  anchors,
  signIn,
  cluster,
  people,
  reads,
  secondFactor,
  countersign,
  snapshotVersions,
  lockouts,
  practice,
  judgedRules,
  changes,
  oneName,
  heldEntries,
  recoveryCodes,
  askedRoles,
  wrappedSecrets,
  datedWords,
  looksIn,
  servers,
]

/** Brings the database to the newest schema; each migration runs once, in order. The way back is the backup. */
export async function migrate(db: Sequelize): Promise<void> {
  const umzug = new Umzug({
    migrations: migrations.map(({ name, up }) => ({
      name,
      up: () => up(db.getQueryInterface()),
    })),
    storage: new SequelizeStorage({ sequelize: db, tableName: 'migrations' }),
    logger: undefined,
  })
  await umzug.up()
}
