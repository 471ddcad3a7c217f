import { randomUUID } from 'node:crypto';
import type { PartingLine, WayPart } from '@aspecta/core/way';
import { VerdictService } from '@aspecta/server/verdict/service';
import { WayService } from '@aspecta/server/way/service';
import type { Chapter } from './chapter.ts';

interface Told {
  choice: string;
  depth: number;
  lines: PartingLine[];
  routes: { name: string; opening: { a: number; b: number }; room: number | null; parts: WayPart[]; taken?: true }[];
}

/** How one piece gets to its place, and what comes off for it. */
export const way: Chapter = async ({ house, owner, id, story }) => {
  const told = (story as { way?: Told }).way;
  if (!told) return;
  const repair = (await house.the(VerdictService).list(owner, id)).find(({ choice }) => choice === told.choice);
  if (!repair) return;
  const routes = told.routes.map(({ taken, ...route }) => ({ ...route, id: randomUUID(), taken }));
  await house.the(WayService).say(owner, repair.id, {
    ...{ depth: told.depth, clearance: 50, lines: told.lines, version: 0 },
    routes: routes.map(({ taken: _taken, ...route }) => route),
    chosen: routes.find(({ taken }) => taken)?.id ?? null,
  });
};
