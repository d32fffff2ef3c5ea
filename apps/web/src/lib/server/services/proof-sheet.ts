/** The proof sheet of one opening as a PDF: verdicts, drawings with the pen line, findings, figures, limits. */
import { proofVerdicts, quickProofs } from '$lib/state/proof-verdicts.ts';
import { text } from '$lib/texts/en.ts';
import { heatText } from '$lib/texts/heat.ts';
import { proveText, sideName } from '$lib/texts/prove.ts';
import mono from '@fontsource/atkinson-hyperlegible-mono/files/atkinson-hyperlegible-mono-latin-400-normal.woff?inline';
import bold from '@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-700-normal.woff?inline';
import regular from '@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-400-normal.woff?inline';
import {
  airCourse,
  airtightFrom,
  cutDrawing,
  cutIds,
  designJoint,
  figuresIn,
  fillColour,
  findingText,
  formatLength,
  handlingText,
  jointCosts,
  jointLeakage,
  jointReasonText,
  lineColour,
  openPlaces,
  pieceText,
  proveLoads,
  proveMoisture,
  sealText,
  severities,
  vapourLayerText,
  type CutId,
  type Drawing,
  type DrawItem,
  type Finding,
  type HeatProof,
  type JobContext,
  type Plan,
  type Verdict,
} from '@hulvek/core';
import PDFDocument from 'pdfkit';

export interface ProofSheetInput {
  readonly plan: Plan;
  readonly context: JobContext;
  /** `null` where heat could not be solved. */
  readonly heat: { readonly proof: HeatProof; readonly findings: readonly Finding[] } | null;
  readonly person: string;
  readonly at: Date;
}

const MARGIN = 42;
const INK = '#1f2a2e';
const SOFT = '#4c585c';
const LINE = '#cdc6b6';
const AIR = '#553a8e';
const COLOURS: Readonly<Record<Verdict, string>> = {
  holds: '#17603f',
  watch: '#855300',
  fails: '#a01c1c',
  'not-checkable': SOFT,
};
const VERDICT_OF: Readonly<Record<Finding['severity'], Verdict>> = {
  fails: 'fails',
  watch: 'watch',
  'not-checkable': 'not-checkable',
  note: 'holds',
};

const bytes = (dataUri: string): Buffer => Buffer.from(dataUri.slice(dataUri.indexOf(',') + 1), 'base64');
/** What the shipped faces have no sign for is written out. */
const plain = (words: string): string =>
  words
    .replaceAll('→', '>')
    .replaceAll('Ψ', 'psi')
    .replaceAll('Δ', 'd')
    .replaceAll('\u2009', ' ')
    .replaceAll('\u202f', ' ')
    .replaceAll('″', '"')
    .replaceAll('′', "'")
    .replaceAll('\u2044', '/');

/** Returns the sheet. Deterministic for the same input. */
export async function proofSheet(input: ProofSheetInput): Promise<Buffer> {
  const doc = new PDFDocument({
    size: 'A4',
    margins: { top: MARGIN, left: MARGIN, right: MARGIN, bottom: MARGIN + 22 },
    bufferPages: true,
    info: {
      Title: `${input.plan.opening.mark} ${input.plan.opening.name}: proofs`,
      Author: input.person,
      CreationDate: input.at,
    },
  });
  doc
    .registerFont('regular', bytes(regular))
    .registerFont('bold', bytes(bold))
    .registerFont('mono', bytes(mono));
  const parts: Buffer[] = [];
  doc.on('data', (part: Buffer) => parts.push(part));
  const ended = new Promise<void>((resolve) => doc.on('end', resolve));
  new Sheet(doc, input).write();
  doc.end();
  await ended;
  return Buffer.concat(parts);
}

class Sheet {
  readonly #doc: PDFKit.PDFDocument;
  readonly #input: ProofSheetInput;

  constructor(doc: PDFKit.PDFDocument, input: ProofSheetInput) {
    this.#doc = doc;
    this.#input = input;
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
    this.#footers();
  }

  get #width(): number {
    return this.#doc.page.width - 2 * MARGIN;
  }

  #title(words: string): void {
    const doc = this.#doc;
    if (doc.y > doc.page.height - 120) doc.addPage();
    doc.moveDown(0.8);
    doc.font('bold').fontSize(12).fillColor(INK).text(plain(words), MARGIN, doc.y, { width: this.#width });
    doc.moveDown(0.2);
  }

  #text(words: string, o: { colour?: string; size?: number; font?: string } = {}): void {
    if (words === '') return;
    this.#doc
      .font(o.font ?? 'regular')
      .fontSize(o.size ?? 9.5)
      .fillColor(o.colour ?? INK)
      .text(plain(words), MARGIN, this.#doc.y, { width: this.#width });
  }

  /** Rows with their columns at shares of the width; a verdict is drawn before the first, and colours the cell that says it. */
  #rows(rows: readonly { verdict?: Verdict; cells: readonly string[] }[], shares: readonly number[]): void {
    const doc = this.#doc;
    const indent = rows.some((row) => row.verdict) ? 16 : 0;
    const usable = this.#width - indent;
    for (const { verdict, cells } of rows) {
      doc.font('regular').fontSize(9.5);
      const widths = cells.map((_, i) => usable * (shares[i] ?? 0) - 8);
      const height = Math.max(
        ...cells.map((cell, i) => doc.heightOfString(plain(cell), { width: widths[i] ?? 50 })),
      );
      if (doc.y + height > doc.page.height - doc.page.margins.bottom) doc.addPage();
      const y = doc.y;
      if (verdict) this.#mark(verdict, MARGIN + 5, y + 5.5);
      let x = MARGIN + indent;
      cells.forEach((cell, i) => {
        doc
          .font(i === 0 ? 'bold' : 'regular')
          .fillColor(verdict && cell === text.verdicts[verdict] ? COLOURS[verdict] : INK)
          .text(plain(cell), x, y, { width: widths[i] ?? 50 });
        x += usable * (shares[i] ?? 0);
      });
      doc.y = y + height + 3;
      doc.x = MARGIN;
    }
  }

  /** By shape as well as colour: disc, half disc, triangle, open ring. */
  #mark(verdict: Verdict, x: number, y: number): void {
    const doc = this.#doc;
    const colour = COLOURS[verdict];
    if (verdict === 'holds') doc.circle(x, y, 4).fill(colour);
    else if (verdict === 'fails') doc.polygon([x, y - 4.5], [x + 4.5, y + 4], [x - 4.5, y + 4]).fill(colour);
    else {
      doc.circle(x, y, 3.6).lineWidth(1.2).stroke(colour);
      if (verdict === 'watch') doc.path(`M${x} ${y - 3.6} A3.6 3.6 0 0 1 ${x} ${y + 3.6} Z`).fill(colour);
    }
  }

  #head(): void {
    const { plan, context, person, at } = this.#input;
    const { opening, unit, wall, method } = plan;
    const { units } = context.job;
    this.#text(`${opening.mark} ${opening.name}`.trim(), { font: 'bold', size: 20 });
    this.#text(`${context.job.name}${opening.facade ? `, ${opening.facade}` : ''}`, {
      size: 11,
      colour: SOFT,
    });
    this.#doc.moveDown(0.5);
    const size = unit
      ? `${unit.name}, ${formatLength(unit.width.mm, units)} × ${formatLength(unit.height.mm, units)}`
      : text.compare.notPlanned;
    this.#rows(
      [
        { cells: [text.job.unit, size] },
        { cells: [proveText.sheet.wall, wall?.name ?? ''] },
        { cells: [proveText.sheet.method, method?.name ?? ''] },
        { cells: [proveText.sheet.made, proveText.sheet.by(person, at)] },
      ],
      [0.2, 0.8],
    );
  }

  #proofs(): void {
    const { plan, context, heat } = this.#input;
    const verdicts = proofVerdicts(plan, context);
    this.#title(proveText.whole.title);
    const rows = quickProofs.map((proof) => ({
      verdict: verdicts[proof],
      cells: [
        proof === 'fit' ? proveText.whole.fit : proveText.proofs[proof],
        text.verdicts[verdicts[proof]],
        this.#says(proof),
      ],
    }));
    const heatVerdict = heat?.proof.verdict ?? 'not-checkable';
    const cold = heat?.proof.sides
      .flatMap((side) => side.coldest ?? [])
      .toSorted((a, b) => a.temperature_C - b.temperature_C)[0];
    rows.splice(3, 0, {
      verdict: heatVerdict,
      cells: [
        proveText.proofs.heat,
        text.verdicts[heatVerdict],
        cold ? proveText.whole.heatSays(cold.temperature_C, cold.fRsi) : '',
      ],
    });
    this.#rows(rows, [0.16, 0.18, 0.66]);
  }

  #says(proof: (typeof quickProofs)[number]): string {
    const { plan, context } = this.#input;
    const { build, wall } = plan;
    if (!build || !wall) return '';
    const open = plan.air ? openPlaces(plan.air) : [];
    const design = designJoint(plan);
    const loads = proveLoads(plan);
    const wet = plan.findings.filter((f) => f.code === 'water-gets-in').length;
    switch (proof) {
      case 'fit':
        return '';
      case 'water':
        return proveText.whole.waterSays(wet, plan.water?.singles.length ?? 0);
      case 'air':
        return proveText.whole.airSays(open, airtightFrom(build));
      case 'joint':
        return design
          ? proveText.whole.jointSays(
              sealText(design.chosen),
              design.recommended && sealText(design.recommended),
            )
          : '';
      case 'moisture':
        return proveText.whole.moistureSays(
          proveMoisture(build, { job: context, wall }).wall?.outcome ?? null,
        );
      case 'loads':
        return proveText.whole.loadsSays(
          loads?.handling?.weight.kg ?? null,
          loads?.handling?.people ?? null,
          loads?.fasteners?.worst.each_N ?? null,
        );
    }
  }

  #cuts(): void {
    const { plan, context } = this.#input;
    const { build, air } = plan;
    if (!build || !air) return;
    const doc = this.#doc;
    const figure = (mm: number) => formatLength(mm, context.job.units, 'figure');
    const [w, h] = [this.#width / 2 - 6, 208];
    if (doc.y + 2 * (h + 24) + 60 > doc.page.height - doc.page.margins.bottom) doc.addPage();
    this.#title(proveText.sheet.cuts);
    this.#text(proveText.sheet.cutsLead, { colour: SOFT, size: 8.5 });
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
      doc.font('bold').fontSize(9).fillColor(INK).text(text.detail.views[cut], x, y);
      doc.save();
      doc.rect(x, y + 12, w, h).clip();
      this.#drawing(drawing, { x, y: y + 12, scale: w / drawing.width });
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

  #drawing(drawing: Drawing, o: { x: number; y: number; scale: number }): void {
    const doc = this.#doc;
    const place = ([x, y]: readonly [number, number]): [number, number] => [
      o.x + x * o.scale,
      o.y + y * o.scale,
    ];
    const trace = (item: Extract<DrawItem, { points: unknown }>) =>
      item.points.forEach((point, i) =>
        i === 0 ? doc.moveTo(...place(point)) : doc.lineTo(...place(point)),
      );
    for (const item of drawing.items) {
      if (item.kind === 'area') {
        if (item.points.length < 3) continue;
        trace(item);
        const fill = fillColour(item.fill);
        doc.closePath().lineWidth(0.4);
        if (fill === 'none') doc.stroke(SOFT);
        else if (item.stroke === 'none') doc.fill(fill);
        else doc.fillAndStroke(fill, SOFT);
      } else if (item.kind === 'line') {
        if (item.points.length < 2) continue;
        trace(item);
        doc
          .lineWidth((item.fill ? (item.width ?? 2) : 0.8) * o.scale)
          .stroke(item.fill ? lineColour(item.fill) : INK);
      } else if (item.kind === 'text') {
        if (item.turned) continue;
        const [x, y] = place(item.at);
        const size = item.size * o.scale;
        doc.font('mono').fontSize(size).fillColor(INK);
        const words = plain(item.text);
        doc.text(words, x - doc.widthOfString(words) / 2, y - size / 2, { lineBreak: false });
      }
    }
  }

  #penLine(drawing: Drawing, cut: CutId, o: { x: number; y: number; scale: number }): void {
    const { build, air } = this.#input.plan;
    const to = drawing.place;
    const course = build && air && to ? airCourse(build, air, cut) : null;
    if (!course || !to) return;
    const doc = this.#doc;
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
    const rank = (f: Finding) => severities.indexOf(f.severity);
    const all = [...plan.findings, ...(heat?.findings ?? [])].toSorted((a, b) => rank(a) - rank(b));
    const figures = figuresIn(context.job.units);
    this.#title(proveText.whole.findings);
    if (all.length === 0) this.#text(proveText.noFindings);
    this.#rows(
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
    this.#title(proveText.air.title);
    this.#rows(
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
    this.#rows(
      proveText.air.bands(leakage).map((row) => ({ cells: [row.name, row.area, row.flow] })),
      [0.44, 0.28, 0.28],
    );
    this.#text(proveText.air.leakageNote, { colour: SOFT, size: 8.5 });
  }

  #joint(): void {
    const { plan, context } = this.#input;
    const design = designJoint(plan);
    if (!design) return;
    const length = (mm: number) => formatLength(Math.round(mm * 10) / 10, context.job.units);
    const t = proveText.joint;
    this.#title(t.title);
    this.#rows(
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
    this.#rows(
      design.seals.map((option) => ({
        verdict: option.verdict,
        cells: [
          `${sealText(option.id)}${option.id === design.chosen ? ` (${t.chosen})` : ''}`,
          `${t.money(option.bill.cost)} · ${t.minutes(option.bill.minutes)}`,
          option.reasons
            .filter((r) => r.weight !== 'how')
            .map((r) => jointReasonText(r, figures))
            .join(' '),
        ],
      })),
      [0.3, 0.17, 0.53],
    );
    this.#text(t.tip(jointCosts(plan)?.tipOver_mm ?? null, length));
    this.#text(t.prices, { colour: SOFT, size: 8.5 });
  }

  #heat(): void {
    const { heat } = this.#input;
    this.#title(heatText.title);
    if (!heat) return this.#text(text.verdicts['not-checkable']);
    this.#rows(
      heat.proof.sides.map((side) => ({
        verdict: side.verdict,
        cells: [
          proveText.side(side.cut),
          `psi ${side.psi.value.toFixed(3)} W/(m K)`,
          side.coldest
            ? `${heatText.temperature(side.coldest.temperature_C)} (${heatText.thing(side.coldest.thing)}), f ${side.coldest.fRsi.toFixed(2)}`
            : heatText.none,
        ],
      })),
      [0.2, 0.26, 0.54],
    );
    this.#text(heatText.limits(heat.proof.conditions), { colour: SOFT, size: 8.5 });
    this.#text(heatText.unitSurface, { colour: SOFT, size: 8.5 });
  }

  #moisture(): void {
    const { plan, context } = this.#input;
    if (!plan.build || !plan.wall) return;
    const t = proveText.moisture;
    const { joint, layers, wall, wallVerdict } = proveMoisture(plan.build, { job: context, wall: plan.wall });
    this.#title(t.title);
    this.#rows(
      [
        { verdict: joint.verdict, cells: [t.joint, t.jointSays(joint)] },
        { verdict: wallVerdict, cells: [t.wall, wall ? t.outcome(wall) : t.noMonths] },
      ],
      [0.3, 0.7],
    );
    this.#text(
      `${t.layers}: ${layers.map((l) => `${vapourLayerText(l.name)} (sd ${l.sd_m.toFixed(2)} m)`).join(', ')}.`,
      { colour: SOFT, size: 8.5 },
    );
    const { months } = context.job;
    if (months) this.#text(t.source(months.source, months.note), { colour: SOFT, size: 8.5 });
    this.#text(t.note, { colour: SOFT, size: 8.5 });
  }

  #loads(): void {
    const loads = proveLoads(this.#input.plan);
    if (!loads) return;
    const t = proveText.loads;
    const { handling, fasteners } = loads;
    this.#title(t.title);
    this.#rows(
      [
        {
          verdict: handling ? ('holds' as const) : ('not-checkable' as const),
          cells: [t.weight, handling ? handlingText(handling) : t.noWeight],
        },
        {
          verdict: fasteners?.verdict ?? ('not-checkable' as const),
          cells: [
            t.wind,
            fasteners
              ? `${t.total(fasteners.total_N, fasteners.pressure_Pa)} ${Math.round(fasteners.worst.each_N)} N: ${sideName(fasteners.worst.side)}. ${fasteners.limit_N === null ? t.noLimit : t.limitSaid(fasteners.limit_N)}`
              : t.noWind,
          ],
        },
        ...(loads.bearing
          ? [
              {
                verdict: loads.bearing.verdict,
                cells: [t.bearing, t.bearingSays(loads.bearing.load_Nmm, loads.bearing.limit_Nmm)],
              },
            ]
          : []),
        ...(loads.altitude
          ? [
              {
                verdict: loads.altitude.verdict,
                cells: [t.altitude, t.altitudeSays(loads.altitude.difference_Pa, loads.altitude.limit_Pa)],
              },
            ]
          : []),
      ],
      [0.3, 0.7],
    );
    this.#text(t.windNote, { colour: SOFT, size: 8.5 });
  }

  #footers(): void {
    const doc = this.#doc;
    const { count } = doc.bufferedPageRange();
    for (let i = 0; i < count; i++) {
      doc.switchToPage(i);
      // Below the margin nothing may start another page.
      doc.page.margins.bottom = 0;
      const y = doc.page.height - MARGIN - 8;
      doc
        .moveTo(MARGIN, y - 4)
        .lineTo(MARGIN + this.#width, y - 4)
        .lineWidth(0.5)
        .stroke(LINE);
      doc.font('regular').fontSize(7.5).fillColor(SOFT);
      doc.text(plain(proveText.whole.lead), MARGIN, y, {
        width: this.#width - 60,
        lineBreak: true,
        height: 20,
      });
      doc.text(`${this.#input.plan.opening.mark} · ${i + 1}/${count}`, MARGIN, y, {
        width: this.#width,
        align: 'right',
        lineBreak: false,
      });
    }
  }
}
