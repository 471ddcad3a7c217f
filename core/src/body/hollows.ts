import { panelsUnder } from './onePiece.ts';
import type { BodyPlan, Cavity, Panel } from './types.ts';

/** Work on some sheets of a panel; the outermost where none is named. */
export interface WorkOnSheets {
  panel: string;
  layers?: readonly string[] | undefined;
}

/** The sheets of a panel that work is on: those that it names, or the outermost. */
const sheetsOf = ({ layers: all }: Pick<Panel, 'layers'>, own: readonly string[] = []): string[] => {
  const known = all.map(({ id }) => id).filter((id) => own.includes(id));
  return known.length > 0 ? known : all.slice(0, 1).map(({ id }) => id);
};

/**
 * Which hollows are open while this is worked on, and shut by its last weld? Those that one of its sheets is a wall of:
 * a patch in the inner sill opens the inner hollow alone.
 *
 * @example hollowsAt(bodyPlan('saloon'), { panel: 'sill-l', layers: ['inner'] }).map(({ name }) => name) // → ["Inner sill cavity, left"]
 */
export function hollowsAt(body: BodyPlan, { panel, layers }: WorkOnSheets): Cavity[] {
  const under = new Map(
    panelsUnder(body, panel).flatMap((id) => {
      const member = body.panels.find((one) => one.id === id);
      return member ? [[id, sheetsOf(member, layers)] as const] : [];
    }),
  );
  return body.cavities.filter(({ walls }) =>
    walls.some((wall) => under.get(wall.panel)?.includes(wall.layer) ?? false),
  );
}

/**
 * Which sides of the metal stay in reach when this is welded: the outside of the outermost sheet, and the back of any
 * behind which no hollow lies. A sheet between two hollows has none.
 *
 * @example sidesInReach(bodyPlan('saloon'), { panel: 'sill-l', layers: ['inner'] }) // → ["back"]
 */
export function sidesInReach(body: BodyPlan, { panel: id, layers }: WorkOnSheets): ('outside' | 'back')[] {
  const panel = body.panels.find((one) => one.id === id);
  if (!panel) return [];
  const all = panel.layers.map((layer) => layer.id);
  const under = panelsUnder(body, id);
  const hollowsOf = (...sheets: (string | undefined)[]) =>
    body.cavities.filter(({ walls }) =>
      sheets.every((sheet) => walls.some((wall) => under.includes(wall.panel) && wall.layer === sheet)),
    ).length;
  /** Hollows that a sheet is a wall of, without the one between it and the sheet before it. */
  const behind = (sheet: string, i: number) => hollowsOf(sheet) - (i === 0 ? 0 : hollowsOf(all[i - 1], sheet));
  const own = sheetsOf(panel, layers);
  const sides: ('outside' | 'back')[] = [];
  if (own.includes(all[0]!)) sides.push('outside');
  if (all.some((sheet, i) => own.includes(sheet) && behind(sheet, i) === 0)) sides.push('back');
  return sides;
}
