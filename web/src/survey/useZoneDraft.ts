import { computed, ref, shallowRef } from 'vue';
import type { Evidence, ZoneView } from '@aspecta/contract/survey';
import { firstCrossing, inRing, type Point, type Ring } from '@aspecta/core/geometry';
import type { ZoneDraft } from './ZoneForm.vue';

/** What a tap on the sheet adds to: the outline, a sound island inside it, or a line that splits it. */
export type Drawing = 'outline' | 'island' | 'split';

const tenth = ([u, v]: Point): Point => [Math.round(u * 10) / 10, Math.round(v * 10) / 10];
const EMPTY: ZoneDraft = { class: 'thin', layer: '', evidence: 'stripped', note: '', overruled: '' };

/**
 * A zone while it is drawn or changed; nothing of it is stored yet.
 *
 * @param evidenceIn by what an outline is known, until the person says otherwise
 */
export function useZoneDraft(evidenceIn: (ring: readonly Point[]) => Evidence = () => EMPTY.evidence) {
  const ring = shallowRef<readonly Point[]>([]);
  const holes = shallowRef<readonly Ring[]>([]);
  const closed = ref(false);
  const editing = shallowRef<ZoneView | null>(null);
  const fresh = ref<ZoneDraft>({ ...EMPTY });
  const drawing = ref<Drawing>('outline');
  /** Corners of an island or of a split line while they are tapped. */
  const pen = shallowRef<readonly Point[]>([]);

  const crossing = computed(() => {
    const at = closed.value && ring.value.length > 3 ? firstCrossing(ring.value) : undefined;
    return at ? `The outline crosses itself: side ${at[0] + 1} meets side ${at[1] + 1}. Move a corner.` : null;
  });

  function clear(): void {
    ring.value = [];
    holes.value = [];
    closed.value = false;
    editing.value = null;
    drawing.value = 'outline';
    pen.value = [];
  }
  function tap(place: Point): void {
    if (drawing.value !== 'outline') pen.value = [...pen.value, tenth(place)];
    else if (!closed.value) ring.value = [...ring.value, [Math.round(place[0]), Math.round(place[1])]];
  }
  function close(layer: string): void {
    if (ring.value.length < 3) return;
    closed.value = true;
    fresh.value = { ...EMPTY, layer, evidence: evidenceIn(ring.value) };
  }
  /** Starts from an outline that is there already: the map's proposal, or one traced on a picture. */
  function take(outline: readonly Point[], draft: Partial<ZoneDraft>, islands: readonly Ring[] = []): void {
    clear();
    ring.value = outline.map(tenth);
    holes.value = islands.map((island) => island.map(tenth));
    closed.value = true;
    fresh.value = { ...EMPTY, ...draft };
  }
  function open(zone: ZoneView): void {
    clear();
    editing.value = zone;
    ring.value = zone.ring;
    holes.value = zone.holes;
    closed.value = true;
    const { class: kind, layer, evidence, note, overruled } = zone;
    fresh.value = { class: kind, layer, evidence, note, overruled };
  }
  const move = (index: number, to: Point) => (ring.value = ring.value.map((p, i) => (i === index ? tenth(to) : p)));
  const add = (index: number, at: Point) =>
    (ring.value = [...ring.value.slice(0, index), at, ...ring.value.slice(index)]);
  const back = () => (ring.value = ring.value.slice(0, -1));
  function setDrawing(wanted: Drawing): void {
    drawing.value = drawing.value === wanted ? 'outline' : wanted;
    pen.value = [];
  }
  /** Ends an island; one that reaches out of the zone is not taken. */
  function keepIsland(): string | null {
    if (pen.value.length < 3) return 'An island needs three corners or more.';
    if (!pen.value.every((p) => inRing(p, ring.value))) return 'The island reaches out of the zone; draw it inside.';
    holes.value = [...holes.value, pen.value];
    setDrawing('outline');
    return null;
  }
  const dropIslands = () => (holes.value = []);
  const shape = () => ({
    ring: ring.value.map(([u, v]): [number, number] => [u, v]),
    holes: holes.value.map((hole) => hole.map(([u, v]): [number, number] => [u, v])),
  });
  return {
    ...{ ring, holes, closed, editing, fresh, drawing, pen, crossing },
    ...{ clear, tap, close, take, open, move, add, back, setDrawing, keepIsland, dropIslands, shape },
  };
}
