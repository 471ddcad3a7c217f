import { spawn } from 'node:child_process';

/*
 * `npm run dev`: the demo's database and server, rebuilt on change, and the page with hot
 * reload on port 5180. The page asks the server at the address that it says it has taken.
 */
const children = [];
function run(command, args, { env = {}, stdio = 'inherit' } = {}) {
  const child = spawn(command, args, { stdio, env: { ...process.env, ...env } });
  children.push(child);
  return child;
}

spawn('node', ['server/build.mjs'], { stdio: 'inherit' }).once('exit', () => {
  const server = run('node', ['--watch-path=server/dist', 'server/dist/launch.js', 'demo'], {
    stdio: ['inherit', 'pipe', 'inherit'],
  });
  let page;
  server.stdout.on('data', (text) => {
    process.stdout.write(text);
    const address = /ready: (http:\S+)/.exec(text.toString())?.[1];
    if (address) page ??= run('npx', ['vite', '--config', 'web/vite.config.ts'], { env: { ASPECTA_API: address } });
  });
  run('node', ['--watch-path=server/src', '--watch-path=core/src', '--watch-path=contract/src', 'server/build.mjs']);
  for (const signal of ['SIGINT', 'SIGTERM'])
    process.on(signal, () => children.forEach((child) => child.kill(signal)));
});
