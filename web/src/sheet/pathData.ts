import type { Point } from '@aspecta/core/geometry';

const number = (x: number) => String(Math.round(x * 10) / 10);
const joined = (points: readonly Point[]) => points.map((p) => `${number(p[0])} ${number(p[1])}`).join('L');

/** SVG path of an open line, in mm. */
export const linePath = (points: readonly Point[]) => (points.length === 0 ? '' : `M${joined(points)}`);
/** SVG path of a closed ring, in mm. */
export const ringPath = (points: readonly Point[]) => (points.length === 0 ? '' : `M${joined(points)}Z`);
/** Dots of constant size: strokes without length and with round ends. */
export const dotsPath = (points: readonly Point[]) => points.map((p) => `M${number(p[0])} ${number(p[1])}h0`).join('');
