import { In, type DataSource } from 'typeorm';
import type { BasketView, OrderAdvice, OrderLine, OrderNeed } from '@aspecta/contract/order';
import type { Shop } from '@aspecta/contract/shop';
import { basket, landed, latest, makerRecords, type Delivery, type MakerRecord } from '@aspecta/core/order';
import type { Caller } from '../http/session.ts';
import { partNeeds } from '../plan/needs.ts';
import type { AllCarsService } from '../plan/allCars.ts';
import { dayIn } from '../shop/day.ts';
import type { ShopService } from '../shop/service.ts';
import { OfferEntity, type OfferRow } from '../verdict/entities.ts';
import type { OrderService } from './service.ts';

/** Surely enough: nine of ten deliveries are there by then. */
const CONFIDENCE = 0.9;
/** Days where nobody has quoted. */
const USUAL_DAYS = 14;
const DAY = 86_400_000;
/** Items that are chosen for at once. */
const MOST_LINES = 60;

interface Services {
  db: DataSource;
  orders: OrderService;
  allCars: AllCarsService;
  shops: ShopService;
}

/** What the book knows beyond its lines: lines → what each maker's deliveries taught → when each part must be ordered → from whom it all costs least. */
export async function orderAdvice(services: Services, caller: Caller): Promise<OrderAdvice> {
  const { lines, shop, offers, makers } = await booked(services, caller);
  const wanted = lines.filter(({ state, unneeded }) => state === 'wanted' && unneeded === null).slice(0, MOST_LINES);
  if (wanted.length === 0) return { needs: [], basket: null, makers, problem: null };
  const { parts, problem } = await partNeeds(services.allCars, caller);
  const needs = wanted.flatMap((line) => {
    const need = parts.get(line.repairId ?? line.id);
    return need ? [needOf(line, need, { offers, makers, clock: shop.timeZone })] : [];
  });
  return { needs, basket: basketOf(wanted, { offers: offers.filter(serves(lines)), needs, shop }), makers, problem };
}

/** What the deliveries of each maker have taught. */
export const makersOf = async (services: Omit<Services, 'allCars'>, caller: Caller): Promise<MakerRecord[]> =>
  (await booked(services, caller)).makers;

/** The lines of the book with the offers for their cars, and what came of those that arrived. */
async function booked({ db, orders, shops }: Omit<Services, 'allCars'>, caller: Caller) {
  const [lines, shop] = await Promise.all([orders.list(caller), shops.shop(caller)]);
  const cars = [...new Set(lines.map(({ vehicleId }) => vehicleId))];
  const offers = (await db.getRepository(OfferEntity).findBy({ vehicleId: In(cars) })).filter(
    ({ currency }) => currency === shop.currency,
  );
  return { lines, shop, offers, makers: makerRecords(lines.flatMap((line) => deliveryOf(line, offers))) };
}

const between = (from: string, to: string): number => (Date.parse(to) - Date.parse(from)) / DAY;

const sameAs =
  ({ vehicleId, panel }: OrderLine) =>
  (offer: OfferRow): boolean =>
    panel !== '' && offer.vehicleId === vehicleId && offer.panel === panel;

/** Not from where a part for the same place was kept as sheet or sent back. */
const serves =
  (lines: readonly OrderLine[]) =>
  (offer: OfferRow): boolean =>
    !lines.some(
      (line) => ['kept', 'returned'].includes(line.state) && line.maker === offer.maker && sameAs(line)(offer),
    );

/** Days that its maker quotes for this part; null where nobody has. */
const quotedFor = (line: OrderLine, offers: readonly OfferRow[]): number | null =>
  offers.find((offer) => sameAs(line)(offer) && offer.maker === line.maker)?.leadDays ?? null;

/** What was promised for a line and what came of it; nothing as long as it is on its way. */
function deliveryOf(line: OrderLine, offers: readonly OfferRow[]): Delivery[] {
  const ordered = line.history.find(({ state }) => state === 'ordered');
  const arrived = line.history.find(({ state }) => state === 'arrived');
  if (!ordered || !arrived) return [];
  const promised = ordered.promised ?? line.history.find((step) => step.promised)?.promised;
  return [
    {
      maker: line.maker,
      quoted: promised ? Math.max(0, between(ordered.on, promised)) : quotedFor(line, offers),
      actual: Math.max(0, between(ordered.on, arrived.on)),
      outcome: line.state === 'kept' ? 'keep' : line.state === 'returned' ? 'return' : (line.arrival?.outcome ?? null),
      hours: line.arrival?.hours ?? 0,
    },
  ];
}

function needOf(
  line: OrderLine,
  { step, at }: { step: string; at: string },
  { offers, makers, clock }: { offers: readonly OfferRow[]; makers: readonly MakerRecord[]; clock: Shop['timeZone'] },
): OrderNeed {
  const neededOn = dayIn(clock, new Date(at));
  const quoted = quotedFor(line, offers);
  const history = makers.find(({ maker }) => maker === line.maker)?.timed ?? [];
  const answer = quoted === null ? null : latest({ neededOn, quoted, history, confidence: CONFIDENCE });
  return {
    ...{ line: line.id, step, neededOn, quoted },
    orderBy: answer ? String(answer.orderBy) : null,
    lead: answer?.lead ?? null,
  };
}

function basketOf(
  wanted: readonly OrderLine[],
  {
    offers,
    needs,
    shop,
  }: {
    offers: readonly OfferRow[];
    needs: readonly OrderNeed[];
    shop: Pick<Shop, 'currency' | 'taxRate' | 'timeZone'>;
  },
): BasketView {
  const today = dayIn(shop.timeZone);
  const priced = wanted.flatMap((line) => [
    {
      line,
      maker: line.maker,
      price: line.price,
      carriage: line.carriage,
      lead: quotedFor(line, offers) ?? USUAL_DAYS,
    },
    ...offers
      .filter((offer) => sameAs(line)(offer) && offer.maker !== line.maker)
      .map(({ maker, price, carriage, leadDays }) => ({ line, maker, price, carriage, lead: leadDays })),
  ]);
  const senders = [...new Set(priced.map(({ maker }) => maker))];
  const carriageOf = (maker: string) =>
    Math.max(...priced.filter((offer) => offer.maker === maker).map(({ carriage }) => carriage));
  const daysFor = (line: OrderLine) => {
    const need = needs.find((entry) => entry.line === line.id);
    if (!need) return undefined;
    const days = Math.max(0, between(today, need.neededOn));
    // What nobody can send in time is wanted all the same.
    return priced.some((offer) => offer.line === line && offer.lead <= days) ? days : undefined;
  };
  const { choice } = basket({
    items: wanted.map((line) => {
      const days = daysFor(line);
      return { id: line.id, quantity: line.quantity, ...(days === undefined ? {} : { latest: days }) };
    }),
    offers: priced.map(({ line, maker, price, lead }) => ({ item: line.id, supplier: maker, price, lead })),
    suppliers: senders.map((maker) => ({ id: maker, carriage: carriageOf(maker) })),
    taxRate: shop.taxRate,
  });
  const parcels = senders.flatMap((maker) => {
    const own = priced.filter((offer) => offer.maker === maker && choice[offer.line.id] === maker);
    if (own.length === 0) return [];
    const { goods, carriage, tax, total } = landed({
      lines: own.map(({ line, price }) => ({ price, quantity: line.quantity })),
      carriage: carriageOf(maker),
      taxRate: shop.taxRate,
      taxOnCarriage: true,
    });
    const lines = own.map(({ line: { id, panelName, vehicle, quantity, maker: before }, price }) => ({
      ...{ id, name: panelName, vehicle, price, quantity, before },
    }));
    return [{ maker, lines, goods, carriage, tax, total }];
  });
  return {
    parcels,
    total: parcels.reduce((sum, { total }) => sum + total, 0),
    asItIs: wanted.reduce((sum, line) => sum + line.landed, 0),
    currency: shop.currency,
  };
}
