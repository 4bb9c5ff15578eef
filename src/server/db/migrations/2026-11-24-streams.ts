import { DataTypes, type QueryInterface } from 'sequelize'
import { ascii, hash, integer, key, longText, moment, reference, short, table } from '../columns'

/** People, sessions, the event streams with their snapshots, and the audit anchors. */
export const name = '2026-11-24-streams'

export async function up(queries: QueryInterface): Promise<void> {
  await queries.createTable(
    'people',
    {
      id: key(),
      name: short(120),
      sign_in: { ...short(60), unique: true },
      password_hash: short(200),
      roles: short(120),
      settings: longText(),
      version: integer(),
      head_hash: hash(),
      failed_count: integer(),
      locked_until: { type: DataTypes.DATE(3), allowNull: true },
    },
    table,
  )
  await queries.createTable(
    'sessions',
    {
      id: { type: ascii(64), primaryKey: true, allowNull: false },
      person_id: reference(),
      csrf: hash(),
      created_at: moment(),
      last_seen_at: moment(),
      expires_at: moment(),
    },
    table,
  )
  await queries.createTable(
    'episodes',
    { id: key(), patient_id: reference(), version: integer(), head_hash: hash(), snapshot: longText(), updated_at: moment() },
    table,
  )
  await queries.createTable(
    'cases',
    {
      id: key(),
      episode_id: reference(),
      version: integer(),
      head_hash: hash(),
      snapshot: longText(),
      board: longText(),
      is_live: { type: DataTypes.BOOLEAN, allowNull: false },
      updated_at: moment(),
    },
    table,
  )
  await queries.createTable(
    'events',
    {
      id: key(),
      stream_type: { type: ascii(10), allowNull: false },
      stream_id: reference(),
      version: integer(),
      kind: short(40),
      v: integer(),
      body: longText(),
      actor: short(60),
      actor_name: short(120),
      at: short(40),
      received_at: moment(),
      offset_ms: integer(),
      base: { type: DataTypes.INTEGER, allowNull: true },
      hash: hash(),
    },
    table,
  )
  await queries.createTable(
    'audit_anchors',
    { day: { type: ascii(10), primaryKey: true, allowNull: false }, heads: integer(), hash: hash() },
    table,
  )
  await queries.addIndex('events', ['stream_type', 'stream_id', 'version'], { unique: true, name: 'events_stream_version' })
  await queries.addIndex('events', ['received_at'], { name: 'events_received' })
  await queries.addIndex('cases', ['episode_id'], { name: 'cases_episode' })
  await queries.addIndex('cases', ['is_live'], { name: 'cases_live' })
  await queries.addIndex('sessions', ['expires_at'], { name: 'sessions_expiry' })
}
