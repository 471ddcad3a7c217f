import { randomUUID } from 'node:crypto';
import type { ShelfInput } from '@aspecta/contract/shelf';
import { ShelfService } from '@aspecta/server/shelf/service';
import { dayAt, type Chapter } from './chapter.ts';

type Told = Omit<ShelfInput, 'id' | 'useBy'> & { keepsDays: number | null };

/** What is on the shelf of what work uses up; a can that was opened keeps for a while. */
export const shelf: Chapter = async ({ house, owner, story }) => {
  for (const { keepsDays, ...thing } of (story as { shelf?: Told[] }).shelf ?? []) {
    const useBy = keepsDays === null ? null : dayAt(keepsDays);
    await house.the(ShelfService).add(owner, { ...thing, id: randomUUID(), useBy });
  }
};
