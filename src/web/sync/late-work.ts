let underWay: Promise<unknown> = Promise.resolve()
let isStopped = false

/** Does a piece of what may come late, unless that was stopped; resolves when it is through, whatever came of it. */
export async function doLateWork(piece: () => Promise<unknown>): Promise<void> {
  if (isStopped) return
  underWay = piece().catch(() => null)
  await underWay
}

/** Begins no further piece on this page; resolves when the one under way is through. */
export function stopLateWork(): Promise<unknown> {
  isStopped = true
  return underWay
}
