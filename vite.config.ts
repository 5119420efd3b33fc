import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';

export default defineConfig({
  root: 'src/web',
  plugins: [react()],
  build: { outDir: '../../dist/web', emptyOutDir: true, target: 'es2023', manifest: true },
  worker: { format: 'es' },
  server: { port: 4181, proxy: { '/api': 'http://127.0.0.1:4180' } },
});
