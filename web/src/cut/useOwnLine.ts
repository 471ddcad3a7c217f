import { computed, ref, shallowRef, type Ref } from 'vue';
import type { CutPlanView } from '@aspecta/contract/cut';
import type { ZoneView } from '@aspecta/contract/survey';
import { Problem } from '@aspecta/core';
import type { BodyPlan, Panel } from '@aspecta/core/body';
import { besideEdge, cutPanelOf, lineByHand, marginAround, placeFrom, tapesAt, tapesFor } from '@aspecta/core/cut';
import { type Point, type Ring } from '@aspecta/core/geometry';
import type { LengthUnit } from '@aspecta/core/units';

/** What a line lies on: needed to work out, while it is moved, all that follows from it. */
export interface Laying {
  body: BodyPlan;
  panel: Panel;
  zones: readonly ZoneView[];
  unit: LengthUnit;
}

const tenth = ([u, v]: Point): Point => [Math.round(u * 10) / 10, Math.round(v * 10) / 10];

/**
 * A line while a person lays it: every change is one step that can be undone, and what follows from it
 * is worked out here at once; `kept` is told when a change is done.
 */
export function useOwnLine(
  plan: Ref<CutPlanView | null>,
  laying: () => Laying,
  kept: (corners: [number, number][] | null) => void,
) {
  const corners = shallowRef<Ring | null>(null);
  /** As it lay when it was taken in hand. */
  const first = shallowRef<CutPlanView['line'] | null>(null);
  const picked = ref(0);
  const refusal = ref<string | null>(null);
  const undone = shallowRef<readonly Ring[]>([]);
  const past = shallowRef<readonly Ring[]>([]);
  /** How the line lay when a corner was taken hold of. */
  let before: Ring | null = null;

  /** The plan as it would be with this line; the last one that could be laid where this one cannot. */
  const tried = computed<{ plan: CutPlanView; refused: string | null } | null>((last) => {
    if (!corners.value || !plan.value) return null;
    const { body, panel, zones, unit } = laying();
    const { settings, layer, thin } = plan.value;
    const { margin, reach, from, ...house } = settings;
    try {
      const line = lineByHand({
        panel: { ...cutPanelOf(body, panel, layer), unweldable: thin },
        damage: zones.map((zone) => zone.ring),
        margin: marginAround(zones, margin),
        house,
        corners: corners.value,
      });
      const found = plan.value.own ? plan.value.found : plan.value.line;
      return {
        plan: { ...plan.value, line, own: true, found, ...tapesFor({ panel, line, unit, reach, from }) },
        refused: null,
      };
    } catch (error) {
      if (!(error instanceof Problem)) throw error;
      return { plan: last?.plan ?? plan.value, refused: error.message };
    }
  });

  /** The picked corner as a tape finds it. */
  const taped = computed(() => {
    const corner = corners.value?.[picked.value];
    if (!corner || !tried.value) return null;
    const { line, settings } = tried.value.plan;
    const { panel, unit } = laying();
    return tapesAt({ panel, corner, piece: line.outline, unit, reach: settings.reach, from: settings.from });
  });

  function begin(): void {
    refusal.value = null;
    first.value = plan.value!.line;
    corners.value = plan.value!.line.laid.map(tenth);
    picked.value = 0;
    past.value = [];
    undone.value = [];
  }
  function end(): void {
    corners.value = null;
  }
  const put = (to: Ring) => (corners.value = to.map(tenth));
  /** One step: kept where the line can be laid so, and always to be undone. */
  function step(to: Ring): void {
    hold();
    put(to);
    done();
  }
  const hold = () => (before = corners.value);
  function done(): void {
    if (!before || !corners.value) return;
    past.value = [...past.value, before];
    undone.value = [];
    before = null;
    keep();
  }
  function keep(): void {
    refusal.value = null;
    picked.value = Math.min(picked.value, corners.value!.length - 1);
    if (!tried.value?.refused) kept(corners.value!.map(([u, v]): [number, number] => [u, v]));
  }
  function turn(from: typeof past, to: typeof past): void {
    const last = from.value.at(-1);
    if (!last || !corners.value) return;
    to.value = [...to.value, corners.value];
    from.value = from.value.slice(0, -1);
    corners.value = last;
    keep();
  }
  const pick = (i: number) => (picked.value = i);
  const move = (i: number, to: Point) => put(corners.value!.map((p, k) => (k === i ? to : p)));
  const add = (i: number, at: Point) => {
    step([...corners.value!.slice(0, i), at, ...corners.value!.slice(i)]);
    picked.value = i;
  };
  const drop = () => corners.value!.length > 3 && step(corners.value!.filter((_, i) => i !== picked.value));
  /** Puts the picked corner where two tape figures lead, mm. */
  const place = (figures: readonly [number, number]) => {
    const to = placeFrom(figures, taped.value!.datums);
    step(corners.value!.map((p, i) => (i === picked.value ? to : p)));
  };
  /** Lays the run after the picked corner along the nearest edge, mm from it; 0 goes out to it. */
  function beside(at: number): void {
    try {
      step(besideEdge({ corners: corners.value!, run: picked.value, outline: laying().panel.outline, at }));
    } catch (error) {
      if (!(error instanceof Problem)) throw error;
      refusal.value = error.message;
    }
  }
  return {
    ...{ corners, first, picked, taped, tried, refusal, begin, end, hold, done, pick, move, add, drop, place, beside },
    take: step,
    undo: () => turn(past, undone),
    redo: () => turn(undone, past),
    canUndo: computed(() => past.value.length > 0),
    canRedo: computed(() => undone.value.length > 0),
  };
}

export type OwnLine = ReturnType<typeof useOwnLine>;
