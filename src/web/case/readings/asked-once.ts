/**
 * Work that several parts of a page ask for with the same things at once: done once for all of them, and again when one of the things is another.
 * @param work gives the same for the same things
 * @param most how many answers are remembered: as many as are asked for side by side
 */
export function askedOnce<Given extends readonly unknown[], Answer>(
  work: (...given: Given) => Answer,
  most = 4,
): (...given: Given) => Answer {
  const known: { readonly given: Given; readonly answer: Answer }[] = []
  return (...given) => {
    const same = known.find((one) => one.given.every((thing, index) => Object.is(thing, given[index])))
    if (same) return same.answer
    const answer = work(...given)
    known.unshift({ given, answer })
    known.length = Math.min(known.length, most)
    return answer
  }
}
