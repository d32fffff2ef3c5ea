/** Whether an exported log is what was sealed, from the command line. */
import { parseArgs } from 'node:util';
import type { SignedHead } from '@hulvek/core/documents/day';
import { readBy } from '@hulvek/core/documents/read';
import { headIn, logSchema } from '@hulvek/core/evidence/document';
import { logLines } from '@hulvek/core/evidence/lines';
import { verifyLog } from '@hulvek/core/evidence/verify';
import { textOf, type CliResult } from './result.ts';

type Read<T> = { readonly ok: true; readonly value: T } | { readonly ok: false; readonly problem: string };

function readJson(path: string, text: string): Read<unknown> {
  try {
    return { ok: true, value: JSON.parse(text) };
  } catch {
    return { ok: false, problem: `${path} is no JSON.\n` };
  }
}

/** A head that somebody kept. */
export function keptHead(path: string, text: string): Read<SignedHead> {
  const head = headIn(text);
  return head === null ? { ok: false, problem: `${path} has no signed head.\n` } : { ok: true, value: head };
}

/** `hulvek verify`, by what stands after it. */
export function verifyCall(args: readonly string[], read: (path: string) => string): CliResult {
  const bad = (err: string): CliResult => ({ exit: 2, out: '', err });
  let parsed;
  try {
    parsed = parseArgs({
      args: [...args],
      allowPositionals: true,
      options: { json: { type: 'boolean' }, head: { type: 'string', multiple: true } },
    });
  } catch (error) {
    return bad(`${error instanceof Error ? error.message : 'Unknown option'}\n`);
  }
  const [path, ...more] = parsed.positionals;
  if (path === undefined || more.length > 0) return bad('Name one log: hulvek verify FILE\n');
  const texts: { path: string; text: string }[] = [];
  for (const one of [path, ...(parsed.values.head ?? [])]) {
    const text = textOf(one, read);
    if (!text.ok) return bad(text.problem);
    texts.push({ path: one, text: text.value });
  }
  const [log, ...heads] = texts;
  return verifyFile(path, log?.text ?? '', { json: parsed.values.json ?? false, heads });
}

/** @param heads files with a head that somebody kept from before, or logs with one */
function verifyFile(
  path: string,
  text: string,
  { json, heads }: { readonly json: boolean; readonly heads: readonly { path: string; text: string }[] },
): CliResult {
  const bad = (err: string): CliResult => ({ exit: 2, out: '', err });
  const parsed = readJson(path, text);
  if (!parsed.ok) return bad(parsed.problem);
  const log = readBy(logSchema, parsed.value);
  if (!log.ok) {
    const [first] = log.problems;
    return bad(`${path} is no log of Hulvek: ${first ? `${first.path}: ${first.message}` : ''}\n`);
  }
  const held: SignedHead[] = [];
  for (const one of heads) {
    const head = keptHead(one.path, one.text);
    if (!head.ok) return bad(head.problem);
    held.push(head.value);
  }
  const verdict = verifyLog(log.value, held);
  const { problems } = verdict;
  if (json)
    return { exit: problems.length > 0 ? 1 : 0, out: `${JSON.stringify(verdict, null, 2)}\n`, err: '' };
  const lines = [
    ...logLines(
      path,
      verdict,
      held,
      heads.map((one) => one.path),
    ),
    '',
  ];
  return { exit: problems.length > 0 ? 1 : 0, out: lines.join('\n'), err: '' };
}
