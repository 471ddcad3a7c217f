import { randomUUID } from 'node:crypto';
import sharp from 'sharp';
import { bodyPlan, panelOf, sheetOf } from '@aspecta/core/body';
import { rectifyPhoto, region, regionOnPanel, type SignId } from '@aspecta/core/survey';
import { PhotoService } from '@aspecta/server/photo/service';
import type { Polygon } from '@aspecta/core/geometry';
import { FindService } from '@aspecta/server/survey/finds';
import { PitService } from '@aspecta/server/survey/pits';
import { WalkService } from '@aspecta/server/survey/walk';
import type { Chapter } from './chapter.ts';

/** What an invented inspection looked at, found, measured and photographed. */
interface InspectionStory {
  /** How many places of the walk-round, from its beginning; every seventh was skipped. */
  walked: number;
  finds: {
    place: string | null;
    panel: string;
    layer: string;
    u: number;
    v: number;
    sign: SignId;
    note: string;
    /** How it was cured; it is open where nothing is said. */
    cured?: string;
  }[];
  pits: {
    panel: string;
    layer: string;
    side: number;
    patches: [u: number, v: number, depth: number, pits: number, mouth: number][];
  }[];
  photos: { panel: string; layer: string; days: number; note: string; picture: Picture }[];
}
/** An invented picture: a taped rectangle on a panel, seen askew, with rust or without. */
interface Picture {
  rust: number;
  /** The rectangle on the panel, mm, from its lower left corner anticlockwise. */
  taped: [number, number][];
}

const DAY = 86_400_000;

/** The walk-round, pits and pictures of a car that was inspected. */
export const inspect: Chapter = async ({ house, owner, id: vehicle, planId, story: { inspection } }) => {
  const story = inspection as InspectionStory | undefined;
  if (!story) return;
  const [walks, photos] = [house.the(WalkService), house.the(PhotoService)];
  const { places } = await walks.walk(owner, vehicle);
  for (const [i, place] of places.slice(0, story.walked).entries())
    await walks.look(owner, vehicle, place.id, i % 7 === 6 ? 'skipped' : 'looked');
  for (const { cured, ...find } of story.finds) {
    const finds = house.the(FindService);
    const { id, sign, note, version } = await finds.add(owner, vehicle, { ...find, id: randomUUID() });
    if (cured) await finds.change(owner, vehicle, id, { sign, note, closed: { note: cured, photoId: null }, version });
  }
  for (const { panel, layer, side, patches } of story.pits)
    for (const [u, v, depth, pits, mouth] of patches)
      await house
        .the(PitService)
        .add(owner, vehicle, { id: randomUUID(), panel, layer, side, u, v, depth, pits, mouth });
  for (const { panel, layer, days, note, picture } of story.photos) {
    const [u, v] = middleOf(picture.taped);
    const takenAt = new Date(Date.now() - days * DAY);
    const drawn = await draw(picture);
    const photo = await photos.add(owner, vehicle, { id: randomUUID(), panel, layer, u, v, note, takenAt }, drawn);
    const corners = CORNERS.map(([x, y], i) => ({ x, y, u: picture.taped[i]![0], v: picture.taped[i]![1] }));
    // A fifth point, measured a little off as points are: it shows how true the other four lie.
    const [check] = rectifyPhoto({ pairs: corners, points: [CHECK] }).points;
    const pairs = [...corners, { ...CHECK, u: check!.u + 1.2, v: check!.v - 0.9 }];
    const { matrix } = rectifyPhoto({ pairs, points: [] });
    const parts = await stroked(drawn, matrix, sheetOf(panelOf(bodyPlan(planId), panel)));
    await photos.change(owner, vehicle, photo.id, {
      ...{ panel, layer, u, v, note, pairs, version: photo.version },
      region: { what: 'rust', parts },
    });
  }
};

const middleOf = (ring: readonly [number, number][]): [number, number] => [
  ring.reduce((sum, p) => sum + p[0], 0) / ring.length,
  ring.reduce((sum, p) => sum + p[1], 0) / ring.length,
];

/** Where the corners of the taped rectangle lie on the picture, px. */
const CORNERS: readonly [number, number][] = [
  [250, 880],
  [1210, 800],
  [1120, 210],
  [330, 130],
];

/** A fifth point of the picture whose place was measured, px. */
const CHECK = { x: 700, y: 520 };

/** What looks like rust on the picture, from a short stroke on each of two blots: computed as a person would have it. */
async function stroked(picture: Buffer, matrix: readonly number[], sheet: Polygon): Promise<Polygon[]> {
  const scale = 2;
  const { data, info } = await sharp(picture)
    .resize(1440 / scale, 1080 / scale)
    .removeAlpha()
    .raw()
    .toBuffer({ resolveWithObject: true });
  const inside = [0, 1, 2].flatMap((i) => {
    const [x, y] = blotAt(i);
    return [-8, -4, 0, 4, 8].map((by) => [Math.round(x / scale) + by, Math.round(y / scale)]);
  });
  const { outlines } = region({ width: info.width, height: info.height, rgb: data, inside });
  return regionOnPanel({ outlines, scale, matrix, sheet });
}

/** Where blots of rust lie on an invented picture, px. */
const blotAt = (i: number): [number, number] => [420 + ((i * 197) % 620), 330 + ((i * 131) % 400)];

function draw({ rust }: Picture): Promise<Buffer> {
  const tape = `M${CORNERS.map((p) => p.join(' ')).join('L')}Z`;
  const blots = Array.from({ length: rust }, (_, i) => {
    const [x, y] = blotAt(i);
    return `<ellipse cx="${x}" cy="${y}" rx="${34 + ((i * 37) % 60)}" ry="${24 + ((i * 53) % 46)}" fill="${i % 3 === 0 ? '#4a2017' : '#8a4524'}" opacity="${0.55 + (i % 4) * 0.1}"/>`;
  });
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="1440" height="1080">
    <defs><linearGradient id="metal" x1="0" y1="0" x2="1" y2="1"><stop offset="0" stop-color="#8f9a97"/><stop offset="0.5" stop-color="#b9c1bb"/><stop offset="1" stop-color="#7e8885"/></linearGradient>
    <filter id="soft"><feGaussianBlur stdDeviation="9"/></filter></defs>
    <rect width="1440" height="1080" fill="url(#metal)"/>
    <path d="M0 690Q720 600 1440 650" stroke="#6d7774" stroke-width="6" fill="none"/>
    <path d="M560 1080A330 330 0 0 1 1180 1080" fill="#3a3d3d"/>
    <g filter="url(#soft)">${blots.join('')}</g>
    <path d="${tape}" fill="none" stroke="#e8d9a0" stroke-width="26" stroke-linejoin="round"/>
    ${CORNERS.map(([x, y]) => `<circle cx="${x}" cy="${y}" r="7" fill="#222"/>`).join('')}
  </svg>`;
  return sharp(Buffer.from(svg)).jpeg({ quality: 88 }).toBuffer();
}
