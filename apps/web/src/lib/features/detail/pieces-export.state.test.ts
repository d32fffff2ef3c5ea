/** The exported pieces of every school, measured by other code than that which cut them. */
import {
  cutList,
  exampleJob,
  openingsOf,
  piecesSvg,
  planOpening,
  presetIds,
  type PresetId,
} from '@hulvek/core';
import DxfParser from 'dxf-parser';
import { describe, expect, it } from 'vitest';
import { piecesDxf } from './dxf.ts';

const built = (preset: PresetId) => {
  const file = exampleJob(preset);
  const [opening] = openingsOf(file);
  const build = opening && planOpening(opening, file).build;
  if (!build) throw new Error(`${preset} is not built`);
  return build;
};

/** Sizes the cut list gives to what is cut flat. */
const listed = (preset: PresetId) =>
  new Map(
    cutList(built(preset).pieces)
      .filter((cut) => cut.volume_ml === null && cut.thickness_mm === null)
      .map((cut) => [cut.piece, [cut.length_mm, cut.width_mm] as const]),
  );

interface Polyline {
  readonly layer: string;
  readonly vertices: readonly { x: number; y: number }[];
}

describe.each(presetIds)('%s', (preset) => {
  it('the SVG measures as the cut list says, by the browser’s own boxes', () => {
    const host = document.createElement('div');
    host.innerHTML = piecesSvg(built(preset).pieces, ({ id }) => id);
    document.body.append(host);
    const groups = [...host.querySelectorAll<SVGGraphicsElement>('[data-piece]')];
    const sizes = listed(preset);
    expect(groups.map((g) => g.dataset.piece).sort()).toEqual([...sizes.keys()].sort());
    for (const group of groups) {
      const { width, height } = group.getBBox();
      const [length_mm, width_mm] = sizes.get(group.dataset.piece ?? '') ?? [];
      expect(Math.abs(width - (length_mm ?? 0)), group.dataset.piece).toBeLessThan(0.02);
      expect(Math.abs(height - (width_mm ?? 0)), group.dataset.piece).toBeLessThan(0.02);
    }
    host.remove();
  });

  it('the DXF measures as the cut list says, by a DXF reader', () => {
    const parsed = new DxfParser().parseSync(piecesDxf(built(preset).pieces, ({ id }) => id));
    const lines = (parsed?.entities ?? []) as unknown as Polyline[];
    for (const [piece, [length_mm, width_mm]] of listed(preset)) {
      const points = lines.filter((l) => l.layer === `CUT-${piece}`).flatMap((l) => l.vertices);
      const span = (axis: 'x' | 'y') =>
        Math.max(...points.map((p) => p[axis])) - Math.min(...points.map((p) => p[axis]));
      expect(points.length, piece).toBeGreaterThan(3);
      expect(Math.abs(span('x') - length_mm), piece).toBeLessThan(0.02);
      expect(Math.abs(span('y') - width_mm), piece).toBeLessThan(0.02);
    }
  });
});
