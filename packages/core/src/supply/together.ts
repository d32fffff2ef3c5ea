/** What touches what in a build, contact by contact, and whether it holds there. */
import type { Build } from '../build/build.ts';
import type { AskStock } from '../build/changes.ts';
import { pieceNamed, piecesFor } from '../build/by-role.ts';
import { bondsAfter } from '../build/stack.ts';
import type { WeatherRow } from '../documents/calendar.ts';
import type { Material } from '../documents/material.ts';
import type { Supply } from '../documents/supply.ts';
import { cutSize } from '../geometry/sheet.ts';
import type { Piece } from '../methods/pieces/piece.ts';
import {
  contactTable,
  isSettledByTest,
  type Chemistry,
  type ContactAnswer,
  type ContactFace,
} from '../vocabulary/contacts.ts';
import { isOnBuck, isOnFrame, isReveal, type SurfaceId } from '../vocabulary/surfaces.ts';
import { isMasonry } from '../vocabulary/wall-layers.ts';
import { rollFor } from './articles.ts';

/** `banned`: its maker does not allow it · `unknown`: what one of the two is made of is not known. */
export type Touch = ContactAnswer | 'banned' | 'unknown';

export interface MaterialContact {
  /** What sticks, and what it sticks to; `null` where that is the wall or the frame itself. */
  readonly piece: string;
  readonly onto: string | null;
  readonly surface: SurfaceId;
  readonly step: string;
  readonly material: Material | null;
  readonly chemistry: Chemistry | null;
  readonly face: ContactFace | null;
  readonly touch: Touch;
  /** An own test that settled it. */
  readonly test: Supply['adhesion'][number] | null;
}

export interface TogetherOf {
  readonly materials?: readonly Material[] | undefined;
  readonly adhesion?: Supply['adhesion'];
}

export function contacts(build: Build, { materials = [], adhesion = [] }: TogetherOf): MaterialContact[] {
  const bead = piecesFor(build, 'frame-bead')[0]?.id;
  const found = bondsAfter(build, build.steps.length).flatMap((bond): MaterialContact[] => {
    const piece = pieceNamed(build, bond.thing);
    // What is clamped or pressed sticks to nothing; what was there before is the wall's own.
    if (!piece || (bond.kind !== 'adhesive' && bond.kind !== 'fluid' && bond.kind !== 'bead')) return [];
    if (piece.form === 'sheet' && piece.stock === 'in place' && bond.kind !== 'bead') return [];
    const isBead = bond.kind === 'bead';
    const own = {
      piece: (isBead ? bead : undefined) ?? bond.thing,
      surface: bond.surface,
      step: bond.step,
      material: isBead ? sealantOf(materials) : materialOf(piece, materials),
    };
    const under = bond.under.flatMap(({ thing }) => pieceNamed(build, thing) ?? []);
    return [
      ...under.map((one) => ({ ...own, onto: one.id, face: faceOf(build, one, materials) })),
      ...(under.length === 0 ? [{ ...own, onto: null, face: wallFace(build, bond.surface) }] : []),
      // A bead holds on both sides: to what lies under it and to the sheet it beds.
      ...(isBead ? [{ ...own, onto: bond.thing, face: faceOf(build, piece, materials) }] : []),
    ].map((contact) => judged(contact, adhesion));
  });
  return [...once([...found, ...joints(build, materials, adhesion)])];
}

/** Sealant and foam in the joint touch the frame and what the opening is lined with. */
function joints(
  build: Build,
  materials: readonly Material[],
  adhesion: Supply['adhesion'],
): MaterialContact[] {
  const stepOf = (piece: string) => build.steps.find(({ places }) => places.includes(piece))?.id ?? '';
  return [
    ...piecesFor(build, 'inner-seal'),
    ...piecesFor(build, 'outer-seal'),
    ...piecesFor(build, 'fill'),
  ].flatMap((piece) => {
    const kind = piece.form === 'solid' ? piece.solids[0]?.material : undefined;
    if (kind !== 'sealant' && kind !== 'foam') return [];
    const material =
      kind === 'sealant' ? sealantOf(materials) : (materials.find((m) => m.kind === 'foam') ?? null);
    const step = stepOf(piece.id);
    const lining = piecesFor(build, 'jamb-flashing')[0];
    return [
      judged(
        { piece: piece.id, onto: null, surface: 'unit-left', step, material, face: frameFace(build) },
        adhesion,
      ),
      judged(
        {
          piece: piece.id,
          onto: lining?.id ?? null,
          surface: 'left-reveal',
          step,
          material,
          face: lining ? faceOf(build, lining, materials) : wallFace(build, 'left-reveal'),
        },
        adhesion,
      ),
    ];
  });
}

function judged(
  o: Omit<MaterialContact, 'chemistry' | 'touch' | 'test'>,
  adhesion: Supply['adhesion'],
): MaterialContact {
  const { material, face } = o;
  const chemistry = material?.chemistry ?? null;
  const plain: Touch =
    face !== null && material?.banned?.includes(face)
      ? 'banned'
      : face !== null && material?.allowed?.includes(face)
        ? 'goes'
        : chemistry === null || face === null
          ? 'unknown'
          : contactTable[chemistry][face];
  const test =
    plain === 'banned' || !isSettledByTest(plain as ContactAnswer | 'unknown')
      ? null
      : (adhesion.findLast((one) => one.material === material?.id && one.face === face) ?? null);
  const touch: Touch = test === null ? plain : !test.held ? 'no-stick' : test.primer ? 'primer' : 'goes';
  return { ...o, chemistry, touch, test };
}

/** The same two on the same surface in the same step are told once. */
function once(list: readonly MaterialContact[]): Iterable<MaterialContact> {
  return new Map(
    list.map((one) => [
      [one.piece, one.onto, one.material?.id, one.face, one.surface, one.step].join('/'),
      one,
    ]),
  ).values();
}

const sealantOf = (materials: readonly Material[]): Material | null =>
  materials.find((m) => m.kind === 'sealant') ?? null;

/** The job's own stock that a strip is cut from. */
function materialOf(piece: Piece, materials: readonly Material[]): Material | null {
  if (piece.form !== 'sheet') return null;
  const { material } = piece.sheet;
  const own = materials.filter((m) => m.kind === material);
  if (own.length === 0) return null;
  const width = cutSize(piece.sheet).width_mm;
  const roll = rollFor(material, width, own).material;
  return own.find(({ id }) => id === roll) ?? own[0] ?? null;
}

const BACKS: Partial<Record<Chemistry, ContactFace>> = {
  acrylic: 'acrylic-back',
  butyl: 'butyl-back',
  'rubberised-asphalt': 'asphalt-back',
};

/** What the outer side of a piece is to whatever comes onto it. */
function faceOf(build: Build, piece: Piece, materials: readonly Material[]): ContactFace | null {
  if (piece.form !== 'sheet') return null;
  switch (piece.sheet.material) {
    case 'wrap':
      return 'wrap';
    case 'coated-face':
      return 'coated-board';
    case 'foam-face':
      return 'foil-foam';
    case 'masonry-face':
      return 'masonry';
    case 'fluid':
      return 'fluid-film';
    case 'sheet-metal':
      return 'bare-metal';
    case 'fin':
      return frameFace(build);
    case 'self-adhered':
    case 'membrane':
    case 'air-sheet':
      return 'sheet-back';
    case 'stretch-flashing':
    case 'flashing-tape':
    case 'corner-tape': {
      const chemistry = materialOf(piece, materials)?.chemistry;
      return chemistry === undefined ? null : (BACKS[chemistry] ?? 'sheet-back');
    }
  }
}

const FRAMES = {
  vinyl: 'vinyl',
  wood: 'wood',
  'clad-wood': 'painted-metal',
  aluminium: 'painted-metal',
  fibreglass: 'fibreglass',
} as const;

const frameFace = ({ unit }: Build): ContactFace | null =>
  unit.frameMaterial ? FRAMES[unit.frameMaterial] : null;

const LAYERS: Partial<Record<string, ContactFace>> = {
  'wood-board': 'wood-board',
  'foam-board': 'polystyrene',
  render: 'masonry',
  plaster: 'plaster',
  drywall: 'plaster',
  stud: 'wood',
  batten: 'wood',
  siding: 'wood',
};

/** What the wall itself is on a surface. */
function wallFace(build: Build, surface: SurfaceId): ContactFace | null {
  if (isOnFrame(surface)) return frameFace(build);
  const { layers } = build.wall;
  const of = (...roles: readonly string[]): ContactFace | null => {
    const layer = roles.flatMap((role) => layers.find((l) => l.role === role) ?? [])[0];
    if (!layer) return null;
    return isMasonry(layer.material) ? 'masonry' : (LAYERS[layer.material] ?? null);
  };
  const { buck } = build.context.opening;
  if (buck && (isOnBuck(surface) || isReveal(surface)))
    return buck.kind === 'lumber' ? 'wood' : buck.kind === 'panel-frame' ? 'wood-board' : 'hd-foam';
  if (surface === 'cap-shelf' || surface === 'cap-drop') return 'bare-metal';
  if (surface === 'sill-reveal' || surface === 'sill-rear')
    return piecesFor(build, 'sill-board').length > 0 ? 'wood' : of('framing', 'sheathing');
  if (isReveal(surface)) return of('framing', 'sheathing');
  if (surface === 'wall')
    return build.context.choices.waterLayer === 'foam-face' ? 'foil-foam' : of('sheathing', 'framing');
  return of('sheathing', 'framing');
}

/** Whether a day's weather lets a material be worked. */
export function onDay(
  { least_C, most_C, dampSubstrate }: Material,
  rows: readonly WeatherRow[],
): readonly ('too-cold' | 'too-warm' | 'wet')[] {
  const temperatures = rows.map(({ temperature_C }) => temperature_C);
  return [
    ...(least_C !== undefined && Math.min(...temperatures) < least_C ? (['too-cold'] as const) : []),
    ...(most_C !== undefined && Math.max(...temperatures) > most_C ? (['too-warm'] as const) : []),
    ...(dampSubstrate !== true && rows.some(({ rain_mm }) => rain_mm > 0) ? (['wet'] as const) : []),
  ];
}

/** Another stock for one piece, and what speaks against it. */
export interface Instead {
  readonly material: Material;
  readonly touch: Touch;
  readonly tooNarrow: boolean;
  /** It would have to stretch at a corner and does not. */
  readonly doesNotStretch: boolean;
}

const ANSWERS: readonly Touch[] = [
  'goes',
  'primer',
  'both-makers',
  'unknown',
  'no-stick',
  'attacked',
  'banned',
];

export const worstTouch = (touches: readonly Touch[]): Touch =>
  touches.reduce<Touch>(
    (worst, one) => (ANSWERS.indexOf(one) > ANSWERS.indexOf(worst) ? one : worst),
    'goes',
  );

/** Kinds that can do another's work on a face. */
const STRIPS: readonly Material['kind'][] = ['flashing-tape', 'stretch-flashing', 'membrane', 'self-adhered'];

/** What else on the shelf could be this piece, the best first. */
export function insteadOf(
  build: Build,
  id: string,
  { materials = [], adhesion = [] }: TogetherOf,
): Instead[] {
  const piece = pieceNamed(build, id);
  if (piece?.form !== 'sheet') return [];
  const { sheet } = piece;
  const now = materialOf(piece, materials);
  const kinds = STRIPS.includes(sheet.material) ? STRIPS : [sheet.material];
  const stretched = sheet.fans.some(({ stretch }) => stretch > 1.001);
  const touching = contacts(build, { materials, adhesion }).filter((one) => one.piece === id);
  const width = cutSize(sheet).width_mm;
  return materials
    .filter((material) => kinds.includes(material.kind) && material.id !== now?.id)
    .map((material): Instead => ({
      material,
      touch: worstTouch(
        touching.map(
          ({ piece: own, onto, surface, step, face }) =>
            judged({ piece: own, onto, surface, step, face, material }, adhesion).touch,
        ),
      ),
      tooNarrow: (material.width?.mm ?? Infinity) < width - 0.5,
      doesNotStretch: stretched && material.kind !== 'stretch-flashing',
    }))
    .sort((a, b) => against(a) - against(b));
}

const against = ({ touch, tooNarrow, doesNotStretch }: Instead): number =>
  ANSWERS.indexOf(touch) + (tooNarrow ? 10 : 0) + (doesNotStretch ? 10 : 0);

/** What another stock of the job does in a piece's place: where it sticks, is wide enough and stretches, what was planned. */
export const askStock =
  (of: TogetherOf): AskStock =>
  (build, piece, stock) => {
    const other = insteadOf(build, piece, of).find(({ material }) => material.id === stock);
    if (!other) return isPlannedStock(build, piece, stock, of) ? 'as-planned' : 'unknown';
    const { touch, tooNarrow, doesNotStretch } = other;
    if (touch === 'no-stick' || touch === 'attacked' || touch === 'banned') return 'no-bond';
    return touch === 'goes' && !tooNarrow && !doesNotStretch ? 'as-planned' : 'unknown';
  };

function isPlannedStock(build: Build, id: string, stock: string, { materials = [] }: TogetherOf): boolean {
  const piece = pieceNamed(build, id);
  return piece !== undefined && materialOf(piece, materials)?.id === stock;
}
