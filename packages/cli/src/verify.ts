/** Whether an exported log is what was sealed, from the command line. */
import {
  isSigned,
  logSchema,
  readBy,
  signedHeadSchema,
  verifyLog,
  type LogProblem,
  type SignedHead,
} from '@hulvek/core';
import type { CliResult } from './run.ts';

const PROBLEMS: { readonly [Code in LogProblem['code']]: (problem: LogProblem) => string } = {
  receipt: (p) => `receipt ${seqOf(p)} does not follow from the one before it`,
  entry: (p) => `entry ${entryOf(p)} (receipt ${seqOf(p)}) does not say what was sealed`,
  'missing-entry': (p) => `entry ${entryOf(p)} of receipt ${seqOf(p)} is not here`,
  'no-receipt': (p) => `entry ${entryOf(p)} has no receipt`,
  twice: (p) => `entry ${entryOf(p)} is here twice`,
  head: (p) => `head ${seqOf(p)} is not of this log: it was cut off, or it is another one`,
  signature: (p) => `head ${seqOf(p)} does not bear the signature of its key`,
  'other-key': (p) => `head ${seqOf(p)} is signed by another key than the log names`,
  'other-job': () => 'a head is of another job',
  'no-head': () => 'the log has no head for its last receipt',
};
const seqOf = (p: LogProblem): string => ('seq' in p ? String(p.seq) : '');
const entryOf = (p: LogProblem): string => ('entry' in p ? p.entry : '');

type Read<T> = { readonly ok: true; readonly value: T } | { readonly ok: false; readonly problem: string };

function readJson(path: string, text: string): Read<unknown> {
  try {
    return { ok: true, value: JSON.parse(text) };
  } catch {
    return { ok: false, problem: `${path} is no JSON.\n` };
  }
}

/** @param heads files with a head that somebody kept from before, or logs with one */
export function verifyFile(
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
    const value = readJson(one.path, one.text);
    if (!value.ok) return bad(value.problem);
    const whole = readBy(logSchema, value.value);
    const alone = readBy(signedHeadSchema, value.value);
    const head = whole.ok ? whole.value.head : alone.ok ? alone.value : null;
    if (head === null) return bad(`${one.path} has no signed head.\n`);
    held.push(head);
  }
  const verdict = verifyLog(log.value, held);
  const { problems, gaps, head, receipts, hidden, firstBlock } = verdict;
  if (json)
    return { exit: problems.length > 0 ? 1 : 0, out: `${JSON.stringify(verdict, null, 2)}\n`, err: '' };
  const sound = [
    head
      ? `Unchanged since head ${head.head.slice(0, 16)}… (receipt ${head.seq}, ${head.at}), signed by key ${head.key}, which this file holds.`
      : 'There is no entry yet.',
    ...held
      .filter(isSigned)
      .map(
        (one, i) =>
          `Head ${one.head.slice(0, 16)}… (receipt ${one.seq}) that ${heads[i]?.path ?? ''} holds is of this log.`,
      ),
    ...(held.length === 0
      ? [
          'A head in a file proves nothing by itself: compare it with one that somebody else kept (--head FILE).',
        ]
      : []),
  ];
  const lines = [
    ...(problems.length === 0
      ? sound
      : [
          `${problems.length} of ${path} does not fit:`,
          ...problems.slice(0, MOST).map((p) => `  ${PROBLEMS[p.code](p)}`),
        ]),
    ...(problems.length > MOST ? [`  and ${problems.length - MOST} more`] : []),
    `${receipts} receipts${firstBlock > 0 ? `, the first ${firstBlock} sealed in one go for entries from before` : ''}${hidden > 0 ? `, ${hidden} entries with fields left out` : ''}.`,
    ...(gaps.length > 0
      ? [
          `${gaps.length} entries name one before them on their device that is not here: it was refused, or is a figure.`,
        ]
      : []),
    '',
  ];
  return { exit: problems.length > 0 ? 1 : 0, out: lines.join('\n'), err: '' };
}

const MOST = 20;
