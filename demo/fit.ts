import { randomUUID } from 'node:crypto';
import { FitService } from '@aspecta/server/fit/service';
import { VerdictService } from '@aspecta/server/verdict/service';
import type { Chapter } from './chapter.ts';

interface Told {
  choice: string;
  rounds: {
    /** mm by which the piece lies off its place, and a wedge at its first joint from its one end to the other. */
    off: [number, number];
    wedge: number;
    neighbours: [string, number, number][];
    note: string;
  }[];
}

/** mm that a feeler gauge is read off, by turns. */
const HAND = [0.1, -0.1, 0, 0.2, -0.2, 0];
const tenth = (mm: number) => Math.round(mm * 10) / 10;

/** Trial fits of one piece: off its place and tight at one end, then nearly there. */
export const fit: Chapter = async ({ house, owner, id, story }) => {
  const told = (story as { fit?: Told }).fit;
  if (!told) return;
  const repair = (await house.the(VerdictService).list(owner, id)).find(({ choice }) => choice === told.choice);
  if (!repair) return;
  const service = house.the(FitService);
  for (const { off, wedge, neighbours, note } of told.rounds) {
    const { places, joints, wanted } = await service.view(owner, repair.id);
    const first = places.filter(({ joint }) => joint === 0);
    await service.add(owner, repair.id, {
      id: randomUUID(),
      readings: places.map((place, i) => {
        const tight = place.joint === 0 ? wedge * (1 - first.indexOf(place) / Math.max(1, first.length - 1)) : 0;
        const asWanted = joints[place.joint]!.open ? wanted : 0;
        const gap = asWanted - place.normal[0] * off[0] - place.normal[1] * off[1] - tight + HAND[i % HAND.length]!;
        return { place: place.id, gap: tenth(gap), flush: null };
      }),
      neighbours: neighbours.map(([name, gap, aim]) => ({ name, gap, wanted: aim })),
      note,
    });
  }
};
