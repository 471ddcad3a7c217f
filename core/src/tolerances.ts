/** The one home of tolerances. Each has its unit and its reason. */

/** mm. Curves of body plans are flattened so that no chord leaves its curve by more: less than a scribed line is wide, and smooth on the screen. */
export const CURVE_FLATNESS = 0.2;

/** mm. Two points closer than this are one place: finer than anybody can put a probe twice. */
export const SAME_PLACE = 0.5;

/** mm. Seams of two panels meet when their edges come this close: the width of a scribed line on either side. */
export const SEAM_MEETS = 1;

/** mm. Rounding of clipping coordinates: 1/1000 mm, far under what can be marked. */
export const CLIP_GRID = 0.001;

/** mm. The same where areas are combined for their own sake: a hundred-thousandth of a sliver 0.01 mm wide. */
export const FINE_GRID = 1e-8;

/** mm². Under this lies only what rounding has left. */
export const DUST_AREA = 1e-6;

/** mm. A vertex of a marked line that strays less from the chord is dropped: thickness of a felt-pen line. */
export const PEN_LINE = 1;

/** mm². Slivers under this are left by clipping and are no part of a repair. */
export const SLIVER_AREA = 4;

/** mm. Re-plotted tape offsets must come this close to the corner. */
export const REPLOT = 1;

/** mm. A seam drawn this near to an outline runs along it: half the width of a welding flange. */
export const SEAM_ON_EDGE = 12;

/** mm. A run of an outline that is shorter belongs to its neighbour: the rounding of a corner. */
export const SHORT_EDGE = 30;

/** mm. A piece lies on the outline of its panel where it comes this near: the width of a scribed line. */
export const ON_OUTLINE = 0.5;

/** Of one unit, whatever it is. What arithmetic leaves of a difference that is none: a billionth, far under what anybody can measure, plan or pay. */
export const ROUNDING = 1e-9;

/** mm, h. Two lengths or times that differ by less are the same: what is left after some hundred sums. */
export const SAME_LENGTH = 1e-6;

/** How many whole ones are needed for so much, where arithmetic may have left a trace too many. */
export const wholeUp = (amount: number): number => Math.ceil(amount - ROUNDING);
