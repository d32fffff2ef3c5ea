/** A drawing as a file of its own: SVG in millimetres of paper, at a scale one can measure on. */
import type { DrawItem, Drawing, Fill } from './items.ts';
import type { Point2 } from '../geometry/vector.ts';

/** Drawings are made in pixels of 1/96 in. */
export const PX_PER_MM = 96 / 25.4;

/** 1:1, 1:2, 1:5 as pixels of paper per millimetre of wall. */
export const drawingScales = [1, 2, 5, 10, 20] as const;
export type DrawingScale = (typeof drawingScales)[number];
export const scaleOf = (scale: DrawingScale): number => PX_PER_MM / scale;

const FILLS: Partial<Record<Fill, string>> = {
  room: '#ffffff',
  frame: '#f2f3f3',
  glass: '#d3e4ea',
  wood: '#f0dcc0',
  'wood-board': '#e9e1cf',
  insulation: '#f8f1d4',
  'foam-board': '#f4ecdc',
  'hd-foam': '#e6dfc0',
  panel: '#e8d3b0',
  masonry: '#ecd9cf',
  plaster: '#f3f2ee',
  render: '#f3f2ee',
  foam: '#f6e7b8',
  wool: '#f6efcf',
  fibre: '#faf3dc',
  'insulation-block': '#d9d2b6',
  band: '#55595b',
  rod: '#c9ced1',
  metal: '#a4acb0',
  shim: '#6a6f70',
  sealant: '#3a3f42',
  wrap: '#eef0ec',
  'wrap-back': '#dfe6e3',
  'self-adhered': '#dfe8e0',
  'coated-face': '#dfe8e0',
  'foam-face': '#f4ecdc',
  'masonry-face': '#ecd9cf',
  fluid: '#9fb9a8',
  'stretch-flashing': '#6f9fb3',
  'flashing-tape': '#a9c3c9',
  'corner-tape': '#8f84bd',
  membrane: '#8f84bd',
  'air-sheet': '#a79cc9',
  'sheet-metal': '#b4bcc0',
  fin: '#d9dcdd',
};

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
      return `<polygon points="${points(item.points)}" fill="${FILLS[item.fill] ?? 'none'}"${stroke}${owner}/>`;
    }
    case 'line': {
      const thick = item.fill
        ? ` style="stroke:${FILLS[item.fill] ?? '#8b9a98'};stroke-width:${item.width ?? 2}"`
        : '';
      const soft = item.stroke === 'dimension' || item.stroke === 'leader';
      return `<polyline points="${points(item.points)}" class="${soft ? 'd' : 'l'}"${thick}${owner}/>`;
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
