/** The same cause at several openings of a house: what they share, who else shares it, and where to test next. */
export interface TestedOpening {
  readonly opening: string;
  readonly tested: boolean;
  /** Kinds of what was found to leak: of a piece, or a joint of the unit. */
  readonly found: readonly string[];
  /** What it has in common with others: who did that work, on which day, by which method, of which stock. */
  readonly traits: ReadonlyMap<string, string>;
}

export interface Pattern {
  readonly cause: string;
  readonly trait: string;
  readonly value: string;
  /** Openings with that cause and that trait, of the tested ones that have the trait. */
  readonly affected: readonly string[];
  readonly tested: number;
  /** Not tested yet, and they have the trait. */
  readonly suspects: readonly string[];
}

/** Shared by two openings at least, and oftener than among those without the trait; the clearest first. */
export function patternsOf(openings: readonly TestedOpening[]): Pattern[] {
  const causes = [...new Set(openings.flatMap(({ found }) => found))];
  const traits = [...new Set(openings.flatMap(({ traits: own }) => [...own.keys()]))];
  const tested = openings.filter((one) => one.tested);
  const share = (list: readonly TestedOpening[], cause: string) =>
    list.length === 0 ? 0 : list.filter(({ found }) => found.includes(cause)).length / list.length;
  return causes
    .flatMap((cause) =>
      traits.flatMap((trait) =>
        [...new Set(openings.flatMap(({ traits: own }) => own.get(trait) ?? []))].flatMap((value) => {
          const has = (one: TestedOpening) => one.traits.get(trait) === value;
          const [inside, outside] = [tested.filter(has), tested.filter((one) => !has(one))];
          const affected = inside.filter(({ found }) => found.includes(cause)).map(({ opening }) => opening);
          const lift = share(inside, cause) - share(outside, cause);
          if (affected.length < 2 || (outside.length > 0 && lift <= 0)) return [];
          const suspects = openings.filter((one) => !one.tested && has(one)).map(({ opening }) => opening);
          return [{ cause, trait, value, affected, tested: inside.length, suspects, lift }];
        }),
      ),
    )
    .sort((a, b) => b.lift - a.lift || b.affected.length - a.affected.length)
    .map(({ lift: _lift, ...pattern }) => pattern);
}

/** Untested openings, the one that most patterns point at first. */
export function nextToTest(
  patterns: readonly Pattern[],
): { readonly opening: string; readonly patterns: number }[] {
  const counts = new Map<string, number>();
  for (const { suspects } of patterns)
    for (const one of suspects) counts.set(one, (counts.get(one) ?? 0) + 1);
  return [...counts]
    .map(([opening, n]) => ({ opening, patterns: n }))
    .sort((a, b) => b.patterns - a.patterns || a.opening.localeCompare(b.opening));
}
