import { defineStore } from 'pinia';
import { onUnmounted, shallowRef, type ShallowRef } from 'vue';
import type { Standing, Vehicle } from '@aspecta/contract/garage';
import type { LiveChange } from '@aspecta/contract/live';
import type { RepairView } from '@aspecta/contract/verdict';
import type { BodyPlan } from '@aspecta/core/body';
import { listen, merged } from '../live/listen.ts';
import { get } from '../shell/api.ts';
import { bodyOf } from '../shell/plans.ts';
import { whenCalm } from '../shell/calm.ts';
import type { Load } from '../shell/useLoad.ts';
import { useConnection } from '../shell/connection.ts';
import { useSession } from '../shell/session.ts';

/** ms that a car is kept after the last page of it was left: one goes from page to page. */
const GRACE = 8000;
/** ms that changes are collected before the line of stations is asked for again. */
const TOGETHER = 400;

/** What all pages of a car share. */
export interface CarData {
  vehicle: Vehicle;
  plan: BodyPlan;
  /** Decisions that stand; empty for a customer, who is not shown their prices. */
  repairs: readonly RepairView[];
  /** Those that were taken back, with who and why. */
  withdrawn: readonly RepairView[];
}
const asDecided = (all: readonly RepairView[]): Pick<CarData, 'repairs' | 'withdrawn'> => ({
  repairs: all.filter((repair) => !repair.withdrawn),
  withdrawn: all.filter((repair) => repair.withdrawn),
});

const isSameBody = (a: Vehicle, b: Vehicle) =>
  a.planId === b.planId && JSON.stringify(a.facts) === JSON.stringify(b.facts);

/** A car that is open on some page: loaded once, kept live while it is. */
class OpenCar {
  readonly data: ShallowRef<CarData | null> = shallowRef(null);
  readonly line: ShallowRef<readonly Standing[]> = shallowRef([]);
  private readonly id: string;
  private readonly listeners = new Set<(change: LiveChange) => void>();
  private users = 0;
  private loading: Promise<CarData> | undefined;
  private stop: (() => void) | undefined;
  private heard = false;
  private leaving: ReturnType<typeof setTimeout> | undefined;
  private later: ReturnType<typeof setTimeout> | undefined;
  private readonly forget: () => void;

  constructor(id: string, forget: () => void) {
    this.id = id;
    this.forget = forget;
  }

  enter(): void {
    clearTimeout(this.leaving);
    if (this.users++ > 0 || this.stop) return;
    const hear = () => listen(this.id, { heard: (change) => this.take(change), state: (on) => (this.heard = on) });
    let end = hear();
    const again = useConnection().whenBack(() => {
      end();
      end = hear();
      this.loading = undefined;
      void this.renewLine();
    });
    this.stop = () => {
      end();
      again();
    };
  }

  leave(): void {
    if (--this.users > 0) return;
    this.leaving = setTimeout(() => {
      this.stop?.();
      this.forget();
    }, GRACE);
  }

  /** What the car consists of and what was decided; asked for once as long as changes are heard, or again on demand. */
  ready(again = false): Promise<CarData> {
    if (!this.loading || !this.heard || again) {
      this.loading = this.load();
      this.loading.catch(() => (this.loading = undefined));
    }
    return this.loading;
  }

  hear(listener: (change: LiveChange) => void): () => void {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  }

  async renewLine(): Promise<void> {
    const line = await get<Standing[]>(`/vehicles/${this.id}/line`).catch(() => undefined);
    if (line) this.line.value = line;
  }

  private async load(): Promise<CarData> {
    const [vehicle, repairs] = await Promise.all([
      get<Vehicle>(`/vehicles/${this.id}`),
      useSession().isCustomer ? [] : get<RepairView[]>(`/vehicles/${this.id}/repairs`),
    ]);
    this.data.value = { vehicle, ...asDecided(repairs), plan: await bodyOf(vehicle) };
    return this.data.value;
  }

  private take(change: LiveChange): void {
    const known = this.data.value;
    const [vehicle = known?.vehicle] = change.vehicles;
    if (known && vehicle && !isSameBody(vehicle, known.vehicle)) this.loading = undefined;
    else if (known && vehicle) {
      const all = merged([...known.repairs, ...known.withdrawn], change.repairs);
      this.data.value = { ...known, vehicle, ...asDecided(all) };
      this.loading = Promise.resolve(this.data.value);
    }
    for (const listener of this.listeners) listener(change);
    clearTimeout(this.later);
    this.later = setTimeout(() => void this.renewLine(), TOGETHER);
  }
}

const useCars = defineStore('cars', () => {
  const cars = new Map<string, OpenCar>();
  function open(id: string): OpenCar {
    const car = cars.get(id) ?? new OpenCar(id, () => cars.delete(id));
    cars.set(id, car);
    return car;
  }
  return { open };
});

/** A car for a page: vehicle, body, decisions and line of stations, shared by all pages of it and kept live. */
export function useVehicle(id: string) {
  const car = useCars().open(id);
  car.enter();
  const stops: (() => void)[] = [];
  onUnmounted(() => {
    for (const stop of stops) stop();
    car.leave();
  });
  return {
    data: car.data,
    line: car.line,
    ready: (again?: boolean) => car.ready(again),
    /** A decision, asked for by itself where it was made a moment ago. */
    repair: async (repairId: string): Promise<RepairView> =>
      (await car.ready()).repairs.find((repair) => repair.id === repairId) ?? get<RepairView>(`/repairs/${repairId}`),
    renewLine: () => car.renewLine(),
    /** Loads a page anew when somebody else has changed the car, in a calm moment. */
    keepFresh: ({ reload }: Pick<Load<unknown>, 'reload'>) => {
      const fresh = whenCalm(() => void reload());
      stops.push(car.hear(fresh.call), fresh.stop);
    },
    /** Tells what others change on it, as long as the page is open. */
    hear: (listener: (change: LiveChange) => void) => void stops.push(car.hear(listener)),
  };
}
