import type { EdgePart } from './edgePart.ts';

/**
 * What a part of a panel is beside its sheet: under trim, so that nobody sees it; curved both ways more than the rest; or
 * beside something that heat and sparks spoil.
 */
export type AreaKind = 'trim' | 'double' | 'heat';

/** Where a kind of panel has such a part: a band along an edge, a band around an opening, or a share of the whole. mm. */
export type AreaRule = { kind: AreaKind; name: string } & (
  | { edge: EdgePart; depth: number }
  | { around: RegExp; depth: number }
  | { box: readonly [minU: number, minV: number, maxU: number, maxV: number] }
);

const along = (kind: AreaKind, name: string, edge: EdgePart, depth: number): AreaRule => ({ kind, name, edge, depth });
const around = (kind: AreaKind, name: string, opening: RegExp, depth: number): AreaRule => ({
  kind,
  name,
  around: opening,
  depth,
});
const share = (kind: AreaKind, name: string, box: readonly [number, number, number, number]): AreaRule => ({
  kind,
  name,
  box,
});

/** mm. So far from glass and its seal heat and sparks are felt. */
const GLASS = 50;
const screen = (edge: EdgePart) => along('heat', 'windscreen and its seal', edge, GLASS);
const rearWindow = (edge: EdgePart) => along('heat', 'rear window and its seal', edge, GLASS);
const window = around('heat', 'window glass and its channel', /^(window|glass)$/, GLASS);
const lampWiring = around('heat', 'wiring of the lamps', /^lamp/, GLASS);
const treadPlate = along('trim', 'tread plate', 'above', 35);
const behindBumper = (edge: EdgePart, depth: number) => along('trim', 'bumper', edge, depth);
const wheel = along('double', 'haunch over the wheel', 'arch', 140);

/*
 * What lies beside the sheet on bodies of these kinds; common practice, no published source. Panels of the same
 * name are alike in all of them; what is different stands under the body.
 */
const COMMON: Readonly<Record<string, readonly AreaRule[]>> = {
  wing: [along('double', 'crown', 'above', 140), wheel],
  pillar: [screen('before'), along('trim', 'door seal', 'below', 20)],
  'door-skin': [window],
  sill: [treadPlate],
  quarter: [window, wheel, along('trim', 'door seal', 'before', 25)],
  'front-panel': [lampWiring, around('double', 'turn around the lamp', /^lamp/, 90), behindBumper('below', 90)],
  'front-valance': [behindBumper('above', 60)],
  'tail-panel': [lampWiring, behindBumper('below', 110)],
  'rear-panel': [lampWiring, behindBumper('below', 110)],
  'rear-valance': [behindBumper('above', 55)],
  bonnet: [along('double', 'nose', 'before', 200)],
  'front-lid': [along('double', 'nose', 'before', 200)],
  'boot-lid': [along('double', 'rear turn', 'behind', 150)],
  'rear-lid': [along('double', 'rear turn', 'behind', 150)],
  roof: [
    screen('before'),
    rearWindow('behind'),
    along('double', 'turn to the gutter', 'below', 120),
    along('double', 'turn to the gutter', 'above', 120),
  ],
  cowl: [screen('behind')],
  'rear-deck': [rearWindow('before')],
  'inner-wing': [along('heat', 'wiring to the lamps', 'above', 60)],
  bulkhead: [around('heat', 'wiring and sound-deadening', /^(heater|pedal)/, 60)],
};
const BODIES: Readonly<Record<string, Readonly<Record<string, readonly AreaRule[]>>>> = {
  pickup: {
    'cab-back': [window],
    'cab-corner': [along('double', 'turn to the sill', 'below', 160)],
    roof: [
      screen('before'),
      along('double', 'turn to the gutter', 'below', 110),
      along('double', 'turn to the gutter', 'above', 110),
    ],
  },
  offroader: {
    'windscreen-frame': [window],
    scuttle: [screen('behind')],
    'upper-side': [window],
    'rear-door': [window],
    // Bolted: it comes off, and nothing stands beside it then.
    roof: [],
    'front-panel': [lampWiring],
  },
  platform: {
    bulkhead: [],
    'engine-bulkhead': [share('heat', 'sound-deadening of the engine', [0.08, 0.12, 0.92, 0.9])],
  },
};

/** What lies beside the sheet of a panel as a rule, by its name within a body. */
export function areaRulesOf(body: string, panel: { id: string }): readonly AreaRule[] {
  const name = panel.id.replace(/-[lr]$/, '');
  return BODIES[body]?.[name] ?? COMMON[name] ?? [];
}
