/** Names of what a section for heat is made of: pieces, and what stands in the wall before them. */
import { inSentence } from './grammar.ts';
import { pieceTexts } from './pieces.ts';
import { wallText } from './wall-things.ts';

/** In the middle of a sentence. */
export function heatThingText(id: string): string {
  const piece = pieceTexts[id];
  if (piece !== undefined) return inSentence(piece);
  return wallText(id) ?? id;
}
