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
  /** Lines that are asked about in the colour of the screen; in ink without. */
  readonly coloured?: boolean;
}

const ASKED = '#8a3510';
const WATER = '#0f6a8b';

/** A line of a flat shape, mm, y down. */
export interface ShapeLine {
  readonly points: readonly (readonly [number, number])[];
  readonly as: 'edge' | 'fold' | 'slit';
}

const bytes = (dataUri: string): Buffer => Buffer.from(dataUri.slice(dataUri.indexOf(',') + 1), 'base64');
/** What the shipped faces have no sign for is written out. */
export const plain = (words: string): string =>
  words
    .replaceAll('≤', 'at most')
    .replaceAll('≥', 'at least')
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

  /** The tree of what the page says, for those who have it read to them; `null` where a paper has none. */
  readonly #tree: PDFKit.PDFStructureElement | null;

  constructor(info: {
    title: string;
    author: string;
    at: Date;
    tagged?: boolean;
    /** Takes the paper as it grows, where it is not to be held whole. */
    sink?: (part: Buffer) => void;
  }) {
    this.doc = new PDFDocument({
      size: 'A4',
      ...(info.tagged && { tagged: true, lang: 'en', displayTitle: true, pdfVersion: '1.7' as const }),
      margins: { top: MARGIN, left: MARGIN, right: MARGIN, bottom: MARGIN + 22 },
      bufferPages: true,
      info: { Title: info.title, Author: info.author, CreationDate: info.at },
    });
    this.doc
      .registerFont('regular', bytes(regular))
      .registerFont('bold', bytes(bold))
      .registerFont('mono', bytes(mono));
    this.#tree = info.tagged ? this.doc.struct('Document') : null;
    if (this.#tree) this.doc.addStructure(this.#tree);
    this.doc.on('data', info.sink ?? ((part: Buffer) => this.#parts.push(part)));
    this.#ended = new Promise((resolve) => this.doc.on('end', () => resolve()));
  }

  /** What is drawn as a part of what the page says. */
  #as(kind: string, draw: () => void, alt?: string): void {
    if (!this.#tree) return draw();
    const content = this.doc.markStructureContent(kind);
    draw();
    this.doc.endMarkedContent();
    this.#tree.add(this.doc.struct(kind, alt === undefined ? {} : { alt }, [content]));
  }

  /** What is there for the eye only. */
  #beside(draw: () => void): void {
    if (!this.#tree) return draw();
    this.doc.markContent('Artifact', { type: 'Layout' });
    draw();
    this.doc.endMarkedContent();
  }

  /** Begins a chapter that can be jumped to, and stands in the outline. */
  chapter(words: string, anchor: string): PDFKit.PDFOutline {
    const outline = this.doc.outline.addItem(words);
    this.doc.addNamedDestination(anchor);
    this.text(words, { font: 'bold', size: 16, as: 'H1' });
    return outline;
  }

  /** A line that leads to a chapter. */
  link(words: string, anchor: string): void {
    const { doc } = this;
    if (doc.y > doc.page.height - doc.page.margins.bottom - 16) doc.addPage();
    this.#as('P', () =>
      doc
        .font('regular')
        .fontSize(10)
        .fillColor(INK)
        .text(plain(words), MARGIN, doc.y, { width: this.width, goTo: anchor, underline: true }),
    );
  }

  figure(alt: string, draw: () => void): void {
    this.#as('Figure', draw, plain(alt));
  }

  /** A picture with what it shows for those who cannot see it; one that cannot be read is left out. */
  picture(bytes: Buffer, alt: string, high: number): void {
    this.room(high + 8);
    const { y } = this.doc;
    try {
      this.figure(alt, () => void this.doc.image(bytes, MARGIN, y, { fit: [this.width, high] }));
      this.doc.y = y + high + 8;
    } catch {
      this.doc.y = y;
    }
  }

  async end(): Promise<Buffer> {
    this.#tree?.end();
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
    this.#as('H2', () => {
      doc.font('bold').fontSize(12).fillColor(INK).text(plain(words), MARGIN, doc.y, { width: this.width });
    });
    doc.moveDown(0.2);
  }

  text(words: string, o: { colour?: string; size?: number; font?: string; as?: string } = {}): void {
    if (words === '') return;
    this.#as(o.as ?? 'P', () =>
      this.doc
        .font(o.font ?? 'regular')
        .fontSize(o.size ?? 9.5)
        .fillColor(o.colour ?? INK)
        .text(plain(words), MARGIN, this.doc.y, { width: this.width }),
    );
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
        ...cells.map((cell, i) =>
          doc.font(i === 0 ? 'bold' : 'regular').heightOfString(plain(cell), { width: widths[i] ?? 50 }),
        ),
      );
      if (doc.y + height > doc.page.height - doc.page.margins.bottom) doc.addPage();
      const y = doc.y;
      if (verdict) this.#beside(() => this.mark(verdict, MARGIN + 5, y + 5.5));
      let x = MARGIN + indent;
      this.#as('P', () =>
        cells.forEach((cell, i) => {
          doc
            .font(i === 0 ? 'bold' : 'regular')
            .fillColor(verdict && cell === verdictTexts[verdict] ? COLOURS[verdict] : INK)
            .text(plain(cell), x, y, { width: widths[i] ?? 50 });
          x += usable * (shares[i] ?? 0);
        }),
      );
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
          .stroke(
            item.fill
              ? lineColour(item.fill)
              : o.coloured && (item.stroke === 'new' || item.stroke === 'measure')
                ? ASKED
                : INK,
          )
          .undash();
      } else if (item.kind === 'mark') {
        const [x, y] = place(item.at);
        if (o.coloured) doc.circle(x, y, 4 * o.scale).fill(item.tone === 'water' ? WATER : INK);
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

  /** Across every page so far, pale, and no part of what is read out. */
  watermark(words: string): void {
    const doc = this.doc;
    const { count } = doc.bufferedPageRange();
    for (let i = 0; i < count; i++) {
      doc.switchToPage(i);
      doc.page.margins.bottom = 0;
      if (this.#tree) doc.markContent('Artifact', { type: 'Page' });
      const middle: [number, number] = [doc.page.width / 2, doc.page.height / 2];
      doc.save().rotate(-55, { origin: middle }).fillOpacity(0.1);
      doc
        .font('bold')
        .fontSize(30)
        .fillColor('#000')
        .text(plain(words), middle[0] - 380, middle[1] - 15, {
          width: 760,
          align: 'center',
          lineBreak: false,
        });
      doc.restore().fillOpacity(1);
      if (this.#tree) doc.endMarkedContent();
    }
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
      if (this.#tree) doc.markContent('Artifact', { type: 'Pagination' });
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
      if (this.#tree) doc.endMarkedContent();
    }
  }
}
