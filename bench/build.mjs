import { build } from 'esbuild';
import { ownPackagesInside } from '../server/ownPackagesInside.mjs';

/* What is measured is bundled as the server and the page are, and lies beside its source so that it finds its files. */
for (const name of ['run', 'load'])
  await build({
    entryPoints: [`bench/${name}.ts`],
    outfile: `bench/built${name === 'run' ? '' : '-' + name}.js`,
    bundle: true,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    logLevel: 'warning',
    loader: { '.csv': 'text' },
    plugins: [ownPackagesInside],
  });
