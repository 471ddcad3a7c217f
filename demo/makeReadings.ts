import { writeFileSync } from 'node:fs';
import { bodyPlan, layerOf, panelOf, sheetOf } from '@aspecta/core/body';
import { boxOf, inPolygon } from '@aspecta/core/geometry';

/*
 * Writes demo/readings/*.csv: what two gauges would have read on an invented car whose
 * hidden rust is described below. Fixed seed; run again only to change the story:
 *   npx tsx demo/makeReadings.ts
 */
interface Spot {
  u: number;
  v: number;
  size: number;
  /** Share of the metal that is gone in the middle. */ depth: number;
}
interface Patch {
  u: number;
  v: number;
  size: number;
  /** µm in the middle. */ coating: number;
}
interface Story {
  panel: string;
  layer: string;
  spacing: number;
  /** Stretch that was read, mm; all of it where left out. */ within?: [number, number, number, number];
  rust: Spot[];
  filler?: Patch[];
  coating: number;
  notes?: Record<string, string>;
}

const STORIES: Story[] = [
  {
    panel: 'sill-l',
    layer: 'outer',
    spacing: 44,
    coating: 210,
    rust: [
      { u: 60, v: 20, size: 120, depth: 1.15 },
      { u: 1350, v: 30, size: 150, depth: 1.1 },
      { u: 640, v: 8, size: 160, depth: 0.55 },
      { u: 950, v: 12, size: 90, depth: 0.5 },
    ],
  },
  {
    panel: 'sill-r',
    layer: 'outer',
    spacing: 68,
    coating: 160,
    rust: [
      { u: 60, v: 20, size: 160, depth: 1.1 },
      { u: 700, v: 10, size: 260, depth: 0.7 },
      { u: 1330, v: 40, size: 130, depth: 0.9 },
    ],
  },
  {
    panel: 'quarter-l',
    layer: 'outer',
    spacing: 62,
    within: [0, 0, 1120, 520],
    coating: 240,
    rust: [
      { u: 250, v: 60, size: 95, depth: 1.2 },
      { u: 360, v: 260, size: 90, depth: 0.75 },
      { u: 1010, v: 120, size: 110, depth: 0.85 },
    ],
    filler: [{ u: 420, v: 330, size: 80, coating: 1500 }],
  },
  {
    panel: 'floor-front-l',
    layer: 'outer',
    spacing: 88,
    coating: 320,
    rust: [
      { u: 90, v: 430, size: 150, depth: 1.15 },
      { u: 820, v: 420, size: 90, depth: 0.6 },
    ],
  },
  {
    panel: 'wing-l',
    layer: 'outer',
    spacing: 92,
    coating: 230,
    rust: [
      { u: 1120, v: 120, size: 130, depth: 0.5 },
      { u: 330, v: 520, size: 70, depth: 0.35 },
    ],
  },
  {
    panel: 'door-skin-l',
    layer: 'outer',
    spacing: 96,
    within: [0, 0, 1100, 560],
    coating: 300,
    rust: [{ u: 200, v: 12, size: 80, depth: 0.4 }],
    filler: [{ u: 640, v: 260, size: 150, coating: 2400 }],
  },
  { panel: 'roof', layer: 'outer', spacing: 190, coating: 120, rust: [] },
  {
    panel: 'boot-floor',
    layer: 'outer',
    spacing: 150,
    coating: 140,
    rust: [{ u: 630, v: 370, size: 150, depth: 0.22 }],
  },
];

let state = 1964;
const random = () => {
  state = (state * 1_103_515_245 + 12_345) % 2_147_483_648;
  return (state + 0.5) / 2_147_483_648;
};
const noise = (sd: number) => sd * Math.sqrt(-2 * Math.log(random())) * Math.cos(2 * Math.PI * random());
const bell = (u: number, v: number, spot: { u: number; v: number; size: number }) =>
  Math.exp(-((u - spot.u) ** 2 + (v - spot.v) ** 2) / (2 * (spot.size / 2) ** 2));

const plan = bodyPlan('saloon');
for (const story of STORIES) {
  const panel = panelOf(plan, story.panel);
  const sheet = sheetOf(panel);
  const layer = layerOf(panel, story.layer);
  const whole = boxOf(panel.outline);
  const [u0, v0, u1, v1] = story.within ?? [0, 0, whole.maxU, whole.maxV];
  const lines = ['panel,layer,u_mm,v_mm,coating_um,metal_mm,note'];
  for (let v = v0 + story.spacing / 2; v < v1; v += story.spacing) {
    for (let u = u0 + story.spacing / 2; u < u1; u += story.spacing) {
      const [x, y] = [u + noise(story.spacing / 8), v + noise(story.spacing / 10)];
      if (!inPolygon([x, y], sheet)) continue;
      const gone = Math.max(0, ...story.rust.map((spot) => spot.depth * bell(x, y, spot)));
      const metal = Math.max(0, layer.thickness * (0.985 - gone) + noise(0.015));
      const build =
        story.coating +
        noise(14) +
        Math.max(0, ...(story.filler ?? []).map((patch) => patch.coating * bell(x, y, patch)));
      const through = metal < 0.08;
      lines.push(
        [
          story.panel,
          story.layer,
          x.toFixed(0),
          y.toFixed(0),
          through ? '' : build > 2000 ? '>2000' : build.toFixed(0),
          through ? '0' : metal.toFixed(2),
          through ? 'probe went through' : '',
        ].join(','),
      );
    }
  }
  writeFileSync(new URL(`./readings/${story.panel}.csv`, import.meta.url), `${lines.join('\n')}\n`);
  process.stdout.write(`${story.panel} ${lines.length - 1}\n`);
}
