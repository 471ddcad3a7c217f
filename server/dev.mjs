import { spawn } from 'node:child_process';

/* `npm run dev`: the demo's database and server, rebuilt on change, and the page with hot reload on port 5180. */
const run = (command, args, env = {}) => spawn(command, args, { stdio: 'inherit', env: { ...process.env, ...env } });
spawn('node', ['server/build.mjs'], { stdio: 'inherit' }).once('exit', () => {
  const server = run('node', ['--watch-path=server/dist', 'server/dist/launch.js', 'demo']);
  const rebuild = run('node', [
    '--watch-path=server/src',
    '--watch-path=core/src',
    '--watch-path=contract/src',
    'server/build.mjs',
  ]);
  const page = run('npx', ['vite', '--config', 'web/vite.config.ts']);
  for (const signal of ['SIGINT', 'SIGTERM'])
    process.on(signal, () => [page, rebuild, server].forEach((child) => child.kill(signal)));
});
