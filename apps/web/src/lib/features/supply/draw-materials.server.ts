/** What is still to get for a job, on paper: to order from, by when. */
import { PdfPage, SOFT } from '$lib/drawing/pdf-page.server.ts';
import { supplyWords as t } from '$words/supply.ts';
import {
  amountText,
  articleText,
  early,
  needsIn,
  needsOf,
  noSupply,
  packsText,
  plannedDays,
  planOpening,
  SharedPlans,
  standingTexts,
  takeoff,
  wrapNeeds,
  type JobContext,
  type LengthUnit,
  type Opening,
  type SharedMade,
} from '@hulvek/core';

export interface MaterialsOf {
  readonly openings: readonly Opening[];
  readonly context: JobContext;
  readonly reads: LengthUnit;
  readonly person: string;
  readonly at: Date;
}

export async function drawMaterials({
  openings,
  context,
  reads,
  person,
  at,
}: MaterialsOf): Promise<Uint8Array> {
  const { job, materials, units } = context;
  const shared: SharedMade = new SharedPlans();
  const missing: string[] = [];
  const marks = new Map<string, string>(openings.map(({ id, mark }) => [id, mark]));
  const needs = openings.flatMap((opening) => {
    const { build } = planOpening(opening, context, shared);
    if (!build) missing.push(opening.mark);
    return build ? needsOf(opening.id, build, needsIn(context)) : [];
  });
  const supply = job.supply ?? noSupply;
  const days = plannedDays(job.calendarPlan, job.calendar?.zone ?? 'UTC');
  const lines = takeoff({
    needs: [...needs, ...wrapNeeds(supply, materials ?? [])],
    supply,
    materials,
    dayOf: (opening, step) => days.get(`${opening}/${step}`) ?? null,
  });
  const rows = early(lines, {
    days,
    orders: supply.orders,
    today: at.toISOString().slice(0, 10),
  });
  const title = `${job.name}: ${t.columns.missing}`;
  const page = new PdfPage({ title, author: person, at });
  page.text(title, { font: 'bold', size: 15 });
  for (const { line, orderBy, standing, because, first, needed } of rows) {
    if (line.missing === 0 && standing !== 'too-late' && standing !== 'wrong') continue;
    const { article, terms } = line;
    const name = articleText(article, job.units, units.find(({ id }) => id === article.unit)?.name);
    page.room(34);
    page.text(`${packsText(article, line.missing, terms.pack)}  ${name}`, { font: 'bold' });
    page.text(
      [
        `${t.columns.net} ${amountText(article, line.net, reads)}`,
        ...(because.length > 0 ? [standingTexts[standing]] : []),
        ...(orderBy !== null && because.length > 0 ? [`${t.early.columns.orderBy} ${orderBy}`] : []),
        ...(needed !== null ? [`${t.early.columns.needed} ${needed}, ${marks.get(first ?? '') ?? ''}`] : []),
      ].join(' · '),
      { colour: SOFT },
    );
    page.rule();
  }
  if (missing.length > 0) page.text(t.notPlanned(missing.join(', ')));
  page.footers(
    `${job.name} · ${person} · ${at.toISOString().slice(0, 16).replace('T', ' ')} UTC`,
    t.columns.missing,
  );
  return new Uint8Array(await page.end());
}
