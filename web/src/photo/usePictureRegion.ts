import { computed, ref, shallowRef } from 'vue';
import type { PhotoRegion, RegionKind } from '@aspecta/contract/survey';
import { area, type Point, type Polygon } from '@aspecta/core/geometry';
import { compute } from '../workers/bridge.ts';

/** px. Longest side of the picture on which a region is looked for: a millimetre or so on a panel. */
const LOOKED_AT = 900;

/** A stroke on the picture, px, and whether what lies under it belongs to the place. */
export interface Stroke {
  inside: boolean;
  places: readonly Point[];
}
interface Pixels {
  width: number;
  height: number;
  /** Pixels of the picture for one pixel that is looked at. */
  scale: number;
  rgb: Uint8Array;
}

/** A picture that maps itself: strokes on it, and the region that looks like them, px and mm. */
export function usePictureRegion(
  source: () => { href: string; matrix: readonly number[] | null; sheet: Polygon | null },
) {
  const what = ref<RegionKind>('rust');
  /** Does the next stroke add to the region, or take away from it? */
  const adds = ref(true);
  const strokes = shallowRef<readonly Stroke[]>([]);
  /** The stroke that is being drawn. */
  const drawing = shallowRef<readonly Point[] | null>(null);
  const outlines = shallowRef<readonly Polygon[]>([]);
  const parts = shallowRef<readonly Polygon[]>([]);
  const busy = ref(false);
  const problem = ref<string | null>(null);
  let pixels: Promise<Pixels> | null = null;
  let asked = 0;

  /** mm² on the panel. */
  const total = computed(() => parts.value.reduce((sum, part) => sum + area(part), 0));

  async function look(): Promise<void> {
    const run = ++asked;
    const { href, matrix, sheet } = source();
    outlines.value = parts.value = [];
    problem.value = null;
    if (!matrix || !sheet || !strokes.value.some((stroke) => stroke.inside)) return;
    busy.value = true;
    try {
      const { width, height, scale, rgb } = await (pixels ??= pixelsOf(href));
      const marked = (inside: boolean) => {
        const under = new Map<number, number[]>();
        for (const stroke of strokes.value)
          if (stroke.inside === inside)
            for (const [x, y] of densely(stroke.places.map(([a, b]): Point => [a / scale, b / scale])))
              if (x >= 0 && y >= 0 && x < width && y < height) under.set(y * width + x, [x, y]);
        return under;
      };
      // Where strokes of both kinds cross, the last word is to take away.
      const outside = marked(false);
      const inside = [...marked(true)].flatMap(([pixel, place]) => (outside.has(pixel) ? [] : [place]));
      if (inside.length === 0) return;
      const found = await compute().region(
        { width, height, rgb, inside, outside: [...outside.values()] },
        { scale, matrix, sheet },
      );
      if (run !== asked) return;
      outlines.value = found.outlines.map((polygon) =>
        polygon.map((ring) => ring.map(([x, y]): Point => [x * scale, y * scale])),
      );
      parts.value = found.parts;
      if (found.parts.length === 0)
        problem.value = 'Nothing of this lies on the panel. Stroke a place that belongs to it.';
    } catch (error) {
      if (run === asked) problem.value = (error as Error).message;
      pixels = null;
    } finally {
      if (run === asked) busy.value = false;
    }
  }
  /** Takes a stroke as it is drawn; when it is done, the region is looked for. */
  function stroke(places: readonly Point[] | null, done: boolean): void {
    drawing.value = done ? null : places;
    if (!done || !places) return;
    strokes.value = [...strokes.value, { inside: adds.value, places }];
    void look();
  }
  function takeBack(): void {
    strokes.value = strokes.value.slice(0, -1);
    void look();
  }
  function clear(): void {
    strokes.value = [];
    adds.value = true;
    void look();
  }
  const kept = computed<PhotoRegion | null>(() =>
    parts.value.length > 0 ? { what: what.value, parts: [...parts.value] } : null,
  );
  return { what, adds, strokes, drawing, outlines, parts, total, busy, problem, kept, stroke, takeBack, clear };
}

/** Whole pixels along a stroke, none left out. */
function densely(line: readonly Point[]): [number, number][] {
  return line.flatMap(([x, y], i): [number, number][] => {
    const [px, py] = line[Math.max(0, i - 1)]!;
    const steps = Math.max(1, Math.ceil(Math.hypot(x - px, y - py)));
    return Array.from({ length: steps }, (_, k): [number, number] => [
      Math.floor(px + ((x - px) * (k + 1)) / steps),
      Math.floor(py + ((y - py) * (k + 1)) / steps),
    ]);
  });
}

/** The pixels of a picture, scaled down to what is looked at. */
async function pixelsOf(href: string): Promise<Pixels> {
  const answer = await fetch(href);
  if (!answer.ok) throw new Error('The picture could not be fetched; try again when the server is there.');
  const picture = await createImageBitmap(await answer.blob());
  const scale = Math.max(1, Math.max(picture.width, picture.height) / LOOKED_AT);
  const [width, height] = [Math.round(picture.width / scale), Math.round(picture.height / scale)];
  const drawn = new OffscreenCanvas(width, height).getContext('2d', { willReadFrequently: true })!;
  drawn.drawImage(picture, 0, 0, width, height);
  picture.close();
  const { data } = drawn.getImageData(0, 0, width, height);
  const rgb = new Uint8Array(3 * width * height);
  for (let pixel = 0; pixel < width * height; pixel++)
    for (let c = 0; c < 3; c++) rgb[3 * pixel + c] = data[4 * pixel + c]!;
  return { width, height, scale, rgb };
}
