/** What came of looking at a log or a package, in lines that somebody reads. */
import type { SignedHead } from '../documents/day.ts';
import type { Manifest, PackageProblem, PackageVerdict } from './package.ts';
import { isSigned, type LogProblem, type LogVerdict } from './verify.ts';

/** Of what does not fit as many as somebody reads. */
const MOST = 20;

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

/** What a log comes to, in lines. @param from files that the heads were held in, where they are known */
export function logLines(
  path: string,
  { problems, gaps, head, receipts, hidden, firstBlock }: LogVerdict,
  held: readonly SignedHead[],
  from: readonly string[],
): string[] {
  const sound = [
    head
      ? `Unchanged since head ${head.head.slice(0, 16)}… (receipt ${head.seq}, ${head.at}), signed by key ${head.key}, which this file holds.`
      : 'There is no entry yet.',
    ...held
      .filter(isSigned)
      .map(
        (one, i) =>
          `Head ${one.head.slice(0, 16)}… (receipt ${one.seq}) that ${from[i] ?? 'somebody'} holds is of this log.`,
      ),
    ...(held.length === 0
      ? ['A head in a file proves nothing by itself: compare it with one that somebody else kept.']
      : []),
  ];
  return [
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
  ];
}

const SAYS: { readonly [Code in PackageProblem['code']]: (problem: PackageProblem) => string } = {
  missing: (p) => `${pathOf(p)} is named in the manifest and not here`,
  extra: (p) => `${pathOf(p)} is here and not named in the manifest`,
  changed: (p) => `${pathOf(p)} is not what the manifest says`,
  picture: (p) => `the picture of entry ${'entry' in p ? p.entry : ''} is not the one that the log names`,
  signature: () => 'the manifest does not bear the signature of its key',
  'no-log': () => 'there is no log in it that can be read',
  'other-head': () => 'log and manifest are of another head or job',
};
const pathOf = (p: PackageProblem): string => ('path' in p ? p.path : '');

/** What a package comes to, in lines. */
export function packageLines(
  path: string,
  manifest: Manifest,
  verdict: PackageVerdict,
  held: readonly SignedHead[],
): string[] {
  const { problems } = verdict;
  return [
    problems.length === 0
      ? `${verdict.files} files are what the manifest of ${manifest.at} says, ${verdict.pictures} pictures are those of the log; signed by key ${manifest.key}, which this package holds.`
      : `${problems.length} of ${path} does not fit:`,
    ...problems.slice(0, MOST).map((p) => `  ${SAYS[p.code](p)}`),
    ...(problems.length > MOST ? [`  and ${problems.length - MOST} more`] : []),
    ...(verdict.log ? logLines(path, verdict.log, held, []) : []),
    'A package proves nothing by itself: compare key and head with those that somebody else kept.',
  ];
}
