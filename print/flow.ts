import type { Paper } from '@/core/handout/papers';
import { runsOf, type Face } from './fonts';
import type { Sheet } from './sheet';

const MARGIN = 48;
const GUTTER = 22;
/** Room under the text for the foot of a page. */
const FOOT = 22;
export const INK = '#1b2831';
export const SOFT = '#4f5c63';
export const HAIR = '#9aa39f';

/** Points of each sort of text, and of the space behind it. */
const LOOKS = {
  title: { face: 'title', size: 24, after: 2 },
  subtitle: { face: 'text', size: 10, after: 14 },
  section: { face: 'title', size: 14.5, after: 5 },
  lead: { face: 'text', size: 13, after: 7 },
  body: { face: 'text', size: 10.5, after: 5 },
  strong: { face: 'strong', size: 10.5, after: 3 },
  note: { face: 'text', size: 9, after: 5 },
  code: { face: 'mono', size: 8.8, after: 0 },
} as const satisfies Readonly<Record<string, { face: Face; size: number; after: number }>>;
export type Look = keyof typeof LOOKS;

/** Points between two lines of a text, beside its size. */
const LEADING = 1.5;

export interface PageOptions {
  readonly paper: Paper;
  readonly columns: 1 | 2;
}

/** How a document is laid out: columns, and how many times larger than on paper everything is. */
export interface PageLook {
  readonly columns: 1 | 2;
  readonly scale: number;
}

interface WriteOptions {
  readonly x?: number;
  readonly width?: number;
  readonly colour?: string;
  /** Points behind it, where they are others than usual. */
  readonly after?: number;
}

/** Where a document is being written: its pages and columns, one under and behind the other, with a cursor. */
export class Flow {
  private column = 0;
  /** Where the columns of this page begin, under what goes over its whole width. */
  private top = MARGIN;
  private readonly root: PDFKit.PDFStructureElement;

  constructor(
    readonly document: Sheet,
    private readonly look: PageLook,
  ) {
    this.root = document.struct('Document');
    document.addStructure(this.root);
  }

  end(): void {
    this.root.end();
  }

  /** Where what is written next stands: the left edge of the column, and how far down. */
  get left(): number {
    return MARGIN + this.column * (this.width + GUTTER);
  }

  get y(): number {
    return this.document.y;
  }

  set y(points: number) {
    this.document.y = points;
  }

  /** Of the column. */
  get width(): number {
    return this.look.columns === 1 ? this.wholeWidth : (this.wholeWidth - GUTTER) / 2;
  }

  /** How many times larger than on paper everything is. */
  get scale(): number {
    return this.look.scale;
  }

  /** Points under the cursor that are left on this page. */
  get room(): number {
    return this.bottom - this.y;
  }

  /** Of a page, between its margins. */
  get wholeHeight(): number {
    return this.bottom - MARGIN;
  }

  get wholeWidth(): number {
    return this.document.page.width - 2 * MARGIN;
  }

  get hasOneColumn(): boolean {
    return this.look.columns === 1;
  }

  get pageCount(): number {
    return this.document.bufferedPageRange().count;
  }

  private get bottom(): number {
    return this.document.page.height - MARGIN - FOOT;
  }

  newPage(): void {
    this.document.addPage();
    this.toTop();
  }

  /** Goes on at the top of a page that has been begun before. */
  toPage(page: number): void {
    this.document.switchToPage(page);
    this.toTop();
  }

  private toTop(): void {
    this.column = 0;
    this.top = MARGIN;
    this.document.x = MARGIN;
    this.document.y = MARGIN;
  }

  /** What has been written goes over the whole page: its columns begin here. */
  beginColumns(): void {
    this.top = this.y;
  }

  private get isAtTop(): boolean {
    return this.y <= this.top + 1;
  }

  /** Leaves space, unless it would stand at the top of a column. */
  space(points: number): void {
    if (!this.isAtTop) this.y += points * this.scale;
  }

  /** Goes on in the next column or on the next page when there is no room of that height; never from an empty one. */
  makeRoom(height: number): void {
    if (this.y + height <= this.bottom || this.isAtTop) return;
    if (this.column + 1 < this.look.columns) {
      this.column += 1;
      this.y = this.top;
    } else this.newPage();
  }

  /** An element of the structure that is read out, under the document or under another element. */
  element(type: string, under: PDFKit.PDFStructureElement = this.root): PDFKit.PDFStructureElement {
    const element = this.document.struct(type as 'P');
    under.add(element);
    return element;
  }

  /** What is drawn is read out as an element of that sort; `alt`: in these words. */
  tagged(type: string, draw: () => void, { alt, under = this.root }: Tagged = {}): void {
    under.add(this.document.struct(type as 'P', alt === undefined ? {} : { alt }, draw));
  }

  /** Draws what says nothing to who has the page read out. */
  artifact(draw: () => void): void {
    this.document.markContent('Artifact', { type: 'Layout' } as never);
    draw();
    this.document.endMarkedContent();
  }

  /** Writes a text at the cursor, in as many fonts as its signs need, and goes behind it. */
  write(text: string, look: Look, options: WriteOptions = {}): void {
    const {
      x = this.left,
      width = this.width,
      colour = INK,
      after = LOOKS[look].after * this.scale,
    } = options;
    const { document } = this;
    const { face, size } = LOOKS[look];
    const runs = runsOf(text, face);
    document.fontSize(size * this.scale).fillColor(colour);
    for (const [index, { text: run, font }] of runs.entries()) {
      const how = { width, continued: index < runs.length - 1, lineGap: LEADING };
      document.font(font);
      if (index === 0) document.text(run, x, document.y, how);
      else document.text(run, how);
    }
    this.y += after;
  }

  /** A paragraph. */
  paragraph(text: string, look: Look, options: WriteOptions = {}): void {
    this.tagged('P', () => this.write(text, look, options));
  }

  /** What a text takes with the space behind it, in a column or in less; a line more or less where its signs are odd. */
  heightOf(text: string, look: Look, width = this.width): number {
    const { face, size, after } = LOOKS[look];
    this.document.fontSize(size * this.scale).font(runsOf('x', face)[0]!.font);
    // Signs of other fonts are about as wide as an m.
    const plain = text.replace(/[^\u0020-\u017f]/g, 'm');
    return this.document.heightOfString(plain, { width, lineGap: LEADING }) + after * this.scale;
  }

  /** What so many lines of a text take, without the space behind them. */
  heightOfLines(lines: number, look: Look): number {
    return lines * (this.heightOf('x', look) - LOOKS[look].after * this.scale);
  }

  /** A line over the column, at the cursor. */
  line(colour: string, thickness: number): void {
    this.artifact(() =>
      this.document
        .moveTo(this.left, this.y)
        .lineTo(this.left + this.width, this.y)
        .lineWidth(thickness)
        .stroke(colour),
    );
  }

  /** Writes the foot of a page: what it belongs to at the left, which it is at the right. */
  foot(left: string, right: string): void {
    const { document } = this;
    const y = document.page.height - MARGIN - 8;
    this.artifact(() => {
      document.font(runsOf('x', 'text')[0]!.font).fontSize(8.5).fillColor(SOFT);
      const options = { width: this.wholeWidth, lineBreak: false } as const;
      document.text(left, MARGIN, y, options);
      document.text(right, MARGIN, y, { ...options, align: 'right' });
    });
  }

  /** Writes a figure at the right edge of the page, beside what stands at this height. */
  atRight(text: string, y: number): void {
    const { document } = this;
    document.font(runsOf('1', 'mono')[0]!.font).fontSize(LOOKS.lead.size).fillColor(INK);
    document.text(text, MARGIN, y, { width: this.wholeWidth, align: 'right' });
  }

  /** The margins that a page has. */
  static get margins(): {
    readonly top: number;
    readonly bottom: number;
    readonly left: number;
    readonly right: number;
  } {
    return { top: MARGIN, bottom: 0, left: MARGIN, right: MARGIN };
  }
}

interface Tagged {
  readonly alt?: string;
  readonly under?: PDFKit.PDFStructureElement;
}
