import type { ZoneView } from '@aspecta/contract/survey';
import { post } from '../shell/api.ts';

/** Of what is open that goes together at first: an opening to make is decided apart from damage. */
export function weighedTogether<Z extends Pick<ZoneView, 'class'>>(open: readonly Z[]): readonly Z[] {
  const damage = open.filter((zone) => zone.class !== 'opening');
  return damage.length > 0 ? damage : open;
}

/** What was weighed ahead already, so that it is asked once. */
const asked = new Set<string>();

/** Weighs zones that will be weighed next: the server has the answer when somebody goes there. Nobody waits for it. */
export function weighAhead(vehicle: string, zones: readonly { id: string; version: number }[]): void {
  const key = zones.map(({ id, version }) => `${id} ${version}`).join();
  if (key === '' || asked.has(key)) return;
  asked.add(key);
  void post(`/vehicles/${vehicle}/verdict`, { zoneIds: zones.map(({ id }) => id) }).catch(() => asked.delete(key));
}
