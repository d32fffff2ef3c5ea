/** The report of a job's tests: each test with what was checked, how it ran, what was seen, what explained it and what became of that. */
import { PdfPage, SOFT } from '$lib/drawing/pdf-page.server.ts';
import { failureText, openingTestWords as t, zoneWords } from '$words/opening-tests.ts';
import { punchWords } from '$words/punch.ts';
import {
  causesOf,
  causeWeights,
  chamberFigures,
  faultsOf,
  frozenBuild,
  nextLook,
  probesOf,
  sessionsOf,
  SPRAY_lmin_m2,
  sprayNetwork,
  sprayRate,
  sprayTestOf,
  stageLong,
  standing,
  wouldMeet,
  type Build,
  type Entry,
  type Issue,
  type JobContext,
  type OpeningDocument,
  type Session,
} from '@hulvek/core';

export interface TestsGiven {
  readonly parts: readonly {
    readonly document: OpeningDocument;
    readonly issues: readonly Issue[];
    readonly entries: readonly Entry[];
  }[];
  readonly context: JobContext;
  readonly person: string;
  readonly at: Date;
}

const minute = (at: string): string => `${at.slice(0, 16).replace('T', ' ')} UTC`;

export async function drawTests({ parts, context, person, at }: TestsGiven): Promise<Uint8Array> {
  const page = new PdfPage({ title: `${context.job.name}: ${t.openings}`, author: person, at, tagged: true });
  page.text(context.job.name, { font: 'bold', size: 18, as: 'H1' });
  page.text(`${t.openings} · ${minute(at.toISOString())}`, { colour: SOFT });
  page.text(t.caution, { colour: SOFT });
  let any = false;
  for (const { document, issues, entries } of parts) {
    const valid = standing(entries);
    const sessions = sessionsOf(valid);
    if (sessions.length === 0) continue;
    any = true;
    const issue = issues.at(-1);
    const build = (issue && frozenBuild(issue, context.job)?.build) ?? null;
    page.room(120);
    page.doc.moveDown(1);
    page.chapter(`${document.mark} ${document.name}`.trim(), `opening-${document.id}`);
    const others = parts.flatMap((one) => (one.document.id === document.id ? [] : [one.entries]));
    const weights = causeWeights(entries, others);
    for (const session of sessions) drawSession(page, session, { build, valid, weights });
  }
  if (!any) page.text(t.noOpening);
  page.footers([context.job.name, person, minute(at.toISOString())].filter(Boolean).join(' · '), t.openings);
  return new Uint8Array(await page.end());
}

interface SessionOf {
  readonly build: Build | null;
  readonly valid: readonly Entry[];
  readonly weights: ReadonlyMap<string, number>;
}

function drawSession(page: PdfPage, session: Session, { build, valid, weights }: SessionOf): void {
  const { entry, facts, stages, wet, chamber, draughts } = session;
  page.title(`${t.kinds[facts.of]} · ${minute(entry.at)}`);
  page.text(entry.person);
  for (const check of facts.checked) page.text(t.checks[check], { colour: SOFT, size: 8.5 });
  if (facts.of === 'spray') {
    const rate = sprayRate(facts);
    page.text(
      [
        t.pressings[facts.pressing ?? 'none'],
        facts.pressure_Pa === undefined ? '' : `${facts.pressure_Pa} Pa`,
        rate === null ? t.rateUnknown : t.rate(rate.toFixed(1), String(SPRAY_lmin_m2)),
      ]
        .filter(Boolean)
        .join(' · '),
    );
    const least = stageLong(facts.pressing);
    page.rows(
      stages.map(({ stage, minutes }) => ({
        cells: [t.stages[stage], minutes >= least ? t.whole(minutes) : t.short(minutes)],
      })),
      [0.3, 0.7],
    );
  }
  for (const readings of chamber) {
    const unit = build?.context.unit;
    if (!unit) continue;
    const is = chamberFigures(readings, { width: unit.width, height: unit.height });
    const meets = wouldMeet(is);
    page.text(
      is.isSound
        ? t.chamberIs({
            Pa: readings.pressure_Pa,
            joint: is.joint_m3h.toFixed(1),
            unit: is.unit_m3h.toFixed(1),
            perM: is.jointPerLength.toFixed(2),
            perM2: is.unitPerArea.toFixed(2),
          })
        : t.unsound,
    );
    if (meets !== null) page.text(t.wouldMeet(meets));
  }
  for (const { zone, how } of draughts) page.text(`${zoneWords[zone]}, ${t.hows[how]}`);
  if (facts.of === 'spray' || facts.of === 'reported') {
    if (wet.length === 0) page.text(t.dry);
    for (const { zone, stage, after_min, weather } of wet)
      page.text(
        stage
          ? t.waterAt(zoneWords[zone], t.stages[stage], after_min ?? 0)
          : t.waterBy(zoneWords[zone], weather ?? ''),
      );
    if (wet.length > 0 && build) drawCauses(page, session, build, weights);
  }
  for (const { facts: fault, status, entry: at } of faultsOf(valid))
    if (fault.test === entry.id) page.text(`${at.note}: ${punchWords.status[status]}`);
}

function drawCauses(page: PdfPage, session: Session, build: Build, weights: SessionOf['weights']): void {
  const network = sprayNetwork(build, { pressure_Pa: session.facts.pressure_Pa ?? null });
  const test = sprayTestOf(session);
  const causes = causesOf(network, test, probesOf(session), { weights });
  page.text(t.causes, { font: 'bold' });
  if (causes.length === 0) page.text(t.nothingExplains);
  if (causes[0]?.failures.length === 0) {
    page.text(t.asPlanned);
    return;
  }
  for (const { causes: own, share } of nextLook(network, causes, test.pressed).classes)
    page.text(
      `${t.share(share)} ${own.map(({ failures }) => failures.map(failureText).join(` ${t.together} `)).join(' / ')}`,
    );
}
