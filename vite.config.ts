import { defineConfig } from 'vite'
import react from '@vitejs/plugin-react'
import { VitePWA } from 'vite-plugin-pwa'
import { contentPolicyText } from './server/content-policy.ts'
import { licences, noted } from './scripts/licences.ts'
import { coreHash } from './scripts/core-hash.mjs'

const PAPER = '#f5efe1'

// Relative addresses: the built folder works from any place and sub-path.
export default defineConfig(async () => ({
  base: './',
  // results worked out with another science are worked out again
  define: { SCIENCE_VERSION: JSON.stringify(await coreHash()) },
  plugins: [
    react(),
    {
      // a server that sends no headers serves the page under the same policy
      name: 'content-policy',
      apply: 'build' as const,
      transformIndexHtml: () => [
        {
          tag: 'meta',
          attrs: { 'http-equiv': 'Content-Security-Policy', content: contentPolicyText() },
          injectTo: 'head-prepend' as const,
        },
      ],
    },
    noted(),
    licences,
    VitePWA({
      // an update is offered, never forced
      registerType: 'prompt',
      injectRegister: null,
      manifest: {
        id: './',
        name: 'Veld',
        short_name: 'Veld',
        description: 'Keeps the water account of sealed desiccant dry boxes.',
        lang: 'en',
        start_url: './',
        scope: './',
        display: 'standalone',
        background_color: PAPER,
        theme_color: PAPER,
        icons: [
          { src: 'icon-192.png', sizes: '192x192', type: 'image/png' },
          { src: 'icon-512.png', sizes: '512x512', type: 'image/png' },
          { src: 'icon-512.png', sizes: '512x512', type: 'image/png', purpose: 'maskable' },
          { src: 'icon.svg', sizes: 'any', type: 'image/svg+xml' },
        ],
      },
      workbox: {
        // the shell, every chunk, and the fonts of the letters that are shown
        globPatterns: ['**/*.{js,css,html,svg,png,wasm,txt}', '**/*-latin-{wght,5,6}*.woff2'],
        globIgnores: ['.vite/**'],
        maximumFileSizeToCacheInBytes: 5 * 1024 * 1024,
        navigateFallback: 'index.html',
        inlineWorkboxRuntime: true,
        cleanupOutdatedCaches: true,
      },
    }),
  ],
  worker: { format: 'es' as const, plugins: () => [noted()] },
  // short names: they stand in every page's first download
  css: {
    modules: { localsConvention: 'camelCaseOnly' as const, generateScopedName: '_[hash:base64:5]' },
  },
  build: {
    target: 'es2022',
    chunkSizeWarningLimit: 900,
    manifest: true,
    // what the first page needs comes in one file: of its own accord it would be fifty, most of a few lines
    rolldownOptions: {
      output: { codeSplitting: { groups: [{ name: 'first', tags: ['$initial' as const] }] } },
    },
  },
  server: { host: '127.0.0.1' },
}))
