/**
 * What four schools need for the opening of the examples, worked by hand: unit 900 × 1200, fin 35 wide with its holes 25
 * from the frame, 10 of joint at each jamb, so a rough opening 920 wide; the trade's usual lengths beside each sum.
 * Common practice, no source.
 */
import type { PresetId } from '@hulvek/core';

/** By article: mm along a roll or bar, ml, or pieces. */
export const needed: Readonly<Partial<Record<PresetId, Readonly<Record<string, number>>>>> = {
  'drained-head-flap': {
    // Pan: the sill and 150 up each jamb.
    'stretch-flashing/230': 920 + 2 * 150,
    // Jambs: height 1223, less the board of 16.3 under the pan, 25 above the head; head: width and 25 past each jamb.
    'flashing-tape/230': 2 * (1223 - 16.3 + 25) + (920 + 2 * 25),
    // Jambs: fin to fin, 25 above, 100 below; head: the jamb tapes' outer edges and 25; two slits of 200 with 50 over.
    'flashing-tape/100': 2 * (1200 + 2 * 35 + 25 + 100) + (900 + 2 * 100 + 2 * 25) + 2 * 250,
    // An inverted U of 8 mm in the line of the holes.
    sealant: (Math.PI / 4) * 8 ** 2 * (950 + 2 * 1225) * 1e-3,
    // Every 200 from 100 off the corners: 6 at each jamb, 5 at the head, every second hole at the sill: 3.
    'fastener/57': 6 + 6 + 5 + 3,
    'unit/u-900-1200': 1,
  },
  'closed-barrier': {
    'flashing-tape/100': 900 + 2 * 100 + 2 * (1200 + 2 * 35 + 25 + 25) + (900 + 2 * 100 + 2 * 25) + 2 * 250,
    // All sides fastened alike: 6, 6, 5, 5.
    'fastener/57': 22,
    'unit/u-900-1200': 1,
  },
  'fluid-recessed': {
    // The outer joint at head and jambs, and the inner one all round; each rod a quarter to a half larger than 10 mm.
    'rod/13': 4 * 1200,
    // The cap 12 past the frame on both sides; its tape 25 past the cap.
    'sheet-metal/300': 900 + 2 * 12,
    'flashing-tape/100': 900 + 2 * 12 + 2 * 25,
    'unit/u-900-1200': 1,
  },
  'masonry-cavity': {
    // 5 mm more at each end.
    // 10 mm at 10 °C; vinyl, 1.2 m, to −15 and 50 °C: 70e-6 · 1200 · 25 / 2 and · 40 / 2, 8.3 to 11.1 mm: the one for 5 to 13.
    'band/13': 2 * (1200 + 2 * 5) + (920 + 2 * 5),
    'unit/u-900-1200': 1,
  },
};

/** Worked by hand; laps and sheets are common practice, no source. */
export const BY_HAND = {
  /** 6 m high, rolls of 2.74 m, laps of 0.15 m: 2.74 + 2 · 2.59 = 7.92 ≥ 6, and 5.33 < 6. */
  wrap: { facade: { width_mm: 10_000, height_mm: 6000 }, courses: 3, net_mm: 30_000 },
  /** Five of 1 210 × 480 from 2 440 × 1 220, a cut of 3 mm: along it two rips of two are four, across it 5 · 480 + 4 · 3 = 2 412. */
  boards: { piece: [1210, 480], count: 5, sheets: 1 },
  /** Three units on two days, and one whose day nobody knows. */
  lifts: { days: ['2026-12-01', '2026-12-01', '2026-12-02', null], needed: 3 },
} as const;
