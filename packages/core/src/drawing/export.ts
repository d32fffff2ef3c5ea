/** A drawing as a file of its own: SVG in millimetres of paper, at a scale one can measure on. */
import type { DrawItem, Drawing } from './items.ts';
import { fillColour, lineColour } from './palette.ts';
import type { Point2 } from '../geometry/vector.ts';

/** Drawings are made in pixels of 1/96 in. */
export const PX_PER_MM = 96 / 25.4;

/** 1:1, 1:2, 1:5 as pixels of paper per millimetre of wall. */
export const drawingScales = [1, 2, 5, 10, 20] as const;
export type DrawingScale = (typeof drawingScales)[number];
export const scaleOf = (scale: DrawingScale): number => PX_PER_MM / scale;

/** Returns the drawing as an SVG whose user unit is a pixel of 1/96 in and whose size is said in millimetres. */
export function drawingSvg(drawing: Drawing, title: string): string {
  const { width, height } = drawing;
  const mm = (px: number) => figure(px / PX_PER_MM);
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" width="${mm(width)}mm" height="${mm(height)}mm" viewBox="0 0 ${figure(width)} ${figure(height)}">`,
    `<title>${escapeXml(title)}</title>`,
    '<style>.a{stroke:#1f2a2e;stroke-width:.8}.l{fill:none;stroke:#1f2a2e;stroke-width:.8}.d{fill:none;stroke:#4c585c;stroke-width:.6}text{font-family:monospace;text-anchor:middle;dominant-baseline:central;fill:#1f2a2e}</style>',
    ...drawing.items.map(itemSvg),
    '</svg>',
    '',
  ].join('\n');
}

function itemSvg(item: DrawItem): string {
  const points = (list: readonly Point2[]) => list.map(([x, y]) => `${figure(x)},${figure(y)}`).join(' ');
  const owner = 'owner' in item ? ` data-owner="${escapeXml(item.owner)}"` : '';
  switch (item.kind) {
    case 'area': {
      const stroke = item.stroke === 'none' ? ' stroke="none"' : ' class="a"';
      return `<polygon points="${points(item.points)}" fill="${fillColour(item.fill)}"${stroke}${owner}/>`;
    }
    case 'line': {
      const thick = item.fill
        ? ` style="stroke:${lineColour(item.fill)};stroke-width:${item.width ?? 2}"`
        : '';
      const dashed = item.stroke === 'hidden' ? ' stroke-dasharray="6 4"' : '';
      const soft = item.stroke === 'dimension' || item.stroke === 'leader';
      return `<polyline points="${points(item.points)}" class="${soft ? 'd' : 'l'}"${thick}${dashed}${owner}/>`;
    }
    case 'mark':
      return `<circle cx="${figure(item.at[0])}" cy="${figure(item.at[1])}" r="3" class="l"${owner}/>`;
    case 'text': {
      const [x, y] = item.at;
      const turn = item.turned ? ` transform="rotate(-90 ${figure(x)} ${figure(y)})"` : '';
      return `<text x="${figure(x)}" y="${figure(y)}" font-size="${item.size}"${turn}>${escapeXml(item.text)}</text>`;
    }
  }
}

const figure = (value: number): string => String(Math.round(value * 100) / 100);

export const escapeXml = (text: string): string =>
  text.replace(/&/g, '&amp;').replace(/</g, '&lt;').replace(/>/g, '&gt;').replace(/"/g, '&quot;');
