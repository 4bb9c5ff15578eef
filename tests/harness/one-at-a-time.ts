import type { Sequelize } from 'sequelize'

interface DialectQuery {
  readonly connection: object
  readonly options: { readonly transaction?: object | null }
  run(sql: string, parameters?: unknown): Promise<unknown>
}

/**
 * Makes every test fail in which a statement of a transaction is sent before the one before it was answered: when a deadlock, or another node
 * of a cluster, ends the transaction, the second would be kept by itself.
 */
export function demandOneAtATime(db: Sequelize): void {
  const { Query } = (db as unknown as { dialect: { Query: { prototype: DialectQuery & { isOneAtATime?: true } } } }).dialect
  if (Query.prototype.isOneAtATime) return
  Query.prototype.isOneAtATime = true
  const busy = new WeakMap<object, string>()
  const run = Query.prototype.run
  Query.prototype.run = async function (sql, parameters) {
    if (!this.options.transaction) return run.call(this, sql, parameters)
    const before = busy.get(this.connection)
    if (before !== undefined) throw new Error(`Two statements of one transaction at once: ${before} and ${sql.slice(0, 80)}`)
    busy.set(this.connection, sql.slice(0, 80))
    try {
      return await run.call(this, sql, parameters)
    } finally {
      busy.delete(this.connection)
    }
  }
}
