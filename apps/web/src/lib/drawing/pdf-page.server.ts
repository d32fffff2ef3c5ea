/** A printed page: titles, text, rows of figures, verdicts by shape, drawings as the screen has them. */
import mono from '@fontsource/atkinson-hyperlegible-mono/files/atkinson-hyperlegible-mono-latin-400-normal.woff?inline';
import regular from '@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-400-normal.woff?inline';
import bold from '@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-700-normal.woff?inline';
import {
  fillColour,
  lineColour,
  type Drawing,
  type DrawItem,
  type Verdict,
  verdictTexts,
} from '@hulvek/core';
import PDFDocument from 'pdfkit';

export const MARGIN = 42;
export const INK = '#1f2a2e';
export const SOFT = '#4c585c';
export const LINE = '#cdc6b6';
export const COLOURS: Readonly<Record<Verdict, string>> = {
  holds: '#17603f',
  watch: '#855300',
  fails: '#a01c1c',
  'not-checkable': SOFT,
};
export interface PdfRow {
  readonly verdict?: Verdict;
  readonly cells: readonly string[];
}
/** Where a drawing stands on the page, and points of paper per pixel of it. */
export interface PdfPlace {
  readonly x: number;
  readonly y: number;
  readonly scale: number;
}

/** A line of a flat shape, mm, y down. */
export interface ShapeLine {
  readonly points: readonly (readonly [number, number])[];
  readonly as: 'edge' | 'fold' | 'slit';
}

const bytes = (dataUri: string): Buffer => Buffer.from(dataUri.slice(dataUri.indexOf(',') + 1), 'base64');
/** What the shipped faces have no sign for is written out. */
export const plain = (words: string): string =>
  words
    .replaceAll('→', '>')
    .replaceAll('Ψ', 'psi')
    .replaceAll('Δ', 'd')
    .replaceAll('\u2009', ' ')
    .replaceAll('\u202f', ' ')
    .replaceAll('″', '"')
    .replaceAll('′', "'")
    .replaceAll('\u2044', '/');

export class PdfPage {
  readonly doc: PDFKit.PDFDocument;
  readonly #parts: Buffer[] = [];
  readonly #ended: Promise<void>;

  constructor(info: { title: string; author: string; at: Date }) {
    this.doc = new PDFDocument({
      size: 'A4',
      margins: { top: MARGIN, left: MARGIN, right: MARGIN, bottom: MARGIN + 22 },
      bufferPages: true,
      info: { Title: info.title, Author: info.author, CreationDate: info.at },
    });
    this.doc
      .registerFont('regular', bytes(regular))
      .registerFont('bold', bytes(bold))
      .registerFont('mono', bytes(mono));
    this.doc.on('data', (part: Buffer) => this.#parts.push(part));
    this.#ended = new Promise((resolve) => this.doc.on('end', () => resolve()));
  }

  async end(): Promise<Buffer> {
    this.doc.end();
    await this.#ended;
    return Buffer.concat(this.#parts);
  }

  get width(): number {
    return this.doc.page.width - 2 * MARGIN;
  }

  title(words: string): void {
    const doc = this.doc;
    if (doc.y > doc.page.height - 120) doc.addPage();
    doc.moveDown(0.8);
    doc.font('bold').fontSize(12).fillColor(INK).text(plain(words), MARGIN, doc.y, { width: this.width });
    doc.moveDown(0.2);
  }

  text(words: string, o: { colour?: string; size?: number; font?: string } = {}): void {
    if (words === '') return;
    this.doc
      .font(o.font ?? 'regular')
      .fontSize(o.size ?? 9.5)
      .fillColor(o.colour ?? INK)
      .text(plain(words), MARGIN, this.doc.y, { width: this.width });
  }

  /** In a column of the page, with the face that is set. */
  textIn(words: string, { x, wide, colour = INK }: { x: number; wide: number; colour?: string }): void {
    this.doc.fillColor(colour).text(plain(words), x, this.doc.y, { width: wide });
    this.doc.x = MARGIN;
  }

  rule(): void {
    const { doc } = this;
    doc
      .moveTo(MARGIN, doc.y)
      .lineTo(MARGIN + this.width, doc.y)
      .lineWidth(0.4)
      .stroke(LINE);
    doc.y += 4;
  }

  /** Rows with their columns at shares of the width; a verdict is drawn before the first, and colours the cell that says it. */
  rows(rows: readonly PdfRow[], shares: readonly number[]): void {
    const doc = this.doc;
    const indent = rows.some((row) => row.verdict) ? 16 : 0;
    const usable = this.width - indent;
    for (const { verdict, cells } of rows) {
      doc.font('regular').fontSize(9.5);
      const widths = cells.map((_, i) => usable * (shares[i] ?? 0) - 8);
      const height = Math.max(
        ...cells.map((cell, i) => doc.heightOfString(plain(cell), { width: widths[i] ?? 50 })),
      );
      if (doc.y + height > doc.page.height - doc.page.margins.bottom) doc.addPage();
      const y = doc.y;
      if (verdict) this.mark(verdict, MARGIN + 5, y + 5.5);
      let x = MARGIN + indent;
      cells.forEach((cell, i) => {
        doc
          .font(i === 0 ? 'bold' : 'regular')
          .fillColor(verdict && cell === verdictTexts[verdict] ? COLOURS[verdict] : INK)
          .text(plain(cell), x, y, { width: widths[i] ?? 50 });
        x += usable * (shares[i] ?? 0);
      });
      doc.y = y + height + 3;
      doc.x = MARGIN;
    }
  }

  /** By shape as well as colour: disc, half disc, triangle, open ring. */
  mark(verdict: Verdict, x: number, y: number): void {
    const doc = this.doc;
    const colour = COLOURS[verdict];
    if (verdict === 'holds') doc.circle(x, y, 4).fill(colour);
    else if (verdict === 'fails') doc.polygon([x, y - 4.5], [x + 4.5, y + 4], [x - 4.5, y + 4]).fill(colour);
    else {
      doc.circle(x, y, 3.6).lineWidth(1.2).stroke(colour);
      if (verdict === 'watch') doc.path(`M${x} ${y - 3.6} A3.6 3.6 0 0 1 ${x} ${y + 3.6} Z`).fill(colour);
    }
  }

  drawing(drawing: Drawing, o: PdfPlace): void {
    const doc = this.doc;
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
        if (item.stroke === 'hidden') doc.dash(4, { space: 3 });
        doc
          .lineWidth((item.fill ? (item.width ?? 2) : 0.8) * o.scale)
          .stroke(item.fill ? lineColour(item.fill) : INK)
          .undash();
      } else if (item.kind === 'text') {
        const [x, y] = place(item.at);
        const size = item.size * o.scale;
        doc.font('mono').fontSize(size).fillColor(INK);
        const words = plain(item.text);
        doc.save();
        if (item.turned) doc.rotate(-90, { origin: [x, y] });
        doc.text(words, x - doc.widthOfString(words) / 2, y - size / 2, { lineBreak: false });
        doc.restore();
      }
    }
  }

  /** Lines of a flat shape within a box; folds dashed, slits thick. @returns how high it became */
  shape(
    { size, lines }: { size: readonly [number, number]; lines: readonly ShapeLine[] },
    box: { x: number; y: number; wide: number; high: number },
  ): number {
    const doc = this.doc;
    const scale = Math.min(box.wide / Math.max(1, size[0]), box.high / Math.max(1, size[1]));
    for (const { points, as } of lines) {
      points.forEach(([x, y], i) => {
        const at = [box.x + x * scale, box.y + y * scale] as const;
        if (i === 0) doc.moveTo(...at);
        else doc.lineTo(...at);
      });
      if (as === 'fold') doc.dash(4, { space: 3 });
      doc.lineWidth(as === 'slit' ? 1.4 : 0.6).stroke(as === 'slit' ? COLOURS.fails : INK);
      doc.undash();
    }
    return size[1] * scale;
  }

  /** Begins a page where less than this is left. */
  room(high: number): void {
    if (this.doc.y + high > this.doc.page.height - this.doc.page.margins.bottom) this.doc.addPage();
  }

  /** On every page so far. */
  footers(words: string, mark: string): void {
    const doc = this.doc;
    const { count } = doc.bufferedPageRange();
    for (let i = 0; i < count; i++) {
      doc.switchToPage(i);
      // Below the margin nothing may start another page.
      doc.page.margins.bottom = 0;
      const y = doc.page.height - MARGIN - 8;
      doc
        .moveTo(MARGIN, y - 4)
        .lineTo(MARGIN + this.width, y - 4)
        .lineWidth(0.5)
        .stroke(LINE);
      doc.font('regular').fontSize(7.5).fillColor(SOFT);
      doc.text(plain(words), MARGIN, y, {
        width: this.width - 60,
        lineBreak: true,
        height: 20,
      });
      doc.text(`${mark} · ${i + 1}/${count}`, MARGIN, y, {
        width: this.width,
        align: 'right',
        lineBreak: false,
      });
    }
  }
}
