import type { TriedRules, VerdictView } from '@aspecta/contract/verdict';
import { OPTION_WORDS } from '@aspecta/contract/verdict';
import { panelOf } from '@aspecta/core/body';
import type { Paces } from '@aspecta/core/repair';
import type { OptionId, Verdict } from '@aspecta/core/verdict';
import type { OwnVehicle } from '../garage/service.ts';
import { ServerProblem } from '../http/problems.ts';
import type { Caller } from '../http/session.ts';
import type { PaceService } from '../pace/service.ts';
import type { ShopService } from '../shop/service.ts';
import type { ZoneRow } from '../survey/entities.ts';
import type { Workbench } from '../work/bench.ts';
import type { OfferService } from './offers.ts';

interface Services {
  shops: ShopService;
  offers: OfferService;
  paces: PaceService;
  bench: Workbench;
}

/** Weighs the options for zones of one panel: what the car, its prices and the house rules say, or others that are tried. */
export async function weigh(
  { shops, offers, paces, bench }: Services,
  caller: Caller,
  vehicle: OwnVehicle,
  zones: readonly ZoneRow[],
  tried?: TriedRules,
): Promise<Omit<VerdictView, 'beside'> & { paces: Paces }> {
  if (new Set(zones.map((zone) => zone.panel)).size !== 1)
    throw new ServerProblem(
      'invalid',
      'A decision is made for zones of one panel; choose those of one panel.',
      'zoneIds',
    );
  const panel = panelOf(vehicle.plan, zones[0]!.panel);
  const [{ offer, foreign }, shop, own] = await Promise.all([
    offers.best(caller, vehicle, { panel: panel.id, layers: zones.map(({ layer }) => layer) }),
    shops.shop(caller),
    paces.of(caller),
  ]);
  const verdict = await bench.run(
    'weighRepair',
    {
      plan: vehicle.plan,
      panelId: panel.id,
      zones: zones.map(({ class: kind, layer, ring, holes }) => ({ class: kind, layer, ring, holes })),
      offer: offer && { landed: offer.landed, leadDays: offer.leadDays },
      rates: tried?.rates ?? shop.rates,
      schools: tried?.schools ?? shop.schools,
      metalwork: tried?.metalwork ?? shop.metalwork,
      house: {
        mountRadius: (tried?.limits ?? shop.limits).mountRadius,
        overlay: tried?.overlay ?? shop.overlay,
        paces: own,
      },
    },
    caller.personId,
  );
  return { verdict, offer, foreign, paces: own };
}

/** The option that a person has chosen. @throws ServerProblem where the house rules or the metal do not allow it */
export function chosen(verdict: Verdict, choice: OptionId): Verdict['options'][number] {
  const option = verdict.options.find((candidate) => candidate.id === choice);
  if (!option)
    throw new ServerProblem(
      'invalid',
      `The house rules do not allow to ${OPTION_WORDS[choice].decided}; choose another option, or let the owner change them.`,
      'choice',
    );
  if (option.ruledOut) throw new ServerProblem('invalid', option.ruledOut, 'choice');
  return option;
}
