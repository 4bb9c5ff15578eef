// Builds what runs under Node (server, cli, the bench) into one file per entry, packages bundled for a quick start.
import { defineConfig } from 'vite'

const entries = {
  cli: { wren: 'src/cli/wren.ts' },
  standins: {
    tape: 'src/standins/tape/main.ts',
    goniometer: 'src/standins/goniometer/main.ts',
    scale: 'src/standins/scale/main.ts',
    pager: 'src/standins/pager/main.ts',
  },
  bench: { bench: 'tests/bench/bench.ts' },
  server: {
    main: 'src/server/main.ts',
    worker: 'src/server/workers/worker.ts',
    verify: 'src/server/verify.ts',
    rotate: 'src/server/rotate.ts',
    'reset-access': 'src/server/reset-access.ts',
    'self-check': 'src/server/self-check.ts',
  },
}

export default defineConfig(() => {
  const room = process.env.WREN_ROOM
  return {
    logLevel: 'warn',
    ssr: room === 'cli' ? { noExternal: true } : {},
    build: { ssr: true, outDir: `dist/${room}`, emptyOutDir: true, target: 'node20', rollupOptions: { input: entries[room] } },
  }
})
