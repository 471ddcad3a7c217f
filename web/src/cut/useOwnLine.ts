import { computed, ref, shallowRef, type Ref } from 'vue';
import type { CutPlanView } from '@aspecta/contract/cut';
import type { ZoneView } from '@aspecta/contract/survey';
import { Problem } from '@aspecta/core';
import type { BodyPlan, Panel } from '@aspecta/core/body';
import {
  cutPanelOf,
  heldPlace,
  layAlong,
  lineByHand,
  marginAround,
  placeFrom,
  tapesAt,
  tapesFor,
  type Pin,
} from '@aspecta/core/cut';
import { type Point, type Ring } from '@aspecta/core/geometry';
import type { LengthUnit } from '@aspecta/core/units';

/** What a line lies on: needed to work out, while it is moved, all that follows from it. */
export interface Laying {
  body: BodyPlan;
  panel: Panel;
  zones: readonly ZoneView[];
  unit: LengthUnit;
}

/** A line in somebody’s hand: its corners, and what each of them is held to. */
interface Held {
  corners: Ring;
  pins: readonly (Pin | null)[];
}

const tenth = ([u, v]: Point): Point => [Math.round(u * 10) / 10, Math.round(v * 10) / 10];
const free = (corners: Ring): Held => ({ corners, pins: corners.map(() => null) });

/**
 * A line while a person lays it: every change is one step that can be undone, and what follows from it
 * is worked out here at once; `kept` is told when a change is done.
 */
export function useOwnLine(
  plan: Ref<CutPlanView | null>,
  laying: () => Laying,
  kept: (line: { corners: [number, number][]; pins: (Pin | null)[] | null }) => void,
) {
  const held = shallowRef<Held | null>(null);
  const corners = computed(() => held.value?.corners ?? null);
  const pins = computed(() => held.value?.pins ?? []);
  /** As it lay when it was taken in hand. */
  const first = shallowRef<CutPlanView['line'] | null>(null);
  const picked = ref(0);
  const refusal = ref<string | null>(null);
  const undone = shallowRef<readonly Held[]>([]);
  const past = shallowRef<readonly Held[]>([]);
  /** How the line lay when a corner was taken hold of. */
  let before: Held | null = null;

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
    held.value = { ...free(plan.value!.line.laid.map(tenth)), ...(plan.value!.pins ? { pins: plan.value!.pins } : {}) };
    picked.value = 0;
    past.value = [];
    undone.value = [];
  }
  function end(): void {
    held.value = null;
  }
  const put = (to: Held) => (held.value = { ...to, corners: to.corners.map(tenth) });
  /** One step: kept where the line can be laid so, and always to be undone. */
  function step(to: Held): void {
    hold();
    put(to);
    done();
  }
  const hold = () => (before = held.value);
  function done(): void {
    if (!before || !held.value) return;
    past.value = [...past.value, before];
    undone.value = [];
    before = null;
    keep();
  }
  function keep(): void {
    refusal.value = null;
    const now = held.value!;
    picked.value = Math.min(picked.value, now.corners.length - 1);
    if (!tried.value?.refused)
      kept({
        corners: now.corners.map(([u, v]): [number, number] => [u, v]),
        pins: now.pins.some(Boolean) ? [...now.pins] : null,
      });
  }
  function turn(from: typeof past, to: typeof past): void {
    const last = from.value.at(-1);
    if (!last || !held.value) return;
    to.value = [...to.value, held.value];
    from.value = from.value.slice(0, -1);
    held.value = last;
    keep();
  }
  const pick = (i: number) => (picked.value = i);
  /** Where a corner comes to lie that somebody wants there: along what it is held to. */
  const settled = (pin: Pin | null, to: Point) => (pin ? heldPlace(laying().panel, pin, to) : to);
  const withCorner = ({ corners, pins }: Held, i: number, to: Point, pin: Pin | null): Held => ({
    corners: corners.map((p, k) => (k === i ? to : p)),
    pins: pins.map((p, k) => (k === i ? pin : p)),
  });
  function move(i: number, to: Point): void {
    const pin = held.value!.pins[i] ?? null;
    put(withCorner(held.value!, i, settled(pin, to), pin));
  }
  function add(i: number, at: Point): void {
    const { corners, pins } = held.value!;
    // Between two corners that are held to the same, the new one is held as well.
    const [a, b] = [pins.at(i - 1) ?? null, pins[i % pins.length] ?? null];
    const pin = a && b && a.along === b.along && a.at === b.at ? a : null;
    step({
      corners: [...corners.slice(0, i), settled(pin, at), ...corners.slice(i)],
      pins: [...pins.slice(0, i), pin, ...pins.slice(i)],
    });
    picked.value = i;
  }
  const others = <T>(all: readonly T[]) => all.filter((_, i) => i !== picked.value);
  function drop(): void {
    const { corners, pins } = held.value!;
    if (corners.length > 3) step({ corners: others(corners), pins: others(pins) });
  }
  /** What a refusal is said for, instead of done. */
  function refused(change: () => Held): void {
    try {
      step(change());
    } catch (error) {
      if (!(error instanceof Problem)) throw error;
      refusal.value = error.message;
    }
  }
  /** Puts the picked corner where two tape figures lead, mm; from then on it is free. */
  const place = (figures: readonly [number, number]) =>
    refused(() => {
      const { datums, corner } = taped.value!;
      return withCorner(held.value!, picked.value, placeFrom(figures, datums, corner), null);
    });
  /** Lays the run after the picked corner along the edge or a crease, mm from it, and holds it there; 0 goes out to the edge. */
  const beside = (pin: Pin) => refused(() => layAlong(laying().panel, held.value!, picked.value, pin));
  const letGo = () => step(withCorner(held.value!, picked.value, held.value!.corners[picked.value]!, null));
  return {
    ...{ corners, pins, first, picked, taped, tried, refusal, begin, end, hold, done, pick, move, add, drop, place },
    ...{ beside, letGo },
    take: (to: Ring) => step(free(to)),
    undo: () => turn(past, undone),
    redo: () => turn(undone, past),
    canUndo: computed(() => past.value.length > 0),
    canRedo: computed(() => undone.value.length > 0),
  };
}

export type OwnLine = ReturnType<typeof useOwnLine>;
