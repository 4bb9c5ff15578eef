import { connect, createServer, type AddressInfo, type Socket } from 'node:net'

/** A line on which every packet takes its time. */
export interface SlowLine {
  readonly port: number
  /** From now on, ms each way. */
  delayMs: number
  /** Nothing passes either way until it thaws, and connections stay open: as of a database that was stopped. */
  freeze(): void
  thaw(): void
  close(): Promise<void>
}

/** Starts a line to a port on loopback. */
export async function startSlowLine(toPort: number): Promise<SlowLine> {
  const open = new Set<Socket>()
  const line = { delayMs: 0 }
  let thawed: Promise<void> = Promise.resolve()
  let thaw = (): void => undefined
  const pass = (from: Socket, to: Socket): void => {
    // Each packet waits for the one before it, so that none overtakes.
    let before = Promise.resolve()
    from.on('data', (packet) => {
      const until = performance.now() + line.delayMs
      before = before.then(async () => {
        const left = until - performance.now()
        await thawed
        if (left > 0) await new Promise((resolve) => setTimeout(resolve, left))
        if (!to.destroyed) to.write(packet)
      })
    })
    from.on('error', () => to.destroy())
    from.on('close', () => {
      open.delete(from)
      to.destroy()
    })
    open.add(from)
  }
  const server = createServer((near) => {
    const far = connect(toPort, '127.0.0.1')
    pass(near, far)
    pass(far, near)
  })
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve))
  return Object.assign(line, {
    port: (server.address() as AddressInfo).port,
    freeze() {
      thawed = new Promise((resolve) => {
        thaw = resolve
      })
    },
    thaw: () => thaw(),
    close: () =>
      new Promise<void>((resolve) => {
        thaw()
        server.close(() => resolve())
        for (const one of open) one.destroy()
      }),
  })
}
