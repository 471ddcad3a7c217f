import { finite, list } from '../check.ts';
import { clip, simpleRing, type Point, type Polygon, type Ring } from '../geometry/index.ts';
import { refuse } from '../problem.ts';
import { costOf } from './costField.ts';
import { checkedRules, type CutPanel, type CutRules } from './rules.ts';

/** What a line is laid for: the sheet it is cut in, the damage it takes out, and how much good metal is asked for around that. */
export interface CutTask {
  /** Outline, openings, creases and what makes cutting dear or cheap, mm. */
  panel: CutPanel;
  /** Outlines of the damaged areas, mm. */
  damage: readonly Ring[];
  /** Sound metal beyond the damage, 0 to 200 mm. */
  margin: number;
  house?: Partial<CutRules>;
}

/** The same, checked: the sheet with its openings, and the damage that lies on it. */
export interface Ground {
  panel: CutPanel;
  rules: CutRules;
  sheet: Polygon;
  damage: readonly Polygon[];
  margin: number;
  /** What a millimetre of cut costs at a place; Infinity where the metal cannot be welded. */
  costAt: (place: Point) => number;
}

/** @throws Problem naming the field */
export function groundOf({ panel, damage, margin, house }: CutTask): Ground {
  const rules = checkedRules(house);
  finite('margin', margin, { min: 0, max: 200, unit: 'mm' });
  const sheet: Polygon = [
    simpleRing('panel.outline', panel?.outline),
    ...(panel.openings ?? []).map((ring, i) => simpleRing(`panel.openings[${i}]`, ring)),
  ];
  const rings = list<Ring>('damage', damage, 1, 100).map((ring, i) => simpleRing(`damage[${i}]`, ring));
  const onSheet = rings.flatMap((ring) => clip('intersection', [ring], sheet).polygons);
  if (onSheet.length === 0)
    refuse('outside-panel', 'damage', 'The damage lies outside the panel; draw it on the sheet.');
  return { panel, rules, sheet, damage: onSheet, margin, costAt: costOf(panel, sheet, rules) };
}
