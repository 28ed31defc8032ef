import tailwindcss from '@tailwindcss/vite'
import vue from '@vitejs/plugin-vue'
import { fileURLToPath } from 'node:url'
import { VitePWA } from 'vite-plugin-pwa'
import { defineConfig } from 'vitest/config'

const BASE = '/static/app/'

/** The client as something that a phone can install, and that opens without a network what was seen last. */
const installed = VitePWA({
  injectRegister: false, // lib/installed.ts does, once somebody is signed in
  registerType: 'autoUpdate',
  scope: '/',
  manifest: {
    name: 'Jindle',
    short_name: 'Jindle',
    description: 'One colour palette across every medium of a handmade card.',
    id: '/',
    start_url: '/',
    scope: '/',
    display: 'standalone',
    background_color: '#ededed',
    theme_color: '#e0e0e0',
    icons: [
      { src: `${BASE}icon-192.png`, sizes: '192x192', type: 'image/png' },
      { src: `${BASE}icon-512.png`, sizes: '512x512', type: 'image/png' },
      { src: `${BASE}icon-masked.png`, sizes: '512x512', type: 'image/png', purpose: 'maskable' },
    ],
  },
  workbox: {
    // The worker is served from the root, so that it may answer for every page.
    modifyURLPrefix: { '': BASE },
    inlineWorkboxRuntime: true,
    clientsClaim: true,
    skipWaiting: true,
    globPatterns: ['**/*.{js,css,html}', '**/*-latin-wght-normal-*.woff2'],
    navigateFallback: null,
    runtimeCaching: [
      {
        urlPattern: ({ request }) => request.mode === 'navigate',
        handler: 'NetworkOnly',
        options: { precacheFallback: { fallbackURL: `${BASE}index.html` } },
      },
      {
        urlPattern: ({ url, sameOrigin }) =>
          sameOrigin &&
          /^\/api\/(door|drawer|shopping|shopping\/asked|cards|(cards|sets)\/\d+(\/plan)?)$/.test(
            url.pathname,
          ),
        handler: 'NetworkFirst',
        options: { cacheName: 'mine', expiration: { maxEntries: 80 } },
      },
    ],
  },
})

export default defineConfig({
  base: BASE,
  plugins: [vue(), tailwindcss(), installed],
  resolve: { alias: { '@': fileURLToPath(new URL('./src', import.meta.url)) } },
  // No inline script or data: font, which the content policy would block.
  build: { modulePreload: { polyfill: false }, assetsInlineLimit: 0 },
  test: {
    environment: 'happy-dom',
    environmentOptions: { happyDOM: { url: 'http://jindle.test/' } },
    setupFiles: ['./src/testing.ts'],
    testTimeout: 60_000,
  },
  server: { proxy: { '/api': 'http://127.0.0.1:8900' } },
})
