import { computed, ref, shallowRef } from 'vue';
import type { Panel } from '@aspecta/core/body';
import type { Point, Ring } from '@aspecta/core/geometry';
import { rectifyPhoto, type PhotoPair } from '@aspecta/core/survey';
import { useUnits } from '../shell/units.ts';
import { onPanel } from './photoTiles.ts';

/** How well a picture lies on its panel. */
export interface Lie {
  matrix: readonly number[] | null;
  problem: string | null;
  rms: number | null;
  worst: number | null;
  residuals: readonly number[];
}

/** Points of a picture whose place on the panel is known: marked one by one, or as a taped rectangle. */
export function usePhotoPoints() {
  const units = useUnits();
  const length = (text: string) => units.read(text) ?? Number.NaN;
  const pairs = shallowRef<readonly PhotoPair[]>([]);
  /** A point that was tapped and still has no place. */
  const waiting = shallowRef<Point | null>(null);
  /** Corners of a taped rectangle while they are tapped; null while none is. */
  const corners = shallowRef<readonly Point[] | null>(null);
  const problem = ref<string | null>(null);

  const lies = computed<Lie>(() => {
    const none = { matrix: null, rms: null, worst: null, residuals: [] };
    if (pairs.value.length < 4) return { ...none, problem: null };
    try {
      return { ...rectifyPhoto({ pairs: pairs.value, points: [] }), problem: null };
    } catch (error) {
      return { ...none, problem: (error as Error).message };
    }
  });

  function tap(place: Point): void {
    if (corners.value === null) waiting.value = place;
    else if (corners.value.length < 4) corners.value = [...corners.value, place];
  }
  /** Gives the tapped point its place on the panel, mm as they were typed; false where one is missing. */
  function keepPoint(typed: { u: string; v: string }): boolean {
    const [u, v] = [length(typed.u), length(typed.v)];
    if (!waiting.value) return false;
    if (!Number.isFinite(u) || !Number.isFinite(v)) {
      problem.value = `Write how far the point is from the left end of the panel and how far up, in ${units.word.value}.`;
      return false;
    }
    problem.value = null;
    pairs.value = [...pairs.value, { x: waiting.value[0], y: waiting.value[1], u, v }];
    waiting.value = null;
    return true;
  }
  const drop = (index: number) => (pairs.value = pairs.value.filter((_, i) => i !== index));

  function startRectangle(on: boolean): void {
    corners.value = on ? [] : null;
    waiting.value = null;
  }
  /** The four tapped corners with the place and size of the rectangle: all points at once. */
  function keepRectangle(typed: { u: string; v: string; width: string; height: string }): boolean {
    const [u, v, width, height] = [typed.u, typed.v, typed.width, typed.height].map(length) as [
      number,
      number,
      number,
      number,
    ];
    if (!corners.value || corners.value.length < 4) return false;
    if (![u, v].every(Number.isFinite) || !(width > 0) || !(height > 0)) {
      problem.value = `Write where its lower left corner lies, its width and its height, all in ${units.word.value}.`;
      return false;
    }
    problem.value = null;
    const at: Point[] = [
      [u, v],
      [u + width, v],
      [u + width, v + height],
      [u, v + height],
    ];
    pairs.value = corners.value.map(([x, y], i) => ({ x, y, u: at[i]![0], v: at[i]![1] }));
    corners.value = null;
    return true;
  }

  /** The panel's outline as the picture would show it, px: a check by eye. */
  function outlineOn(panel: Panel): Ring {
    if (!lies.value.matrix) return [];
    try {
      const turned = pairs.value.map(({ x, y, u, v }) => ({ x: u, y: v, u: x, v: y }));
      const { matrix } = rectifyPhoto({ pairs: turned, points: [] });
      return panel.outline.flatMap(([u, v]) => {
        const place = onPanel(matrix, u, v);
        return place ? [place as Point] : [];
      });
    } catch {
      return [];
    }
  }
  return { pairs, waiting, corners, problem, lies, tap, keepPoint, drop, startRectangle, keepRectangle, outlineOn };
}
