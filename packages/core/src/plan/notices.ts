/** What those who come later must be told of an opening: what they may cut, and what must stay open or stay where it is. */
import type { Build } from '../build/build.ts';
import { pieceNamed, piecesFor } from '../build/by-role.ts';
import { runningClocks } from '../field/running.ts';
import type { StepProgress } from '../field/progress.ts';
import type { Material } from '../documents/material.ts';
import { proveAir } from '../proofs/air/proof.ts';
import { tradesThatMayCut, type LaterTrade } from '../proofs/air/later-trades.ts';

/** `owner`: whoever lives there, and whoever cleans and paints for him. */
export type NoticeTo = LaterTrade | 'owner';

export const noticeRules = [
  'do-not-cut',
  'seal-what-passes',
  'sill-drains',
  'cap-open',
  'no-nails-in-pan',
  'no-more-foam',
  'shims-stay',
  'cover-by',
] as const;
export type NoticeRule = (typeof noticeRules)[number];

export interface TradeNotice {
  readonly to: NoticeTo;
  readonly rule: NoticeRule;
  /** What it is about. */
  readonly pieces: readonly string[];
  /** Of what has to be covered: until when. */
  readonly until?: string;
}

const idsOf = (build: Build, ...roles: readonly Parameters<typeof piecesFor>[1][]): string[] =>
  roles.flatMap((role) => piecesFor(build, role).map(({ id }) => id));

/** @param states of its steps, where work has begun: only what is done by then can run out */
export function tradeNotices(
  build: Build,
  states: readonly StepProgress[] = [],
  materials?: readonly Material[],
): TradeNotice[] {
  const { choices } = build.context;
  // A strip is not cut; a layer of the wall has to be passed now and then, and is closed again.
  const isPiece = (thing: string) => pieceNamed(build, thing) !== undefined;
  const cut = tradesThatMayCut(proveAir(build), build).flatMap(({ trade, members }): TradeNotice[] => {
    const [pieces, layers] = [members.filter(isPiece), members.filter((thing) => !isPiece(thing))];
    return [
      ...(pieces.length > 0 ? [{ to: trade, rule: 'do-not-cut' as const, pieces }] : []),
      ...(layers.length > 0 ? [{ to: trade, rule: 'seal-what-passes' as const, pieces: layers }] : []),
    ];
  });
  const inner: LaterTrade =
    choices.airLayer === 'plaster' || choices.waterLayer === 'masonry' ? 'plaster' : 'drywall';
  const drains = choices.bedding !== 'barrier';
  const [pan, cap, fill, shims] = [
    idsOf(build, 'pan'),
    idsOf(build, 'drip-cap'),
    idsOf(build, 'fill'),
    choices.shims === 'removed' || choices.shims === 'none' ? [] : idsOf(build, 'sill-shims'),
  ];
  const about = (rule: NoticeRule, pieces: readonly string[], ...to: readonly NoticeTo[]): TradeNotice[] =>
    pieces.length === 0 ? [] : to.map((one) => ({ to: one, rule, pieces }));
  const exposed = runningClocks(build, states, materials).filter(({ kind }) => kind === 'exposed');
  return [
    ...cut,
    ...(drains ? about('sill-drains', pan, 'cladding', 'trim', 'owner') : []),
    ...about('cap-open', cap, 'cladding', 'owner'),
    ...about('no-nails-in-pan', pan, inner, 'trim', 'blinds'),
    ...about('no-more-foam', fill, inner, 'insulation'),
    ...about('shims-stay', shims, inner, 'trim'),
    ...exposed.map(({ of, until }): TradeNotice => ({
      to: 'cladding',
      rule: 'cover-by',
      pieces: build.steps.find(({ id }) => id === of)?.places ?? [],
      until,
    })),
  ];
}
