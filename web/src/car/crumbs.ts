import type { Vehicle } from '@aspecta/contract/garage';
import type { RepairView } from '@aspecta/contract/verdict';
import { pieceName, type Panel } from '@aspecta/core/body';

interface Crumb {
  text: string;
  to?: string;
}

/** The way from the garage to a page of a car, of one of its panels, or of a repair on some of its sheets. */
export function crumbsTo(
  vehicle: Pick<Vehicle, 'id' | 'nickname'>,
  panel?: Pick<Panel, 'id' | 'name' | 'layers'>,
  repair?: Pick<RepairView, 'layers'> | null,
): Crumb[] {
  const car = `/vehicles/${vehicle.id}`;
  return [
    { text: 'Garage', to: '/' },
    { text: vehicle.nickname, to: car },
    ...(panel ? [{ text: pieceName(panel, repair?.layers ?? []), to: `${car}/panels/${panel.id}` }] : []),
  ];
}
