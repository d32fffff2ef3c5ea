/** Whether what was chosen sticks to what it lies on. What no stock was chosen for is judged by its kind alone. */
import { piecesFor } from '../../build/by-role.ts';
import { contacts, type MaterialContact } from '../../supply/together.ts';
import type { Proof, Severity } from '../../vocabulary/verdict.ts';
import { defineCheck } from '../check.ts';

type Told = Exclude<MaterialContact['touch'], 'goes'>;

/** What holds on a primer, or by the written word of both makers, is a look at the step that sticks it. */
const GRADES: Readonly<Record<Told, Severity>> = {
  'no-stick': 'fails',
  banned: 'fails',
  attacked: 'watch',
  'both-makers': 'look',
  unknown: 'not-checkable',
  primer: 'look',
};

export const goTogether = defineCheck({
  code: 'does-not-stick',
  proof: 'water',
  severity: 'fails',
  source: 'common practice, no source; the maker’s own sheet goes before',
  *run({ build, job }) {
    const { materials = [], job: site } = job;
    if (!build || materials.length === 0) return;
    const inner = new Set(piecesFor(build, 'inner-seal').map(({ id }) => id));
    const told = new Map<
      string,
      {
        proof: Proof;
        of: MaterialContact;
        touch: Told;
        things: Set<string>;
        faces: Set<MaterialContact['face']>;
      }
    >();
    for (const of of contacts(build, { materials, ...(site.supply && { adhesion: site.supply.adhesion }) })) {
      const { material, face, touch, piece, step } = of;
      if (touch === 'goes' || material === null) continue;
      const proof: Proof = inner.has(piece) ? 'air' : 'water';
      // A look is taken once where it is stuck, whatever it lies on there; all else is told once for all its places.
      const isLook = GRADES[touch] === 'look';
      const key = [proof, material.id, ...(isLook ? ['look', step] : [face, touch])].join('/');
      const known = told.get(key) ?? { proof, of, touch, things: new Set(), faces: new Set() };
      told.set(key, known);
      known.things.add(piece);
      known.faces.add(face);
      // What takes the makers' word takes more than a primer.
      if (touch === 'both-makers') known.touch = touch;
    }
    for (const { proof, of, touch, things, faces } of told.values())
      yield {
        proof,
        severity: GRADES[touch],
        step: of.step,
        facts: { material: of.material?.name ?? '', faces: [...faces], touch, things: [...things] },
      };
  },
});
