import { finite, isWordOf } from '../check.ts';
import { refuse } from '../problem.ts';
import { MATERIALS, type WeldMaterial } from './material.ts';

/** With an arc, by flame, or pressed together between two electrodes. */
export type Process = 'mig' | 'tig' | 'gas' | 'spot';
/** Those that lay a bead of which the heat can be planned stitch by stitch. */
export type ArcProcess = 'mig' | 'tig';
export type Position = 'flat' | 'vertical' | 'overhead';
export type Polarity = 'DC+' | 'DC-' | 'AC';

export interface WeldSettings {
  /** A; null without an arc. */
  tackCurrent: number | null;
  /** A; a fifth less than for tacks. */
  seamCurrent: number | null;
  /** V at the seam current. */
  volts: number | null;
  polarity: Polarity | null;
  /** mm: wire (MIG) or filler rod; null for spots. */
  filler: number | null;
  /** mm/s; null for spots. */
  travel: number | null;
  gas: string;
  /** l/min; null where there is none to set. */
  gasFlow: number | null;
  notes: string[];
}
/** Settings of an arc, which has all of them. */
export type ArcSettings = WeldSettings & {
  [key in 'tackCurrent' | 'seamCurrent' | 'volts' | 'filler' | 'travel']: number;
};

export interface SettingsInput {
  process: Process;
  /** mm of one sheet. */
  thickness: number;
  /** mm of the other one, where it differs: the thinner sets the current. */
  other?: number;
  material?: WeldMaterial;
  position?: Position;
}

/** A for each mm of sheet: 1 A for each 0.001 in; common practice, no published source. */
const AMPS_PER_MM = 40;
/** Seam current as a share of tack current. */
const SEAM_SHARE = 0.8;
/** Less current where gravity pulls the pool out; common practice, no published source. */
const POSITION_SHARE: Readonly<Record<Position, number>> = { flat: 1, vertical: 0.9, overhead: 0.85 };
/** How many times as thick the other sheet may be before the thinner one burns away; common practice, no published source. */
const MOST_UNEQUAL = 3;
/** mm. Spots through thicker sheets, or an aluminium wire fed evenly into a thinner one, are beyond a workshop's machine. */
const THICKEST_SPOT = 3;
const THINNEST_ALUMINIUM_MIG = 1.5;

/** Why a process does not join a material in a workshop; a pair that is not here can be done. */
const CANNOT: Partial<Record<Process, Partial<Record<WeldMaterial, string>>>> = {
  spot: {
    aluminium:
      'Aluminium takes several times the current that a workshop spot welder gives: use TIG on AC, or rivets as it was built.',
  },
  gas: {
    zinc: 'The flame burns the zinc off a wide strip and fills the air with its fumes: take the coat off first and weld it as steel, or use MIG.',
    stainless: 'The flame carries carbon into stainless steel, which then rusts beside the weld: use TIG.',
  },
};

/**
 * How is the welder set for this sheet? A starting point: weld a test piece of the same sheet
 * first.
 *
 * @param process "mig", "tig", "gas" or "spot"
 * @param thickness of one sheet, 0.5 to 6 mm; `other` of the second, where it differs
 * @param material "steel" when left out, "zinc" for a galvanised sheet, "stainless" or "aluminium"
 * @param position "flat", "vertical" or "overhead"
 * @throws Problem naming the field; `cannot-be-welded` for a process that does not join the material
 * Source: currents common practice; arc volts 14 + 0.05·I (MIG) and 10 + 0.04·I (TIG), the
 * conventional load voltages of IEC 60974-1 (memory). Gases and polarity: T-47 and common practice.
 * @example settings({ process: 'tig', thickness: 1.2, material: 'aluminium' }).polarity // 'AC'
 */
export function settings(input: SettingsInput & { process: ArcProcess }): ArcSettings;
export function settings(input: SettingsInput): WeldSettings;
export function settings({
  process,
  thickness,
  other,
  material = 'steel',
  position = 'flat',
}: SettingsInput): WeldSettings {
  if (!['mig', 'tig', 'gas', 'spot'].includes(process))
    refuse('unknown-process', 'process', 'process must be "mig", "tig", "gas" or "spot".');
  if (!isWordOf(MATERIALS, material))
    refuse('unknown-material', 'material', 'material must be "steel", "zinc", "stainless" or "aluminium".');
  if (!isWordOf(POSITION_SHARE, position))
    refuse('unknown-position', 'position', 'position must be "flat", "vertical" or "overhead".');
  finite('thickness', thickness, { min: 0.5, max: 6, unit: 'mm' });
  if (other !== undefined) finite('other', other, { min: 0.5, max: 6, unit: 'mm' });
  const [thin, thick] = [Math.min(thickness, other ?? thickness), Math.max(thickness, other ?? thickness)];
  checkPair(process, material, thin, thick);
  const notes = notesFor({ process, material, thin, thick, position });
  if (process === 'spot')
    return { ...NO_ARC, filler: null, travel: null, gas: 'none', gasFlow: null, notes: [...spotNotes(thin), ...notes] };
  if (process === 'gas') {
    const aluminium = material === 'aluminium';
    return {
      ...NO_ARC,
      filler: thin <= 1.2 ? 1.6 : 2,
      travel: 1.5,
      gas: `oxygen and acetylene, ${aluminium ? 'flame a touch on the acetylene side' : 'neutral flame'}`,
      gasFlow: null,
      notes: [
        'A small tip: a long soft zone that can be planished, slower and wider than TIG.',
        ...(aluminium ? ['Flux on sheet and rod, and wash every trace of it off: what stays eats the metal.'] : []),
        ...notes,
      ],
    };
  }
  return { ...arcOf(process, material, thin, position), notes };
}

const NO_ARC = { tackCurrent: null, seamCurrent: null, volts: null, polarity: null } as const;

function checkPair(process: Process, material: WeldMaterial, thin: number, thick: number): void {
  const why = CANNOT[process]?.[material];
  if (why) refuse('cannot-be-welded', 'material', why);
  if (process === 'mig' && material === 'aluminium' && thin < THINNEST_ALUMINIUM_MIG)
    refuse(
      'cannot-be-welded',
      'process',
      `Aluminium under ${THINNEST_ALUMINIUM_MIG} mm burns away before a MIG wire runs evenly: use TIG on AC.`,
    );
  if (process === 'spot' && thick > THICKEST_SPOT)
    refuse(
      'cannot-be-welded',
      'thickness',
      `A workshop spot welder does not go through sheets of more than ${THICKEST_SPOT} mm: plug them.`,
    );
  if (thick > MOST_UNEQUAL * thin)
    refuse(
      'cannot-be-welded',
      'other',
      `${thick} mm beside ${thin} mm: the thin sheet burns away before the thick one melts. Let in a step, or plug through the thin one.`,
    );
}

function arcOf(
  process: ArcProcess,
  material: WeldMaterial,
  thin: number,
  position: Position,
): Omit<ArcSettings, 'notes'> {
  const aluminium = material === 'aluminium';
  const tackCurrent = Math.round(AMPS_PER_MM * thin * POSITION_SHARE[position]);
  const seamCurrent = Math.round(tackCurrent * SEAM_SHARE);
  const mig = process === 'mig';
  const gases = {
    mig: {
      steel: 'argon with 5 to 20 % carbon dioxide',
      zinc: 'argon with 5 to 20 % carbon dioxide',
      stainless: 'argon with 2 % carbon dioxide',
      aluminium: 'pure argon',
    },
    tig: { steel: 'argon', zinc: 'argon', stainless: 'argon, on the back as well', aluminium: 'pure argon' },
  };
  return {
    tackCurrent,
    seamCurrent,
    volts: Math.round((mig ? 14 + 0.05 * seamCurrent : 10 + 0.04 * seamCurrent) * 10) / 10,
    polarity: mig ? 'DC+' : aluminium ? 'AC' : 'DC-',
    filler: mig
      ? aluminium
        ? 1.0
        : thin <= 1.2
          ? 0.6
          : thin <= 2.5
            ? 0.8
            : 1.0
      : thin <= 1.2
        ? aluminium
          ? 1.6
          : 1.0
        : 1.6,
    travel: mig ? (aluminium ? 8 : 5) : aluminium ? 3 : 2,
    gas: gases[process][material],
    gasFlow: mig ? (aluminium ? 14 : 10) : aluminium ? 9 : 7,
  };
}

function notesFor({
  process,
  material,
  thin,
  thick,
  position,
}: {
  process: Process;
  material: WeldMaterial;
  thin: number;
  thick: number;
  position: Position;
}): string[] {
  const arc = process === 'mig' || process === 'tig';
  return [
    'Weld a test piece of the same sheet first and look at its back.',
    ...(arc && thin <= 1 && material !== 'aluminium'
      ? ['Old or thin metal blows through: copper behind it takes the heat away.']
      : []),
    ...(thick > thin ? ['Hold the heat on the thicker sheet and let it wash over onto the thinner one.'] : []),
    ...(material === 'zinc'
      ? [
          'Grind the zinc off both faces well beyond the weld: its fumes make ill, and it spoils the bead. Air the place.',
        ]
      : []),
    ...(material === 'stainless' ? ['Its own brush and discs: steel dust in it rusts. It warps more than steel.'] : []),
    ...(material === 'aluminium'
      ? [
          'Its own stainless brush, no steel dust, oxide off just before welding; it gives no glow before it drops through.',
          'Never joined to steel by fusion; keep the two apart from each other.',
        ]
      : []),
    ...(position === 'overhead' && process !== 'spot'
      ? ['Overhead is slow and poor: if it can be marked from below and welded from above, do that.']
      : []),
  ];
}

/** Nugget by the square root of the sheet: ISO 14373, 4√t to 5√t *(memory)*. */
const spotNotes = (thin: number): string[] => [
  `Weld nuggets of ${(4 * Math.sqrt(thin)).toFixed(1)} to ${(5 * Math.sqrt(thin)).toFixed(1)} mm: tear a test piece apart and measure one.`,
  'Both sheets bare where the electrodes press and where they meet; the machine reaches both sides. Where it does not reach, plug.',
];

/** Share of the arc's heat that goes into the sheet. Source: EN 1011-1: 0.8 for MAG, 0.6 for TIG. */
export const EFFICIENCY: Readonly<Record<ArcProcess, number>> = { mig: 0.8, tig: 0.6 };

/**
 * How much heat goes into a millimetre of weld?
 *
 * @param volts V; amps A; speed mm/s
 * @returns kJ/mm, thermal efficiency included
 * Source: EN 1011-1: Q = k·U·I/(v·1000).
 */
export function heatInput({
  process,
  volts,
  amps,
  speed,
}: {
  process: ArcProcess;
  volts: number;
  amps: number;
  speed: number;
}): { heatInput: number } {
  if (!isWordOf(EFFICIENCY, process)) refuse('unknown-process', 'process', 'process must be "mig" or "tig".');
  finite('volts', volts, { above: 0, max: 100, unit: 'V' });
  finite('amps', amps, { above: 0, max: 1000, unit: 'A' });
  finite('speed', speed, { above: 0, max: 1000, unit: 'mm/s' });
  return { heatInput: (EFFICIENCY[process] * volts * amps) / speed / 1000 };
}

/**
 * How long does the weld take from 800 to 500 °C in thin sheet?
 *
 * @param heatInput kJ/mm with efficiency; thickness mm; preheat °C (below 500); f2 shape factor, 1 for a bead on plate
 * @returns t8/5 in s
 * Source: EN 1011-2, D.6, two-dimensional heat flow.
 */
export function cooling({
  heatInput: q,
  thickness,
  preheat,
  f2 = 1,
}: {
  heatInput: number;
  thickness: number;
  preheat: number;
  f2?: number;
}): { t85: number } {
  finite('heatInput', q, { above: 0, max: 20, unit: 'kJ/mm' });
  finite('thickness', thickness, { min: 0.05, max: 100, unit: 'mm' });
  finite('preheat', preheat, { min: -50, max: 490, unit: '°C' });
  finite('f2', f2, { above: 0, max: 2 });
  return {
    t85:
      (((4300 - 4.3 * preheat) * 1e5 * q * q) / (thickness * thickness)) *
      (1 / (500 - preheat) ** 2 - 1 / (800 - preheat) ** 2) *
      f2,
  };
}

/** °C. Above it mild steel is hardly solid, and the law of the cooling sheet says nothing. */
const HARDLY_SOLID = 1400;

/**
 * How warm is the middle of a weld in thin sheet, some time after the arc has passed? In a sheet the rise falls
 * with the root of the time; t8/5 says how fast.
 *
 * @param t85 s from 800 to 500 °C; preheat °C before welding; times s after the arc has passed
 * @returns °C at each time; null where the metal was still molten or nearly so
 * @throws Problem naming the field
 * Source: EN 1011-2, D.6, two-dimensional heat flow, of which t8/5 is one piece.
 * @example
 * afterWeld({ t85: 8, preheat: 20, times: [60] }); // → [166.2]
 */
export function afterWeld({
  t85,
  preheat,
  times,
}: {
  t85: number;
  preheat: number;
  times: readonly number[];
}): (number | null)[] {
  finite('t85', t85, { above: 0, unit: 's' });
  finite('preheat', preheat, { min: -50, max: 490, unit: '°C' });
  const perRise = t85 / (1 / (500 - preheat) ** 2 - 1 / (800 - preheat) ** 2);
  return times.map((time, i) => {
    finite(`times[${i}]`, time, { min: 0, unit: 's' });
    const now = preheat + Math.sqrt(perRise / time);
    return now <= HARDLY_SOLID ? Number(now.toFixed(1)) : null;
  });
}
