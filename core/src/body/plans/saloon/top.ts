import { circle, flatten, roundedRectangle, type Point, type Ring } from '../../../geometry/index.ts';
import { single, steel, type DrawnPanel } from '../../draw.ts';

/* Bonnet, scuttle, roof and boot seen from above, front to the left. v = 0 at the centre line. */

/** Closes a half outline, drawn along v ≥ 0 from front to rear, with its mirror image. */
function acrossCentre(upper: readonly Point[]): Ring {
  const lower = [...upper].reverse().map(([u, v]): Point => [u, -v]);
  return [...lower, ...upper]
    .filter(
      (p, i, all) => Math.hypot(p[0] - all[(i + 1) % all.length]![0], p[1] - all[(i + 1) % all.length]![1]) > 0.01,
    )
    .reverse();
}
const line = (points: readonly Point[], v = 1): Point[] => points.map(([u, w]): Point => [u, w * v]);

const bonnet: DrawnPanel = {
  id: 'bonnet',
  name: 'Bonnet',
  outline: acrossCentre(
    flatten(
      [96, 0],
      [
        [
          [96, 240],
          [104, 430],
          [128, 560],
        ],
        [
          [136, 596],
          [160, 606],
          [200, 612],
        ],
        [
          [520, 640],
          [820, 654],
          [1128, 662],
        ],
        [
          [1150, 440],
          [1158, 220],
          [1158, 0],
        ],
      ],
    ),
  ),
  creases: [
    {
      id: 'bulge-l',
      name: 'Bulge, left edge',
      line: flatten(
        [110, -150],
        [
          [
            [480, -190],
            [820, -214],
            [1156, -222],
          ],
        ],
      ),
    },
    {
      id: 'bulge-r',
      name: 'Bulge, right edge',
      line: flatten(
        [110, 150],
        [
          [
            [480, 190],
            [820, 214],
            [1156, 222],
          ],
        ],
      ),
    },
    {
      id: 'nose',
      name: 'Nose roll',
      line: flatten(
        [150, -580],
        [
          [
            [122, -300],
            [122, 300],
            [150, 580],
          ],
        ],
      ),
    },
  ],
  layers: [steel('outer', 'Skin', 0.9), steel('inner', 'Frame', 0.9)],
  curvature: 'double',
  fixing: 'bolted',
};

const vents: Ring[] = Array.from({ length: 8 }, (_, i) =>
  roundedRectangle(1226, -300 + i * 78, 1256, -300 + i * 78 + 54, 8),
);

const cowl: DrawnPanel = {
  id: 'cowl',
  name: 'Scuttle',
  outline: acrossCentre([
    ...flatten(
      [1166, 0],
      [
        [
          [1166, 220],
          [1158, 440],
          [1136, 664],
        ],
      ],
    ),
    [1188, 676],
    ...flatten(
      [1188, 676],
      [
        [1240, 664],
        [
          [1310, 470],
          [1346, 240],
          [1350, 0],
        ],
      ],
    ).slice(1),
  ]),
  holes: [
    ...vents.map((outline, i) => ({ id: `vent-${i + 1}`, name: 'Air intake slot', kind: 'opening' as const, outline })),
    { id: 'wiper-l', name: 'Wiper spindle hole', kind: 'hole' as const, outline: circle([1238, -430], 13) },
    { id: 'wiper-r', name: 'Wiper spindle hole', kind: 'hole' as const, outline: circle([1266, 180 + 200], 13) },
  ],
  creases: [
    {
      id: 'screen',
      name: 'Screen flange fold',
      line: flatten(
        [1228, -640],
        [
          [
            [1292, -460],
            [1330, -230],
            [1332, 0],
          ],
          [
            [1330, 230],
            [1292, 460],
            [1228, 640],
          ],
        ],
      ),
    },
  ],
  layers: [steel('outer', 'Outer sheet', 1.0), steel('tray', 'Water tray', 1.0)],
  curvature: 'single',
  structural: true,
};

const roof: DrawnPanel = {
  id: 'roof',
  name: 'Roof skin',
  outline: acrossCentre(
    flatten(
      [1636, 0],
      [
        [
          [1634, 230],
          [1612, 430],
          [1570, 560],
        ],
        [
          [1566, 590],
          [1584, 602],
          [1610, 606],
        ],
        [
          [1900, 630],
          [2360, 628],
          [2640, 606],
        ],
        [
          [2700, 600],
          [2724, 580],
          [2726, 546],
        ],
        [
          [2712, 360],
          [2700, 180],
          [2698, 0],
        ],
      ],
    ),
  ),
  creases: [
    {
      id: 'gutter-l',
      name: 'Gutter step, left',
      line: flatten(
        [1600, -580],
        [
          [
            [1900, -604],
            [2360, -602],
            [2660, -578],
          ],
        ],
      ),
    },
    {
      id: 'gutter-r',
      name: 'Gutter step, right',
      line: flatten(
        [1600, 580],
        [
          [
            [1900, 604],
            [2360, 602],
            [2660, 578],
          ],
        ],
      ),
    },
    {
      id: 'header',
      name: 'Header fold',
      line: flatten(
        [1612, -540],
        [
          [
            [1662, -360],
            [1668, 360],
            [1612, 540],
          ],
        ],
      ),
    },
  ],
  layers: single(0.9),
  curvature: 'double',
};

const deck: DrawnPanel = {
  id: 'rear-deck',
  name: 'Rear screen panel',
  outline: acrossCentre([
    ...flatten(
      [2962, 0],
      [
        [
          [2964, 220],
          [2976, 420],
          [3000, 566],
        ],
      ],
    ),
    [3060, 606],
    [3096, 590],
    ...flatten(
      [3096, 590],
      [
        [
          [3102, 400],
          [3104, 200],
          [3104, 0],
        ],
      ],
    ).slice(1),
  ]),
  holes: [
    { id: 'drain-l', name: 'Channel drain', kind: 'drain', outline: circle([3078, -560], 7) },
    { id: 'drain-r', name: 'Channel drain', kind: 'drain', outline: circle([3078, 560], 7) },
  ],
  creases: [
    {
      id: 'channel',
      name: 'Water channel',
      line: flatten(
        [3066, -580],
        [
          [
            [3074, -300],
            [3074, 300],
            [3066, 580],
          ],
        ],
      ),
    },
  ],
  layers: [steel('outer', 'Outer sheet', 0.9), steel('shelf', 'Shelf', 0.9)],
  curvature: 'single',
};

const bootLid: DrawnPanel = {
  id: 'boot-lid',
  name: 'Boot lid',
  outline: acrossCentre(
    flatten(
      [3112, 0],
      [
        [
          [3112, 220],
          [3110, 420],
          [3104, 584],
        ],
        [
          [3340, 588],
          [3560, 580],
          [3748, 560],
        ],
        [
          [3782, 554],
          [3800, 534],
          [3806, 500],
        ],
        [
          [3826, 330],
          [3832, 160],
          [3832, 0],
        ],
      ],
    ),
  ),
  holes: [{ id: 'lock', name: 'Lock hole', kind: 'hole', outline: circle([3780, 0], 15) }],
  creases: [
    {
      id: 'edge-l',
      name: 'Swage, left',
      line: flatten(
        [3130, -430],
        [
          [
            [3400, -440],
            [3620, -430],
            [3800, -410],
          ],
        ],
      ),
    },
    {
      id: 'edge-r',
      name: 'Swage, right',
      line: flatten(
        [3130, 430],
        [
          [
            [3400, 440],
            [3620, 430],
            [3800, 410],
          ],
        ],
      ),
    },
    {
      id: 'lip',
      name: 'Rear lip',
      line: line(
        flatten(
          [3776, -520],
          [
            [
              [3800, -300],
              [3800, 300],
              [3776, 520],
            ],
          ],
        ),
      ),
    },
  ],
  layers: [steel('outer', 'Skin', 0.9), steel('inner', 'Frame', 0.9)],
  curvature: 'double',
  fixing: 'bolted',
};

export const topPanels = [bonnet, cowl, roof, deck, bootLid];
