/** A building model as a schedule of openings, and its walls as walls: what somebody looks through before anything is taken. */
import type { Job } from '../documents/job.ts';
import { wallSchema, type Wall } from '../documents/wall.ts';
import { marksIn } from '../survey/marks.ts';
import type { LayerMaterial } from '../vocabulary/wall-layers.ts';
import { isMasonry, type layerRoles } from '../vocabulary/wall-layers.ts';
import type { ModelUnit, ModelWall } from './building.ts';

/** What the columns of the schedule are called: words that headings are known by. */
export interface ModelHeadings {
  readonly mark: string;
  readonly room: string;
  readonly facade: string;
  readonly type: string;
  readonly width: string;
  readonly height: string;
  readonly roughWidth: string;
  readonly roughHeight: string;
  readonly sill: string;
  readonly swing: string;
  /** What the column of swings says of a door. */
  readonly door: string;
  /** Façades by where they look, from north through east. */
  readonly sides: readonly string[];
}

export interface ModelLine {
  readonly mark: string;
  readonly unit: ModelUnit;
}

/** Every unit under a mark of its own: its own where that is short and only one has it, else a numbered one. */
export function modelLines(units: readonly ModelUnit[]): ModelLine[] {
  const count = new Map<string, number>();
  for (const { mark } of units) count.set(mark.toLowerCase(), (count.get(mark.toLowerCase()) ?? 0) + 1);
  const used = new Set<string>();
  let next = 0;
  return units.map((unit) => {
    const own = unit.mark.trim();
    // What would be read as a row of marks is none of its own.
    const isOwn = marksIn(own).marks[0] === own && count.get(own.toLowerCase()) === 1;
    let mark = own;
    while (!isOwn && (mark === own || used.has(mark.toLowerCase()) || count.has(mark.toLowerCase())))
      mark = `${unit.kind === 'door' ? 'D' : 'W'}-${String(++next).padStart(3, '0')}`;
    used.add(mark.toLowerCase());
    return { mark, unit };
  });
}

const CIRCLE = 360;
/** A façade of the job is that of a wall that looks the same way, as far as half an eighth of the circle. */
const NEAR_deg = 22.5;

/** The façade of the job that looks there, or the side of the sky. */
export function facadeFor(
  azimuth_deg: number | null,
  facades: NonNullable<Job['facades']>,
  sides: readonly string[],
): string {
  if (azimuth_deg === null || sides.length === 0) return '';
  const apart = (to: number) => {
    const turn = Math.abs(azimuth_deg - to) % CIRCLE;
    return Math.min(turn, CIRCLE - turn);
  };
  const known = facades
    .flatMap(({ name, azimuth_deg: to }) => (to === undefined ? [] : [{ name, apart: apart(to) }]))
    .sort((a, b) => a.apart - b.apart)[0];
  if (known && known.apart <= NEAR_deg) return known.name;
  return sides[Math.round((azimuth_deg / CIRCLE) * sides.length) % sides.length] ?? '';
}

/** Lines of cells under their headings; only units with a size are in it. */
export function modelTable(
  lines: readonly ModelLine[],
  facades: NonNullable<Job['facades']>,
  of: ModelHeadings,
): string[][] {
  const mm = (value: number | null | undefined) =>
    value === null || value === undefined ? '' : `${Math.round(value * 100) / 100} mm`;
  return [
    [
      of.mark,
      of.room,
      of.facade,
      of.type,
      of.width,
      of.height,
      of.roughWidth,
      of.roughHeight,
      of.sill,
      of.swing,
    ],
    ...lines.flatMap(({ mark, unit }) =>
      unit.width_mm === null
        ? []
        : [
            [
              mark,
              unit.storey,
              facadeFor(unit.azimuth_deg, facades, of.sides),
              unit.type,
              mm(unit.width_mm),
              mm(unit.height_mm),
              mm(unit.rough?.width_mm),
              mm(unit.rough?.height_mm),
              mm(unit.sill_mm !== null && unit.sill_mm >= 0 ? unit.sill_mm : null),
              unit.kind === 'door' ? of.door : '',
            ],
          ],
    ),
  ];
}

/** What a material is by its name: common words, no source. */
const NAMED: readonly (readonly [LayerMaterial, RegExp])[] = [
  ['drywall', /gypsum|drywall|plasterboard/i],
  ['plaster', /plaster/i],
  ['render', /render|stucco/i],
  ['brick', /brick/i],
  ['block', /block|masonry|cmu/i],
  ['concrete', /concrete/i],
  ['batten', /batten|furring|cavity|air/i],
  ['siding', /siding|cladding|weatherboard|shingle/i],
  ['stud', /stud|timber frame|wood frame|framing|insulation between/i],
  ['wool-board', /mineral|wool|fibre board|fiber board/i],
  ['foam-board', /foam|eps|xps|pir|polystyrene|rigid insulation/i],
  ['wood-board', /plywood|osb|sheathing|board|panel/i],
  ['stud', /timber|wood/i],
];

const roleOf = (material: LayerMaterial, isOutside: boolean): (typeof layerRoles)[number] => {
  if (material === 'drywall' || material === 'plaster') return 'interior-finish';
  if (material === 'siding') return 'cladding';
  if (material === 'batten') return isOutside ? 'cavity' : 'service';
  if (material === 'stud') return isOutside ? 'framing' : 'service';
  if (isMasonry(material)) return 'framing';
  if (material === 'render') return isOutside ? 'cladding' : 'interior-finish';
  if (material === 'wood-board') return 'sheathing';
  return isOutside ? 'exterior-board' : 'service';
};

/** What carries is no thinner, mm: common practice, no source. */
const THINNEST_mm = 60;

/** Layers that stand where the weather, or the room, is. */
const OUTER: readonly LayerMaterial[] = ['siding', 'render', 'batten'];
const INNER: readonly LayerMaterial[] = ['drywall', 'plaster'];

/**
 * A wall of the model as a wall of a job, from the weather to the room; `null` where a layer's material is not known by its
 * name, so that somebody makes it by hand.
 */
export function wallOfModel({ name, layers }: ModelWall, id: string): Wall | null {
  const known = layers.flatMap(({ material, thickness_mm }) => {
    const found = NAMED.find(([, pattern]) => pattern.test(material))?.[0];
    return found ? [{ material: found, thickness_mm }] : [];
  });
  if (known.length === 0 || known.length !== layers.length) return null;
  const [first, last] = [known[0]?.material ?? 'stud', known.at(-1)?.material ?? 'stud'];
  const isTurned = INNER.includes(first) || OUTER.includes(last) || (last === 'brick' && first !== 'brick');
  const ordered = isTurned ? [...known].reverse() : known;
  // The innermost that carries is the framing, a thin service layer aside; everything before it is outside.
  const carries = ({ material, thickness_mm }: { material: LayerMaterial; thickness_mm: number }) =>
    (material === 'stud' || isMasonry(material)) && thickness_mm >= THINNEST_mm;
  const core = ordered.findLastIndex(carries);
  if (core < 0) return null;
  const read = wallSchema.safeParse({
    id,
    name: name.slice(0, 120) || 'Wall',
    layers: ordered.map(({ material, thickness_mm }, i) => ({
      role:
        i === core ? 'framing' : isMasonry(material) && i < core ? 'cladding' : roleOf(material, i < core),
      material,
      thickness: { mm: thickness_mm, typed: `${Math.round(thickness_mm * 100) / 100} mm` },
    })),
  });
  return read.success ? read.data : null;
}
