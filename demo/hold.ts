import { randomUUID } from 'node:crypto';
import { apart } from '@aspecta/core/hold';
import { HoldService } from '@aspecta/server/hold/service';
import type { HoldView, Stand } from '@aspecta/contract/hold';
import type { Chapter } from './chapter.ts';

interface Told {
  rounds: {
    name: string;
    stand: Stand;
    figures: string[];
    /** mm by which a point lies lower than the body's drawing has it. */
    sunk: Record<string, number>;
    /** Which tape of the last figure is misread, and by how many mm. */
    misread: [number, number] | null;
    heights: [string, number][];
    own: [string, number][];
    finished: boolean;
  }[];
  braced: string;
  gaps: { hung: string; wanted: number; shims: number[]; readings: [string, number][] };
}

/** mm that a hand reads a tape off, by turns. */
const HAND = [0.5, -0.5, 0, 1, -0.5, 0, -1, 0.5];

/** What was measured before the first cut and after it, the braces of one opening, the gaps of a door. */
export const hold: Chapter = async ({ house, owner, id, story }) => {
  const told = (story as { hold?: Told }).hold;
  if (!told) return;
  const service = house.the(HoldService);
  for (const { name, stand, figures, sunk, misread, heights, own, finished } of told.rounds) {
    const roundId = randomUUID();
    const at = { vehicleId: id, roundId };
    const view = await service.begin(owner, id, { id: roundId, name, stand });
    for (const figure of figures)
      for (const [i, [from, to]] of view.figures.find((one) => one.id === figure)!.tapes.entries()) {
        const blunder = misread && figure === figures.at(-1) && i === misread[0] ? misread[1] : 0;
        const length = Math.round(between(view, sunk, from, to) + HAND[i % HAND.length]! + blunder);
        await service.tape(owner, at, { id: randomUUID(), kind: 'tape', from, to, length });
      }
    for (const [from, length] of heights)
      await service.tape(owner, at, { id: randomUUID(), kind: 'height', from, to: '', length });
    for (const [from, length] of own)
      await service.tape(owner, at, { id: randomUUID(), kind: 'own', from, to: '', length });
    if (finished) await service.change(owner, at, { name, stand, finished, kept: null, version: 1 });
  }
  const { proposals } = await service.view(owner, id);
  for (const { figure, ends, cut } of proposals.find((one) => one.figure === told.braced)?.braces ?? [])
    await service.fit(owner, id, { id: randomUUID(), figure, ends, length: Math.round(cut) });
  const { hung, wanted, shims, readings } = told.gaps;
  await service.addGaps(owner, id, {
    id: randomUUID(),
    hung,
    shims,
    readings: readings.map(([place, gap]) => ({ place, gap, wanted })),
  });
};

function between({ points }: HoldView, sunk: Record<string, number>, from: string, to: string): number {
  const [a, b] = [from, to].map((point) => {
    const [x, y, z] = points.find((one) => one.id === point)!.at;
    return { at: [x, y, z - (sunk[point] ?? 0)] as const };
  });
  return apart(a!, b!);
}
