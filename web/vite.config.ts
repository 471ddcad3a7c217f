import vue from '@vitejs/plugin-vue';
import { defineConfig } from 'vite';

const api = process.env['ASPECTA_API'] ?? 'http://127.0.0.1:4180';

export default defineConfig({
  root: import.meta.dirname,
  plugins: [vue()],
  worker: { format: 'es' },
  build: { target: 'es2022', chunkSizeWarningLimit: 900 },
  server: { host: '127.0.0.1', port: 5180, proxy: { '/api': { target: api, changeOrigin: false } } },
});
