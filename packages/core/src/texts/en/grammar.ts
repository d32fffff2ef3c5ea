/** How this language puts a name into a sentence, or a sentence together. Every part of the catalogue uses these. */

/** A name in the middle of a sentence: "Head tape, left" → "head tape (left)". */
export const inSentence = (name: string): string =>
  name.charAt(0).toLowerCase() + name.slice(1).replace(/, (left|right)$/, ' ($1)');

/** A name in the middle of a sentence for all of its kind, wherever they are: "Head tape, left" → "head tape". */
export const kindInSentence = (name: string): string =>
  name.charAt(0).toLowerCase() + name.slice(1).replace(/, (left|right|left jamb|right jamb|head|sill)$/, '');

export const asSentence = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);
