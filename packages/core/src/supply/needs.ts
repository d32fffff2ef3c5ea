/** What one opening needs, piece by piece: read off the same pieces that are drawn. */
import type { Build } from '../build/build.ts';
import { pieceNamed, piecesFor } from '../build/by-role.ts';
import { cutList } from '../build/cut-list.ts';
import type { Material } from '../documents/material.ts';
import { area } from '../geometry/polygon.ts';
import type { Solid } from '../geometry/solid.ts';
import type { Piece } from '../methods/pieces/piece.ts';
import type { Job, JobContext } from '../documents/job.ts';
import type { Supply } from '../documents/supply.ts';
import { bandFor } from '../proofs/joint/band.ts';
import { seasonOf } from '../proofs/joint/movement.ts';
import { jointSides } from '../proofs/joint/sides.ts';
import { handlingOf } from '../proofs/loads/handling.ts';
import { soldLength } from '../vocabulary/sold-lengths.ts';
import { SHIM_SIZES_mm, sold } from '../vocabulary/stock.ts';
import type { PieceRole } from '../vocabulary/roles.ts';
import { articleOf, rollFor, type Article } from './articles.ts';
import { contacts } from './together.ts';

/** What one piece takes of one article. */
export interface Need {
  readonly article: Article;
  readonly opening: string;
  /** `null` for what is no piece: fasteners, the unit's cups. */
  readonly piece: string | null;
  /** The step that brings it. */
  readonly step: string | null;
  readonly count: number;
  /** Of each, along the roll, bar or board, mm. */
  readonly length_mm: number | null;
  /** Of each, across, mm. */
  readonly width_mm: number | null;
  /** Of all, ml. */
  readonly volume_ml: number | null;
  /** May be made of several, lapped. */
  readonly mayJoin: boolean;
}

/** Long seams may be joined; a pan never, and head and jambs are in one piece. */
const JOINED: readonly PieceRole[] = ['seam-tape', 'course-seam', 'wrap-tape', 'wind-skirt'];

const ML_PER_mm3 = 1e-3;

export interface NeedsIn {
  readonly materials?: readonly Material[] | undefined;
  /** How units may be carried on this site. */
  readonly handling?: Job['handling'];
  /** Cold and heat of the joints over the year. */
  readonly joints?: Job['joints'];
  /** Own tests of what sticks. */
  readonly adhesion?: Supply['adhesion'] | undefined;
}

/** What needs hang on besides the opening's own build, from its job. */
export const needsIn = ({ materials, job }: Pick<JobContext, 'materials' | 'job'>): NeedsIn => ({
  materials,
  handling: job.handling,
  joints: job.joints,
  adhesion: job.supply?.adhesion,
});

export function needsOf(
  opening: string,
  build: Build,
  { materials = [], handling, joints, adhesion = [] }: NeedsIn,
): Need[] {
  const widths = jointWidths(build, joints);
  const stepOf = new Map(
    build.steps.flatMap(({ id, places }) => places.map((piece) => [piece, id] as const)),
  );
  const base = { opening, length_mm: null, width_mm: null, volume_ml: null, mayJoin: false };
  const cut = build.pieces.flatMap((piece): Need[] => {
    const step = stepOf.get(piece.id) ?? null;
    const mayJoin = JOINED.some((role) => piece.roles.includes(role));
    const rows = cutList([piece]);
    if (rows.length === 0)
      return filled(piece, materials).map((need) => ({ ...base, ...need, piece: piece.id, step }));
    return rows.map((row): Need => {
      const { material, length_mm, width_mm, thickness_mm, count, volume_ml } = row;
      const of = { ...base, piece: piece.id, step, count, length_mm, width_mm, mayJoin };
      if (sold[material].form === 'volume' || volume_ml !== null)
        return {
          ...of,
          article: articleOf(material),
          length_mm: null,
          width_mm: null,
          count: 1,
          volume_ml: volume_ml ?? 0,
        };
      switch (sold[material].form) {
        case 'roll':
          // Never slit: a rod is as large as its joint asks for on the day, a band closes it all the year.
          return {
            ...of,
            article:
              material === 'rod'
                ? articleOf(material, { width_mm: Math.ceil(width_mm - 0.5) })
                : material === 'band'
                  ? articleOf(material, { width_mm: bandOver(widths, width_mm) })
                  : rollFor(material, width_mm, materials),
          };
        case 'bar':
          return { ...of, article: articleOf(material, { width_mm, thickness_mm: thickness_mm ?? 0 }) };
        case 'board':
          return { ...of, article: articleOf(material, { thickness_mm: thickness_mm ?? 0 }) };
        default:
          return { ...of, article: articleOf(material, { width_mm, thickness_mm: thickness_mm ?? 0 }) };
      }
    });
  });
  return [
    ...cut,
    ...primed(opening, build, materials, adhesion),
    ...counted(opening, build, stepOf, handling),
  ];
}

/** Of each side of the joint its width as built, and the least and most it has in a year, mm. */
interface JointWidth {
  readonly mean: number;
  readonly least: number;
  readonly most: number;
}

const jointWidths = ({ fit, unit }: Build, joints: Job['joints']): JointWidth[] =>
  jointSides({ placement: fit.placement, unit, season: seasonOf(joints) }).map(
    ({ least, most, mean_mm, movement }) => ({
      mean: mean_mm,
      least: Math.max(0, least.mm - movement.closes_mm),
      most: most.mm + movement.opens_mm,
    }),
  );

/** The band that closes the side of that width from its least to its most, by the widest joint it closes; else by the width. */
function bandOver(widths: readonly JointWidth[], width_mm: number): number {
  const [own] = widths.toSorted((a, b) => Math.abs(a.mean - width_mm) - Math.abs(b.mean - width_mm));
  return (own && bandFor(own.least, own.most)?.to_mm) ?? Math.ceil(width_mm - 0.5);
}

/** Primer on a square metre of what takes one, ml: common practice, no source. */
const PRIMER_ml_m2 = 150;

/** Primer under what sticks by it only, by the faces that lie on such ground. */
function primed(
  opening: string,
  build: Build,
  materials: readonly Material[],
  adhesion: Supply['adhesion'],
): Need[] {
  if (materials.length === 0) return [];
  const seen = new Set<string>();
  return contacts(build, { materials, adhesion }).flatMap(({ piece, surface, step, touch }): Need[] => {
    const own = pieceNamed(build, piece);
    if (touch !== 'primer' || own?.form !== 'sheet' || seen.has(`${piece}/${surface}`)) return [];
    seen.add(`${piece}/${surface}`);
    const mm2 = own.sheet.faces
      .filter((face) => face.surface === surface)
      .reduce((sum, face) => sum + Math.abs(area(face.placed)), 0);
    return [
      {
        article: articleOf('primer'),
        opening,
        piece,
        step,
        count: 1,
        length_mm: null,
        width_mm: null,
        volume_ml: (mm2 / 1e6) * PRIMER_ml_m2,
        mayJoin: false,
      },
    ];
  });
}

/** What fills a joint, from its own solids. */
function filled(
  piece: Piece,
  materials: readonly Material[],
): Pick<Need, 'article' | 'count' | 'length_mm' | 'width_mm' | 'volume_ml'>[] {
  if (piece.form !== 'solid' || !piece.roles.includes('fill')) return [];
  const material = piece.solids[0]?.material;
  if (material === undefined) return [];
  if (sold[material].form === 'volume') {
    const ml = piece.solids.reduce((sum, solid) => sum + volume(solid), 0) * ML_PER_mm3;
    return [{ article: articleOf(material), count: 1, length_mm: null, width_mm: null, volume_ml: ml }];
  }
  return piece.solids.map((solid) => {
    const [deep, high] = sizes(solid);
    const along = Math.max(high, solid.u[1] - solid.u[0]);
    return {
      article: rollFor(material, deep, materials),
      count: 1,
      length_mm: along,
      width_mm: deep,
      volume_ml: null,
    };
  });
}

const volume = ({ profile, u }: Solid): number => Math.abs(area(profile)) * (u[1] - u[0]);

const sizes = ({ profile }: Solid): readonly [deep: number, high: number] => {
  const span = (axis: 0 | 1) =>
    Math.max(...profile.map((p) => p[axis])) - Math.min(...profile.map((p) => p[axis]));
  return profile.length === 0 ? [0, 0] : [span(0), span(1)];
};

/** Unit, fasteners, shims, and what carries the unit. */
function counted(
  opening: string,
  build: Build,
  stepOf: ReadonlyMap<string, string>,
  handling: Job['handling'],
): Need[] {
  const base = {
    opening,
    piece: null,
    step: null,
    length_mm: null,
    width_mm: null,
    volume_ml: null,
    mayJoin: false,
  };
  const of = (role: PieceRole) => piecesFor(build, role)[0]?.id ?? null;
  const stepFor = (piece: string | null) => (piece === null ? null : (stepOf.get(piece) ?? null));
  const [unit, jambs, sill] = [of('unit'), of('jamb-shims'), of('sill-shims')];
  const fasten = build.steps.find(({ role }) => role === 'fasten')?.id ?? null;
  const screw = soldLength(build.fastening.screw.length_mm);
  const hands = handlingOf(build.unit, handling);
  // Shims of one size under one side are one need.
  const shims = new Map<string, { readonly atSill: boolean; readonly size: number; count: number }>();
  for (const { side, thickness_mm } of build.fit.shims) {
    if (thickness_mm <= 0) continue;
    const size = SHIM_SIZES_mm.find((mm) => mm >= thickness_mm - 1e-6) ?? Math.ceil(thickness_mm);
    const key = `${side === 'sill' ? 'sill' : 'jambs'}/${size}`;
    const known = shims.get(key) ?? { atSill: side === 'sill', size, count: 0 };
    known.count++;
    shims.set(key, known);
  }
  const shimNeeds = [...shims.values()].flatMap(({ atSill, size, count }): Need[] => {
    const piece = atSill ? sill : jambs;
    if (piece === null) return [];
    const article = articleOf(atSill ? 'wedge' : 'shim-pair', { width_mm: size });
    return [{ ...base, article, piece, step: stepFor(piece), count }];
  });
  return [
    {
      ...base,
      article: articleOf('unit', { unit: build.unit.id }),
      piece: unit,
      step: stepFor(unit),
      count: 1,
    },
    ...(build.fastening.count > 0
      ? [
          {
            ...base,
            article: articleOf('fastener', { width_mm: screw }),
            step: fasten,
            count: build.fastening.count,
          },
        ]
      : []),
    ...shimNeeds,
    ...(hands?.needsLift
      ? [{ ...base, article: articleOf('lift-day'), piece: unit, step: stepFor(unit), count: 1 }]
      : []),
    ...(hands && !hands.needsLift && hands.cups > 0
      ? [{ ...base, article: articleOf('cup'), piece: unit, step: stepFor(unit), count: hands.cups }]
      : []),
  ];
}
