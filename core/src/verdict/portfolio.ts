import { finite, list } from '../check.ts';
import { refuse } from '../problem.ts';

export interface PortfolioOption {
  id: string;
  hours: number;
  /** Paid out, minor units, without what is bought. */
  money: number;
  /** How much stays original: any measure that can be added up. */
  keeps: number;
  buys?: readonly { supplier: string; price: number }[];
}
export interface PortfolioInput {
  repairs: readonly { id: string; options: readonly PortfolioOption[] }[];
  /** Carriage is paid once for each supplier from whom anything is bought, minor units. */
  suppliers: readonly { id: string; carriage: number }[];
  /** What an hour is worth, minor units. */
  hourRate: number;
}
export interface CarPlan {
  /** Option of each repair. */
  choice: Record<string, string>;
  hours: number;
  money: number;
  keeps: number;
}
export interface Portfolio {
  /** All that no other beats in hours and money, by rising hours. */
  plans: CarPlan[];
  cheapest: CarPlan;
  quickest: CarPlan;
  mostOriginal: CarPlan;
}

const MOST_REPAIRS = 60;
const MOST_OPTIONS = 20;
const MOST_SUPPLIERS = 10;
/** So many unbeaten beginnings of plans are followed at once. */
const MOST_PLANS = 400_000;

/**
 * Which plans for the whole car does no other beat in both hours and money? Carriage is shared: it is paid
 * once for each supplier from whom anything is bought.
 *
 * @param input repairs with their options; hours, minor units
 * @returns every such plan, by rising hours; the cheapest counts each hour at its rate
 * @throws Problem naming the field; `too-many` where there are more unbeaten plans than can be followed
 * Source: exact; unbeaten sums merged repair by repair (Nemhauser & Ullmann 1969), for each set of suppliers.
 * @example portfolio({ repairs: [{ id: 'sill', options: [{ id: 'patch', hours: 9, money: 20, keeps: 1 }, { id: 'whole', hours: 4, money: 0, keeps: 0, buys: [{ supplier: 's', price: 90 }] }] }], suppliers: [{ id: 's', carriage: 10 }], hourRate: 10 }).plans.map(({ hours, money }) => [hours, money]) // → [[4, 100], [9, 20]]
 */
export function portfolio(input: PortfolioInput): Portfolio {
  const { repairs, carriage, hourRate } = checked(input);
  const masks = 1 << carriage.length;
  const used = repairs.reduce((all, options) => options.reduce((mask, { buys }) => mask | buys, all), 0);
  let best: Beginning[] = [];
  for (let mask = 0; mask < masks; mask++) {
    // A set with a supplier that nobody needs is dearer than the same without it.
    if ((mask & used) !== mask) continue;
    const fee = carriage.reduce((sum, price, k) => (mask & (1 << k) ? sum + price : sum), 0);
    best = unbeaten([...best, ...within(repairs, mask, fee)]);
  }
  if (best.length === 0) refuse('no-option', 'repairs', 'Every repair needs at least one option.');
  const plans = best.map((end) => told(picksOf(end, repairs), input));
  const worth = ({ money, hours }: CarPlan) => money + hours * hourRate;
  return {
    plans,
    cheapest: plans.reduce((a, b) => (worth(b) < worth(a) ? b : a)),
    quickest: plans[0]!,
    mostOriginal: told(
      repairs.map((options) => mostOf(options, hourRate)),
      input,
    ),
  };
}

interface Option {
  index: number;
  hours: number;
  money: number;
  keeps: number;
  /** Suppliers from whom it buys, as bits. */
  buys: number;
}
/** Options of the first repairs: a chain back to the first. */
interface Beginning {
  hours: number;
  money: number;
  keeps: number;
  option: number;
  before: Beginning | null;
}

function checked({ repairs, suppliers, hourRate }: PortfolioInput) {
  const ids = list<{ id: string; carriage: number }>('suppliers', suppliers, 0, MOST_SUPPLIERS).map(({ id }) => id);
  const carriage = suppliers.map((supplier, k) =>
    finite(`suppliers[${k}].carriage`, supplier.carriage, { min: 0, max: 1e12 }),
  );
  finite('hourRate', hourRate, { min: 0, max: 1e9 });
  const seen = new Set<string>();
  const all = list<PortfolioInput['repairs'][number]>('repairs', repairs, 1, MOST_REPAIRS).map((repair, i) => {
    if (seen.has(repair?.id)) refuse('twice', `repairs[${i}].id`, `Two repairs are called ${repair.id}.`);
    seen.add(repair.id);
    return list<PortfolioOption>(`repairs[${i}].options`, repair.options, 1, MOST_OPTIONS).map((option, k): Option => {
      const field = `repairs[${i}].options[${k}]`;
      const bought = list<{ supplier: string; price: number }>(`${field}.buys`, option.buys ?? [], 0, 20);
      return {
        index: k,
        hours: finite(`${field}.hours`, option.hours, { min: 0, max: 1e6, unit: 'h' }),
        keeps: finite(`${field}.keeps`, option.keeps, { min: -1e9, max: 1e9 }),
        money: bought.reduce(
          (sum, { price }, b) => sum + finite(`${field}.buys[${b}].price`, price, { min: 0, max: 1e12 }),
          finite(`${field}.money`, option.money, { min: 0, max: 1e12 }),
        ),
        buys: bought.reduce((mask, { supplier }, b) => {
          const at = ids.indexOf(supplier);
          if (at < 0)
            refuse('unknown-supplier', `${field}.buys[${b}].supplier`, `${supplier} is not among the suppliers.`);
          return mask | (1 << at);
        }, 0),
      };
    });
  });
  return { repairs: all, carriage, hourRate };
}

/** Unbeaten plans that buy from these suppliers only. */
function within(repairs: readonly (readonly Option[])[], mask: number, fee: number): Beginning[] {
  let ends: Beginning[] = [{ hours: 0, money: fee, keeps: 0, option: -1, before: null }];
  for (const options of repairs) {
    const open = unbeatenOptions(options.filter(({ buys }) => (buys & mask) === buys));
    if (open.length === 0) return [];
    const lists = open.map((option) =>
      ends.map((before): Beginning => ({
        hours: before.hours + option.hours,
        money: before.money + option.money,
        keeps: before.keeps + option.keeps,
        option: option.index,
        before,
      })),
    );
    ends = lists.reduce(merged);
    if (ends.length > MOST_PLANS)
      refuse('too-many', 'repairs', 'There are too many plans that no other beats; leave out some options or repairs.');
  }
  return ends;
}

const unbeatenOptions = (options: readonly Option[]): Option[] =>
  [...options]
    .sort(rank)
    .reduce<Option[]>(
      (kept, option) => (kept.length > 0 && kept.at(-1)!.money <= option.money ? kept : [...kept, option]),
      [],
    );

/** By hours, then money, then how much stays original. */
const rank = (a: { hours: number; money: number; keeps: number }, b: { hours: number; money: number; keeps: number }) =>
  a.hours - b.hours || a.money - b.money || b.keeps - a.keeps;

const unbeaten = (plans: Beginning[]): Beginning[] => merged(plans.sort(rank), []);

/** Two lists, each by rising hours, as one in which none is beaten. */
function merged(a: readonly Beginning[], b: readonly Beginning[]): Beginning[] {
  const out: Beginning[] = [];
  let least = Infinity;
  for (let i = 0, k = 0; i < a.length || k < b.length;) {
    const next = k >= b.length || (i < a.length && rank(a[i]!, b[k]!) <= 0) ? a[i++]! : b[k++]!;
    if (next.money < least) {
      out.push(next);
      least = next.money;
    }
  }
  return out;
}

/** A plan with its sums, carriage counted for those suppliers from whom anything is bought. */
function told(picked: readonly Option[], { repairs, suppliers }: PortfolioInput): CarPlan {
  const used = picked.reduce((mask, { buys }) => mask | buys, 0);
  const fees = suppliers.reduce((sum, { carriage }, k) => (used & (1 << k) ? sum + carriage : sum), 0);
  const sum = (of: (option: Option) => number) => picked.reduce((all, option) => all + of(option), 0);
  return {
    choice: Object.fromEntries(repairs.map(({ id, options }, i) => [id, options[picked[i]!.index]!.id])),
    hours: sum(({ hours }) => hours),
    money: sum(({ money }) => money) + fees,
    keeps: sum(({ keeps }) => keeps),
  };
}

function picksOf(end: Beginning, repairs: readonly (readonly Option[])[]): Option[] {
  const picks: Option[] = [];
  for (let at: Beginning | null = end; at?.before; at = at.before)
    picks.unshift(repairs[repairs.length - 1 - picks.length]![at.option]!);
  return picks;
}

/** Of each repair the option that keeps most; of those alike the one with less money and hours. */
const mostOf = (options: readonly Option[], hourRate: number): Option =>
  options.reduce((a, b) =>
    b.keeps > a.keeps || (b.keeps === a.keeps && b.money + b.hours * hourRate < a.money + a.hours * hourRate) ? b : a,
  );
