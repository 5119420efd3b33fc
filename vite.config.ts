import react from '@vitejs/plugin-react';
import { defineConfig, type Plugin } from 'vite';
import { compression, defineAlgorithm } from 'vite-plugin-compression2';

/** Mantine gives each of its components another id once it is drawn, so that every input is drawn twice; React's own is
 *  steady from the first. */
function steadyIds(): Plugin {
  let isFound = false;
  return {
    name: 'steady-ids',
    apply: 'build',
    load(id) {
      if (!/@mantine\/hooks\/esm\/use-id\/use-id\.mjs$/.test(id)) return null;
      isFound = true;
      return `import { useId as ownId } from 'react';
export function useId(given) {
  const own = ownId();
  return typeof given === 'string' ? given : 'mantine-' + own;
}`;
    },
    buildEnd(error) {
      if (!error && !isFound)
        this.error('Mantine keeps its ids elsewhere now: mend steadyIds in vite.config.ts');
    },
  };
}

/** Names the scripts that views need, so that they can be fetched ahead. */
const listViews = (): Plugin => ({
  name: 'list-views',
  apply: 'build',
  generateBundle(_options, bundle) {
    const names = Object.values(bundle)
      .filter((each) => (each.type === 'chunk' ? !each.isEntry : each.fileName.endsWith('.css')))
      .map(({ fileName }) => fileName);
    this.emitFile({ type: 'asset', fileName: 'views.json', source: JSON.stringify(names) });
  },
});

export default defineConfig({
  root: 'src/web',
  plugins: [
    react(),
    steadyIds(),
    listViews(),
    // Once here, harder than a server could at every answer.
    compression({
      algorithms: [defineAlgorithm('brotliCompress'), defineAlgorithm('gzip', { level: 9 })],
      threshold: 1024,
    }),
  ],
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
