/** Layers of a wall, from the weather to the room. */

/** From the weather to the room. */
export const layerRoles = [
  'cladding',
  'cavity',
  'exterior-board',
  'sheathing',
  'framing',
  'service',
  'interior-finish',
] as const;

export const layerMaterials = [
  'siding',
  'batten',
  'foam-board',
  'wool-board',
  'wood-board',
  'stud',
  'drywall',
  'brick',
  'block',
  'concrete',
  'render',
  'plaster',
] as const;

/** What is built of stone: nothing is framed in it. */
export const isMasonry = (material: string): boolean => ['brick', 'block', 'concrete'].includes(material);

export type LayerMaterial = (typeof layerMaterials)[number];
