/** Words that are not the crew's own, explained where they stand. */

export const glossary: readonly { readonly word: RegExp; readonly says: string }[] = [
  {
    word: /Ψ/,
    says: 'Heat that is lost at the edge over what wall and unit lose, for each metre of it and each degree.',
  },
  {
    word: /\bf = /,
    says: 'How much of the warmth between weather and room a surface keeps: 1 is as warm as the room, 0 as cold as the weather.',
  },
  {
    word: /\bthe pen\b/i,
    says: 'A pen that goes round the opening on what keeps air out, without being lifted.',
  },
  { word: /\bair line\b/i, says: 'What keeps the air out, drawn in one line from the wall to the frame.' },
  {
    word: /\bm of still air\b|\bof still air\b/,
    says: 'How hard it is for vapour: as hard as through so much air that does not move.',
  },
  { word: /\bcondensate\b/, says: 'Water that damp air leaves on what is too cold for it.' },
  {
    word: /\bmonthly method\b/,
    says: 'A reckoning of damp in a wall month by month. It judges, it does not foretell.',
  },
];

export interface Part {
  readonly text: string;
  /** What the word means; `null` for plain text. */
  readonly says: string | null;
}

/** Text cut at the words that are explained, each of them once. */
export function explained(text: string): readonly Part[] {
  let parts: readonly Part[] = [{ text, says: null }];
  for (const { word, says } of glossary)
    parts = parts.flatMap((part, i): Part[] => {
      const found =
        part.says === null && !parts.slice(0, i).some((p) => p.says === says) ? word.exec(part.text) : null;
      if (!found) return [part];
      const end = found.index + found[0].length;
      return [
        { text: part.text.slice(0, found.index), says: null },
        { text: found[0], says },
        { text: part.text.slice(end), says: null },
      ];
    });
  return parts.filter(({ text: own }) => own !== '');
}
