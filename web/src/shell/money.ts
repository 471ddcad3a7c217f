import { Problem } from '@aspecta/core';

/** Signs that people write for money, and the currencies they may stand for (ISO 4217). */
const SIGNS: Readonly<Record<string, readonly string[]>> = {
  '€': ['EUR'],
  '£': ['GBP'],
  $: ['USD', 'CAD', 'AUD', 'NZD', 'SGD', 'HKD', 'MXN'],
  '¥': ['JPY', 'CNY'],
  '₹': ['INR'],
  zł: ['PLN'],
  kč: ['CZK'],
  ft: ['HUF'],
  kr: ['SEK', 'NOK', 'DKK', 'ISK'],
  fr: ['CHF'],
};

/**
 * Minor units (pence, cents) of an amount as it is typed: `380`, `380.50`, `1 250,00`, `1.250,00`, `€ 380`.
 * `1.250` could be meant either way: it, and what is no amount, is passed on as it is, so that the server refuses it at its field.
 *
 * @param currency of the shop, ISO 4217
 * @throws Problem `wrong-currency` at `field` where the sign written is that of other money
 */
export function minorUnits(text: string, currency: string, field: string): number | string {
  const sign = /[^\d\s.,’'+−-]+/u.exec(text)?.[0]?.toLowerCase();
  if (sign !== undefined) {
    const meant = SIGNS[sign] ?? (/^[a-z]{3}$/.test(sign) ? [sign.toUpperCase()] : undefined);
    if (meant && !meant.includes(currency))
      throw new Problem(
        'wrong-currency',
        field,
        `This shop reckons in ${currency}; write the amount in ${currency}, or let the owner change the house rules.`,
      );
    if (!meant) return text;
  }
  const bare = text.replace(/[^\d.,’'+−-]/gu, '');
  const grouped = /^\d{1,3}(?:([.,’'])\d{3})(?:\1\d{3})*([.,])\d{1,2}$/.exec(bare);
  const plain = (grouped && grouped[1] !== grouped[2] ? bare.replaceAll(grouped[1]!, '') : bare).replace(',', '.');
  return /^\d+(\.\d{1,2})?$/.test(plain) ? Math.round(Number(plain) * 100) : text;
}
export const majorUnits = (minor: number) => (minor / 100).toFixed(2);
