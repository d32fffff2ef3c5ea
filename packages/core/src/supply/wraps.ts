/** Wrap that the crew hangs itself: courses across a face of the house, from below, each lapped over the one under it. */
import type { Material } from '../documents/material.ts';
import type { Supply } from '../documents/supply.ts';
import { widestRoll } from './articles.ts';
import type { Need } from './needs.ts';

/** A course laps so far over the one under it: common practice, no source; the maker's own goes before. */
export const COURSE_LAP_mm = 150;

/** The courses of every wrapped face; openings are cut out afterwards, nothing is saved by them. */
export const wrapNeeds = ({ wraps = [] }: Supply, materials: readonly Material[]): Need[] =>
  wraps.flatMap(({ id, width_mm, height_mm }): Need[] => {
    const article = widestRoll('wrap', materials);
    const roll = article.width_mm ?? height_mm;
    const courses = 1 + Math.max(0, Math.ceil((height_mm - roll) / (roll - COURSE_LAP_mm) - 1e-9));
    return [
      {
        article,
        opening: id,
        piece: null,
        step: null,
        count: courses,
        length_mm: width_mm,
        width_mm: roll,
        volume_ml: null,
        mayJoin: true,
      },
    ];
  });
