/** What the openings of a job file need, from the command line. */
import {
  plannedDays,
  wrapNeeds,
  amountText,
  articleText,
  contextOf,
  needsIn,
  needsOf,
  noSupply,
  openingsOf,
  packsText,
  planOpening,
  SharedPlans,
  takeoff,
  type JobFile,
  type SharedMade,
  type TakeoffLine,
} from '@hulvek/core';
import Papa from 'papaparse';

export function takeoffJob(file: JobFile, form: 'text' | 'json' | 'csv'): string {
  const job = contextOf(file);
  const shared: SharedMade = new SharedPlans();
  const marks = new Map<string, string>();
  const missing: string[] = [];
  const needs = openingsOf(file).flatMap((opening) => {
    const { build } = planOpening(opening, job, shared);
    marks.set(opening.id, opening.mark);
    if (!build) missing.push(opening.mark);
    return build ? needsOf(opening.id, build, needsIn(job)) : [];
  });
  const { units, supply = noSupply } = job.job;
  const days = plannedDays(job.job.calendarPlan, job.job.calendar?.zone ?? 'UTC');
  const lines = takeoff({
    needs: [...needs, ...wrapNeeds(supply, job.materials ?? [])],
    supply,
    materials: job.materials,
    dayOf: (opening, step) => days.get(`${opening}/${step}`) ?? null,
  });
  const name = ({ article }: TakeoffLine) =>
    articleText(article, units, job.units.find(({ id }) => id === article.unit)?.name);
  if (form === 'json')
    return `${JSON.stringify(
      { lines: lines.map((line) => asJson(line, name(line), marks)), notPlanned: missing },
      null,
      2,
    )}\n`;
  if (form === 'csv')
    return `${Papa.unparse({
      fields: ['article', 'name', 'opening', 'piece', 'count', 'length_mm', 'width_mm', 'volume_ml'],
      data: lines.flatMap((line) =>
        line.needs.map(({ opening, piece, count, length_mm, width_mm, volume_ml }) => [
          line.article.id,
          name(line),
          marks.get(opening) ?? opening,
          piece ?? '',
          count,
          tenth(length_mm) ?? '',
          tenth(width_mm) ?? '',
          tenth(volume_ml) ?? '',
        ]),
      ),
    })}\n`;
  return [
    ...lines.map(
      (line) =>
        `${name(line).padEnd(40)} ${amountText(line.article, line.net, units).padStart(12)}  ${packsText(line.article, line.packs, line.terms.pack)}`,
    ),
    ...(missing.length > 0 ? [`Not planned yet, and not counted: ${missing.join(', ')}.`] : []),
    '',
  ].join('\n');
}

const tenth = (figure: number | null): number | null =>
  figure === null ? null : Math.round(figure * 10) / 10;

const UNITS = { roll: 'mm', bar: 'mm', board: 'mm2', volume: 'ml', count: 'pieces' } as const;

const asJson = (
  { article, terms, net, packs, tooLong, needs }: TakeoffLine,
  name: string,
  marks: ReadonlyMap<string, string>,
) => ({
  id: article.id,
  name,
  form: article.form,
  width_mm: article.width_mm,
  thickness_mm: article.thickness_mm,
  amount: tenth(net),
  unit: UNITS[article.form],
  packs,
  soldAs: article.form === 'volume' || article.form === 'count' ? terms.pack : terms.lengths_mm,
  waste: terms.waste,
  tooLong,
  pieces: needs.map(({ opening, piece, count, length_mm, width_mm, volume_ml }) => ({
    opening: marks.get(opening) ?? opening,
    piece,
    count,
    length_mm: tenth(length_mm),
    width_mm: tenth(width_mm),
    volume_ml: tenth(volume_ml),
  })),
});
