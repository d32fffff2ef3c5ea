/** Colours by what a thing is made of: one set for the screen and for files. */
import type { Fill } from './items.ts';

const FILLS: Readonly<Record<Fill, string>> = {
  none: 'none',
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
  siding: '#e4e0d6',
  fluid: '#9fb9a8',
  'stretch-flashing': '#6f9fb3',
  'flashing-tape': '#a9c3c9',
  'corner-tape': '#8f84bd',
  membrane: '#8f84bd',
  'air-sheet': '#a79cc9',
  'sheet-metal': '#b4bcc0',
  fin: '#d9dcdd',
};

/** Sheets are thin: in a cut they show as a line, darker than their face. */
const LINES: Partial<Record<Fill, string>> = {
  wrap: '#8b9a98',
  'self-adhered': '#6f8f86',
  'coated-face': '#6f8f86',
  'foam-face': '#b8a46a',
  'masonry-face': '#b58a76',
  fluid: '#4f7f66',
};

export const fillColour = (fill: Fill): string => FILLS[fill];
export const lineColour = (fill: Fill): string => LINES[fill] ?? FILLS[fill];
