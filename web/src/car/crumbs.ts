import type { Vehicle } from '@aspecta/contract/garage';
import type { Panel } from '@aspecta/core/body';

interface Crumb {
  text: string;
  to?: string;
}

/** The way from the garage to a page of a car, or of one of its panels. */
export function crumbsTo(vehicle: Pick<Vehicle, 'id' | 'nickname'>, panel?: Pick<Panel, 'id' | 'name'>): Crumb[] {
  const car = `/vehicles/${vehicle.id}`;
  return [
    { text: 'Garage', to: '/' },
    { text: vehicle.nickname, to: car },
    ...(panel ? [{ text: panel.name, to: `${car}/panels/${panel.id}` }] : []),
  ];
}
