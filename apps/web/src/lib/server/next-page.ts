/** Where somebody goes after signing in: a page of this very host, whatever the address says. */

const HERE = 'http://here.invalid';

/** Returns the path and query of `wanted`; the list of jobs where it leads anywhere else. */
export function nextPage(wanted: string | null): string {
  if (!wanted?.startsWith('/') || !URL.canParse(wanted, HERE)) return '/jobs';
  // Browsers leave out tabs and line ends and read a backslash as a slash: so does this.
  const { origin, pathname, search } = new URL(wanted, HERE);
  return origin === HERE && !pathname.startsWith('//') ? `${pathname}${search}` : '/jobs';
}
