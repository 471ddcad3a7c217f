import { copperShare } from './field.ts';
import { plateSource } from './lineSource.ts';
import { STILL_AIR_FILM, type SheetMaterial } from './material.ts';

/** mm: half the width of a copper bar behind a seam, and its thickness; common practice, no published source. */
export const BAR = { reach: 20, thickness: 6 };

/** The grid on which the heat beside a bar is followed: mm of a cell, cells along the bar and across, s that are followed. */
const GRID = { cell: 5, along: 64, across: 32, last: 1500 };
/** s. Before that a weld is smaller than a cell, and hardly any heat has passed the bar. */
const SOON = 4;
/** Each time that is kept is later than the one before by so much. */
const LATER = 1.05;

/**
 * How much warmer is the sheet at a distance along the seam and a time after a short weld, with a copper bar held
 * behind it? Followed on a grid for a bar without ends: what has gone into the copper comes back as the seam cools.
 *
 * @param thickness of the sheet, mm
 * @returns rise in K by energy J, distance mm and time s, as `plateSource` of the bare sheet
 * Source: heat equation by finite differences with the copper as heat capacity, as in `weld.field`; line source after
 * Carslaw & Jaeger §10.3 for the first seconds.
 */
export function backedSource(
  material: SheetMaterial,
  thickness: number,
): (energy: number, distance: number, time: number) => number {
  const bare = plateSource(material, thickness, STILL_AIR_FILM);
  const share = copperShare(BAR.thickness, thickness, material);
  const { times, rises } = besideBar(material, thickness, share);
  return (energy, distance, time) => {
    if (time < SOON) return bare(energy, distance, time) / (1 + share);
    // What is later than was followed goes on as a line source does.
    const t = Math.min(time, GRID.last);
    let next = Math.min(times.length - 1, Math.max(1, Math.ceil(Math.log(t / times[0]!) / Math.log(LATER))));
    while (next > 1 && times[next - 1]! > t) next--;
    while (next < times.length - 1 && times[next]! < t) next++;
    const part = (t - times[next - 1]!) / (times[next]! - times[next - 1]!);
    const at = (k: number) => valueAt(rises[k]!, distance);
    return (energy * (at(next - 1) * (1 - part) + at(next) * part) * t) / time;
  };
}

/** Of a row of cells from the weld along the bar, at a distance from it. */
function valueAt(row: Float64Array, distance: number): number {
  const x = distance / GRID.cell - 0.5;
  if (x >= row.length - 1) return 0;
  const i = Math.max(0, Math.floor(x));
  const part = Math.max(0, x - i);
  return row[i]! * (1 - part) + row[i + 1]! * part;
}

const followed = new Map<string, { times: number[]; rises: Float64Array[] }>();

/** Rise per joule along a bar at a row of times, each a twentieth later than the one before; a quarter of the sheet, mirrored at the weld. */
function besideBar(material: SheetMaterial, thickness: number, share: number) {
  const key = [material.conductivity, material.density, material.heat, thickness].join(' ');
  const known = followed.get(key);
  if (known) return known;
  const { cell, along, across, last } = GRID;
  const bare = material.density * material.heat * thickness * 1e-3; // J/(m²·K)
  const capacity = Float64Array.from(
    { length: across },
    (_, j) => bare * ((j + 0.5) * cell <= BAR.reach ? 1 + share : 1),
  );
  const conduct = (material.conductivity * thickness * 1e-3) / (cell * cell * 1e-6); // W/(m²·K)
  const step = (0.9 * bare) / (4 * conduct);
  let heat = new Float64Array(along * across);
  // A quarter of the joule lies in the corner cell.
  heat[0] = 0.25 / (capacity[0]! * cell * cell * 1e-6);
  let next = new Float64Array(along * across);
  const [times, rises]: [number[], Float64Array[]] = [[], []];
  let wanted = SOON / 2;
  for (let time = 0; time <= last * LATER; time += step) {
    if (time >= wanted) {
      times.push(time);
      rises.push(heat.slice(0, along));
      wanted = time * LATER;
    }
    for (let j = 0; j < across; j++)
      for (let i = 0; i < along; i++) {
        const here = heat[j * along + i]!;
        const to = (x: number, y: number) =>
          heat[Math.min(across - 1, Math.max(0, y)) * along + Math.min(along - 1, Math.max(0, x))]! - here;
        const flow = conduct * (to(i - 1, j) + to(i + 1, j) + to(i, j - 1) + to(i, j + 1)) - 2 * STILL_AIR_FILM * here;
        next[j * along + i] = here + (step * flow) / capacity[j]!;
      }
    [heat, next] = [next, heat];
  }
  const result = { times, rises };
  followed.set(key, result);
  return result;
}
