import { randomBytes } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { pino } from 'pino';
import { createApp } from './app.ts';
import { gaugeAddresses } from './gauge/service.ts';
import { createDataSource, databaseAddress } from './db/dataSource.ts';

/* Starts the server: database → migrations → routes → listening. SIGTERM and SIGINT end it cleanly. */
const logger = pino({ level: process.env['ASPECTA_LOG'] ?? 'warn' });
const address = databaseAddress();
const home = process.env['ASPECTA_HOME'] ?? join(process.cwd(), '.aspecta');
const db = await createDataSource(address).initialize();
await db.runMigrations({ transaction: 'each' });

const app = createApp({
  db,
  address,
  logger,
  secret: sessionSecret(join(home, 'session-secret')),
  demo: process.env['ASPECTA_DEMO'] === '1',
  files: join(home, 'files'),
  gauges: gaugeAddresses(process.env['ASPECTA_GAUGES']),
  web: process.env['ASPECTA_WEB'] ?? join(process.cwd(), 'web', 'dist'),
  triesPerQuarterHour: Number(process.env['ASPECTA_TRIES'] ?? 20),
});
const host = process.env['ASPECTA_HOST'] ?? '127.0.0.1';
const port = Number(process.env['ASPECTA_PORT'] ?? 4180);
const server = app.http.listen(port, host, (error?: Error) => {
  if (error) {
    logger.fatal({ err: error }, `cannot listen on ${host}:${port}`);
    process.exit(1);
  }
  process.stdout.write(`listening http://${host}:${port}\n`);
});

let ending = false;
const end = () => {
  if (ending) return;
  ending = true;
  server.close(() => {
    void Promise.allSettled([app.close(), db.destroy()]).then(() => process.exit(0));
  });
  server.closeIdleConnections();
  // Open streams must not hold the server up for ever.
  setTimeout(() => server.closeAllConnections(), 1500).unref();
};
process.on('SIGTERM', end);
process.on('SIGINT', end);

/** The secret that signs session cookies: made once, kept beside the data. */
function sessionSecret(path: string): string {
  if (!existsSync(path)) {
    mkdirSync(dirname(path), { recursive: true });
    writeFileSync(path, randomBytes(32).toString('hex'), { mode: 0o600 });
  }
  return readFileSync(path, 'utf8').trim();
}
