/** Stands on everything that is no patient. */
export function PracticeSign() {
  return (
    <span className="rounded-full border-2 border-dashed border-soft px-3 py-0.5 text-sm font-bold tracking-wide text-soft">
      Practice: no patient
    </span>
  )
}
