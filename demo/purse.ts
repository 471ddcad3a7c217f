import { PurseService } from '@aspecta/server/purse/service';
import { dayAt, type Chapter } from './chapter.ts';
import scenario from './scenario.json' with { type: 'json' };

/** What money there is for parts, told anew after each car: what was ordered for it is paid by then. */
export const purse: Chapter = async ({ house, owner }) => {
  const purses = house.the(PurseService);
  const { version } = await purses.view(owner);
  const { there, comes } = scenario.purse;
  await purses.say(owner, {
    there,
    comes: comes.map(({ amount, in: days }) => ({ amount, first: dayAt(days), every: 'month' })),
    version,
  });
};
