/** What a dossier says, in rows of words: on paper and to those it is shared with. Only who did it depends on what was chosen. */
import {
  formatLength,
  leftIn,
  measuredTexts,
  pieceText,
  stepText,
  verdictTexts,
  type Build,
  type Dossier,
  type Entry,
  type LengthUnit,
} from '@hulvek/core';
import { deviationWords, gapPlaceText, gapWords } from '$words/install.ts';
import { handOverWords as t } from '$words/hand-over.ts';
import { openingTestWords, zoneWords } from '$words/opening-tests.ts';
import { changeText } from '$words/prove-water.ts';
import { punchWords } from '$words/punch.ts';
import { factsText } from '../install/facts-text.ts';
import { figureText, placeText } from '../install/figures.ts';
import { openText } from './open-text.ts';

export interface DossierSection {
  readonly title: string;
  /** A row's cells: one, or as many as there are widths. */
  readonly rows: readonly (readonly string[])[];
  /** Shares of the paper's width, where there is more than one cell. */
  readonly widths?: readonly number[];
}

const minute = (at: string): string => `${at.slice(0, 16).replace('T', ' ')} UTC`;
const joined = (...parts: readonly string[]): string => parts.filter(Boolean).join('; ');
const texts = (title: string, lines: readonly string[]): DossierSection => ({
  title,
  rows: lines.map((line) => [line]),
});

/** Planned and done first; sections with nothing to say are left out. */
export function dossierSections(
  build: Build,
  dossier: Dossier,
  { reads, names }: { readonly reads: LengthUnit; readonly names: boolean },
): DossierSection[] {
  const by = (entry: Pick<Entry, 'person'>) => (names ? entry.person : '');
  const length = (mm: number) => formatLength(mm, reads);
  const { issue, steps, gap, otherwise, departures, faults, tests, open } = dossier;
  const measured = steps.flatMap(({ figures }) => figures);
  const all: DossierSection[] = [
    texts(t.planned, [
      t.plan(issue.version, by(issue), minute(issue.at)),
      ...(issue.despite ? [t.despite(verdictTexts[issue.despite.grade], issue.despite.reason)] : []),
    ]),
    {
      title: t.done,
      widths: [0.4, 0.28, 0.32],
      rows: steps.map(({ state: { id, tick, look } }) => [
        stepText(id, build.context.choices).title,
        tick ? t.doneBy(minute(tick.at), by(tick)) : t.notDone,
        joined(look ? t.seenBy(minute(look.at), by(look)) : '', tick ? factsText(tick, reads) : ''),
      ]),
    },
    {
      title: t.measured,
      widths: [0.45, 0.15, 0.4],
      rows: measured.map(({ ask, value, entry, accepted }) => [
        [measuredTexts[ask.what].name, placeText(ask.place)].filter(Boolean).join(', '),
        figureText(ask.what, value ?? 0, reads),
        joined(entry ? t.doneBy(minute(entry.at), by(entry)) : '', accepted ?? ''),
      ]),
    },
    texts(
      t.gap,
      gap.map((row) => gapWords.row(gapWords.things[row.thing], gapPlaceText(row.place), leftIn(row))),
    ),
    texts(
      t.otherwise,
      otherwise.flatMap(({ built }) => (built ? [changeText(built, length)] : [])),
    ),
    texts(
      t.departures,
      departures.flatMap(({ facts, note }) =>
        facts?.kind === 'deviation'
          ? [`${deviationWords.is(deviationWords.froms[facts.from], names ? facts.accepted : '–')} ${note}`]
          : [],
      ),
    ),
    {
      title: t.faults,
      widths: [0.45, 0.25, 0.3],
      rows: faults.map(({ entry, facts, status, mended }) => [
        entry.note,
        pieceText(facts.piece),
        joined(punchWords.status[status], mended?.note ?? ''),
      ]),
    },
    texts(
      t.tests,
      tests.map(
        ({ entry, facts, wet }) =>
          `${minute(entry.at)} · ${openingTestWords.kinds[facts.of]}: ${
            wet.length === 0 ? t.testDry : t.testWet(wet.map(({ zone }) => zoneWords[zone]).join(', '))
          }`,
      ),
    ),
    texts(t.still, open.length === 0 ? [t.nothing] : open.map((point) => openText(point, reads))),
    texts(t.maintenance, t.maintenanceLines),
  ];
  return all.filter(({ rows }) => rows.length > 0);
}
