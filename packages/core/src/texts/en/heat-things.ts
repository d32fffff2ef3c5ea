/** Names of what a section for heat is made of: pieces, and what stands in the wall before them. */
import { inSentence } from './grammar.ts';
import { pieceTexts } from './pieces.ts';

const WALL_TEXTS: Readonly<Record<string, string>> = {
  cladding: 'cladding',
  cavity: 'battens, air behind the cladding',
  'exterior-board': 'exterior board',
  sheathing: 'sheathing',
  framing: 'wall between the studs',
  insulation: 'insulation between the studs',
  service: 'service layer',
  'interior-finish': 'lining of the room',
  'left-stud': 'stud, left',
  'right-stud': 'stud, right',
  'rough-sill': 'rough sill',
  header: 'header',
  'still-air': 'still air in the joint',
  'old-sill': 'old sill',
  'old-stop-left': 'old stop, left',
  'old-stop-right': 'old stop, right',
  'old-stop-head': 'old stop, head',
};

/** What stands in the wall beside the pieces, and the unit's own frame, as names on a drawing. */
export function wallThingText(id: string): string {
  const words = id === 'unit' ? 'frame of the unit' : heatThingText(id);
  return words.charAt(0).toUpperCase() + words.slice(1);
}

/** In the middle of a sentence. */
export function heatThingText(id: string): string {
  const piece = pieceTexts[id];
  if (piece !== undefined) return inSentence(piece);
  return WALL_TEXTS[id] ?? WALL_TEXTS[id.replace(/-(below|above|left|right)$/, '')] ?? id;
}
