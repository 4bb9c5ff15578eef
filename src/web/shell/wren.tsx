/** The mark: a wren with its tail up. */
export function Wren({ size }: { size: number }) {
  return (
    <svg viewBox="0 0 32 32" width={size} height={size} aria-hidden="true">
      <rect width="32" height="32" rx="9" fill="var(--citrus)" />
      <path d="M6 19c1-6 6-9 11-8l3-5 2 1-1 5c3 1 4 3 4 5l4 1-4 2c-1 5-6 7-10 6-4 0-7-2-9-7z" fill="#1d1b16" />
      <circle cx="22" cy="15" r="1.3" fill="var(--citrus)" />
    </svg>
  )
}
