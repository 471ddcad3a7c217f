import { build } from 'esbuild';
import { ownPackagesInside } from './ownPackagesInside.mjs';

/* One ESM bundle a program: our own packages inside, everything from the registry outside. */
await build({
  entryPoints: {
    server: 'server/src/main.ts',
    worker: 'server/src/work/worker.ts',
    calc: 'server/src/calc/main.ts',
    launch: 'server/src/launch/main.ts',
    demo: 'demo/load.ts',
    gauges: 'server/src/stand-ins/gauges.ts',
  },
  outdir: 'server/dist',
  bundle: true,
  platform: 'node',
  format: 'esm',
  target: 'node20',
  sourcemap: true,
  logLevel: 'warning',
  loader: { '.csv': 'text' },
  plugins: [ownPackagesInside],
});
