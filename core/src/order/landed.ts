import { finite, list } from '../check.ts';
import { refuse } from '../problem.ts';

export interface LandedInput {
  /** Price each before tax, minor units; weight each in kg where carriage is shared by weight. */
  lines: readonly { price: number; quantity: number; weight?: number }[];
  /** Of the whole parcel before tax, minor units. */
  carriage: number;
  /** 0.2 = 20 %. */
  taxRate: number;
  taxOnCarriage: boolean;
  shareBy?: 'value' | 'weight';
}

export interface LandedLine {
  goods: number;
  carriage: number;
  tax: number;
  /** All that the line costs, minor units. */
  landed: number;
  /** For one piece, minor units, rounded. */
  landedEach: number;
}

/**
 * What does each line of a parcel cost in all? Landed price = goods + its share of the
 * carriage + tax; shares and taxes add up to the cent (largest remainder).
 *
 * @throws Problem naming the field
 * Source: common practice, no published source.
 */
export function landed({ lines, carriage, taxRate, taxOnCarriage, shareBy = 'value' }: LandedInput): {
  lines: LandedLine[];
  goods: number;
  carriage: number;
  tax: number;
  total: number;
} {
  list<LandedInput['lines'][number]>('lines', lines, 1, 1000).forEach((line, i) => {
    wholeMoney(`lines[${i}].price`, line.price);
    finite(`lines[${i}].quantity`, line.quantity, { min: 1, max: 10_000 });
    if (!Number.isInteger(line.quantity))
      refuse('not-whole', `lines[${i}].quantity`, `lines[${i}].quantity must be a whole number.`);
    if (shareBy === 'weight') finite(`lines[${i}].weight`, line.weight, { min: 0, unit: 'kg' });
  });
  wholeMoney('carriage', carriage);
  finite('taxRate', taxRate, { min: 0, max: 1 });
  const goods = lines.map((line) => line.price * line.quantity);
  const keys = shareBy === 'weight' ? lines.map((line) => line.weight! * line.quantity) : goods;
  const carriages = shareOut(carriage, keys);
  const taxed = goods.map((g, i) => g + (taxOnCarriage ? carriages[i]! : 0));
  const tax = Math.round(taxed.reduce((sum, x) => sum + x, 0) * taxRate);
  const taxes = shareOut(tax, taxed);
  const result = lines.map((line, i): LandedLine => {
    const all = goods[i]! + carriages[i]! + taxes[i]!;
    return {
      goods: goods[i]!,
      carriage: carriages[i]!,
      tax: taxes[i]!,
      landed: all,
      landedEach: Math.round(all / line.quantity),
    };
  });
  const sum = (of: readonly number[]) => of.reduce((a, b) => a + b, 0);
  return { lines: result, goods: sum(goods), carriage, tax, total: sum(goods) + carriage + tax };
}

function wholeMoney(field: string, amount: number): void {
  finite(field, amount, { min: 0, max: 1e10 });
  if (!Number.isInteger(amount))
    refuse('not-whole', field, `${field} is in minor units (pence, cents) and must be a whole number.`);
}

/** Shares an amount of minor units by keys; equal shares where all keys are zero; adds up exactly. */
function shareOut(amount: number, keys: readonly number[]): number[] {
  const total = keys.reduce((sum, key) => sum + key, 0);
  const exact = keys.map((key) => (total > 0 ? (amount * key) / total : amount / keys.length));
  const shares = exact.map(Math.floor);
  const left = amount - shares.reduce((sum, share) => sum + share, 0);
  const byRemainder = exact
    .map((x, i) => ({ i, rest: x - Math.floor(x) }))
    .sort((a, b) => b.rest - a.rest || a.i - b.i);
  for (let k = 0; k < left; k++) shares[byRemainder[k % byRemainder.length]!.i]!++;
  return shares;
}
