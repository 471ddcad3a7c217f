import Joi from 'joi';
import { formatLength, parseLength } from '@aspecta/core/units';
import { calculation, mm, number, PRACTICE, word } from './kit.ts';

const unit = Joi.valid('mm', 'in').description('unit in which a bare number is meant');

export const unitsCalculations = [
  calculation({
    id: 'units.parseLength',
    title: 'Read a length',
    question: 'What length did the person write?',
    sources: ['1 in = 25.4 mm (1959)', 'Manufacturers’ Standard Gauge (figures from memory)'],
    needs: { text: word('as written: fractions, marks, decimal comma, sheet gauge'), unit },
    gives: { mm: mm('length') },
    example: { text: '6 3/4', unit: 'in' },
    run: parseLength,
  }),
  calculation({
    id: 'units.formatLength',
    title: 'Write a length',
    question: 'How does this length read on the rule?',
    sources: [PRACTICE],
    needs: { mm: mm('length'), unit: unit.description('unit to write in') },
    may: { denominator: number('finest fraction of an inch: 2, 4, 8, 16, 32 or 64') },
    gives: { text: word('rounded to 1/16 in or 0.5 mm, or as asked for') },
    example: { mm: 171.45, unit: 'in' },
    run: formatLength,
  }),
];
