import { computed } from 'vue';
import { celsiusOf, fahrenheitOf, formatLength, milOf, parseLength, type LengthUnit } from '@aspecta/core/units';
import { said as sentence } from './said.ts';
import { unitsOf, useSession } from './session.ts';

const MM2_PER_SQ_IN = 25.4 ** 2;
/** A number as it is typed, in our own unit; null where it is none. */
function scaled(text: string, factor: number): number | null {
  const value = Number(text.trim().replace(',', '.'));
  return text.trim() === '' || !Number.isFinite(value) ? null : value * factor;
}

/** Writes lengths, thicknesses, areas, money and times the way this shop reads them. */
export function useUnits() {
  const session = useSession();
  const unit = computed<LengthUnit>(() => session.current?.shop.unit ?? 'mm');
  const currency = computed(() => session.current?.shop.currency ?? 'EUR');
  const length = (mm: number) => formatLength({ mm, unit: unit.value }).text;
  /** A length that is marked with a tape: in an inch shop to a thirty-second. */
  const marked = (mm: number) => formatLength({ mm, unit: unit.value, denominator: 32 }).text;
  /** What is read with a feeler or a caliper and not on a rule: a tenth of a mm, a thousandth of an inch; longer ones as on a rule. */
  const fine = (mm: number) => {
    if (Math.abs(mm) >= 6) return marked(mm);
    return unit.value === 'mm' ? `${Number(mm.toFixed(1))} mm` : `${Number((mm / 25.4).toFixed(3))}"`;
  };
  const sheet = (mm: number) => (unit.value === 'mm' ? `${mm.toFixed(2)} mm` : `${(mm / 25.4).toFixed(3)}"`);
  const sheetDoubt = (mm: number, sd: number) =>
    unit.value === 'mm'
      ? `${mm.toFixed(2)} ± ${sd.toFixed(2)} mm`
      : `${(mm / 25.4).toFixed(3)} ± ${(sd / 25.4).toFixed(3)}"`;
  const area = (mm2: number) =>
    unit.value === 'mm'
      ? `${(mm2 / 100).toFixed(mm2 < 10_000 ? 1 : 0)} cm²`
      : `${(mm2 / MM2_PER_SQ_IN).toFixed(1)} sq in`;
  /** In the money of the shop, or in that of the day on which it was promised. */
  const money = (minor: number, of = currency.value) =>
    new Intl.NumberFormat('en-GB', { style: 'currency', currency: of }).format(minor / 100);
  const roundMoney = (minor: number, of = currency.value) =>
    new Intl.NumberFormat('en-GB', { style: 'currency', currency: of, maximumFractionDigits: 0 }).format(minor / 100);
  /** A length as it stands in a field whose label names the unit: inches with four places, so that thin sheet keeps its figures. */
  const typed = (mm: number) => (unit.value === 'mm' ? String(mm) : String(Number((mm / 25.4).toFixed(4))));
  /** mm of what was typed, or null where that is no length; a bare number is in the unit of the shop. */
  const read = (text: string) => {
    const [, sign, rest] = /^\s*([-−]?)(.*)$/su.exec(text)!;
    try {
      const { mm } = parseLength({ text: rest!, unit: unit.value });
      return sign ? -mm : mm;
    } catch {
      return null;
    }
  };
  /** The unit of a bare number, as labels name it. */
  const word = computed(() => (unit.value === 'in' ? 'inches' : 'mm'));
  const person = computed(() => unitsOf(session.current?.shop));
  /** What is said of something that is no length. */
  const noLength = () => `Type a length in ${word.value}, as ${unit.value === 'in' ? '42 3/8' : '1076'}.`;
  /** A sentence of the server or the core, which speak of mm, µm and °C, as this shop reads it. */
  const said = (text: string) => sentence(text, person.value);
  /** Coatings: as they are read, the word of a bare number, and what one means that was typed. */
  const coating = {
    text: (um: number) => (person.value.coating === 'mil' ? `${milOf(um).toFixed(1)} mil` : `${um.toFixed(0)} µm`),
    word: computed(() => (person.value.coating === 'mil' ? 'mil' : 'µm')),
    typed: (um: number) => (person.value.coating === 'mil' ? String(Number(milOf(um).toFixed(2))) : String(um)),
    /** µm of what was typed; null where it is no number. */
    read: (text: string) => scaled(text, person.value.coating === 'mil' ? 25.4 : 1),
  };
  /** Small areas, as of a pit: mm² or square inches. */
  const spot = {
    word: computed(() => (unit.value === 'in' ? 'sq in' : 'mm²')),
    typed: (mm2: number) => String(unit.value === 'in' ? Number((mm2 / MM2_PER_SQ_IN).toPrecision(4)) : mm2),
    read: (text: string) => scaled(text, unit.value === 'in' ? MM2_PER_SQ_IN : 1),
  };
  /** The same for temperatures. */
  const heat = {
    text: (c: number) => (person.value.heat === 'F' ? `${Math.round(fahrenheitOf(c))} °F` : `${Math.round(c)} °C`),
    word: computed(() => `°${person.value.heat}`),
    /** As the axis of a chart counts it. */
    shown: (c: number) => (person.value.heat === 'F' ? fahrenheitOf(c) : c),
    typed: (c: number) => String(person.value.heat === 'F' ? Number(fahrenheitOf(c).toFixed(1)) : c),
    /** °C of what was typed; what is no number is passed on, so that the server refuses it at its field. */
    read: (text: string): number | string => {
      const value = Number(text.trim().replace(',', '.'));
      if (text.trim() === '' || !Number.isFinite(value)) return text;
      return person.value.heat === 'F' ? celsiusOf(value) : value;
    },
  };
  return {
    unit,
    word,
    person,
    said,
    coating,
    spot,
    heat,
    typed,
    read,
    noLength,
    length,
    marked,
    fine,
    sheet,
    sheetDoubt,
    area,
    money,
    roundMoney,
  };
}

export const percent = (share: number) =>
  share > 0 && share < 0.0005 ? '< 0.1 %' : `${(share * 100).toFixed(share < 0.1 && share > 0 ? 1 : 0)} %`;
export const hours = (value: number) => (value < 1 ? `${Math.round(value * 60)} min` : `${value.toFixed(1)} h`);

/** 95 s → "1:35". */
export function clock(seconds: number): string {
  const whole = Math.max(0, Math.round(seconds));
  return `${Math.floor(whole / 60)}:${String(whole % 60).padStart(2, '0')}`;
}
/** 5400 s → "1 h 30 min". */
export function duration(seconds: number): string {
  const minutes = Math.round(seconds / 60);
  return minutes < 60 ? `${minutes} min` : `${Math.floor(minutes / 60)} h ${minutes % 60} min`;
}
