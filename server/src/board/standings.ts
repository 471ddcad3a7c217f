import type { GarageFigures, GarageVehicle, NextStep, Standing, Vehicle } from '@aspecta/contract/garage';
import type { OwnVehicle } from '../garage/service.ts';
import type { StationStanding, Workshop } from '../station.ts';

/** What the Garage says of a vehicle beside its papers. */
export type GarageLine = Omit<GarageVehicle, keyof Vehicle>;

/** How all stations stand with one vehicle. */
export interface CarStanding {
  line: Standing[];
  figures: GarageFigures;
  next: NextStep;
}

const NO_FIGURES: GarageFigures = { readings: 0, panelsMeasured: 0, panels: 0, decided: 0, awaited: 0, late: 0 };
const ALL_DONE: NextStep = { text: 'Everything known is decided and done; look over the Board once more', path: '' };

/** Asks every station how it stands with these vehicles, each once for all of them. */
export async function standingsOf(house: Workshop, vehicles: readonly OwnVehicle[]): Promise<Map<string, CarStanding>> {
  if (vehicles.length === 0) return new Map();
  const asked = house.stations.filter((station) => station.standing);
  const answers = await Promise.all(asked.map((station) => station.standing!(house, vehicles)));
  return new Map(
    vehicles.map(({ id }) => {
      const own = asked.flatMap(({ name }, i): [string, StationStanding][] => {
        const standing = answers[i]!.get(id);
        return standing ? [[name, standing]] : [];
      });
      return [id, together(own)];
    }),
  );
}

/** The figures of all, and of what could be done the one thing that helps most now. */
function together(own: readonly (readonly [string, StationStanding])[]): CarStanding {
  const steps = own.flatMap(([, { next }]) => (next ? [next] : []));
  const [most] = [...steps].sort((a, b) => b.urgency - a.urgency);
  return {
    line: own.map(([station, { word, waits, done, path }]) => ({ station, word, waits, done, path: path ?? null })),
    figures: Object.assign({ ...NO_FIGURES }, ...own.map(([, { figures }]) => figures)) as GarageFigures,
    next: most ? { text: most.text, path: most.path } : ALL_DONE,
  };
}
