/** What one opening needs, piece by piece: read off the same pieces that are drawn. */
import type { Build } from '../build/build.ts';
import { piecesFor } from '../build/by-role.ts';
import { cutList } from '../build/cut-list.ts';
import type { Material } from '../documents/material.ts';
import { area } from '../geometry/polygon.ts';
import type { Solid } from '../geometry/solid.ts';
import type { Piece } from '../methods/pieces/piece.ts';
import type { Job } from '../documents/job.ts';
import { handlingOf } from '../proofs/loads/handling.ts';
import { soldLength } from '../vocabulary/sold-lengths.ts';
import { SHIM_SIZES_mm, sold } from '../vocabulary/stock.ts';
import type { PieceRole } from '../vocabulary/roles.ts';
import { articleOf, rollFor, type Article } from './articles.ts';

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

/** @param handling how units may be carried on this site */
export function needsOf(
  opening: string,
  build: Build,
  {
    materials = [],
    handling,
  }: { readonly materials?: readonly Material[] | undefined; readonly handling?: Job['handling'] },
): Need[] {
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
          // Rods and bands are bought by their size, and never slit.
          return {
            ...of,
            article:
              material === 'rod' || material === 'band'
                ? articleOf(material, { width_mm: Math.ceil(width_mm - 0.5) })
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
  return [...cut, ...counted(opening, build, stepOf, handling)];
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
