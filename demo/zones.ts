import { randomUUID } from 'node:crypto';
import type { Evidence } from '@aspecta/contract/survey';
import type { ZoneClass } from '@aspecta/core/survey';
import { ZoneService } from '@aspecta/server/survey/zones';
import type { Chapter } from './chapter.ts';

interface Zone {
  key: string;
  panel: string;
  layer: string;
  class: ZoneClass;
  evidence: Evidence;
  note: string;
  ring: [number, number][];
  /** What showed of it before it was opened. */
  showed?: { evidence: Evidence; class: ZoneClass; ring: [number, number][] };
  /** Why its class is not the one of its readings. */
  overruled?: string;
}
/** The damage as it was drawn. */
export const zones: Chapter = async ({ house, owner, id: vehicle, story, zones: keys }) => {
  const service = house.the(ZoneService);
  for (const { key, showed, overruled = '', ...found } of story.zones as Zone[]) {
    const zone = { ...found, holes: [], overruled };
    // What showed first is drawn first, so that its prediction can be held against what was found.
    const first = showed ? { ...zone, ...showed, overruled: 'As it showed at first' } : zone;
    const { id, version } = await service.add(owner, vehicle, { ...first, id: randomUUID() });
    if (showed) await service.change(owner, vehicle, id, { ...zone, version });
    keys.set(key, id);
  }
};
