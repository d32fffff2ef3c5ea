/** How well what stands in the wall lets heat through, unless the maker says otherwise. W/(m K). */
import type { Material } from '../documents/material.ts';
import type { Wall } from '../documents/wall.ts';
import type { SolidMaterial } from '../vocabulary/materials.ts';

type LayerMaterial = Wall['layers'][number]['material'];

/** Source: ISO 10456 and handbooks of materials, from memory; foams, tapes and rods: common practice, no source. */
const SOLID: Readonly<Record<Exclude<SolidMaterial, 'frame' | 'glass'>, number>> = {
  wood: 0.13,
  'wood-board': 0.13,
  insulation: 0.038,
  'foam-board': 0.035,
  masonry: 0.5,
  render: 0.9,
  plaster: 0.25,
  siding: 0.14,
  foam: 0.04,
  wool: 0.038,
  fibre: 0.045,
  'insulation-block': 0.04,
  'hd-foam': 0.05,
  panel: 0.1,
  band: 0.05,
  rod: 0.045,
  metal: 50,
  shim: 0.22,
  sealant: 0.35,
};

/** What fills a layer of the wall; framing counts as the insulation between the studs. Source as above. */
const LAYER: Readonly<Record<LayerMaterial, number>> = {
  siding: 0.14,
  batten: 0.13,
  'foam-board': 0.035,
  'wool-board': 0.036,
  'wood-board': 0.13,
  stud: 0.038,
  drywall: 0.25,
  brick: 0.77,
  block: 0.5,
  render: 0.9,
  plaster: 0.57,
};

/** Bent flashing metal: galvanized steel, ISO 10456, from memory. */
export const SHEET_METAL_WmK = 50;

export type Conductivities = (material: string) => number;

/** Kinds of stock that go by the name of what is drawn. */
const STOCK = ['foam', 'band', 'rod', 'wool', 'sealant'] as const;

/** Conductivities by name: solids, `layer:` materials, `sheet-metal`. A material of the job goes before the usual. */
export function conductivities(materials: readonly Material[]): Conductivities {
  const own = new Map<string, number>();
  for (const { kind, lambda_WmK } of materials)
    if (lambda_WmK !== undefined && (STOCK as readonly string[]).includes(kind)) own.set(kind, lambda_WmK);
  const usual: Readonly<Record<string, number>> = {
    ...SOLID,
    'sheet-metal': SHEET_METAL_WmK,
    ...Object.fromEntries(Object.entries(LAYER).map(([name, value]) => [`layer:${name}`, value])),
  };
  return (material) => {
    const value = own.get(material) ?? usual[material];
    if (value === undefined) throw new Error(`no conductivity of ${material}`);
    return value;
  };
}

/**
 * Returns the conductivity that stands for a closed space of air, W/(m K), for heat along `along_mm`.
 *
 * Convection and radiation between its ends; narrow spaces radiate less. Source: ISO 10077-2, from memory.
 */
export function stillAir(along_mm: number, across_mm: number): number {
  const [d, b] = [along_mm / 1000, across_mm / 1000];
  const convection = b < 0.005 ? 0.025 / d : Math.max(0.025 / d, 1.57);
  const radiation = 2.11 * (1 + Math.hypot(1, d / b) - d / b);
  return (convection + radiation) * d;
}
