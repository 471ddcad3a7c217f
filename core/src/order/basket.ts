import { solve, type Constraint, type Model } from 'yalps';
import { finite, list } from '../check.ts';
import { refuse } from '../problem.ts';

export interface BasketInput {
  items: readonly { id: string; quantity: number; latest?: number }[];
  /** price each before tax, minor units; lead in days. */
  offers: readonly { item: string; supplier: string; price: number; lead: number }[];
  /** carriage of a parcel before tax, minor units; freeFrom: no carriage from goods of this value on. */
  suppliers: readonly { id: string; carriage: number; freeFrom?: number }[];
  /** 0.2 = 20 % */
  taxRate: number;
}
export interface Basket {
  /** Supplier of each item. */
  choice: Record<string, string>;
  goods: number;
  carriage: number;
  tax: number;
  total: number;
}

const MOST_ITEMS = 100;

/**
 * From whom is each panel ordered, so that all of it costs least and comes in time? Integer
 * programme: each item whole from one supplier, carriage once for each supplier that sends, none from
 * its freeFrom on. Tax is the same share of everything and does not change the choice.
 *
 * @param items latest: day by which it must be there
 * @throws Problem naming the field; `cannot-deliver` names what nobody can deliver in time
 * Source: mixed integer programme, branch and bound (YALPS library).
 */
export function basket({ items, offers, suppliers, taxRate }: BasketInput): Basket {
  const { wanted, possible, senders } = checked({ items, offers, suppliers, taxRate });
  const variables = new Map<string, Map<string, number>>();
  const constraints = new Map<string, Constraint>();
  const binaries: string[] = [];
  const add = (name: string, entries: readonly (readonly [string, number])[]) => {
    variables.set(name, new Map(entries));
    binaries.push(name);
    constraints.set(`most ${name}`, { max: 1 });
    variables.get(name)!.set(`most ${name}`, 1);
  };
  for (const item of wanted) constraints.set(`item ${item.id}`, { equal: 1 });
  possible.forEach(({ item, supplier, price }, i) => {
    const { quantity } = wanted.find((entry) => entry.id === item)!;
    constraints.set(`sends ${i}`, { max: 0 });
    add(`take ${i}`, [
      ['cost', price * quantity],
      [`item ${item}`, 1],
      [`sends ${i}`, 1],
      [`goods ${supplier}`, price * quantity],
    ]);
  });
  for (const sender of senders) {
    const own = possible.flatMap((offer, i) => (offer.supplier === sender.id ? [i] : []));
    if (own.length === 0) continue;
    add(`uses ${sender.id}`, [
      ['cost', sender.carriage],
      [`free ${sender.id}`, -1],
      ...own.map((i) => [`sends ${i}`, -1] as const),
    ]);
    if (sender.freeFrom === undefined) continue;
    // Free only where the supplier is used and its goods reach the value.
    constraints.set(`free ${sender.id}`, { max: 0 });
    constraints.set(`goods ${sender.id}`, { min: 0 });
    add(`freed ${sender.id}`, [
      ['cost', -sender.carriage],
      [`free ${sender.id}`, 1],
      [`goods ${sender.id}`, -sender.freeFrom],
    ]);
  }
  const model: Model = { direction: 'minimize', objective: 'cost', constraints, variables, binaries };
  const solution = solve(model, { tolerance: 0, maxIterations: 100_000, timeout: 20_000 });
  if (solution.status !== 'optimal')
    return refuse('not-solved', 'offers', 'This basket could not be solved; order fewer items at once.');
  const taken = solution.variables
    .filter(([name, value]) => name.startsWith('take ') && value > 0.5)
    .map(([name]) => possible[Number(name.slice(5))]!);
  return totals(taken, wanted, senders, taxRate);
}

function checked({ items, offers, suppliers, taxRate }: BasketInput) {
  finite('taxRate', taxRate, { min: 0, max: 1 });
  const money = (field: string, amount: unknown) => {
    const value = finite(field, amount, { min: 0, max: 1e10 });
    if (!Number.isInteger(value))
      refuse('not-whole', field, `${field} is in minor units (pence, cents) and must be a whole number.`);
    return value;
  };
  const named = (field: string, all: readonly { id: string }[]) => {
    all.forEach((entry, i) => {
      if (typeof entry?.id !== 'string' || entry.id === '')
        refuse('no-name', `${field}[${i}].id`, `${field}[${i}].id must be a name.`);
      if (all.findIndex((other) => other.id === entry.id) < i)
        refuse('twice', `${field}[${i}].id`, `${entry.id} is named twice in ${field}.`);
    });
  };
  const wanted = list<BasketInput['items'][number]>('items', items, 1, MOST_ITEMS);
  named('items', wanted);
  wanted.forEach((item, i) => {
    finite(`items[${i}].quantity`, item.quantity, { min: 1, max: 10_000 });
    if (!Number.isInteger(item.quantity))
      refuse('not-whole', `items[${i}].quantity`, `items[${i}].quantity must be a whole number.`);
    if (item.latest !== undefined) finite(`items[${i}].latest`, item.latest, { min: 0, max: 36_500, unit: 'days' });
  });
  const senders = list<BasketInput['suppliers'][number]>('suppliers', suppliers, 1, 50);
  named('suppliers', senders);
  senders.forEach((supplier, i) => {
    money(`suppliers[${i}].carriage`, supplier.carriage);
    if (supplier.freeFrom !== undefined) money(`suppliers[${i}].freeFrom`, supplier.freeFrom);
  });
  const known = list<BasketInput['offers'][number]>('offers', offers, 0, 2000).map((offer, i) => {
    money(`offers[${i}].price`, offer?.price);
    finite(`offers[${i}].lead`, offer.lead, { min: 0, max: 36_500, unit: 'days' });
    if (!wanted.some((item) => item.id === offer.item))
      refuse('unknown-item', `offers[${i}].item`, `offers[${i}].item names ${String(offer.item)}, which is no item.`);
    if (!senders.some((supplier) => supplier.id === offer.supplier))
      refuse(
        'unknown-supplier',
        `offers[${i}].supplier`,
        `offers[${i}].supplier names ${String(offer.supplier)}, which is no supplier.`,
      );
    return offer;
  });
  const possible = known.filter(
    (offer) => offer.lead <= (wanted.find((item) => item.id === offer.item)!.latest ?? Infinity),
  );
  const late = wanted.filter((item) => !possible.some((offer) => offer.item === item.id));
  if (late.length > 0)
    refuse(
      'cannot-deliver',
      'items',
      `Nobody can deliver in time: ${late.map((item) => item.id).join(', ')}. Allow a later day or find another supplier.`,
    );
  return { wanted, possible, senders };
}

function totals(
  taken: readonly BasketInput['offers'][number][],
  items: BasketInput['items'],
  suppliers: BasketInput['suppliers'],
  taxRate: number,
): Basket {
  const value = (offer: BasketInput['offers'][number]) =>
    offer.price * items.find((item) => item.id === offer.item)!.quantity;
  const goods = taken.reduce((sum, offer) => sum + value(offer), 0);
  const carriage = suppliers.reduce((sum, supplier) => {
    const own = taken.filter((offer) => offer.supplier === supplier.id);
    if (own.length === 0) return sum;
    const worth = own.reduce((total, offer) => total + value(offer), 0);
    return sum + (supplier.freeFrom !== undefined && worth >= supplier.freeFrom ? 0 : supplier.carriage);
  }, 0);
  const tax = Math.round((goods + carriage) * taxRate);
  return {
    choice: Object.fromEntries(taken.map(({ item, supplier }) => [item, supplier])),
    goods,
    carriage,
    tax,
    total: goods + carriage + tax,
  };
}
