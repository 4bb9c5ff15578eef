/** How the wren sits: it listens while nothing stands, is alert at what is urgent, and sleeps where it is locked or empty. */
export type WrenPose = 'listening' | 'alert' | 'asleep'

const bodies: Readonly<Record<WrenPose, string>> = {
  listening: 'M6 19c1-6 6-9 11-8l3-5 2 1-1 5c3 1 4 3 4 5l4 1-4 2c-1 5-6 7-10 6-4 0-7-2-9-7z',
  // Tail up, head forward, beak open.
  alert: 'M9 18L5 5l3-1 5 10c2-3 5-4 8-3 2 1 3 2 4 4l5-3-3 4 3 3-5-1c-1 6-5 9-10 8-4 0-6-3-6-8z',
  // A ball: tail flat, beak on the breast.
  asleep: 'M3 23l5-4c0-6 4-9 9-9s9 4 9 9c0 5-4 7-9 7-4 0-7-1-9-2z',
}

/** The mark: a wren, in one of three poses. */
export function Wren({ size, pose = 'listening' }: { size: number; pose?: WrenPose }) {
  return (
    <svg viewBox="0 0 32 32" width={size} height={size} aria-hidden="true" className="shrink-0">
      <rect width="32" height="32" rx="9" fill="var(--citrus)" />
      <path d={bodies[pose]} fill="#1d1b16" />
      {pose === 'asleep' ? (
        <path d="M18 16q2 2 4.2 0.2M23.5 19.5l-2.6 1.8" fill="none" stroke="var(--citrus)" strokeWidth="1.2" strokeLinecap="round" />
      ) : (
        <circle cx={pose === 'alert' ? 21.6 : 22} cy={pose === 'alert' ? 14.4 : 15} r={pose === 'alert' ? 1.7 : 1.3} fill="var(--citrus)" />
      )}
    </svg>
  )
}
