import { defineConfig } from 'vite';

export default defineConfig({
  build: { ssr: 'src/server/main.ts', outDir: 'dist/server', emptyOutDir: true, target: 'node20' },
});
