/** The wall as vapour meets it: each layer's resistance to heat and to vapour, from the weather to the room. */
import type { Material } from '../../documents/material.ts';
import type { Wall } from '../../documents/wall.ts';
import { countedLayers, isVentilated } from '../../build/wall-layers.ts';
import type { Conductivities } from '../../conditions/conductivities.ts';
import { bulkMaterials, sheetMaterials, type SheetMaterialId } from '../../vocabulary/materials.ts';
import type { LayerMaterial } from '../../vocabulary/wall-layers.ts';
import type { Build } from '../../build/build.ts';

/** Equivalent air layer of a kind of sheet in a job, m. */
export function sheetSd(kind: SheetMaterialId, materials: readonly Material[]): number {
  const own = materials.filter((m) => m.kind === kind).flatMap((m) => m.sd_m ?? []);
  return own.length > 0 ? Math.min(...own) : sheetMaterials[kind].sd_m;
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
    layers.push({ name, r: d_m / o.lambda(material), sd_m: d_m * bulkMaterials[name].mu });
  }
  if (!isSheeted) addInside(layers, o.wall);
  return layers;
}

function addInside(layers: VapourLayer[], { insideSheet_sd_m }: Wall): void {
  if (insideSheet_sd_m !== undefined) layers.push({ name: 'sheet:inside', r: 0, sd_m: insideSheet_sd_m });
}

/** Resistance of the outer air, m²K/W: behind a ventilated cladding it stands as still as in a room. Source: ISO 6946, from memory. */
export const outerResistance = (build: Build): number => (isVentilated(build) ? 0.13 : 0.04);
