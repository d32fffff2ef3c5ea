/** Figures that do not read yet, kept for as long as the tab lives, so that the card and the form show the same. */

const key = (field: string): string => `hulvek:draft:${field}`;

export const readDraft = (field: string): string | null => sessionStorage.getItem(key(field));

/** @param typed `null` when nothing waits in the field any more */
export function writeDraft(field: string, typed: string | null): void {
  if (typed === null) sessionStorage.removeItem(key(field));
  else sessionStorage.setItem(key(field), typed);
}
