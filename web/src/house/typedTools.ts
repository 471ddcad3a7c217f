import type { Tools } from '@aspecta/core/repair';
import type { useUnits } from '../shell/units.ts';

type Units = ReturnType<typeof useUnits>;
/** What stands in the workshop, as it is typed: a length left empty means that there is none. */
export interface TypedTools {
  spotArm: string;
  bender: string;
  turns: boolean;
  /** Somebody has said what is there: an empty length is then none, not unknown. */
  said: boolean;
}
export const NO_TOOLS: TypedTools = { spotArm: '', bender: '', turns: false, said: false };

export const typedTools = (tools: Tools | null | undefined, units: Units): TypedTools =>
  tools
    ? {
        spotArm: tools.spotArm === null ? '' : units.typed(tools.spotArm),
        bender: tools.bender === null ? '' : units.typed(tools.bender),
        turns: tools.turns,
        said: true,
      }
    : { ...NO_TOOLS };

/** What the fields mean; a length that nobody has touched stays exactly what is stored. What is no length goes to the server as it is typed. */
export function toolsOf(typed: TypedTools, stored: Tools | null | undefined, units: Units) {
  if (!typed.said) return null;
  const shown = typedTools(stored, units);
  const length = (tool: 'spotArm' | 'bender') => {
    if (typed[tool].trim() === '') return null;
    return stored && typed[tool] === shown[tool] ? stored[tool] : (units.read(typed[tool]) ?? typed[tool]);
  };
  return { spotArm: length('spotArm'), bender: length('bender'), turns: typed.turns };
}
