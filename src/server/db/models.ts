import { DataTypes, type Model, type ModelStatic, type Sequelize } from 'sequelize'
import type { EventMark, StreamType } from '#contract/event'

export interface PersonRow {
  id: string
  name: string
  signIn: string
  passwordHash: string
  roles: string
  settings: string
  version: number
  headHash: string
  isActive: boolean
  /** They came in by a one-time code, and have to choose a password. */
  mustChange: boolean
  codeUntil: Date | null
  /** Of their authenticator app. */
  secondSecret: string | null
  /** Since when its codes are asked for; null before the first right one. */
  secondSince: Date | null
  secondStep: number
  /** JSON; null where nothing is asked. */
  askedRoles: string | null
  adminUntil: Date | null
  epoch: number
}
export interface SessionRow {
  id: string
  personId: string
  csrf: string
  createdAt: Date
  lastSeenAt: Date
  expiresAt: Date
  /** Since when its screen is locked. */
  lockedAt: Date | null
  pinHash: string | null
  pinFailures: number
  pinWaitUntil: Date | null
  /** When the password was last given in it. */
  provedAt: Date | null
}
export interface EpisodeRow {
  id: string
  patientId: string
  version: number
  headHash: string
  snapshot: string
  fold: number
  snapshotVersion: number
  snapshotLength: number
  updatedAt: Date
}
export interface CaseRow {
  id: string
  episodeId: string
  version: number
  headHash: string
  snapshot: string
  fold: number
  snapshotVersion: number
  snapshotLength: number
  board: string
  isLive: boolean
  search: string | null
  /** The words of `search`, each with the year of opening before it. */
  dated: string | null
  openedAt: Date | null
  updatedAt: Date
}
export interface WardRow {
  id: string
  version: number
  headHash: string
  snapshot: string
  updatedAt: Date
}
export interface EventRow {
  id: string
  streamType: StreamType
  streamId: string
  version: number
  kind: string
  v: number
  body: string
  actor: string
  actorName: string
  at: string
  receivedAt: Date
  offsetMs: number
  base: number | null
  hash: string
  rule: number
  mark: EventMark | null
  claimedAt: string | null
}
export interface AnchorRow {
  day: string
  /** How many lines it covers. */
  lineCount: number
  hash: string
  rule: number
  since: string | null
}

type Table<Row extends object> = ModelStatic<Model<Row, Row>>

/** The tables as Sequelize models; only repositories use them. */
export interface Models {
  readonly people: Table<PersonRow>
  readonly sessions: Table<SessionRow>
  readonly episodes: Table<EpisodeRow>
  readonly cases: Table<CaseRow>
  readonly wards: Table<WardRow>
  readonly events: Table<EventRow>
  readonly anchors: Table<AnchorRow>
}

// Sequelize writes into attribute objects, so that none may be shared.
const id = () => ({ type: DataTypes.STRING(36), primaryKey: true })
const longText = () => ({ type: DataTypes.TEXT('long'), allowNull: false })
const integer = () => ({ type: DataTypes.INTEGER, allowNull: false })
const moment = () => ({ type: DataTypes.DATE(3), allowNull: false })
const short = (length: number) => ({ type: DataTypes.STRING(length), allowNull: false })

/** Defines the models on one connection. */
export function defineModels(db: Sequelize): Models {
  return {
    people: db.define(
      'person',
      {
        id: id(),
        name: short(120),
        signIn: short(60),
        passwordHash: short(200),
        roles: short(120),
        settings: longText(),
        version: integer(),
        headHash: short(64),
        isActive: { type: DataTypes.BOOLEAN, allowNull: false },
        mustChange: { type: DataTypes.BOOLEAN, allowNull: false },
        codeUntil: { type: DataTypes.DATE(3), allowNull: true },
        secondSecret: { type: DataTypes.STRING(200), allowNull: true },
        secondSince: { type: DataTypes.DATE(3), allowNull: true },
        secondStep: integer(),
        askedRoles: { type: DataTypes.STRING(400), allowNull: true },
        adminUntil: { type: DataTypes.DATE(3), allowNull: true },
        epoch: integer(),
      },
      { tableName: 'people' },
    ),
    sessions: db.define(
      'session',
      {
        id: { type: DataTypes.STRING(64), primaryKey: true },
        personId: short(36),
        csrf: short(64),
        createdAt: moment(),
        lastSeenAt: moment(),
        expiresAt: moment(),
        lockedAt: { type: DataTypes.DATE(3), allowNull: true },
        pinHash: { type: DataTypes.STRING(200), allowNull: true },
        pinFailures: integer(),
        pinWaitUntil: { type: DataTypes.DATE(3), allowNull: true },
        provedAt: { type: DataTypes.DATE(3), allowNull: true },
      },
      { tableName: 'sessions' },
    ),
    episodes: db.define(
      'episode',
      {
        id: id(),
        patientId: short(36),
        version: integer(),
        headHash: short(64),
        snapshot: longText(),
        fold: integer(),
        snapshotVersion: integer(),
        snapshotLength: integer(),
        updatedAt: moment(),
      },
      { tableName: 'episodes' },
    ),
    cases: db.define(
      'case',
      {
        id: id(),
        episodeId: short(36),
        version: integer(),
        headHash: short(64),
        snapshot: longText(),
        fold: integer(),
        snapshotVersion: integer(),
        snapshotLength: integer(),
        board: longText(),
        isLive: { type: DataTypes.BOOLEAN, allowNull: false },
        search: { type: DataTypes.TEXT, allowNull: true },
        dated: { type: DataTypes.TEXT, allowNull: true },
        openedAt: { type: DataTypes.DATE(3), allowNull: true },
        updatedAt: moment(),
      },
      { tableName: 'cases' },
    ),
    wards: db.define(
      'ward',
      { id: id(), version: integer(), headHash: short(64), snapshot: longText(), updatedAt: moment() },
      { tableName: 'wards' },
    ),
    events: db.define(
      'event',
      {
        id: id(),
        streamType: short(10),
        streamId: short(36),
        version: integer(),
        kind: short(40),
        v: integer(),
        body: longText(),
        actor: short(60),
        actorName: short(120),
        at: short(40),
        receivedAt: moment(),
        offsetMs: integer(),
        base: { type: DataTypes.INTEGER, allowNull: true },
        hash: short(64),
        rule: integer(),
        mark: { type: DataTypes.STRING(12), allowNull: true },
        claimedAt: { type: DataTypes.STRING(40), allowNull: true },
      },
      { tableName: 'events' },
    ),
    anchors: db.define(
      'anchor',
      {
        day: { type: DataTypes.STRING(10), primaryKey: true },
        lineCount: integer(),
        hash: short(64),
        rule: integer(),
        since: { type: DataTypes.STRING(10), allowNull: true },
      },
      { tableName: 'audit_anchors' },
    ),
  }
}
