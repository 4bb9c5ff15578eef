// A part of the web build: draws the pictures of cards by the application's own drawings, and hands them over as one module.
import { createServer, type Plugin } from 'vite'

const [name, resolved] = ['virtual:card-pictures', '\0virtual:card-pictures']

/** The plugin that answers `virtual:card-pictures`; drawn once for each build or dev server. */
export function cardPictures(root: string): Plugin {
  let drawn: Promise<unknown> | null = null
  return {
    name: 'card-pictures',
    resolveId: (id) => (id === name ? resolved : undefined),
    load: async (id) => (id === resolved ? `export default ${JSON.stringify(await (drawn ??= draw(root)))}` : undefined),
  }
}

async function draw(root: string): Promise<unknown> {
  const server = await createServer({
    root,
    configFile: false,
    appType: 'custom',
    logLevel: 'error',
    server: { middlewareMode: true, hmr: false, ws: false, watch: null },
    optimizeDeps: { noDiscovery: true },
  })
  try {
    const cards = (await server.ssrLoadModule('/cards/draw-cards.tsx')) as { drawCards: () => unknown }
    return cards.drawCards()
  } finally {
    await server.close()
  }
}
