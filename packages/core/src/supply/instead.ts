/** What changes when a piece is made of another stock: what it touches, its size, the weather it takes, time and money. */
import type { Build } from '../build/build.ts';
import type { StockSays } from '../build/changes.ts';
import type { Supply } from '../documents/supply.ts';
import { articleOf, termsOf } from './articles.ts';
import type { Need } from './needs.ts';
import { takeoff } from './takeoff.ts';
import { askStock, insteadOf, type Instead, type TogetherOf } from './together.ts';

/** Before and after; `null` where nobody entered it. */
export type Pair = readonly [was: number | null, is: number | null];

export interface InsteadChange extends Instead {
  /** In the proofs: as planned, as no bond, or not known. */
  readonly says: StockSays;
  readonly rest_h: Pair;
  readonly least_C: Pair;
  readonly lead_days: Pair;
  /** For this piece, parts of packs; `null` where one of the two has no price. */
  readonly cost: number | null;
}

/** @param needs of the opening, of which those of the piece are made of the other stock */
export function whatInsteadChanges(
  build: Build,
  piece: string,
  needs: readonly Need[],
  { supply, ...of }: TogetherOf & { readonly supply: Supply },
): InsteadChange[] {
  const { materials = [] } = of;
  const own = needs.filter((need) => need.piece === piece);
  const now = materials.find(({ id }) => id === own[0]?.article.material);
  const costOf = (list: readonly Need[]): number | null =>
    takeoff({ needs: list, supply, materials }).reduce<number | null>(
      (sum, { costOfParts }) => (sum === null || costOfParts === null ? null : sum + costOfParts),
      0,
    );
  const before = costOf(own);
  return insteadOf(build, piece, of).map((instead): InsteadChange => {
    const { material } = instead;
    const article = articleOf(material.kind, { width_mm: material.width?.mm ?? 0, material: material.id });
    const after = costOf(own.map((need) => ({ ...need, article })));
    const pair = (key: 'rest_h' | 'least_C'): Pair => [now?.[key] ?? null, material[key] ?? null];
    const lead = (one: Need['article'] | undefined) =>
      one ? termsOf(one, supply, materials).lead_days : null;
    return {
      ...instead,
      says: askStock(of)(build, piece, material.id),
      rest_h: pair('rest_h'),
      least_C: pair('least_C'),
      lead_days: [lead(own[0]?.article), lead(article)],
      cost: before === null || after === null ? null : after - before,
    };
  });
}
