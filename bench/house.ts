import { spawn, type ChildProcess } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

/** A server of its own, in a folder of its own; `end` takes both away. */
export async function openHouse(
  mode: 'demo' | 'start',
  ports: { server: number; database: number },
): Promise<{ url: string; end: () => Promise<void> }> {
  const home = mkdtempSync(join(tmpdir(), 'aspecta-bench-'));
  const launcher: ChildProcess = spawn(
    process.execPath,
    [new URL('../server/dist/launch.js', import.meta.url).pathname, mode],
    {
      env: {
        ...process.env,
        ASPECTA_HOME: home,
        ASPECTA_PORT: String(ports.server),
        ASPECTA_DB_PORT: String(ports.database),
      },
      stdio: ['ignore', 'pipe', 'inherit'],
    },
  );
  const url = await new Promise<string>((done) => {
    let said = '';
    launcher.stdout!.on('data', (chunk: Buffer) => {
      said += chunk.toString();
      const ready = /ready: (http:\S+)/.exec(said);
      if (ready) done(ready[1]!);
    });
  });
  return {
    url,
    end: async () => {
      const gone = new Promise((done) => launcher.once('exit', done));
      launcher.kill('SIGTERM');
      await gone;
      rmSync(home, { recursive: true, force: true });
    },
  };
}
