import { Problem } from '@aspecta/core';

const two = (hour: number) => {
  const minutes = Math.round((hour % 1) * 60);
  return `${Math.floor(hour)}${minutes === 0 ? '' : `:${String(minutes).padStart(2, '0')}`}`;
};

/** Spans of hours as one writes them: 9-12, 14-17:30. */
export const hoursText = (spans: readonly (readonly [number, number])[]): string =>
  spans.map(([from, to]) => `${two(from)}-${two(to)}`).join(', ');

/** The spans that were written. @throws Problem at the field */
export function readHours(text: string, field: string): [number, number][] {
  return text
    .split(/[,;]/)
    .map((part) => part.trim())
    .filter((part) => part !== '')
    .map((part): [number, number] => {
      const [, from, fromMinutes = '0', to, toMinutes = '0'] =
        /^(\d{1,2})(?:[:.](\d\d))?\s*(?:-|–|to)\s*(\d{1,2})(?:[:.](\d\d))?$/.exec(part) ?? [];
      const [a, b] = [Number(from) + Number(fromMinutes) / 60, Number(to) + Number(toMinutes) / 60];
      if (from === undefined || !(b > a) || b > 24)
        throw new Problem('no-hours', field, `“${part}” is no stretch of hours; write 19-21, or 9-12, 14-17:30.`);
      return [a, b];
    });
}
