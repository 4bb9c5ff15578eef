import { use, type ComponentType, type JSX } from 'react'

/** What could not be fetched is tried again at the next wish, and not while the page says so. */
const againMs = 1_000

/**
 * A part of the application that is fetched when it is first drawn; whoever draws it waits for it (Suspense) and says what stands in where it
 * cannot be fetched (CrashBoundary).
 */
export function latePart<Props extends object>(fetchPart: () => Promise<ComponentType<Props>>): ComponentType<Props> {
  let fetching: Promise<ComponentType<Props>> | null = null
  const part = (): Promise<ComponentType<Props>> =>
    (fetching ??= fetchPart().catch((error: unknown) => {
      setTimeout(() => (fetching = null), againMs)
      throw error
    }))
  return function LatePart(props: Props) {
    const Part = use(part())
    return <Part {...(props as Props & JSX.IntrinsicAttributes)} />
  }
}
