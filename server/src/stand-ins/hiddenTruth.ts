import { bodyPlans, type Panel } from '@aspecta/core/body';
import { boxOf, toRing } from '@aspecta/core/geometry';
import { uniforms } from '@aspecta/core';

/* What the simulated gauges would find: an invented car's hidden rust and filler. Invented data, fixed seeds. */

/** A bell-shaped patch of rust or filler; places and sizes in mm. */
export interface Spot {
  u: number;
  v: number;
  size: number;
  /** Share of the metal that is gone in the middle; above one it is through there. */
  depth: number;
}
export interface FillerSpot {
  u: number;
  v: number;
  size: number;
  /** µm in the middle, on top of the paint. */
  coating: number;
}
export interface PanelTruth {
  rust: readonly Spot[];
  filler: readonly FillerSpot[];
  /** Paint build, µm. */
  coating: number;
}

/** The demo's first car, where it was read already: the gauges must agree with those readings. */
export const TOLD: Readonly<Record<string, PanelTruth>> = {
  'sill-l': {
    coating: 210,
    rust: [
      { u: 60, v: 20, size: 120, depth: 1.15 },
      { u: 1350, v: 30, size: 150, depth: 1.1 },
      { u: 640, v: 8, size: 160, depth: 0.55 },
      { u: 950, v: 12, size: 90, depth: 0.5 },
    ],
    filler: [],
  },
  'sill-r': {
    coating: 160,
    rust: [
      { u: 60, v: 20, size: 160, depth: 1.1 },
      { u: 700, v: 10, size: 260, depth: 0.7 },
      { u: 1330, v: 40, size: 130, depth: 0.9 },
    ],
    filler: [],
  },
  'quarter-l': {
    coating: 240,
    rust: [
      { u: 250, v: 60, size: 95, depth: 1.2 },
      { u: 360, v: 260, size: 90, depth: 0.75 },
      { u: 1010, v: 120, size: 110, depth: 0.85 },
    ],
    filler: [{ u: 420, v: 330, size: 80, coating: 1500 }],
  },
  'floor-front-l': {
    coating: 320,
    rust: [
      { u: 90, v: 430, size: 150, depth: 1.15 },
      { u: 820, v: 420, size: 90, depth: 0.6 },
    ],
    filler: [],
  },
  'wing-l': {
    coating: 230,
    rust: [
      { u: 1120, v: 120, size: 130, depth: 0.5 },
      { u: 330, v: 520, size: 70, depth: 0.35 },
    ],
    filler: [],
  },
  'door-skin-l': {
    coating: 300,
    rust: [{ u: 200, v: 12, size: 80, depth: 0.4 }],
    filler: [{ u: 640, v: 260, size: 150, coating: 2400 }],
  },
  roof: { coating: 120, rust: [], filler: [] },
  'boot-floor': { coating: 140, rust: [{ u: 630, v: 370, size: 150, depth: 0.22 }], filler: [] },
};

const bell = (u: number, v: number, spot: { u: number; v: number; size: number }) =>
  Math.exp(-((u - spot.u) ** 2 + (v - spot.v) ** 2) / (2 * (spot.size / 2) ** 2));
/** Share of the as-built thickness that a good sheet still has. */
const GOOD = 0.985;

/** True metal left, as a share of as built. */
export const trueShare = (truth: PanelTruth, u: number, v: number): number =>
  Math.max(0, GOOD - Math.max(0, ...truth.rust.map((spot) => spot.depth * bell(u, v, spot))));

/** True coating, µm. */
export const trueCoating = (truth: PanelTruth, u: number, v: number): number =>
  truth.coating + Math.max(0, ...truth.filler.map((patch) => patch.coating * bell(u, v, patch)));

/** The hidden truth of any panel: told for those of the demo, otherwise made up from a seed, rust mostly low and at edges. */
export function truthOf(panel: Panel, layer: string, seed = 1): PanelTruth {
  const told = layer === panel.layers[0]!.id && seed === 1 ? TOLD[panel.id] : undefined;
  return told ?? madeUp(panel, hash(`${panel.id} ${layer} ${seed}`));
}

function madeUp(panel: Panel, seed: number): PanelTruth {
  const random = uniforms(seed);
  const box = boxOf(panel.outline);
  const [width, height] = [box.maxU, box.maxV];
  const spots = Math.floor(random() * 4);
  return {
    coating: 110 + 220 * random(),
    rust: Array.from({ length: spots }, () => {
      const place = Array.from({ length: 12 }, () => [width * random(), height * random() ** 2] as const);
      const [u, v] = place.sort((a, b) => toRing(a, panel.outline) - toRing(b, panel.outline))[0]!;
      return { u, v, size: 70 + 160 * random(), depth: 0.25 + 0.95 * random() };
    }),
    filler:
      random() < 0.2 ? [{ u: width * random(), v: height * random(), size: 120, coating: 600 + 1900 * random() }] : [],
  };
}

function hash(text: string): number {
  let h = 2_166_136_261;
  for (const letter of text) h = Math.imul(h ^ letter.charCodeAt(0), 16_777_619);
  return h >>> 0;
}

/** A panel of any shipped body. */
export const anyPanel = (id: string): Panel | undefined =>
  bodyPlans()
    .flatMap((plan) => plan.panels)
    .find((panel) => panel.id === id);
