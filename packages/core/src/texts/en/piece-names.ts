/** Pieces in the middle of a sentence, one by one and together. */
import { inSentence } from './grammar.ts';
import { layerTexts, pieceTexts } from './pieces.ts';

export const list = (parts: readonly string[]): string =>
  parts.length < 2 ? parts.join('') : `${parts.slice(0, -1).join(', ')} and ${parts.at(-1)}`;

/** Pieces by name, left and right of one kind as one. */
export const together = (things: readonly string[]): string => {
  const kinds = new Set(things.map((thing) => pieceName(thing).replace(/ \((left|right)\)$/, '')));
  return things.length > kinds.size ? `${list([...kinds])} (left and right)` : list(things.map(pieceName));
};

/** A piece in the middle of a sentence. */
export const pieceName = (id: string): string => inSentence(pieceTexts[id] ?? layerTexts[id] ?? id);

/** `inner seal` for the strip of any side. */
export const withoutSide = (id: string): string => pieceName(id).replace(/(, .*| \(.*\))$/, '');
