import { once } from 'node:events';
import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { backUp, restore } from './backup.ts';
import { houseOf, openHouse, type House } from './house.ts';
import { askHouse, holdHouse } from './lock.ts';
import { startMariaDb } from './mariadb.ts';
import { pause } from './processes.ts';

/* `aspecta demo`, `start`, `stop`, `backup` and `restore` end here. */
const [word = '', file] = process.argv.slice(2);
const say = (text: string) => process.stdout.write(`${text}\n`);

/** Database → (demo data) → gauges → server → address; Ctrl-C ends all of it cleanly. */
async function open(house: House): Promise<void> {
  let answer = 'it is just starting; wait a moment';
  const givenUp = new AbortController();
  const release = await take(
    house,
    () => answer,
    () => givenUp.abort(),
  );
  process.on('SIGINT', () => givenUp.abort());
  process.on('SIGTERM', () => givenUp.abort());
  try {
    const running = await openHouse(house, say, givenUp.signal);
    answer = running.address;
    say(await running.welcome());
    if (!givenUp.signal.aborted) await once(givenUp.signal, 'abort');
    await running.close();
  } catch (error) {
    if (!givenUp.signal.aborted) throw error;
  } finally {
    release();
  }
  process.exit(0);
}

async function take(house: House, tell: () => string, end: () => void): Promise<() => void> {
  const hold = await holdHouse(house.lock, tell, end);
  if ('release' in hold) return hold.release;
  say(`Aspecta is running already: ${hold.heldBy}`);
  process.exit(0);
}

async function stop(): Promise<void> {
  let any = false;
  for (const house of [houseOf('demo'), houseOf('start')]) {
    if (!existsSync(house.lock) || (await askHouse(house.lock, 'end')) === null) continue;
    any = true;
    say('Ending …');
    while (existsSync(house.lock) && (await askHouse(house.lock, 'who')) !== null) await pause(200);
  }
  if (!any) say('Nothing is running.');
}

/** With the database of a house, whether it runs at present or not. */
async function withDatabase(
  house: House,
  mayRun: boolean,
  use: (address: Awaited<ReturnType<typeof startMariaDb>>['address']) => Promise<void>,
): Promise<void> {
  const hold = await holdHouse(
    house.lock,
    () => 'it is being backed up or restored; wait a moment',
    () => undefined,
  );
  if ('heldBy' in hold) {
    if (!mayRun) throw new Error(`This shop is open (${hold.heldBy}); end it first: ./aspecta stop`);
    return use(house.runningDatabase());
  }
  const database = await startMariaDb({ home: house.home, port: house.firstPorts.db, durable: true });
  try {
    await use(database.address);
  } finally {
    await database.stop();
    hold.release();
  }
}

async function run(): Promise<void> {
  if (word === 'stop') return stop();
  if (word === 'demo' || word === 'start') return open(houseOf(word));
  if (!file) throw new Error(`Which file? ./aspecta ${word} FILE`);
  const house = houseOf('start');
  if (word === 'backup') {
    if (!existsSync(join(house.home, 'data'))) throw new Error(`There is no shop in ${house.home} yet.`);
    await withDatabase(house, true, (address) => backUp(address, house.home, file, new Date()));
    say(`The shop has been written to ${file}.`);
  } else if (word === 'restore') {
    await withDatabase(house, false, async (address) => {
      const { at } = await restore(address, house.home, file);
      say(`The shop of ${at.slice(0, 16).replace('T', ' ')} (UTC) is in ${house.home}. Open it: ./aspecta start`);
    });
  } else throw new Error(`"${word}" is not known here; ./aspecta tells what is.`);
}

run().catch((error: unknown) => {
  process.stderr.write(`${error instanceof Error ? error.message : String(error)}\n`);
  process.exit(1);
});
