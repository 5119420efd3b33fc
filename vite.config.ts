import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';

export default defineConfig({
  root: 'src/web',
  plugins: [react()],
  build: {
    outDir: '../../dist/web',
    emptyOutDir: true,
    target: 'es2023',
    manifest: true,
    // Left to itself the bundler may put what every script needs into one that few screens want.
    rolldownOptions: {
      output: { codeSplitting: { groups: [{ name: 'tables', test: /papaparse/ }] } },
    },
  },
  worker: { format: 'es' },
  server: { port: 4181, proxy: { '/api': 'http://127.0.0.1:4180' } },
});
