/** Names of what stands in the wall before the work. */

const wallTexts: Readonly<Record<string, string>> = {
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

/** One of them, whichever bar of its layer it is; `null` for what is no part of the wall. */
export const wallText = (id: string): string | null =>
  wallTexts[id] ?? wallTexts[id.replace(/-(below|above|left|right)$/, '')] ?? null;

/** On a drawing, where the unit's own frame is named too. */
export function wallThingText(id: string): string {
  const words = id === 'unit' ? 'frame' : (wallText(id) ?? id);
  return words.charAt(0).toUpperCase() + words.slice(1);
}
