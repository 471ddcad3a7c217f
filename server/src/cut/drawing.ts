import { Colors, DxfWriter, point3d } from '@tarikjabiri/dxf';
import type { CutPlanView } from '@aspecta/contract/cut';
import { boxOf, type Point, type Ring } from '@aspecta/core/geometry';
import { escapeXml } from '../shape/outlineFiles.ts';

/** What goes onto a drawing at 1:1: the patch to make, and where it ends up. */
export interface PatchDrawing {
  title: string;
  patch: Ring;
  /** Sharp corners of the final line, for reference. */
  corners: readonly Point[];
}

export function patchDrawing(plan: CutPlanView, panelName: string): PatchDrawing {
  return { title: `Patch for ${panelName}`, patch: plan.line.patch, corners: plan.line.corners };
}

/** The patch outline as DXF at 1:1, mm: layer PATCH is to be cut, layer MARK is for orientation. */
export function toDxf({ patch, corners }: PatchDrawing): string {
  const dxf = new DxfWriter();
  dxf.setUnits(4); // mm
  const [u0, v0] = originOf(patch);
  dxf.addLayer('PATCH', Colors.White, 'CONTINUOUS');
  dxf.addLayer('MARK', Colors.Red, 'CONTINUOUS');
  dxf.setCurrentLayerName('PATCH');
  dxf.addLWPolyline(
    patch.map(([u, v]) => ({ point: { x: u - u0, y: v - v0 } })),
    { flags: 1 },
  );
  dxf.setCurrentLayerName('MARK');
  for (const [u, v] of corners) dxf.addCircle(point3d(u - u0, v - v0, 0), 1);
  return dxf.stringify();
}

/** The patch outline as SVG at 1:1 with a 100 mm check bar below it; "up" is towards the upper edge of the panel. */
export function toSvg({ title, patch, corners }: PatchDrawing): string {
  const [u0, v0] = originOf(patch);
  const box = boxOf(patch);
  const margin = 12;
  const bar = 16;
  const width = Math.max(box.maxU - box.minU, 100) + 2 * margin;
  const height = box.maxV - box.minV + 2 * margin + bar;
  const x = (u: number) => (u - u0 + margin).toFixed(2);
  const y = (v: number) => (box.maxV - box.minV - (v - v0) + margin).toFixed(2);
  const foot = (height - margin / 2).toFixed(2);
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" width="${width.toFixed(2)}mm" height="${height.toFixed(2)}mm" viewBox="0 0 ${width.toFixed(2)} ${height.toFixed(2)}">`,
    `<title>${escapeXml(title)}</title>`,
    `<path id="patch" d="M${patch.map(([u, v]) => `${x(u)},${y(v)}`).join('L')}Z" fill="none" stroke="#000" stroke-width="0.25"/>`,
    ...corners.map(
      ([u, v]) => `<circle cx="${x(u)}" cy="${y(v)}" r="1" fill="none" stroke="#c00" stroke-width="0.2"/>`,
    ),
    `<path id="check-100mm" d="M${margin},${foot}h100M${margin},${Number(foot) - 3}v6M${margin + 100},${Number(foot) - 3}v6" stroke="#000" stroke-width="0.3"/>`,
    `<text x="${margin + 50}" y="${Number(foot) - 2}" font-size="4" text-anchor="middle" font-family="sans-serif">100 mm</text>`,
    '</svg>',
  ].join('\n');
}

function originOf(ring: Ring): Point {
  const box = boxOf(ring);
  return [box.minU, box.minV];
}
