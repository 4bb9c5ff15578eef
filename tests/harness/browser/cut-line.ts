import { connect, createServer, type AddressInfo, type Server, type Socket } from 'node:net'
import { closeLater } from '../shared'

/** A line to a server that can be cut: then nothing answers at its address at all, for pages and for workers alike. */
export interface CutLine {
  readonly address: string
  cut(): Promise<void>
  mend(): Promise<void>
}

/** Starts a line to a server. */
export async function startCutLine(serverAddress: string): Promise<CutLine> {
  const { hostname, port } = new URL(serverAddress)
  const open = new Set<Socket>()
  let server: Server | null = null
  const listen = (at: number): Promise<number> =>
    new Promise((resolve, reject) => {
      const made = createServer((near) => {
        const far = connect(Number(port), hostname)
        for (const [one, other] of [
          [near, far],
          [far, near],
        ] as const) {
          open.add(one)
          one.pipe(other)
          one.on('error', () => other.destroy())
          one.on('close', () => {
            open.delete(one)
            other.destroy()
          })
        }
      })
      server = made
      made.once('error', reject)
      made.listen(at, '127.0.0.1', () => resolve((made.address() as AddressInfo).port))
    })
  const cut = (): Promise<void> =>
    new Promise((resolve) => {
      const ending = server
      server = null
      if (!ending) return resolve()
      ending.close(() => resolve())
      for (const one of open) one.destroy()
    })
  const ownPort = await listen(0)
  closeLater(cut)
  return {
    address: `http://127.0.0.1:${ownPort}`,
    cut,
    async mend() {
      await listen(ownPort)
    },
  }
}
