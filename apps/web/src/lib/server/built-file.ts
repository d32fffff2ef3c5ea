/** Files that were built beside the server's own. */
import { existsSync } from 'node:fs';
import { dirname, join } from 'node:path';

/** The place of one of them, wherever the server was copied to; `null` where it was not built. */
export function builtFile(path: string): string | null {
  const places = [dirname(process.argv[1] ?? ''), join(process.cwd(), 'build')];
  return places.map((place) => join(place, path)).find(existsSync) ?? null;
}
