import { randomUUID } from 'node:crypto';
import { uniforms } from '@aspecta/core';

/** A request as nobody should send it. */
export interface FuzzedRequest {
  method: 'get' | 'post' | 'put' | 'delete';
  path: string;
  /** JSON, text or bytes, as it goes over the wire; undefined for none. */
  body: string | Buffer | undefined;
  type: string;
  signedIn: boolean;
}

const FIELDS = [
  ...[
    'id',
    'panel',
    'layer',
    'u',
    'v',
    'metalMm',
    'coatingUm',
    'probe',
    'note',
    'takenAt',
    'readings',
    'ring',
    'holes',
    'class',
  ],
  ...[
    'evidence',
    'overruled',
    'version',
    'zoneIds',
    'choice',
    'reason',
    'done',
    'price',
    'maker',
    'quantity',
    'carriage',
    'due',
    'state',
  ],
  ...[
    'on',
    'vehicleId',
    'nickname',
    'year',
    'planId',
    'goal',
    'climate',
    'past',
    'outline',
    'name',
    'email',
    'password',
    'role',
    'currency',
  ],
  ...[
    'rates',
    'taxRate',
    'unit',
    'overlay',
    'temperature',
    'op',
    'zone',
    'other',
    'line',
    'depth',
    'side',
    'place',
    'sign',
    'margin',
  ],
  ...[
    'process',
    'thickness',
    'points',
    'at',
    'limit',
    'text',
    'tasks',
    'seams',
    'as',
    'cut',
    'mark',
    'title',
    'personIds',
    'ids',
    'withdrawn',
  ],
  ...['__proto__', 'constructor', 'toString', 'category'],
];
const CALCS = [
  'survey.krige',
  'survey.spread',
  'units.parseLength',
  'geometry.combine',
  'weld.settings',
  'plan.schedule',
  'cut.line',
  'no.such',
  '__proto__',
];

/** Requests without end, the same for the same seed; ids that exist are mixed with some that do not. */
export function* fuzzed(
  seed: number,
  known: { vehicle: string; ids: readonly string[]; paths: readonly string[] },
): Generator<FuzzedRequest> {
  const random = uniforms(seed);
  const chance = (share: number) => random() < share;
  const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)]!;
  const word = () =>
    pick(['x', '..', '%00', '%2e%2e%2f', 'a'.repeat(300), '0', '-1', '1e9', '名', "'--", '{}', '\u202e']);
  const id = () => (chance(0.6) ? pick(known.ids) : chance(0.5) ? randomUUID() : word());
  const scalar = (): unknown =>
    pick<() => unknown>([
      () => null,
      () => random() * 2000,
      () => Math.round(random() * 5),
      () => pick([-1, 0, 1e308, -1e308, 1e-308, Number.MAX_SAFE_INTEGER + 1, 0.1 + 0.2]),
      () =>
        pick([
          '',
          'roof',
          'outer',
          'sill-l',
          'through',
          'stripped',
          'patch',
          'saloon',
          'mig',
          '2026-02-30',
          '2026-05-31',
          'EUR',
          '9'.repeat(400),
        ]),
      () => word(),
      () => id(),
      () => chance(0.5),
      () => '\u0000\ud800',
      () => '<svg><circle r="1e15"/></svg>',
      () => '('.repeat(2000),
    ])();
  const value = (depth: number): unknown => {
    if (depth > 3 || chance(0.6)) return scalar();
    if (chance(0.5)) return Array.from({ length: Math.floor(random() * 6) }, () => value(depth + 1));
    return thing(depth + 1);
  };
  const thing = (depth: number): Record<string, unknown> => {
    // Made as text would be read: a key like __proto__ is a field like any other.
    const pairs = Array.from({ length: 1 + Math.floor(random() * 8) }, () => [pick(FIELDS), value(depth)] as const);
    return JSON.parse(
      `{${pairs.map(([key, entry]) => `${JSON.stringify(key)}:${JSON.stringify(entry) ?? 'null'}`).join()}}`,
    ) as Record<string, unknown>;
  };
  const body = (): string | Buffer | undefined =>
    pick<() => string | Buffer | undefined>([
      () => undefined,
      () => JSON.stringify(thing(0)),
      () => JSON.stringify(thing(0)),
      () => JSON.stringify(value(0)) ?? 'null',
      () => JSON.stringify({ readings: [null] }),
      () => '{"a":',
      () => '['.repeat(20_000),
      () => Buffer.from(Array.from({ length: 200 }, () => Math.floor(random() * 256))),
      () => 'PK\u0003\u0004 not an archive',
      () => '<svg'.repeat(500),
      () => 'panel,layer,u_mm,v_mm\nroof,outer,=1+1,5\n',
    ])();
  const vehicle = () => encodeURI(chance(0.8) ? known.vehicle : id());
  for (;;) {
    const path = pick(known.paths)
      .replace('/vehicles/:id', () => `/vehicles/${vehicle()}`)
      .replace(':panel', () => encodeURIComponent(chance(0.7) ? pick(['roof', 'sill-l', 'quarter-l']) : word()))
      .replace(':layer', () => encodeURIComponent(chance(0.7) ? 'outer' : word()))
      .replace('/calc/:id', () => `/calc/${pick(CALCS)}`)
      .replace(/:\w+/g, () => encodeURI(chance(0.8) ? id() : word()));
    yield {
      method: pick(['get', 'post', 'post', 'put', 'delete']),
      path: chance(0.1)
        ? `${path}?${pick(['store=1', 'small=1', 'for=customer', 'panel[]=x&panel[a]=b', 'takenAt=x&id=x'])}`
        : path,
      body: body(),
      type: pick([
        'application/json',
        'application/json',
        'text/plain',
        'image/svg+xml',
        'application/octet-stream',
        'x/y; charset=nothing',
      ]),
      signedIn: chance(0.85),
    };
  }
}
