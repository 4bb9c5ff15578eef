/** What is shown when a screen fails: what was typed is kept, and the way back. */
export function CrashScreen() {
  return (
    <Page
      title="This screen stopped working"
      words="What you typed is kept on this device. Load the page again to go on where you were."
      href={window.location.pathname}
      way="Load again"
    />
  )
}

/** An address that leads nowhere. */
export function NothingHere() {
  return <Page title="There is nothing at this address" words="Look for the case on the Board." href="/" way="To the Board" />
}

function Page({ title, words, href, way }: { title: string; words: string; href: string; way: string }) {
  return (
    <main className="mx-auto grid min-h-dvh max-w-lg place-content-center gap-4 p-6">
      <h1 className="text-2xl font-bold">{title}</h1>
      <p>{words}</p>
      <a href={href} className="grid min-h-12 place-items-center rounded-2xl bg-citrus px-5 font-bold text-on-citrus">
        {way}
      </a>
    </main>
  )
}
