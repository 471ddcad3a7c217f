import { readdirSync, readFileSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { describe, expect, it } from 'vitest';
import { inUnits } from '@aspecta/core/units';
import { THUMB_RULES, THUMB_SUBJECTS, thumbRule } from './index.ts';

const core = resolve(import.meta.dirname, '../../../core/src');
const files = (folder: string): string[] =>
  readdirSync(folder, { withFileTypes: true }).flatMap((entry) =>
    entry.isDirectory()
      ? files(join(folder, entry.name))
      : entry.name.endsWith('.ts')
        ? [join(folder, entry.name)]
        : [],
  );

describe('rules of thumb', () => {
  it('have a sentence for every one by which the core explains a figure', () => {
    const named = new Set(files(core).flatMap((file) => readFileSync(file, 'utf8').match(/\bT-\d\d\b/g) ?? []));
    expect([...named].filter((id) => !thumbRule(id))).toEqual([]);
    expect(new Set(THUMB_RULES.map(({ id }) => id)).size).toBe(THUMB_RULES.length);
  });

  it('belong to a subject each, are sentences, and read in inches as well', () => {
    for (const { subject, text } of THUMB_RULES) {
      expect(Object.keys(THUMB_SUBJECTS)).toContain(subject);
      expect(text).toMatch(/^[A-Z].*\.$/);
      expect(inUnits(text, { length: 'in', coating: 'mil', heat: 'F' }), text).not.toMatch(/\d mm/);
    }
  });
});
