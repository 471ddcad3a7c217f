import { randomBytes } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, renameSync, writeFileSync } from 'node:fs';
import { createServer as createHttpServer, type Server } from 'node:http';
import { createServer as createHttpsServer } from 'node:https';
import { dirname, join } from 'node:path';
import { pino } from 'pino';
import { createApp } from './app.ts';
import { gaugeAddresses } from './gauge/service.ts';
import { databaseAddress } from './db/address.ts';
import { createDataSource } from './db/dataSource.ts';
import { dumpDatabase } from './db/dump.ts';
import { migrate } from './db/migrate.ts';
import { purge } from './garage/purge.ts';
import { PhotoService } from './photo/service.ts';
import { warmUp } from './work/warm.ts';

/* Starts the server: database → migrations → routes → listening. SIGTERM and SIGINT end it cleanly. */
const logger = pino({ level: process.env['ASPECTA_LOG'] ?? 'warn' });
const address = databaseAddress();
const home = process.env['ASPECTA_HOME'] ?? join(process.cwd(), '.aspecta');
const db = await createDataSource(address).initialize();
await migrate(db, { backup: backUpBefore });

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
  proxy: process.env['ASPECTA_PROXY'],
  hosts: (process.env['ASPECTA_HOSTS'] ?? '').split(',').flatMap((name) => name.trim() || []),
});
const host = process.env['ASPECTA_HOST'] ?? '127.0.0.1';
const servers: Server[] = [];
await listen(createHttpServer(app.http), Number(process.env['ASPECTA_PORT'] ?? 4180));
const tls = process.env['ASPECTA_TLS_FOLDER'];
if (tls)
  await listen(
    createHttpsServer({ cert: readFileSync(join(tls, 'cert.pem')), key: readFileSync(join(tls, 'key.pem')) }, app.http),
    Number(process.env['ASPECTA_TLS_PORT']),
  );
process.stdout.write(`listening ${host}\n`);
/** ms. Who opens the first page comes before. */
const WARM_AFTER = 1500;
setTimeout(() => {
  warmUp(app.house.bench).catch((error: unknown) => logger.warn({ err: error }, 'the threads could not be warmed up'));
}, WARM_AFTER).unref();

/** ms between two looks for what was removed long ago. */
const PURGE_EVERY = 6 * 3_600_000;
const tidy = () =>
  void purge(db, app.house.the(PhotoService).pictures, new Date()).catch((error: unknown) =>
    logger.warn({ err: error }, 'what was removed long ago could not be taken away'),
  );
tidy();
setInterval(tidy, PURGE_EVERY).unref();

async function listen(server: Server, port: number): Promise<void> {
  // A client that sends its request a byte at a time does not hold a place for ever.
  server.requestTimeout = 120_000;
  server.headersTimeout = 20_000;
  // A browser sends the next change over a line that lay idle: closed at that moment, the change would be lost on the way.
  server.keepAliveTimeout = 75_000;
  await new Promise<void>((done) => {
    server.once('error', (error) => {
      process.stderr.write(`Port ${port} of ${host} cannot be listened on: ${error.message}\n`);
      process.exit(1);
    });
    server.listen(port, host, done);
  });
  servers.push(server);
}

let ending = false;
const end = () => {
  if (ending) return;
  ending = true;
  const closed = servers.map((server) => new Promise<void>((done) => server.close(() => done())));
  servers.forEach((server) => server.closeIdleConnections());
  // Open streams must not hold the server up for ever.
  setTimeout(() => servers.forEach((server) => server.closeAllConnections()), 1500).unref();
  void Promise.all(closed)
    .then(() => Promise.allSettled([app.close(), db.destroy()]))
    .then(() => process.exit(0));
};
process.on('SIGTERM', end);
process.on('SIGINT', end);

/** A shop that is about to be brought to another layout is written to a file first. */
async function backUpBefore(): Promise<void> {
  const file = join(home, 'backups', `before-upgrade-${new Date().toISOString().slice(0, 19).replaceAll(':', '')}.sql`);
  mkdirSync(dirname(file), { recursive: true, mode: 0o700 });
  await dumpDatabase(address, `${file}.new`);
  renameSync(`${file}.new`, file);
  process.stdout.write(`The shop as it was before this upgrade is kept in ${file}\n`);
}

/** The secret that signs session cookies: made once, kept beside the data. */
function sessionSecret(path: string): string {
  if (!existsSync(path) || readFileSync(path, 'utf8').trim() === '') {
    mkdirSync(dirname(path), { recursive: true });
    // Beside and then renamed: a full disk must not leave an empty secret behind.
    writeFileSync(`${path}.new`, randomBytes(32).toString('hex'), { mode: 0o600 });
    renameSync(`${path}.new`, path);
  }
  return readFileSync(path, 'utf8').trim();
}
