/** Outlines (mm, v up) as an SVG file at 1:1 with a 100 mm bar to check the print by. */
export function toSvg(outlines: readonly (readonly (readonly [number, number])[])[]): string {
  const all = outlines.flat();
  const [minU, maxU] = [Math.min(...all.map((p) => p[0])), Math.max(...all.map((p) => p[0]))];
  const [minV, maxV] = [Math.min(...all.map((p) => p[1])), Math.max(...all.map((p) => p[1]))];
  const [width, height] = [Math.max(maxU - minU + 20, 120), maxV - minV + 40];
  const at = ([u, v]: readonly [number, number]) => `${(u - minU + 10).toFixed(3)} ${(maxV - v + 10).toFixed(3)}`;
  const path = outlines.map((ring) => `M${ring.map(at).join('L')}Z`).join('');
  const base = height - 12;
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${width.toFixed(3)}mm" height="${height.toFixed(3)}mm" viewBox="0 0 ${width.toFixed(3)} ${height.toFixed(3)}"><path d="${path}" fill="none" stroke="black" stroke-width="0.2" fill-rule="evenodd"/><path d="M10 ${base}h100M10 ${base - 2}v4M110 ${base - 2}v4" stroke="black" stroke-width="0.3"/><text x="12" y="${base - 2}" font-size="4" font-family="monospace">100 mm: check before cutting</text></svg>`;
}
