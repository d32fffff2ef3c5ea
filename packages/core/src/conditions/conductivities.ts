/** How well what stands in the wall lets heat through, unless the maker says otherwise. W/(m K). */
import type { Material } from '../documents/material.ts';
import { bulkMaterials } from '../vocabulary/materials.ts';
import { layerMaterials } from '../vocabulary/wall-layers.ts';

/** Bent flashing metal, W/(m K). */
export const SHEET_METAL_WmK = bulkMaterials['sheet-metal'].lambda_WmK;

export type Conductivities = (material: string) => number;

/** Kinds of stock that go by the name of what is drawn. */
const STOCK = ['foam', 'band', 'rod', 'wool', 'sealant'] as const;

/** Conductivities by name: solids, `layer:` materials, `sheet-metal`. A material of the job goes before the usual. */
export function conductivities(materials: readonly Material[]): Conductivities {
  const own = new Map<string, number>();
  for (const { kind, lambda_WmK } of materials)
    if (lambda_WmK !== undefined && (STOCK as readonly string[]).includes(kind)) own.set(kind, lambda_WmK);
  const usual = new Map<string, number>([
    ...Object.entries(bulkMaterials).map(([name, { lambda_WmK }]) => [name, lambda_WmK] as const),
    ...layerMaterials.map((name) => [`layer:${name}`, bulkMaterials[name].lambda_WmK] as const),
  ]);
  return (material) => {
    const value = own.get(material) ?? usual.get(material);
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
