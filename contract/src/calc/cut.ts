import Joi from 'joi';
import type { AreaKind, PanelArea } from '@aspecta/core/body';
import {
  cutLine,
  cutOffsets,
  drillOut,
  enclosing,
  passage,
  split,
  type CutPanel,
  type CutTask,
} from '@aspecta/core/cut';
import type { Ring } from '@aspecta/core/geometry';
import {
  calculation,
  degrees,
  flag,
  many,
  maybe,
  mm,
  number,
  numbers,
  object,
  point,
  points,
  polygon,
  PRACTICE,
  ring,
  seconds,
  table,
  word,
  rings,
} from './kit.ts';

const LOOK_BEHIND =
  'Look behind the sheet first: wiring, fuel and brake lines, the next layer. Brace every opening that loses a side.';
/** The panel as one types it: parts of it in a list for each kind, without names. */
type TypedPanel = Omit<CutPanel, 'areas'> & Partial<Record<'hidden' | 'doubleCurved' | 'heatSensitive', Ring[]>>;
type LineInput = Omit<CutTask, 'panel'> & { panel: TypedPanel };
function areasIn({ hidden = [], doubleCurved = [], heatSensitive = [] }: TypedPanel): PanelArea[] {
  const named = (kind: AreaKind, name: string, all: readonly Ring[]) =>
    all.map((outline): PanelArea => ({ kind, name, outline }));
  return [
    ...named('trim', 'trim', hidden),
    ...named('double', 'double curvature', doubleCurved),
    ...named('heat', 'glass, lead, wiring or foam', heatSensitive),
  ];
}
const through = {
  passes: flag('it goes through with the play asked for'),
  margin: mm('play beyond the clearance; negative: missing'),
  how: word('which way'),
  section: object({ width: mm('width'), depth: mm('depth') }, 'what must pass'),
  direction: maybe(degrees('movement from u; null: face first')),
  turn: degrees('of the section in the opening'),
};
const piece = {
  piece: polygon('outline of the piece'),
  depth: mm('across its plane'),
  opening: object({ a: mm('clear side'), b: mm('clear side') }, 'opening'),
  clearance: mm('play in all'),
};
const opened = {
  piece: [
    [
      [0, 0],
      [1800, 0],
      [1800, 1200],
      [0, 1200],
    ],
  ],
  depth: 120,
  opening: { a: 850, b: 700 },
  clearance: 50,
};

export const cutCalculations = [
  calculation({
    id: 'cut.enclosing',
    title: 'Cheapest line around damage',
    question: 'Where does the cheapest closed line around these cells run?',
    sources: ['Ford & Fulkerson 1956', 'Boykov & Jolly 2001 (inside costs)', 'Boykov & Kolmogorov 2004'],
    needs: {
      rows: number('rows of the grid'),
      cols: number('columns of the grid'),
      cost: numbers('cost of cutting at each cell, row by row, above 0'),
      source: numbers('indexes of cells that must lie inside'),
    },
    may: {
      blocked: numbers('indexes of cells that the line may not touch'),
      inside: numbers('what it costs that a cell lies inside, row by row, 0 or more'),
    },
    gives: {
      value: number('sum of the edges that are cut and of the inside costs'),
      inside: numbers('indexes of the cells inside'),
    },
    example: {
      rows: 5,
      cols: 5,
      cost: [1, 1, 1, 1, 1, 1, 2, 2, 2, 1, 1, 2, 9, 2, 1, 1, 2, 2, 2, 1, 1, 1, 1, 1, 1],
      source: [12],
    },
    heavy: true,
    run: enclosing,
  }),
  calculation({
    id: 'cut.line',
    title: 'Cut line',
    question: 'Where does the saw go?',
    sources: ['Boykov & Kolmogorov 2004 (minimum cut)', `costs and margins: ${PRACTICE}`],
    cautions: [LOOK_BEHIND],
    needs: {
      panel: object({ outline: ring('outline') }, 'panel', {
        openings: rings('openings'),
        creases: many(
          object({ line: points('line') }, '', { id: word('mark'), name: word('name') }).unknown(),
          'creases',
        ),
        flanges: rings('flanges that can be welded to'),
        holes: rings('holes and drains to keep clear of'),
        hidden: rings('areas under trim or carpet'),
        doubleCurved: rings('areas of double curvature'),
        heatSensitive: rings('areas beside glass, lead, wiring or foam'),
        unweldable: rings('areas too thin to weld to'),
        seams: many(object({ line: points('seam'), pitch: mm('pitch of its spots') }).unknown(), 'spot-welded seams'),
        mounts: many(object({ at: point('place'), name: word('name') }).unknown(), 'mounts to keep clear of'),
        layers: many(word('layer'), 'sheets behind each other, outermost first'),
      }).unknown(),
      damage: many(Joi.array().items(Joi.array().items(Joi.number().unsafe()).length(2)), 'outlines of the damage, mm'),
      margin: mm('sound metal beyond the damage'),
    },
    may: {
      house: object({}, 'rules', {
        maxCorners: number('most straight runs'),
        cornerRadius: mm('radius of corners'),
        roughGap: mm('rough cut short of the line'),
        kerf: mm('width of the blade'),
        snap: mm('how near a crease the line keeps to it'),
        besideCrease: mm('beside a crease'),
      }).unknown(),
    },
    gives: {
      runs: many(table('from, to, length, follows, name, why, cut'), 'straight runs'),
      corners: points('corners to mark'),
      laid: points('corners in which its runs meet, also beyond the edge of the panel'),
      outline: ring('final line'),
      rough: ring('first cut, 12 mm short'),
      patch: ring('piece to make'),
      joints: many(table('points, closed'), 'lines that are cut and welded'),
      cutLength: mm('length of the cut'),
      unseen: mm('of it under trim, which nobody sees'),
      passes: many(
        object({ kind: word('trim, double or heat'), name: word('what'), length: mm('how much of the line') }),
        'what the line runs under or beside',
      ),
      edgeLength: mm('along the edge of the panel'),
      area: number('inside the line', 'mm²'),
      cost: number('of the line; a millimetre on plain sheet is 1'),
      leastCost: maybe(number('of the cheapest closed line on the grid of the search')),
      alternatives: many(
        object({
          name: word('which'),
          cost: number('cost'),
          length: mm('length'),
          area: number('area', 'mm²'),
          laid: points('corners in which its runs meet'),
        }),
        'lines that were not taken',
      ),
      layersBehind: many(word('layer'), 'sheets behind that must not be cut'),
      weldsToDrill: number('spot welds inside the line'),
      warnings: many(word('warning'), 'what to look at'),
    },
    example: {
      panel: {
        outline: [
          [0, 0],
          [800, 0],
          [800, 500],
          [0, 500],
        ],
      },
      damage: [
        [
          [300, 200],
          [420, 210],
          [400, 300],
          [310, 290],
        ],
      ],
      margin: 20,
    },
    heavy: true,
    run: ({ panel, ...task }: LineInput) => cutLine({ ...task, panel: { ...panel, areas: areasIn(panel) } }),
  }),
  calculation({
    id: 'cut.offsets',
    title: 'Tape offsets',
    question: 'Which two tape figures mark each corner?',
    sources: ['plane geometry', PRACTICE],
    needs: {
      line: points('corners'),
      datums: many(
        object({ name: Joi.string().description('name'), a: point('one end'), b: point('other end') }),
        'two straight edges',
      ),
    },
    may: { unit: Joi.valid('mm', 'in').description('unit of the figures') },
    gives: {
      corners: many(
        object({
          corner: point('corner'),
          offsets: many(object({ datum: word('edge'), mm: mm('square to it'), text: word('as it reads') }), 'figures'),
          replotted: point('where the rounded figures lead'),
          error: mm('how far off that is'),
        }),
        'corners',
      ),
      runs: many(object({ mm: mm('length'), text: word('as it reads') }), 'run lengths'),
    },
    example: {
      line: [
        [120, 80],
        [300, 80],
        [300, 210],
      ],
      datums: [
        { name: 'lower edge', a: [0, 0], b: [800, 0] },
        { name: 'front edge', a: [0, 500], b: [0, 0] },
      ],
      unit: 'in',
    },
    run: cutOffsets,
  }),
  calculation({
    id: 'cut.passage',
    title: 'Through the opening',
    question: 'Does this piece pass through the opening?',
    sources: ['Carver 1957 (rectangle in rectangle)', 'Toussaint 1983 (calipers)', `play: ${PRACTICE}`],
    cautions: ['Carry heavy panels with two people; edges are razors.'],
    needs: piece,
    may: { room: mm('space behind the opening') },
    gives: through,
    example: {
      ...opened,
      piece: [
        [
          [0, 0],
          [900, 0],
          [900, 600],
          [0, 600],
        ],
      ],
    },
    run: passage,
  }),
  calculation({
    id: 'cut.split',
    title: 'Part a pan for the opening',
    question: 'Into how few sections must this piece be parted so that all pass?',
    sources: ['exhaustive search', 'Carver 1957', `joints on flange centre lines: ${PRACTICE}`],
    needs: {
      ...piece,
      allowed: many(
        Joi.array().items(Joi.array().items(Joi.number().unsafe()).length(2)).length(2),
        'lines along which it may be parted, two places each, mm',
      ),
    },
    may: { room: mm('space behind the opening') },
    gives: {
      sections: many(object({ outline: ring('section'), passage: object(through, 'how it passes') }), 'sections'),
      lines: many(
        object({
          line: number('index of the allowed line'),
          crossings: many(
            object({
              at: point('crossing'),
              fromCorner: number('index of the corner before'),
              offset: mm('from that corner along the edge'),
            }),
            'where it crosses the edge',
          ),
        }),
        'lines used',
      ),
    },
    example: {
      ...opened,
      allowed: [
        [
          [600, 0],
          [600, 1200],
        ],
        [
          [1200, 0],
          [1200, 1200],
        ],
        [
          [0, 600],
          [1800, 600],
        ],
      ],
    },
    heavy: true,
    run: split,
  }),
  calculation({
    id: 'cut.drillOut',
    title: 'Drill out spot welds',
    question: 'How many spot welds must be drilled, where, and how long does it take?',
    sources: [`${PRACTICE}`],
    cautions: ['Eye protection; chips are hot and sharp. Drill the upper sheet only.'],
    needs: {
      seams: many(
        object({ length: mm('length'), pitch: mm('as-built spot pitch'), sheets: number('sheets, 2 to 6') }, '', {
          hidden: flag('under sealer or another flange'),
          name: word('name'),
        }),
        'seams',
      ),
      minutesEach: number('usual time for one weld', 'min'),
    },
    gives: {
      positions: many(Joi.array().items(Joi.number().unsafe()), 'mm along each seam'),
      count: number('welds'),
      order: many(object({ seam: number('index of the seam'), at: mm('along it') }), 'order of drilling'),
      time: seconds('for all'),
      minutes: number('for all', 'min'),
      notes: many(word('note'), 'notes'),
    },
    example: {
      seams: [
        { length: 640, pitch: 40, sheets: 2 },
        { length: 300, pitch: 45, sheets: 3, hidden: true },
      ],
      minutesEach: 1.75,
    },
    run: drillOut,
  }),
];
