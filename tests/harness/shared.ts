/** Things that a worker starts once and keeps from file to file: the live server, the browser. */
const closers: (() => Promise<void>)[] = []

/** Has something ended when the worker ends, the latest first. */
export function closeLater(close: () => Promise<void>): void {
  closers.unshift(close)
}

/** Ends what was kept. */
export async function closeShared(): Promise<void> {
  for (const close of closers.splice(0)) await close().catch(() => undefined)
}
