/**
 * What a building model says of its windows and doors: sizes in millimetres from parameters or from the shape of the opening,
 * storeys, façades by where their walls look, layers, ratings. What cannot be read is said, never guessed.
 */
import { axisFrame, inside, placed, worldFrame, type Frame, type Vec } from './placement.ts';
import { cross3, degrees, dot3 } from '../geometry/vector.ts';
import { lineIn, linesIn, numberIn, numbersIn, textIn, type IfcLine, type IfcLines } from './lines.ts';

export interface ModelLayer {
  readonly material: string;
  readonly thickness_mm: number;
}

/** A kind of wall: all walls of the same layers. */
export interface ModelWall {
  readonly key: string;
  readonly name: string;
  /** As the file has them, which need not be from the weather to the room; empty where it has none. */
  readonly layers: readonly ModelLayer[];
  readonly u_Wm2K: number | null;
  readonly fire: string;
}

/** Why a size is not known. */
export type SizeProblem = 'no-shape' | 'other-shape' | 'turned' | 'no-wall' | 'no-placement';

export interface ModelUnit {
  readonly guid: string;
  readonly kind: 'window' | 'door';
  readonly mark: string;
  readonly name: string;
  readonly type: string;
  readonly storey: string;
  readonly external: boolean | null;
  /** Where its wall looks, degrees from north through east; `null` where that is not known. */
  readonly azimuth_deg: number | null;
  readonly wall: string | null;
  readonly width_mm: number | null;
  readonly height_mm: number | null;
  /** Of the hole in the wall, where its shape can be read. */
  readonly rough: { readonly width_mm: number; readonly height_mm: number } | null;
  /** Of the hole's lower edge above its storey. */
  readonly sill_mm: number | null;
  readonly from: 'parameters' | 'opening' | null;
  readonly problem: SizeProblem | null;
  readonly u_Wm2K: number | null;
  readonly fire: string;
}

export interface Building {
  readonly units: readonly ModelUnit[];
  readonly walls: readonly ModelWall[];
  readonly storeys: readonly string[];
}

/** Why a model is not read at all. */
export class ModelRefused extends Error {}

const MM_in_m = 1000;
const PREFIXES: Readonly<Record<string, number>> = {
  MILLI: 1e-3,
  CENTI: 1e-2,
  DECI: 1e-1,
  KILO: 1e3,
  MICRO: 1e-6,
};

/** Millimetres in one unit of length of the file. @throws ModelRefused */
function lengthUnit(lines: IfcLines): number {
  const [project] = lines.of('IFCPROJECT').flatMap((id) => lines.line(id) ?? []);
  const assignment = project && lineIn(lines, project, 'UnitsInContext');
  const units = assignment ? linesIn(lines, assignment, 'Units') : [];
  const unit = units.find((one) => textIn(one, 'UnitType') === 'LENGTHUNIT');
  const mm = unit && millimetres(lines, unit);
  if (!mm) throw new ModelRefused('it does not say in which unit its lengths are');
  return mm;
}

function millimetres(lines: IfcLines, unit: IfcLine): number | null {
  if (unit.type === 'IFCSIUNIT')
    return textIn(unit, 'Name') === 'METRE' ? MM_in_m * (PREFIXES[textIn(unit, 'Prefix')] ?? 1) : null;
  const factor = lineIn(lines, unit, 'ConversionFactor');
  const base = factor && lineIn(lines, factor, 'UnitComponent');
  const times = factor && numberIn(factor, 'ValueComponent');
  const of = base && base.type === 'IFCSIUNIT' ? millimetres(lines, base) : null;
  return of && times ? of * times : null;
}

/** North in the plane of the model. */
function northOf(lines: IfcLines): Vec {
  for (const id of lines.of('IFCGEOMETRICREPRESENTATIONCONTEXT')) {
    const context = lines.line(id);
    const north = context && lineIn(lines, context, 'TrueNorth');
    const [x = 0, y = 0] = north ? numbersIn(north, 'DirectionRatios') : [];
    if (x !== 0 || y !== 0) return [x, y, 0];
  }
  return [0, 1, 0];
}

/** By the line that a relation is about, the lines it brings to it. */
function related(lines: IfcLines, type: string, of: string, brings: string): Map<number, IfcLine[]> {
  const found = new Map<number, IfcLine[]>();
  for (const id of lines.of(type)) {
    const relation = lines.line(id);
    if (!relation) continue;
    const brought = linesIn(lines, relation, brings);
    for (const { id: about } of linesIn(lines, relation, of))
      found.set(about, [...(found.get(about) ?? []), ...brought]);
  }
  return found;
}

interface Relations {
  readonly lines: IfcLines;
  readonly mm: number;
  readonly north: Vec;
  readonly opening: Map<number, IfcLine[]>;
  readonly wall: Map<number, IfcLine[]>;
  readonly storey: Map<number, IfcLine[]>;
  readonly material: Map<number, IfcLine[]>;
  readonly properties: Map<number, IfcLine[]>;
  readonly type: Map<number, IfcLine[]>;
}

const UNITS = [
  ['IFCWINDOW', 'window'],
  ['IFCWINDOWSTANDARDCASE', 'window'],
  ['IFCDOOR', 'door'],
  ['IFCDOORSTANDARDCASE', 'door'],
] as const;

/**
 * Reads a building.
 *
 * @param told how many of how many windows and doors are read
 * @throws ModelRefused
 */
export function readBuilding(lines: IfcLines, told: (share: number) => void = () => undefined): Building {
  if (!/^IFC(2X3|4)/.test(lines.schema))
    throw new ModelRefused(`it is of schema ${lines.schema || 'unknown'}; IFC2X3 and IFC4 are read`);
  const of: Relations = {
    lines,
    mm: lengthUnit(lines),
    north: northOf(lines),
    opening: related(lines, 'IFCRELFILLSELEMENT', 'RelatedBuildingElement', 'RelatingOpeningElement'),
    wall: related(lines, 'IFCRELVOIDSELEMENT', 'RelatedOpeningElement', 'RelatingBuildingElement'),
    storey: related(lines, 'IFCRELCONTAINEDINSPATIALSTRUCTURE', 'RelatedElements', 'RelatingStructure'),
    material: related(lines, 'IFCRELASSOCIATESMATERIAL', 'RelatedObjects', 'RelatingMaterial'),
    properties: related(lines, 'IFCRELDEFINESBYPROPERTIES', 'RelatedObjects', 'RelatingPropertyDefinition'),
    type: related(lines, 'IFCRELDEFINESBYTYPE', 'RelatedObjects', 'RelatingType'),
  };
  const found = UNITS.flatMap(([type, kind]) => lines.of(type).map((id) => ({ id, kind })));
  const walls = new Map<string, ModelWall>();
  const middles = middleOf(of);
  const units = found.flatMap(({ id, kind }, i): ModelUnit[] => {
    told((i + 1) / found.length);
    const line = lines.line(id);
    return line ? [unitOf(of, line, kind, walls, middles)] : [];
  });
  return {
    units,
    walls: [...walls.values()],
    storeys: lines.of('IFCBUILDINGSTOREY').flatMap((id) => {
      const line = lines.line(id);
      return line ? [textIn(line, 'Name')] : [];
    }),
  };
}

/** The middle of all walls: a wall looks away from it. */
function middleOf({ lines }: Relations): Vec {
  let [x, y, n] = [0, 0, 0];
  for (const type of ['IFCWALL', 'IFCWALLSTANDARDCASE'])
    for (const id of lines.of(type)) {
      const line = lines.line(id);
      const middle = line && wallMiddle(lines, line);
      if (!middle) continue;
      [x, y, n] = [x + middle[0], y + middle[1], n + 1];
    }
  return n === 0 ? [0, 0, 0] : [x / n, y / n, 0];
}

/** Half way along a wall's axis where it has one, else its origin. */
function wallMiddle(lines: IfcLines, wall: IfcLine): Vec | null {
  const frame = worldFrame(lines, wall);
  if (!frame) return null;
  const axis = shapesOf(lines, wall, 'Axis')[0];
  const points = axis?.type === 'IFCPOLYLINE' ? linesIn(lines, axis, 'Points') : [];
  const ends = points.map((point) => numbersIn(point, 'Coordinates'));
  const [first, last] = [ends[0], ends.at(-1)];
  if (!first || !last) return frame.origin;
  return placed(frame, [((first[0] ?? 0) + (last[0] ?? 0)) / 2, ((first[1] ?? 0) + (last[1] ?? 0)) / 2, 0]);
}

function shapesOf(lines: IfcLines, product: IfcLine, identifier: string): IfcLine[] {
  const shape = lineIn(lines, product, 'Representation');
  const all = shape ? linesIn(lines, shape, 'Representations') : [];
  return all
    .filter((one) => textIn(one, 'RepresentationIdentifier') === identifier)
    .flatMap((one) => linesIn(lines, one, 'Items'));
}

function unitOf(
  of: Relations,
  line: IfcLine,
  kind: ModelUnit['kind'],
  walls: Map<string, ModelWall>,
  middle: Vec,
): ModelUnit {
  const { lines, mm } = of;
  const hole = of.opening.get(line.id)?.[0] ?? null;
  const host = hole && (of.wall.get(hole.id)?.[0] ?? null);
  const storey = (of.storey.get(line.id) ?? (host ? of.storey.get(host.id) : undefined))?.[0] ?? null;
  const own = propertiesOf(of, line);
  const wallOwn = host ? propertiesOf(of, host) : null;
  const [typeLine] = of.type.get(line.id) ?? [];
  const rough =
    host && hole ? roughOf(of, host, hole) : ({ ok: false, because: hole ? 'no-wall' : 'no-shape' } as const);
  const [w, h] = [numberIn(line, 'OverallWidth') ?? 0, numberIn(line, 'OverallHeight') ?? 0];
  const given = w > 0 && h > 0 ? { width_mm: w * mm, height_mm: h * mm } : null;
  const size = given ?? (rough.ok ? rough : null);
  const wall = host && wallOf(of, host, wallOwn);
  if (wall) walls.set(wall.key, wall);
  const storeyFrame = storey && worldFrame(lines, storey);
  const external = own.external ?? wallOwn?.external ?? null;
  return {
    guid: textIn(line, 'GlobalId'),
    kind,
    mark: textIn(line, 'Tag') || textIn(line, 'Name'),
    name: textIn(line, 'Name'),
    type: (typeLine && textIn(typeLine, 'Name')) || textIn(line, 'ObjectType'),
    storey: storey ? textIn(storey, 'Name') : '',
    external,
    azimuth_deg: host ? azimuthOf(of, host, middle) : null,
    wall: wall?.key ?? null,
    width_mm: size?.width_mm ?? null,
    height_mm: size?.height_mm ?? null,
    rough: rough.ok ? { width_mm: rough.width_mm, height_mm: rough.height_mm } : null,
    sill_mm: rough.ok && storeyFrame ? rough.low * mm - storeyFrame.origin[2] * mm : null,
    from: given ? 'parameters' : rough.ok ? 'opening' : null,
    problem: given || rough.ok ? null : rough.because,
    u_Wm2K: own.u,
    fire: own.fire,
  };
}

type Rough =
  | { readonly ok: true; readonly width_mm: number; readonly height_mm: number; readonly low: number }
  | { readonly ok: false; readonly because: SizeProblem };

/** Corners in millimetres may be off by so much where a shape stands true, in units of the file it is less. */
const TRUE_share = 1e-6;

/** The hole in its wall: how far it reaches along the wall and up. */
function roughOf({ lines, mm }: Relations, wall: IfcLine, hole: IfcLine): Rough {
  const [wallFrame, holeFrame] = [worldFrame(lines, wall), worldFrame(lines, hole)];
  if (!wallFrame || !holeFrame) return { ok: false, because: 'no-placement' };
  const solids = shapesOf(lines, hole, 'Body');
  const [solid] = solids;
  if (!solid) return { ok: false, because: 'no-shape' };
  if (solids.length > 1 || solid.type !== 'IFCEXTRUDEDAREASOLID')
    return { ok: false, because: 'other-shape' };
  const profile = lineIn(lines, solid, 'SweptArea');
  const outline = profile && rectangleOf(lines, profile);
  if (!outline) return { ok: false, because: 'other-shape' };
  const frame = inside(holeFrame, axisFrame(lines, lineIn(lines, solid, 'Position')));
  const toward = lineIn(lines, solid, 'ExtrudedDirection');
  const [dx = 0, dy = 0, dz = 1] = toward ? numbersIn(toward, 'DirectionRatios') : [];
  const deep = numberIn(solid, 'Depth') ?? 0;
  const far = Math.hypot(dx, dy, dz) || 1;
  const shift: Vec = [(dx / far) * deep, (dy / far) * deep, (dz / far) * deep];
  const corners = outline.flatMap(([x, y]): Vec[] => [
    [x, y, 0],
    [x + shift[0], y + shift[1], shift[2]],
  ]);
  // Along the wall, across it, and up: the wall's own axes, levelled.
  const up: Vec = [0, 0, 1];
  const along = levelled(wallFrame);
  if (!along) return { ok: false, because: 'turned' };
  const across = cross3(up, along);
  const world = corners.map((corner) => placed(frame, corner));
  const on = (axis: Vec) => world.map((corner) => dot3(corner, axis));
  const span = (values: readonly number[]) => Math.max(...values) - Math.min(...values);
  const [u, v, w] = [on(along), on(across), on(up)];
  // Of a box that stands true in its wall every corner is at one of two places along each axis.
  const isTrue = [u, v, w].every((values) => {
    const [low, high] = [Math.min(...values), Math.max(...values)];
    const near = (high - low) * 1e-3 + TRUE_share * (1 + Math.abs(high));
    return values.every((value) => value - low < near || high - value < near);
  });
  if (!isTrue) return { ok: false, because: 'turned' };
  return { ok: true, width_mm: span(u) * mm, height_mm: span(w) * mm, low: Math.min(...w) };
}

/** Along a wall, level; `null` where it stands on end. */
function levelled({ x }: Frame): Vec | null {
  const far = Math.hypot(x[0], x[1]);
  return far > 1e-6 ? [x[0] / far, x[1] / far, 0] : null;
}

/** The corners of a profile that is a rectangle. */
function rectangleOf(lines: IfcLines, profile: IfcLine): readonly Vec[] | null {
  if (profile.type === 'IFCRECTANGLEPROFILEDEF') {
    const [x, y] = [(numberIn(profile, 'XDim') ?? 0) / 2, (numberIn(profile, 'YDim') ?? 0) / 2];
    const frame = axisFrame(lines, lineIn(lines, profile, 'Position'));
    const corners: Vec[] = [
      [-x, -y, 0],
      [x, -y, 0],
      [x, y, 0],
      [-x, y, 0],
    ];
    return x > 0 && y > 0 ? corners.map((corner) => placed(frame, corner)) : null;
  }
  if (profile.type !== 'IFCARBITRARYCLOSEDPROFILEDEF') return null;
  const curve = lineIn(lines, profile, 'OuterCurve');
  if (curve?.type !== 'IFCPOLYLINE') return null;
  const points = linesIn(lines, curve, 'Points').map((point): Vec => {
    const [x = 0, y = 0] = numbersIn(point, 'Coordinates');
    return [x, y, 0];
  });
  const [first, last] = [points[0], points.at(-1)];
  const open =
    first && last && Math.hypot(first[0] - last[0], first[1] - last[1]) < 1e-9 ? points.slice(0, -1) : points;
  return open.length === 4 ? open : null;
}

/** Where a wall looks: across its length, away from the middle of the building. */
function azimuthOf({ lines, north }: Relations, wall: IfcLine, middle: Vec): number | null {
  const frame = worldFrame(lines, wall);
  const along = frame && levelled(frame);
  const at = wallMiddle(lines, wall);
  if (!along || !at) return null;
  const across = cross3([0, 0, 1], along);
  const away: Vec = [at[0] - middle[0], at[1] - middle[1], 0];
  const toward = dot3(away, across);
  // A wall through the middle looks neither way.
  if (Math.abs(toward) < 1e-3 * (1 + Math.hypot(away[0], away[1]))) return null;
  const looks: Vec = toward > 0 ? across : [-across[0], -across[1], 0];
  const turn = Math.atan2(
    looks[0] * north[1] - looks[1] * north[0],
    looks[0] * north[0] + looks[1] * north[1],
  );
  return ((degrees(turn) % 360) + 360) % 360;
}

interface Properties {
  readonly u: number | null;
  readonly fire: string;
  readonly external: boolean | null;
}

/** Of the thing itself before those of its type. */
function propertiesOf(of: Relations, line: IfcLine): Properties {
  const { lines } = of;
  const own = of.properties.get(line.id) ?? [];
  const [type] = of.type.get(line.id) ?? [];
  const sets = [...own, ...(type ? linesIn(lines, type, 'HasPropertySets') : [])];
  const singles = sets.flatMap((set) => linesIn(lines, set, 'HasProperties'));
  const valueOf = (name: string) =>
    singles.find((one) => textIn(one, 'Name') === name && one.values.NominalValue !== null)?.values
      .NominalValue;
  const [u, fire, external] = [valueOf('ThermalTransmittance'), valueOf('FireRating'), valueOf('IsExternal')];
  return {
    u: typeof u === 'number' && u > 0 ? u : null,
    fire: typeof fire === 'string' ? fire : '',
    external:
      typeof external === 'boolean' ? external : external === 'T' ? true : external === 'F' ? false : null,
  };
}

function wallOf(of: Relations, wall: IfcLine, own: Properties | null): ModelWall {
  const { mm } = of;
  const [type] = of.type.get(wall.id) ?? [];
  const layers = layersOf(of, of.material.get(wall.id) ?? (type ? (of.material.get(type.id) ?? []) : []));
  const name = (type && textIn(type, 'Name')) || textIn(wall, 'ObjectType') || textIn(wall, 'Name');
  const rounded = layers.map(({ material, thickness_mm }) => ({ material, thickness_mm: thickness_mm * mm }));
  const key = [
    name,
    ...rounded.map(({ material, thickness_mm }) => `${material} ${thickness_mm.toFixed(1)}`),
  ].join(' | ');
  return { key, name, layers: rounded, u_Wm2K: own?.u ?? null, fire: own?.fire ?? '' };
}

/** Layers in units of the file. */
function layersOf({ lines }: Relations, materials: readonly IfcLine[]): ModelLayer[] {
  for (const material of materials) {
    const set =
      material.type === 'IFCMATERIALLAYERSETUSAGE'
        ? lineIn(lines, material, 'ForLayerSet')
        : material.type === 'IFCMATERIALLAYERSET'
          ? material
          : null;
    if (!set) continue;
    return linesIn(lines, set, 'MaterialLayers').flatMap((layer) => {
      const of = lineIn(lines, layer, 'Material');
      const thickness = numberIn(layer, 'LayerThickness');
      return thickness !== null && thickness > 0
        ? [{ material: (of && textIn(of, 'Name')) || textIn(layer, 'Name'), thickness_mm: thickness }]
        : [];
    });
  }
  return [];
}
