import tailwindcss from '@tailwindcss/vite'
import vue from '@vitejs/plugin-vue'
import { fileURLToPath } from 'node:url'
import { defineConfig } from 'vitest/config'

export default defineConfig({
  base: '/static/app/',
  plugins: [vue(), tailwindcss()],
  resolve: { alias: { '@': fileURLToPath(new URL('./src', import.meta.url)) } },
  // No inline script or data: font, which the content policy would block.
  build: { modulePreload: { polyfill: false }, assetsInlineLimit: 0 },
  test: {
    environment: 'happy-dom',
    environmentOptions: { happyDOM: { url: 'http://jindle.test/' } },
    setupFiles: ['./src/testing.ts'],
  },
  server: { proxy: { '/api': 'http://127.0.0.1:8900' } },
})
