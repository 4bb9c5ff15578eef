import { useRouteError } from 'react-router'

/** What is shown when a screen fails: what was typed is kept, and the way back. */
export function CrashScreen() {
  const error = useRouteError()
  const isMissing = (error as { status?: number } | null)?.status === 404
  return (
    <main className="mx-auto grid min-h-dvh max-w-lg place-content-center gap-4 p-6">
      <h1 className="text-2xl font-bold">{isMissing ? 'There is nothing at this address' : 'This screen stopped working'}</h1>
      <p>
        {isMissing
          ? 'Look for the case on the Board.'
          : 'What you typed is kept on this device. Load the page again to go on where you were.'}
      </p>
      <a
        href={isMissing ? '/' : window.location.pathname}
        className="grid min-h-12 place-items-center rounded-2xl bg-citrus px-5 font-bold text-on-citrus"
      >
        {isMissing ? 'To the Board' : 'Load again'}
      </a>
    </main>
  )
}
