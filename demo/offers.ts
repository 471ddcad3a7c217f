import { OfferService } from '@aspecta/server/verdict/offers';
import { GarageService } from '@aspecta/server/garage/service';
import type { Chapter } from './chapter.ts';
import scenario from './scenario.json' with { type: 'json' };

/** What invented makers ask for panels of this body. */
export const offers: Chapter = async ({ house, owner, id, planId }) => {
  if (planId !== 'saloon') return;
  const vehicle = await house.the(GarageService).own(owner, id);
  for (const offer of scenario.offers) await house.the(OfferService).add(owner, vehicle, offer);
};
