import tailwindcss from '@tailwindcss/vite'
import react from '@vitejs/plugin-react'
import { defineConfig } from 'vite'
import { VitePWA } from 'vite-plugin-pwa'
import { cardPictures } from './scripts/card-pictures'

export default defineConfig({
  root: 'src/web',
  plugins: [
    react(),
    cardPictures('src/web'),
    tailwindcss(),
    VitePWA({
      strategies: 'injectManifest',
      srcDir: 'sync',
      filename: 'service-worker.ts',
      injectRegister: false,
      manifest: false,
      // The page itself carries a value of its own each time: the worker keeps it as the server sends it.
      injectManifest: { globPatterns: ['**/*.{js,css,woff2,svg,png}'] },
    }),
  ],
  build: { outDir: '../../dist/web', emptyOutDir: true, target: 'es2023', manifest: true },
  worker: { format: 'es' },
})
