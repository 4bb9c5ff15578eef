/** Minutes and seconds left, hours above ten; past the end, how long ago it ended. */
export function formatLeft(leftMs: number): string {
  const seconds = Math.floor(Math.abs(leftMs) / 1000)
  const minutes = Math.floor(seconds / 60)
  const clock =
    minutes >= 600
      ? `${Math.floor(minutes / 60)} h`
      : minutes >= 60
        ? `${Math.floor(minutes / 60)}:${String(minutes % 60).padStart(2, '0')} h`
        : `${minutes}:${String(seconds % 60).padStart(2, '0')}`
  return leftMs < 0 ? `done ${clock} ago` : clock
}
