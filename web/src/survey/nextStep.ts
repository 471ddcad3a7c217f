import type { ZoneView } from '@aspecta/contract/survey';
import type { RepairView } from '@aspecta/contract/verdict';
import { CALLED } from './called.ts';

/** What is known where one stands before a panel. */
export interface Before {
  vehicle: string;
  panel: string;
  zones: readonly Pick<ZoneView, 'id'>[];
  repairs: readonly Pick<RepairView, 'panel' | 'zoneIds' | 'staleZones'>[];
  /** Readings of this layer, and the share of it that they call. */
  readings: number;
  called: number;
  /** The map proposes a zone; there is a place to read next. */
  proposes: boolean;
  advised: boolean;
  canWork: boolean;
  isCustomer: boolean;
}
export interface NextStep {
  text: string;
  to?: string;
  /** What is done on this page: take what is proposed, or read at the first mark, or anywhere. */
  does?: 'take' | 'mark' | 'read';
}

/** Zones of a panel on which nothing is decided yet. */
export const openOf = <Z extends { id: string }>({
  panel,
  zones,
  repairs,
}: Pick<Before, 'panel' | 'repairs'> & { zones: readonly Z[] }): Z[] =>
  zones.filter(({ id }) => !repairs.some((repair) => repair.panel === panel && repair.zoneIds.includes(id)));

/** The most useful step before one panel: what is open is weighed, what is decided is not asked again. */
export function nextOnPanel(now: Before): NextStep {
  const { zones, repairs } = now;
  // Who can neither weigh nor record is led back to the car: every other step would be refused.
  if (now.isCustomer || (!now.canWork && zones.length === 0))
    return { text: 'Back to the whole body', to: `/vehicles/${now.vehicle}` };
  const own = repairs.filter(({ panel }) => panel === now.panel);
  const open = openOf(now);
  const verdict = `/vehicles/${now.vehicle}/panels/${now.panel}/verdict`;
  if (open.length > 0)
    return {
      text: `Weigh treat, patch or whole panel for ${open.length} ${open.length === 1 ? 'zone' : 'zones'}`,
      to: verdict,
    };
  if (own.some(({ staleZones }) => staleZones.length > 0))
    return { text: 'Decide again: a zone has changed since', to: verdict };
  if (now.proposes && now.canWork) return { text: 'Take the zone that the map proposes', does: 'take' };
  if (zones.length > 0) return { text: 'Decided. To what can be done of it', to: `/vehicles/${now.vehicle}/job` };
  if (now.advised && now.called < CALLED)
    return {
      text: now.readings === 0 ? 'Take the first reading at mark 1' : 'Read next at mark 1',
      does: 'mark',
    };
  return {
    text: now.readings === 0 ? 'Take the first reading' : 'Take more readings where the sheet is still dotted',
    does: now.advised ? 'mark' : 'read',
  };
}
