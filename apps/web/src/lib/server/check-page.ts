/** The page that checks a package, as it was built, with the digests of what runs in it. */
import { createHash } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { builtFile } from './built-file.ts';

export interface CheckPage {
  readonly html: string;
  /** For the policy that lets these run and nothing else. */
  readonly script: string;
  readonly style: string;
}

let known: CheckPage | null | undefined;

/** `null` where it was not built. */
export function checkPage(): CheckPage | null {
  if (known === undefined) known = read();
  return known;
}

function read(): CheckPage | null {
  const path = builtFile('check/check.html');
  if (path === null) return null;
  const html = readFileSync(path, 'utf8');
  const digest = (within: RegExp): string =>
    `sha256-${createHash('sha256')
      .update(within.exec(html)?.[1] ?? '')
      .digest('base64')}`;
  return {
    html,
    script: digest(/<script type="module">([\s\S]*?)<\/script>/),
    style: digest(/<style>([\s\S]*?)<\/style>/),
  };
}
