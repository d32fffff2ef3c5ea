/**
 * Openings of a job as a building model, IFC4: a wall for every façade and kind of wall, the hole, the unit in it, and what was
 * planned, measured and installed as properties under the ids that they came with. Source: ISO 16739-1:2018, from memory.
 */
import type { Job } from '../documents/job.ts';
import type { OpeningDocument } from '../documents/opening.ts';
import type { Unit } from '../documents/unit.ts';
import type { Wall } from '../documents/wall.ts';
import { guidOf } from './guid.ts';
import {
  DERIVED,
  int,
  list,
  NOTHING,
  real,
  StepLines,
  text,
  truth,
  typed,
  word,
  type StepValue,
} from './step.ts';

/** A property: a length in mm, a number without a unit, a text, or yes and no. */
export type ModelProperty =
  { readonly mm: number } | { readonly count: number } | { readonly text: string } | { readonly is: boolean };

export interface ModelOpening {
  readonly opening: OpeningDocument;
  readonly unit: Unit | null;
  readonly wall: Wall | null;
  /** The rough opening as it was measured, or as it is asked for; the unit's own size where neither is known. */
  readonly rough: { readonly width_mm: number; readonly height_mm: number } | null;
  /** By the name of the set, by the name of the property. */
  readonly sets: Readonly<Record<string, Readonly<Record<string, ModelProperty>>>>;
}

export interface BuildingToWrite {
  readonly job: Pick<Job, 'id' | 'name' | 'facades'>;
  readonly openings: readonly ModelOpening[];
  /** The moment, ISO 8601. */
  readonly at: string;
}

/** Where nothing is known of a wall it is drawn so thick, mm; of a place, openings stand so far from one another. */
const DRAWN = { wall_mm: 200, between_mm: 1000, above_mm: 500, sill_mm: 900 } as const;

/** @returns the file, and how many openings are left out because nothing says how large they are */
export function writeBuilding({ job, openings, at }: BuildingToWrite): {
  readonly file: string;
  readonly leftOut: number;
} {
  const step = new StepLines();
  const guid = (...name: string[]) => text(guidOf(job.id, ...name));
  const point = (...at_: number[]) => step.add('IFCCARTESIANPOINT', list(at_.map(real)));
  const direction = (...to: number[]) => step.add('IFCDIRECTION', list(to.map(real)));
  const [zero, up, east] = [point(0, 0, 0), direction(0, 0, 1), direction(1, 0, 0)];
  const axes = step.add('IFCAXIS2PLACEMENT3D', zero, up, east);
  const context = step.add(
    'IFCGEOMETRICREPRESENTATIONCONTEXT',
    NOTHING,
    text('Model'),
    int(3),
    real(1e-5),
    axes,
    direction(0, 1, 0),
  );
  const body = step.add(
    'IFCGEOMETRICREPRESENTATIONSUBCONTEXT',
    text('Body'),
    text('Model'),
    DERIVED,
    DERIVED,
    DERIVED,
    DERIVED,
    context,
    NOTHING,
    word('MODEL_VIEW'),
    NOTHING,
  );
  const si = (kind: string, prefix: StepValue, name: string) =>
    step.add('IFCSIUNIT', DERIVED, word(kind), prefix, word(name));
  const units = step.add(
    'IFCUNITASSIGNMENT',
    list([
      si('LENGTHUNIT', word('MILLI'), 'METRE'),
      si('AREAUNIT', NOTHING, 'SQUARE_METRE'),
      si('PLANEANGLEUNIT', NOTHING, 'RADIAN'),
    ]),
  );
  const project = step.add(
    'IFCPROJECT',
    guid('project'),
    NOTHING,
    text(job.name),
    NOTHING,
    NOTHING,
    NOTHING,
    NOTHING,
    list([context]),
    units,
  );
  const placement = (under: StepValue, at_: StepValue = axes) => step.add('IFCLOCALPLACEMENT', under, at_);
  const spatial = (type: string, name: string, under: StepValue, ...rest: StepValue[]) =>
    step.add(
      type,
      guid(type),
      NOTHING,
      text(name),
      NOTHING,
      NOTHING,
      under,
      NOTHING,
      NOTHING,
      word('ELEMENT'),
      ...rest,
    );
  const sitePlace = placement(NOTHING);
  const site = spatial('IFCSITE', job.name, sitePlace, NOTHING, NOTHING, NOTHING, NOTHING, NOTHING);
  const housePlace = placement(sitePlace);
  const house = spatial('IFCBUILDING', job.name, housePlace, NOTHING, NOTHING, NOTHING);
  const storeyPlace = placement(housePlace);
  const storey = spatial('IFCBUILDINGSTOREY', job.name, storeyPlace, real(0));
  const within = (of: StepValue, part: StepValue, name: string) =>
    step.add('IFCRELAGGREGATES', guid('in', name), NOTHING, NOTHING, NOTHING, of, list([part]));
  within(project, site, 'site');
  within(site, house, 'building');
  within(house, storey, 'storey');

  /** A box from its lower left outer corner: along, through the wall, up. */
  const box = (along: number, deep: number, high: number) => {
    const profile = step.add(
      'IFCRECTANGLEPROFILEDEF',
      word('AREA'),
      NOTHING,
      step.add('IFCAXIS2PLACEMENT2D', point(along / 2, deep / 2), NOTHING),
      real(along),
      real(deep),
    );
    const solid = step.add('IFCEXTRUDEDAREASOLID', profile, axes, up, real(high));
    const shape = step.add('IFCSHAPEREPRESENTATION', body, text('Body'), text('SweptSolid'), list([solid]));
    return step.add('IFCPRODUCTDEFINITIONSHAPE', NOTHING, NOTHING, list([shape]));
  };

  const sized = openings.flatMap((one) => {
    const size =
      one.rough ?? (one.unit ? { width_mm: one.unit.width.mm, height_mm: one.unit.height.mm } : null);
    return size ? [{ ...one, size }] : [];
  });
  const faces = new Map<string, typeof sized>();
  for (const one of sized) {
    const key = JSON.stringify([one.opening.facade, one.wall?.id ?? '']);
    faces.set(key, [...(faces.get(key) ?? []), one]);
  }
  const contained: StepValue[] = [];
  let apart = 0;
  for (const [key, own] of faces) {
    const [first] = own;
    if (!first) continue;
    const { wall } = first;
    const name = first.opening.facade;
    const deep = wall ? wall.layers.reduce((sum, { thickness }) => sum + thickness.mm, 0) : DRAWN.wall_mm;
    let next: number = DRAWN.between_mm;
    const places = own.map(({ opening, size }) => {
      const u = opening.position?.u.mm ?? next;
      next = Math.max(next, u + size.width_mm + DRAWN.between_mm);
      return { u, v: opening.position?.v.mm ?? opening.sill?.mm ?? DRAWN.sill_mm };
    });
    const high = Math.max(...own.map(({ size }, i) => (places[i]?.v ?? 0) + size.height_mm)) + DRAWN.above_mm;
    const low = Math.min(0, ...places.map(({ v }) => v));
    const left = Math.min(0, ...places.map(({ u }) => u));
    const azimuth = ((job.facades?.find((one) => one.name === name)?.azimuth_deg ?? 180) * Math.PI) / 180;
    // Seen from outside to the right; the wall lies behind its outer face.
    const along = direction(-Math.cos(azimuth), Math.sin(azimuth), 0);
    const away: [number, number] = [Math.sin(azimuth), Math.cos(azimuth)];
    apart += 1;
    const wallPlace = placement(
      storeyPlace,
      step.add(
        'IFCAXIS2PLACEMENT3D',
        point(away[0] * 10_000 - apart * 100, away[1] * 10_000 - apart * 100, 0),
        up,
        along,
      ),
    );
    const wallBox = placement(
      wallPlace,
      step.add('IFCAXIS2PLACEMENT3D', point(left, 0, low), NOTHING, NOTHING),
    );
    const wallLine = step.add(
      'IFCWALL',
      guid('wall', key),
      NOTHING,
      text([name, wall?.name ?? ''].filter(Boolean).join(', ')),
      NOTHING,
      NOTHING,
      wallBox,
      box(next - left, deep, high - low),
      NOTHING,
      word('NOTDEFINED'),
    );
    contained.push(wallLine);
    if (wall && wall.layers.length > 0) layers(step, guid('layers', key), wallLine, wall);
    own.forEach((one, i) => {
      const place = places[i];
      if (place)
        contained.push(
          ...opened({ step, guid, point, placement, box }, { ...one, place, wallLine, wallPlace, deep }),
        );
    });
  }
  if (contained.length > 0)
    step.add(
      'IFCRELCONTAINEDINSPATIALSTRUCTURE',
      guid('contained'),
      NOTHING,
      NOTHING,
      NOTHING,
      list(contained),
      storey,
    );
  return {
    file: step.file({ name: `${job.id}.ifc`, at, schema: 'IFC4', by: 'Hulvek' }),
    leftOut: openings.length - sized.length,
  };
}

function layers(step: StepLines, guid: StepValue, wallLine: StepValue, wall: Wall): void {
  const all = wall.layers.map(({ material, role, thickness }) =>
    step.add(
      'IFCMATERIALLAYER',
      step.add('IFCMATERIAL', text(material), NOTHING, NOTHING),
      real(thickness.mm),
      NOTHING,
      text(role),
      NOTHING,
      NOTHING,
      NOTHING,
    ),
  );
  const set = step.add('IFCMATERIALLAYERSET', list(all), text(wall.name), NOTHING);
  const use = step.add('IFCMATERIALLAYERSETUSAGE', set, word('AXIS2'), word('POSITIVE'), real(0), NOTHING);
  step.add('IFCRELASSOCIATESMATERIAL', guid, NOTHING, NOTHING, NOTHING, list([wallLine]), use);
}

interface Makers {
  readonly step: StepLines;
  readonly guid: (...name: string[]) => StepValue;
  readonly point: (...at: number[]) => StepValue;
  readonly placement: (under: StepValue, at?: StepValue) => StepValue;
  readonly box: (along: number, deep: number, high: number) => StepValue;
}

/** The hole, the unit in it where one is chosen, and what is known of both. */
function opened(
  { step, guid, point, placement, box }: Makers,
  {
    opening,
    unit,
    size,
    sets,
    place,
    wallLine,
    wallPlace,
    deep,
  }: ModelOpening & {
    readonly size: { readonly width_mm: number; readonly height_mm: number };
    readonly place: { readonly u: number; readonly v: number };
    readonly wallLine: StepValue;
    readonly wallPlace: StepValue;
    readonly deep: number;
  },
): StepValue[] {
  const { id } = opening;
  const holePlace = placement(
    wallPlace,
    step.add('IFCAXIS2PLACEMENT3D', point(place.u, 0, place.v), NOTHING, NOTHING),
  );
  const label = [opening.mark, opening.name].filter(Boolean).join(' ');
  const hole = step.add(
    'IFCOPENINGELEMENT',
    guid('hole', id),
    NOTHING,
    text(label),
    NOTHING,
    NOTHING,
    holePlace,
    box(size.width_mm, deep, size.height_mm),
    text(opening.mark),
    word('OPENING'),
  );
  step.add('IFCRELVOIDSELEMENT', guid('voids', id), NOTHING, NOTHING, NOTHING, wallLine, hole);
  const isDoor = unit?.operation === 'door';
  const own = unit ?? null;
  const product = step.add(
    isDoor ? 'IFCDOOR' : 'IFCWINDOW',
    opening.ifc === undefined ? guid('unit', id) : text(opening.ifc),
    NOTHING,
    text(label),
    NOTHING,
    own ? text(own.name) : NOTHING,
    placement(holePlace),
    NOTHING,
    text(opening.mark),
    own ? real(own.height.mm) : NOTHING,
    own ? real(own.width.mm) : NOTHING,
    word(isDoor ? 'DOOR' : 'WINDOW'),
    NOTHING,
    NOTHING,
  );
  step.add('IFCRELFILLSELEMENT', guid('fills', id), NOTHING, NOTHING, NOTHING, hole, product);
  const common: Record<string, StepValue> = {
    IsExternal: typed('IFCBOOLEAN', truth(true)),
    ...(own?.uFactor !== undefined && {
      ThermalTransmittance: typed('IFCTHERMALTRANSMITTANCEMEASURE', real(own.uFactor)),
    }),
  };
  const propertySet = (name: string, values: Record<string, StepValue>) => {
    const singles = Object.entries(values).map(([property, value]) =>
      step.add('IFCPROPERTYSINGLEVALUE', text(property), NOTHING, value, NOTHING),
    );
    if (singles.length === 0) return;
    const set = step.add(
      'IFCPROPERTYSET',
      guid('set', id, name),
      NOTHING,
      text(name),
      NOTHING,
      list(singles),
    );
    step.add(
      'IFCRELDEFINESBYPROPERTIES',
      guid('has', id, name),
      NOTHING,
      NOTHING,
      NOTHING,
      list([product]),
      set,
    );
  };
  propertySet(isDoor ? 'Pset_DoorCommon' : 'Pset_WindowCommon', common);
  for (const [name, values] of Object.entries(sets))
    propertySet(
      name,
      Object.fromEntries(Object.entries(values).map(([property, value]) => [property, asValue(value)])),
    );
  return [product];
}

function asValue(value: ModelProperty): StepValue {
  if ('mm' in value) return typed('IFCLENGTHMEASURE', real(value.mm));
  if ('count' in value) return typed('IFCINTEGER', int(value.count));
  if ('is' in value) return typed('IFCBOOLEAN', truth(value.is));
  return typed('IFCTEXT', text(value.text));
}
