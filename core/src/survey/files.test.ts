import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { bodyPlan } from '../body/index.ts';
import { gaugeLine, importReadings, readingCells, READING_COLUMNS, textCell, type KeptReading } from './index.ts';

describe('lines of a gauge', () => {
  it.each([
    ['R 17 142.5', { type: 'reading', seq: 17, value: 142.5, censored: null }],
    ['R 18 OVER 2000', { type: 'reading', seq: 18, value: 2000, censored: 'above' }],
    ['R 19 UNDER 0.50', { type: 'reading', seq: 19, value: 0.5, censored: 'below' }],
    ['R 20 NONE', { type: 'reading', seq: 20, value: null, censored: null }],
    ['BAT 18', { type: 'battery', percent: 18 }],
    ['HELLO coating 0 2000 Bench gauge', { type: 'hello', kind: 'coating', range: [0, 2000], name: 'Bench gauge' }],
    ['ZEROED', { type: 'zeroed' }],
    ['DRIFT', { type: 'drift' }],
  ])('%s', (line, said) => expect(gaugeLine(line)).toEqual(said));

  it('takes everything else for nonsense, and never throws', () => {
    for (const line of ['R 7x ??', 'R 1 -5', 'R 1 NaN', 'BAT 900', '', 'R 1 5 5', '\u0001\u0002'])
      expect(gaugeLine(line).type).toBe('nonsense');
    fc.assert(fc.property(fc.string(), (line) => void expect(gaugeLine(line).type).toBeTruthy()));
  });
});

describe('readings in a file', () => {
  const plan = bodyPlan('saloon');
  const kept: KeptReading[] = [
    {
      panel: 'sill-l',
      layer: 'outer',
      u: 300.5,
      v: 60,
      coatingUm: 2000,
      coatingOver: true,
      metalMm: 1.07,
      note: '=1+1',
      at: '2026-01-02T03:04:05.678Z',
      by: '-x',
      instrument: 'K',
    },
    {
      panel: 'sill-l',
      layer: 'outer',
      u: 310,
      v: 60,
      metalMm: 0.5,
      metalUnder: true,
      note: '\'quoted, "text"',
      at: '',
      by: '',
      instrument: '',
    },
    { panel: 'roof', layer: 'outer', u: 500.25, v: 500, probe: 'soft', at: '', by: '', instrument: '' },
  ];
  it('come back as they were, formulas defused', () => {
    const csv = [READING_COLUMNS, ...kept.map(readingCells)]
      .map((row) => row.map((cell) => `"${String(cell).replaceAll('"', '""')}"`).join(','))
      .join('\n');
    expect(csv).toContain(`"'=1+1"`);
    const { readings, errors } = importReadings(csv, plan);
    expect(errors).toEqual([]);
    readings.forEach((reading, i) => {
      const { at: _at, by: _by, instrument, ...rest } = kept[i]!;
      expect(
        Object.fromEntries(Object.entries(reading).filter(([, value]) => value !== undefined && value !== '')),
      ).toEqual({
        ...rest,
        ...(instrument ? { instrument } : {}),
      });
    });
  });
  it('cannot start a formula', () => {
    for (const text of ['=A1', '+1', '-1', '@x', '\tx', ' =A1', '\n=A1', ' \r\n @x', '\nx'])
      expect(textCell(text)).toBe(`'${text}`);
    expect(textCell('plain = text')).toBe('plain = text');
  });
  it('names an unknown verdict of the probe', () => {
    const { errors } = importReadings('panel,layer,u_mm,v_mm,probe\nroof,outer,500,500,wobbly', plan);
    expect(errors[0]).toMatchObject({ line: 2, column: 'probe' });
  });
});
