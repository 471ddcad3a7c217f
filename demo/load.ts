import { existsSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { schoolDefaults, usualMetalwork } from '@aspecta/core/repair';
import { NO_WELDING } from '@aspecta/contract/shop';
import { usualLimits } from '@aspecta/core/survey';
import type { Climate, Goal, Past } from '@aspecta/contract/garage';
import type { Role, Unit } from '@aspecta/contract/shop';
import { AccountService } from '@aspecta/server/account/service';
import { databaseAddress } from '@aspecta/server/db/address';
import { createDataSource } from '@aspecta/server/db/dataSource';
import { migrate } from '@aspecta/server/db/migrate';
import { GarageService } from '@aspecta/server/garage/service';
import type { Caller } from '@aspecta/server/http/session';
import { ShopService } from '@aspecta/server/shop/service';
import { Workshop } from '@aspecta/server/station';
import { stations } from '@aspecta/server/stations';
import { chapters } from './chapters.ts';
import scenario from './scenario.json' with { type: 'json' };

/*
 * Loads the demo through the services of the house, so that everything it shows is really
 * computed. A load that was cut off half-way is thrown away and begun again.
 */
const home = process.env['ASPECTA_HOME'] ?? '.aspecta/demo';
const done = join(home, 'demo-loaded');

export async function loadDemo(house: Workshop): Promise<void> {
  const owner = await people(house);
  for (const [i, story] of scenario.vehicles.entries()) {
    const { nickname, year, planId, notes } = story;
    const { id } = await house.the(GarageService).add(owner, {
      ...{ nickname, year, planId, notes },
      goal: story.goal as Goal,
      climate: story.climate as Climate,
      past: story.past as Past[],
    });
    const zones = new Map<string, string>();
    for (const chapter of chapters) await chapter({ house, owner, id, planId, story, isMain: i === 0, zones });
  }
}

async function people(house: Workshop): Promise<Caller> {
  const [first, ...others] = scenario.people;
  const shops = house.the(ShopService);
  const owner = await shops.createShop({
    shop: scenario.shop.name,
    name: first!.name,
    email: first!.email,
    password: scenario.password,
  });
  const { unit, ...rules } = scenario.shop;
  await shops.changeShop(owner, {
    ...rules,
    unit: unit as Unit,
    overlay: false,
    limits: usualLimits,
    metalwork: usualMetalwork,
    welding: NO_WELDING,
    paints: true,
    schools: schoolDefaults,
    temperature: 18,
    coatingUnit: 'um',
    heatUnit: 'C',
    version: 1,
  });
  for (const person of others)
    await house
      .the(AccountService)
      .addPerson(owner, { ...person, role: person.role as Role, password: scenario.password });
  return owner;
}

async function main(): Promise<void> {
  if (existsSync(done)) return;
  const db = await createDataSource(databaseAddress()).initialize();
  await db.dropDatabase();
  await migrate(db);
  const house = new Workshop({ db, files: join(home, 'files') }, stations);
  await loadDemo(house);
  await house.close();
  await db.destroy();
  writeFileSync(done, new Date().toISOString());
}

if (process.argv[1]?.endsWith('demo.js')) await main();
