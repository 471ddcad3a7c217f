import { build } from 'esbuild';
import { ownPackagesInside } from '../server/ownPackagesInside.mjs';

/* What is measured is bundled as the server and the page are, and lies beside its source so that it finds its files. */
await build({
  entryPoints: ['bench/run.ts'],
  outfile: 'bench/built.js',
  bundle: true,
  platform: 'node',
  format: 'esm',
  target: 'node20',
  logLevel: 'warning',
  loader: { '.csv': 'text' },
  plugins: [ownPackagesInside],
});
