/** What a call of the command line tool came to. */
export interface CliResult {
  /** 0 holds or watch · 1 something fails · 2 bad input · 3 nothing fails, something is not checkable. */
  readonly exit: 0 | 1 | 2 | 3;
  readonly out: string;
  readonly err: string;
}

/** The text of a file, or a sentence why there is none. */
export type Text =
  { readonly ok: true; readonly value: string } | { readonly ok: false; readonly problem: string };

export function textOf(path: string, read: (path: string) => string): Text {
  try {
    return { ok: true, value: read(path) };
  } catch (error) {
    const why = error instanceof Error ? error.message : 'unknown reason';
    return { ok: false, problem: `Cannot read ${path}: ${why}\n` };
  }
}
