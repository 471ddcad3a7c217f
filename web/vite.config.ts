import vue from '@vitejs/plugin-vue';
import { VitePWA } from 'vite-plugin-pwa';
import { defineConfig } from 'vite';

const api = process.env['ASPECTA_API'] ?? 'http://127.0.0.1:4180';

export default defineConfig({
  root: import.meta.dirname,
  plugins: [
    vue(),
    // The page itself for the time without network; what it shows, it keeps by itself.
    VitePWA({
      registerType: 'autoUpdate',
      injectRegister: null,
      workbox: {
        globPatterns: ['**/*.{js,css,html,svg,woff2}'],
        navigateFallbackDenylist: [/^\/api\//],
        maximumFileSizeToCacheInBytes: 6_000_000,
      },
      manifest: {
        name: 'Aspecta',
        short_name: 'Aspecta',
        description: 'Inspect, decide, cut, weld and track the metalwork of a classic body',
        theme_color: '#f1ede4',
        background_color: '#f1ede4',
        display: 'standalone',
        icons: [{ src: '/mark.svg', sizes: 'any', type: 'image/svg+xml', purpose: 'any' }],
      },
    }),
  ],
  worker: { format: 'es' },
  build: { target: 'es2022', chunkSizeWarningLimit: 900 },
  server: { host: '127.0.0.1', port: 5180, proxy: { '/api': { target: api, changeOrigin: false } } },
});
