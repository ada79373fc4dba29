import { defineConfig } from 'vite'
import react from '@vitejs/plugin-react'

// Relative addresses: the built folder works from any place and sub-path.
export default defineConfig({
  base: './',
  plugins: [react()],
  worker: { format: 'es' },
  build: { target: 'es2022', chunkSizeWarningLimit: 900, manifest: true },
  server: { host: '127.0.0.1' },
})
