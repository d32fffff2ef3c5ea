/** The wall as vapour meets it: each layer's resistance to heat and to vapour, from the weather to the room. */
import type { Material } from '../../documents/material.ts';
import type { Wall } from '../../documents/wall.ts';
import { countedLayers, isVentilated } from '../../build/wall-layers.ts';
import type { Conductivities } from '../../conditions/conductivities.ts';
import type { SheetMaterialId } from '../../vocabulary/materials.ts';
import type { Build } from '../../build/build.ts';

type LayerMaterial = Wall['layers'][number]['material'];

/** How many times harder than through air. Source: ISO 10456, dry values, from memory; foams as expanded polystyrene. */
const MU: Readonly<Record<LayerMaterial, number>> = {
  siding: 50,
  batten: 50,
  'foam-board': 60,
  'wool-board': 1,
  'wood-board': 50,
  stud: 1,
  drywall: 10,
  brick: 16,
  block: 10,
  render: 15,
  plaster: 10,
};

/** Equivalent air layers of sheets, m, unless the job's own material says otherwise: common practice, no source. */
export const SHEET_SD_m: Readonly<Record<SheetMaterialId, number>> = {
  wrap: 0.05,
  'self-adhered': 0.3,
  'coated-face': 0.5,
  'foam-face': 0,
  'masonry-face': 0,
  'stretch-flashing': 50,
  'flashing-tape': 40,
  'corner-tape': 40,
  fluid: 1.5,
  membrane: 10,
  'air-sheet': 100,
  'sheet-metal': 1500,
  fin: 50,
};

/** Equivalent air layer of a kind of sheet in a job, m. */
export function sheetSd(kind: SheetMaterialId, materials: readonly Material[]): number {
  const own = materials.filter((m) => m.kind === kind).flatMap((m) => m.sd_m ?? []);
  return own.length > 0 ? Math.min(...own) : SHEET_SD_m[kind];
}

export interface VapourLayer {
  /** A layer's material, or `sheet:` and its kind. */
  readonly name: string;
  /** m²K/W. */
  readonly r: number;
  /** Equivalent air layer, m. */
  readonly sd_m: number;
}

/** Wraps and coatings of the wall itself. */
const WATER_SHEET: Partial<Record<string, SheetMaterialId>> = {
  'mechanical-wrap': 'wrap',
  'self-adhered': 'self-adhered',
  'integral-sheathing': 'coated-face',
  fluid: 'fluid',
};

/**
 * Returns the wall far from the opening, from the weather to the room, with its sheets. What lies before a ventilated
 * cavity is the weather's and left out. Source: ISO 13788, from memory.
 */
export function vapourLayers(
  build: Build,
  o: { lambda: Conductivities; materials: readonly Material[]; wall: Wall },
): VapourLayer[] {
  /** Laid on the board, or on the framing where there is none. */
  let sheet = WATER_SHEET[build.context.choices.waterLayer];
  const layers: VapourLayer[] = [];
  let isSheeted = false;
  for (const { role, material, x } of countedLayers(build)) {
    const name = material.replace(/^layer:/, '') as LayerMaterial;
    const d_m = (x[1] - x[0]) / 1000;
    if (sheet && (role === 'sheathing' || role === 'framing')) {
      layers.push({ name: `sheet:${sheet}`, r: 0, sd_m: sheetSd(sheet, o.materials) });
      sheet = undefined;
    }
    if (!isSheeted && (role === 'interior-finish' || role === 'service')) {
      addInside(layers, o.wall);
      isSheeted = true;
    }
    layers.push({ name, r: d_m / o.lambda(material), sd_m: d_m * MU[name] });
  }
  if (!isSheeted) addInside(layers, o.wall);
  return layers;
}

function addInside(layers: VapourLayer[], { insideSheet_sd_m }: Wall): void {
  if (insideSheet_sd_m !== undefined) layers.push({ name: 'sheet:inside', r: 0, sd_m: insideSheet_sd_m });
}

/** Resistance of the outer air, m²K/W: behind a ventilated cladding it stands as still as in a room. Source: ISO 6946, from memory. */
export const outerResistance = (build: Build): number => (isVentilated(build) ? 0.13 : 0.04);
