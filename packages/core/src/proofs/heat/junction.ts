/** The sections that are solved for one side of an opening: the joint in its wall, and the unit alone. */
import type { CutId } from '../../vocabulary/sides.ts';
import type { Solid } from '../../geometry/solid.ts';
import type { Build } from '../../build/build.ts';
import { plays } from '../../build/by-role.ts';
import { UNIT } from '../../methods/names.ts';
import type { PieceRole } from '../../vocabulary/roles.ts';
import { cutBoxes, extentOf, sideOf, unitBoxes, type HeatBox } from './boxes.ts';
import { countedLayers, isVentilated } from '../../build/wall-layers.ts';
import { stillAir, type Conductivities } from '../../conditions/conductivities.ts';
import { outlineOf, type Outline } from './outline.ts';
import { SECTION_FORMAT, SECTION_VERSION, type Section } from './section-file.ts';
import { blockLambda, type UnitValues } from './unit-values.ts';
import { RSI_FLOW } from '../../conditions/surfaces.ts';

/** Temperatures of room and weather, °C. */
export interface Ends {
  readonly inside_C: number;
  readonly outside_C: number;
}

/** A section with the thing of each box and each surface, by their places in its lists. */
export interface NamedSection {
  readonly section: Section;
  readonly boxThings: readonly string[];
  readonly surfaceThings: readonly string[];
}

export interface Junction {
  readonly cut: CutId;
  /** For heat flow, with the usual inside resistance everywhere. */
  readonly flow: NamedSection;
  /** For surfaces: opaque inside surfaces with the greater resistance of corners and furniture. */
  readonly surface: NamedSection;
  /** The unit alone, its edge to the joint letting nothing through. */
  readonly unit: NamedSection;
  /** Of the undisturbed wall, W/(m² K). */
  readonly wallU: number;
  /** From the unit's edge to the end of the section, m. */
  readonly wall_m: number;
  readonly leftOut: readonly string[];
}

/** Thousandths of a millimetre are noise of the arithmetic, and would be lines of the grid. */
const range = ([a, b]: readonly [number, number]): [number, number] => [
  Math.round(a * 1000) / 1000,
  Math.round(b * 1000) / 1000,
];
export const RSI_SURFACE = 0.25;
const RSE = 0.04;
/** Behind a ventilated cladding the air stands as still as in a room. Source: ISO 6946, from memory. */
const RSE_VENTILATED = 0.13;
/** What stands before the cladding, whatever the wall. */
const EXPOSED = ['unit', 'trim', 'drip-cap'] as const satisfies readonly PieceRole[];

export interface JunctionInput {
  readonly build: Build;
  readonly cut: CutId;
  readonly lambda: Conductivities;
  readonly values: UnitValues;
  readonly ends: Ends;
  /** A shim to cut through; the cut lies beside the shims when left out. */
  readonly through?: Solid | undefined;
  /** Materials that a study sets otherwise. */
  readonly instead?: Readonly<Record<string, number>> | undefined;
}

export function junctionOf(input: JunctionInput): Junction {
  const { build, cut, through } = input;
  const cutting = cutBoxes(build, cut, through);
  const extent = extentOf(build, cut);
  const outline = outlineOf(cutting.boxes, cutting.sheets, extent);
  const alone = unitBoxes(cutting);
  const { outward, unit } = sideOf(build, cut);
  const far = outward < 0 ? extent[0] : extent[1];
  // The unit's side towards the joint is the end of its own section and lets nothing through.
  const own = outward < 0 ? ([unit, extent[1]] as const) : ([extent[0], unit] as const);
  const title = (what: string) => `${cut}: ${what}`;
  return {
    cut,
    flow: sectionFrom(input, cutting.boxes, outline, { title: title('joint, heat flow'), rsi: RSI_FLOW }),
    surface: sectionFrom(input, cutting.boxes, outline, {
      title: title('joint, surfaces'),
      rsi: RSI_SURFACE,
    }),
    unit: sectionFrom(input, alone, outlineOf(alone, [], own), {
      title: title('unit alone'),
      rsi: RSI_FLOW,
    }),
    wallU: wallU(build, input),
    wall_m: Math.abs(far - unit) / 1000,
    leftOut: cutting.leftOut,
  };
}

const lambdaOf = ({ lambda, values, instead, build }: JunctionInput, material: string): number => {
  const own = instead?.[material];
  if (own !== undefined) return own;
  const depth = build.context.unit.front - build.context.unit.back;
  if (material === 'frame') return blockLambda(depth, values.frameU);
  return lambda(material);
};

function sectionFrom(
  input: JunctionInput,
  boxes: readonly HeatBox[],
  { air, stretches }: Outline,
  { title, rsi }: { title: string; rsi: number },
): NamedSection {
  const rse = isVentilated(input.build) ? RSE_VENTILATED : RSE;
  const materials: Record<string, { lambda: number }> = {};
  const named = (box: HeatBox): string => {
    const lambda =
      box.material === 'glass'
        ? blockLambda(box.x[1] - box.x[0], input.values.glassU)
        : lambdaOf(input, box.material);
    materials[box.material] = { lambda };
    return box.material;
  };
  const airName = ({ space: { x, y } }: Outline['air'][number]): string => {
    const [along, across] = [x[1] - x[0], y[1] - y[0]];
    const name = `still air ${along.toFixed(1)} × ${across.toFixed(1)}`;
    materials[name] = { lambda: stillAir(along, across) };
    return name;
  };
  const list = [
    ...boxes.map((box) => ({ material: named(box), x: range(box.x), y: range(box.y) })),
    ...air.map((box) => ({ material: airName(box), x: range(box.x), y: range(box.y) })),
  ];
  const surfaces = stretches.map(({ beyond, thing, from, to }) => ({
    environment: beyond,
    from: range(from),
    to: range(to),
    rs:
      beyond === 'room'
        ? thing === UNIT
          ? RSI_FLOW
          : rsi
        : EXPOSED.some((role) => plays(input.build, thing, role))
          ? RSE
          : rse,
  }));
  return {
    section: {
      format: SECTION_FORMAT,
      version: SECTION_VERSION,
      title,
      materials,
      boxes: list,
      environments: {
        room: { temperature: input.ends.inside_C, rs: rsi },
        outside: { temperature: input.ends.outside_C, rs: RSE },
      },
      surfaces,
      probes: [],
    },
    boxThings: [...boxes, ...air].map((box) => box.thing),
    surfaceThings: stretches.map((s) => s.thing),
  };
}

/** Sum of the resistances of the layers that count. Source: ISO 6946, from memory. */
function wallU(build: Build, { lambda, instead }: JunctionInput): number {
  const rse = isVentilated(build) ? RSE_VENTILATED : RSE;
  const layers = countedLayers(build).reduce(
    (sum, { material, x }) => sum + (x[1] - x[0]) / 1000 / (instead?.[material] ?? lambda(material)),
    0,
  );
  return 1 / (RSI_FLOW + layers + rse);
}
