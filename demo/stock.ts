import { randomUUID } from 'node:crypto';
import type { SheetInput } from '@aspecta/contract/stock';
import { StockService } from '@aspecta/server/stock/service';
import type { Chapter } from './chapter.ts';

/** The sheets that stand in the rack. */
export const stock: Chapter = async ({ house, owner, story }) => {
  for (const sheet of (story as { rack?: Omit<SheetInput, 'id'>[] }).rack ?? [])
    await house.the(StockService).add(owner, { ...sheet, id: randomUUID() });
};
