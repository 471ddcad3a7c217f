import { randomUUID } from 'node:crypto';
import type { DataSource } from 'typeorm';

/** The ids of what `fill` has put in. */
export interface Filled {
  shop: string;
  vehicle: string;
  email: string;
}

/**
 * Puts one row into every table of the layout that a database has at `volume`, as that
 * version would have written it: plain SQL, because the entities are those of today.
 */
export async function fill(db: DataSource, volume: number): Promise<Filled> {
  const ids = Object.fromEntries(
    ['shop', 'person', 'vehicle', 'zone', 'repair', 'reading', 'order'].map((name) => [name, randomUUID()]),
  ) as Record<string, string>;
  const email = `${ids['person']!.slice(0, 8)}@old.example`;
  const insert = (table: string, row: Record<string, unknown>) => {
    const names = Object.keys(row);
    return db.query(
      `INSERT INTO ${table} (${names.map((name) => `\`${name}\``).join()}) VALUES (${names.map(() => '?').join()})`,
      Object.values(row),
    );
  };
  const at = '2024-05-01 10:00:00.000';
  const ring = '[[1100,300],[1200,300],[1200,380],[1100,380]]';
  const later = <T extends object>(from: number, row: T) => (volume >= from ? row : {});
  const { shop, person, vehicle, zone, repair, reading, order } = ids as Record<string, string> as {
    [name in 'shop' | 'person' | 'vehicle' | 'zone' | 'repair' | 'reading' | 'order']: string;
  };
  await insert('shop', {
    id: shop,
    name: 'Old shop',
    currency: 'EUR',
    unit: 'mm',
    taxRate: 0.2,
    rates: '{"hour":4500,"sheetDm2":60,"weldMetre":250,"coatDm2":40}',
    version: 1,
    ...later(3, { overlay: 0 }),
    ...later(5, { temperature: 20 }),
    ...later(6, { coatingUnit: 'mil', heatUnit: 'F' }),
    ...later(25, { paints: 0 }),
  });
  await insert('person', {
    id: person,
    shopId: shop,
    name: 'Old hand',
    email,
    passwordHash: '-',
    role: 'owner',
    createdAt: at,
  });
  await insert('vehicle', {
    id: vehicle,
    shopId: shop,
    nickname: 'Kept',
    year: 1961,
    planId: 'saloon',
    goal: 'driver',
    climate: 'wet',
    notes: '',
    version: 1,
    createdAt: at,
    ...later(2, { past: '[]' }),
    ...later(5, { revision: 0 }),
  });
  await insert('reading', {
    id: reading,
    vehicleId: vehicle,
    panel: 'sill-l',
    layer: 'outer',
    u: 300,
    v: 60,
    coatingOver: 0,
    metalMm: 1.1,
    note: '',
    at,
    by: 'Old hand',
    ...later(2, { metalUnder: 0, instrument: '' }),
  });
  const drawn = { ring, class: 'through', evidence: 'stripped', note: '', ...later(2, { holes: '[]', overruled: '' }) };
  await insert('zone', {
    id: zone,
    vehicleId: vehicle,
    panel: 'quarter-l',
    layer: 'outer',
    ...drawn,
    version: 1,
    changedAt: at,
    changedBy: 'Old hand',
  });
  await insert('zone_version', {
    id: randomUUID(),
    zoneId: zone,
    version: 1,
    layer: 'outer',
    ...drawn,
    at,
    by: 'Old hand',
  });
  await insert('offer', {
    id: randomUUID(),
    shopId: shop,
    planId: 'saloon',
    panel: 'quarter-l',
    maker: 'Tallow',
    price: 10_000,
    carriage: 500,
    leadDays: 9,
    ...later(5, { vehicleId: vehicle, currency: 'EUR' }),
  });
  await insert('repair', {
    id: repair,
    vehicleId: vehicle,
    panel: 'quarter-l',
    zones: JSON.stringify([{ id: zone, version: 1 }]),
    choice: 'patch',
    reason: 'As it was',
    hours: '{"p10":1,"p50":2,"p90":3}',
    cost: '{"p10":100,"p50":200,"p90":300}',
    done: 0,
    version: 1,
    decidedBy: 'Old hand',
    decidedAt: at,
    ...later(5, { currency: 'EUR' }),
  });
  await insert('order_line', {
    id: order,
    vehicleId: vehicle,
    panel: 'quarter-l',
    maker: 'Tallow',
    price: 10_000,
    quantity: 1,
    carriage: 500,
    state: 'ordered',
    note: '',
    history: '[]',
    version: 1,
    createdAt: at,
    ...later(5, { currency: 'EUR', taxRate: 0.2 }),
  });
  await insert('event', {
    id: randomUUID(),
    vehicleId: vehicle,
    at,
    by: 'Old hand',
    subject: 'garage',
    text: 'Kept rolled in',
  });
  if (volume >= 2) {
    await insert('find', {
      id: randomUUID(),
      vehicleId: vehicle,
      panel: 'sill-l',
      layer: 'outer',
      u: 300,
      v: 60,
      sign: 'hole',
      note: '',
      structural: 1,
      ...later(7, { version: 1 }),
      at,
      by: 'Old hand',
    });
    await insert('pit', {
      id: randomUUID(),
      vehicleId: vehicle,
      panel: 'sill-l',
      layer: 'outer',
      u: 300,
      v: 60,
      side: 50,
      depth: 0.3,
      at,
      by: 'Old hand',
    });
    await insert('photo', {
      id: randomUUID(),
      vehicleId: vehicle,
      note: 'Before',
      file: 'none',
      hash: 'none',
      width: 10,
      height: 10,
      takenAt: at,
      pairs: '[]',
      version: 1,
      at,
      by: 'Old hand',
    });
    await insert('walk_look', { vehicleId: vehicle, place: 'sill-l', state: 'looked', at, by: 'Old hand' });
    await insert('forecast', {
      id: randomUUID(),
      zoneId: zone,
      evidence: 'blister',
      seen: 100,
      predicted50: 300,
      predicted90: 900,
      at,
    });
  }
  return { shop, vehicle, email };
}
