import { ReadingService } from '@aspecta/server/survey/readings';
import type { Chapter } from './chapter.ts';
import files from './readings/index.ts';

/** What the gauge said on the main car: files, as somebody would import them. */
export const readings: Chapter = async ({ house, owner, id, isMain }) => {
  if (!isMain) return;
  for (const csv of Object.values(files)) {
    const { errors } = await house.the(ReadingService).importFile(owner, id, Buffer.from(csv), true);
    if (errors.length > 0) throw new Error(`Demo readings: ${JSON.stringify(errors[0])}`);
  }
};
