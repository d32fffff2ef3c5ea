/** The proof sheet of one opening as a PDF: verdicts, drawings with the pen line, findings, figures, limits. */
import { proofWords, quickProofs } from '$lib/features/prove/proof-words.ts';
import { compareWords } from '$words/compare.ts';
import { jobWords } from '$words/shell.ts';
import { detailWords } from '$words/detail.ts';
import { heatText } from '$words/prove-heat.ts';
import { proveText, sideName } from '$words/prove.ts';
import {
  airCourse,
  cutDrawing,
  cutIds,
  figuresIn,
  findingText,
  formatLength,
  handlingText,
  jointCosts,
  jointLeakage,
  jointReasonText,
  pieceText,
  sealText,
  gradeText,
  judge,
  missingText,
  readingOrder,
  vapourLayerText,
  type CutId,
  type Drawing,
  type Finding,
  type HeatProof,
  type Judgement,
  type JobContext,
  type Plan,
  type Verdict,
  verdictTexts,
} from '@hulvek/core';
import { COLOURS, INK, LINE, MARGIN, PdfPage, SOFT, type PdfPlace } from '$lib/drawing/pdf-page.server.ts';

export interface ProofSheetInput {
  readonly plan: Plan;
  readonly context: JobContext;
  /** `null` where heat could not be solved. */
  readonly heat: { readonly proof: HeatProof; readonly findings: readonly Finding[] } | null;
  readonly person: string;
  readonly at: Date;
}

const AIR = '#553a8e';
const VERDICT_OF: Readonly<Record<Finding['severity'], Verdict>> = {
  fails: 'fails',
  watch: 'watch',
  'not-checkable': 'not-checkable',
  look: 'holds',
  note: 'holds',
};

/** Returns the sheet. Deterministic for the same input. */
export async function proofSheet(input: ProofSheetInput): Promise<Buffer> {
  const { opening } = input.plan;
  const page = new PdfPage({
    title: `${opening.mark} ${opening.name}: ${proveText.whole.title}`,
    author: input.person,
    at: input.at,
  });
  new Sheet(page, input).write();
  return page.end();
}

class Sheet {
  readonly #page: PdfPage;
  readonly #input: ProofSheetInput;
  readonly #judgement: Judgement;

  constructor(page: PdfPage, input: ProofSheetInput) {
    this.#page = page;
    this.#input = input;
    this.#judgement = judge(input.plan, { heat: input.heat ?? (input.plan.build ? 'unsolved' : 'left-out') });
  }

  write(): void {
    this.#head();
    this.#proofs();
    this.#cuts();
    this.#findings();
    this.#air();
    this.#joint();
    this.#heat();
    this.#moisture();
    this.#loads();
    this.#page.footers(proveText.whole.lead, this.#input.plan.opening.mark);
  }

  #head(): void {
    const { plan, context, person, at } = this.#input;
    const { opening, unit, wall, method } = plan;
    const { units } = context.job;
    this.#page.text(`${opening.mark} ${opening.name}`.trim(), { font: 'bold', size: 20 });
    this.#page.text(`${context.job.name}${opening.facade ? `, ${opening.facade}` : ''}`, {
      size: 11,
      colour: SOFT,
    });
    this.#page.doc.moveDown(0.5);
    const size = unit
      ? `${unit.name}, ${formatLength(unit.width.mm, units)} × ${formatLength(unit.height.mm, units)}`
      : compareWords.notPlanned;
    this.#page.rows(
      [
        { cells: [jobWords.unit, size] },
        { cells: [proveText.sheet.wall, wall?.name ?? ''] },
        { cells: [proveText.sheet.method, method?.name ?? ''] },
        { cells: [proveText.sheet.made, proveText.sheet.by(person, at)] },
      ],
      [0.2, 0.8],
    );
  }

  #proofs(): void {
    const { plan, heat, context } = this.#input;
    const f = figuresIn(context.job.units);
    const { proofs } = this.#judgement;
    const words = proofWords(plan, f);
    this.#page.title(`${proveText.whole.title}: ${gradeText(this.#judgement)}`);
    const missing = missingText(this.#judgement);
    if (missing !== '') this.#page.text(missing);
    const rows = quickProofs.map((proof) => ({
      verdict: proofs[proof].grade,
      cells: [
        proof === 'fit' ? proveText.whole.fit : proveText.proofs[proof],
        gradeText(proofs[proof]),
        words[proof],
      ],
    }));
    const heatVerdict = proofs.heat.grade;
    const cold = heat?.proof.sides
      .flatMap((side) => side.coldest ?? [])
      .toSorted((a, b) => a.temperature_C - b.temperature_C)[0];
    rows.splice(3, 0, {
      verdict: heatVerdict,
      cells: [
        proveText.proofs.heat,
        gradeText(proofs.heat),
        cold ? proveText.whole.heatSays(cold.temperature_C, cold.fRsi, f) : '',
      ],
    });
    this.#page.rows(rows, [0.16, 0.18, 0.66]);
  }

  #cuts(): void {
    const { plan, context } = this.#input;
    const { build, air } = plan;
    if (!build || !air) return;
    const doc = this.#page.doc;
    const figure = (mm: number) => formatLength(mm, context.job.units, 'figure');
    const [w, h] = [this.#page.width / 2 - 6, 208];
    if (doc.y + 2 * (h + 24) + 60 > doc.page.height - doc.page.margins.bottom) doc.addPage();
    this.#page.title(proveText.sheet.cuts);
    this.#page.text(proveText.sheet.cutsLead, { colour: SOFT, size: 8.5 });
    const top = doc.y + 6;
    cutIds.forEach((cut, i) => {
      const x = MARGIN + (i % 2) * (w + 12);
      const y = top + Math.floor(i / 2) * (h + 24);
      const drawing = cutDrawing(build, {
        width: w * 1.6,
        height: h * 1.6,
        step: build.steps.length,
        figure,
        cut,
        name: pieceText,
        hide: new Set(['dimensions', 'names'] as const),
      });
      doc.font('bold').fontSize(9).fillColor(INK).text(detailWords.views[cut], x, y);
      doc.save();
      doc.rect(x, y + 12, w, h).clip();
      this.#page.drawing(drawing, { x, y: y + 12, scale: w / drawing.width });
      this.#penLine(drawing, cut, { x, y: y + 12, scale: w / drawing.width });
      doc.restore();
      doc
        .rect(x, y + 12, w, h)
        .lineWidth(0.5)
        .stroke(LINE);
    });
    doc.y = top + 2 * (h + 24);
    doc.x = MARGIN;
  }

  #penLine(drawing: Drawing, cut: CutId, o: PdfPlace): void {
    const { build, air } = this.#input.plan;
    const to = drawing.place;
    const course = build && air && to ? airCourse(build, air, cut) : null;
    if (!course || !to) return;
    const doc = this.#page.doc;
    const place = (point: (typeof course.points)[number]): [number, number] => {
      const [x, y] = to(point);
      return [o.x + x * o.scale, o.y + y * o.scale];
    };
    course.points.forEach((point, i) =>
      i === 0 ? doc.moveTo(...place(point)) : doc.lineTo(...place(point)),
    );
    doc
      .lineWidth(1.8)
      .dash(4, { space: 2.4 })
      .stroke(course.lift ? COLOURS.fails : AIR)
      .undash();
    if (!course.lift) return;
    const [x, y] = place(course.lift);
    doc
      .moveTo(x - 4, y - 4)
      .lineTo(x + 4, y + 4)
      .moveTo(x + 4, y - 4)
      .lineTo(x - 4, y + 4)
      .lineWidth(1.8)
      .stroke(COLOURS.fails);
  }

  #findings(): void {
    const { plan, heat, context } = this.#input;
    const all = readingOrder([...plan.findings, ...(heat?.findings ?? [])]);
    const figures = figuresIn(context.job.units);
    this.#page.title(proveText.whole.findings);
    if (all.length === 0) this.#page.text(proveText.noFindings);
    this.#page.rows(
      all.map((finding) => {
        const words = findingText(finding, figures);
        return {
          verdict: VERDICT_OF[finding.severity],
          cells: [words.title, `${words.text} (${finding.source})`],
        };
      }),
      [0.3, 0.7],
    );
  }

  #air(): void {
    const { plan, context } = this.#input;
    if (!plan.air || !plan.choices || !plan.unit) return;
    const length = (mm: number) => formatLength(mm, context.job.units);
    this.#page.title(proveText.air.title);
    this.#page.rows(
      plan.air.sides.map((side) => ({
        verdict:
          side.lifts.length === 0
            ? ('holds' as const)
            : side.lifts.some((l) => l.kind === 'gap')
              ? ('fails' as const)
              : ('watch' as const),
        cells: [
          proveText.side(side.side),
          [
            ...side.lifts.map((lift) => proveText.air.lift(lift, length)),
            side.line ? proveText.air.run(side.line) : '',
          ]
            .filter(Boolean)
            .join('. '),
        ],
      })),
      [0.18, 0.82],
    );
    const leakage = jointLeakage(plan.choices, {
      width_mm: plan.unit.width.mm,
      height_mm: plan.unit.height.mm,
    });
    this.#page.rows(
      proveText.air
        .bands(leakage, figuresIn(plan.job.job.units))
        .map((row) => ({ cells: [row.name, row.area, row.flow] })),
      [0.44, 0.28, 0.28],
    );
    this.#page.text(proveText.air.leakageNote, { colour: SOFT, size: 8.5 });
  }

  #joint(): void {
    const { plan, context } = this.#input;
    const { joint: design, build } = plan;
    if (!design || !build) return;
    const length = (mm: number) => formatLength(Math.round(mm * 10) / 10, context.job.units);
    const t = proveText.joint;
    this.#page.title(t.title);
    this.#page.rows(
      design.sides.map((side) => ({
        cells: [
          proveText.side(side.side),
          `${t.least} ${length(side.least.mm)}`,
          `${t.most} ${length(side.most.mm)}`,
          `${t.needs} ${length(side.movement.least_mm)}`,
        ],
      })),
      [0.25, 0.25, 0.25, 0.25],
    );
    const figures = figuresIn(context.job.units);
    this.#page.rows(
      design.seals.map((option) => ({
        verdict: option.verdict,
        cells: [
          `${sealText(option.id)}${option.id === design.chosen ? ` (${t.chosen})` : ''}`,
          `${t.money(option.bill.cost, context.job.currency)} · ${t.minutes(option.bill.minutes)}`,
          option.reasons
            .filter((r) => r.weight !== 'how')
            .map((r) => jointReasonText(r, figures))
            .join(' '),
        ],
      })),
      [0.3, 0.17, 0.53],
    );
    this.#page.text(t.tip(jointCosts(build, plan.job).tipOver_mm, length));
    this.#page.text(t.prices, { colour: SOFT, size: 8.5 });
  }

  #heat(): void {
    const { heat, context } = this.#input;
    const f = figuresIn(context.job.units);
    this.#page.title(heatText.title);
    if (!heat) return this.#page.text(verdictTexts['not-checkable']);
    this.#page.rows(
      heat.proof.sides.map((side) => ({
        verdict: side.verdict,
        cells: [
          proveText.side(side.cut),
          `psi ${heatText.psi(side, f)}`,
          side.coldest
            ? `${heatText.temperature(side.coldest.temperature_C, f)} (${heatText.thing(side.coldest.thing)}), f ${side.coldest.fRsi.toFixed(2)}`
            : heatText.none,
        ],
      })),
      [0.2, 0.26, 0.54],
    );
    this.#page.text(heatText.limits(heat.proof.conditions, f), { colour: SOFT, size: 8.5 });
    this.#page.text(heatText.unitSurface, { colour: SOFT, size: 8.5 });
  }

  #moisture(): void {
    const { plan, context } = this.#input;
    if (!plan.moisture) return;
    const t = proveText.moisture;
    const { joint, layers, wall, wallVerdict } = plan.moisture;
    const f = figuresIn(context.job.units);
    this.#page.title(t.title);
    this.#page.rows(
      [
        { verdict: joint.verdict, cells: [t.joint, t.jointSays(joint, f)] },
        { verdict: wallVerdict, cells: [t.wall, wall ? t.outcome(wall, f) : t.noMonths] },
      ],
      [0.3, 0.7],
    );
    this.#page.text(
      `${t.layers}: ${layers.map((l) => `${vapourLayerText(l.name)} (${f.measure('vapour', l.sd_m)})`).join(', ')}.`,
      { colour: SOFT, size: 8.5 },
    );
    const { months } = context.job;
    if (months) this.#page.text(t.source(months.source, months.note), { colour: SOFT, size: 8.5 });
    this.#page.text(t.note, { colour: SOFT, size: 8.5 });
  }

  #loads(): void {
    const { loads } = this.#input.plan;
    const f = figuresIn(this.#input.context.job.units);
    if (!loads) return;
    const t = proveText.loads;
    const { handling, fasteners } = loads;
    this.#page.title(t.title);
    this.#page.rows(
      [
        {
          verdict: handling?.verdict ?? ('not-checkable' as const),
          cells: [t.weight, handling ? handlingText(handling, f) : t.noWeight],
        },
        {
          verdict: fasteners?.verdict ?? ('not-checkable' as const),
          cells: [
            t.wind,
            fasteners
              ? `${t.total(fasteners.total_N, fasteners.pressure_Pa, f)} ${f.measure('force', fasteners.worst.each_N)}: ${sideName(fasteners.worst.side)}. ${fasteners.limit_N === null ? t.noLimit : t.limitSaid(fasteners.limit_N, f)}`
              : t.noWind,
          ],
        },
        ...(loads.bearing
          ? [
              {
                verdict: loads.bearing.verdict,
                cells: [t.bearing, t.bearingSays(loads.bearing.load_Nmm, loads.bearing.limit_Nmm, f)],
              },
            ]
          : []),
        ...(loads.altitude
          ? [
              {
                verdict: loads.altitude.verdict,
                cells: [t.altitude, t.altitudeSays(loads.altitude.difference_Pa, loads.altitude.limit_Pa, f)],
              },
            ]
          : []),
      ],
      [0.3, 0.7],
    );
    this.#page.text(t.windNote, { colour: SOFT, size: 8.5 });
  }
}
