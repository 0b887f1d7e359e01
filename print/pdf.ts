import PDFDocument from 'pdfkit';
import QRCode from 'qrcode';
import type { Block, CaptionedFigure, Figure, Handout } from '@/core/handout/document';
import type { Paper } from '@/core/handout/papers';
import { drawOn, sizeOf } from './drawing';
import { register, runsOf, type Face } from './fonts';
import type { Sheet } from './sheet';

export interface PrintOptions {
  readonly paper: Paper;
  readonly columns: 1 | 2;
  /** Called when a handout of several has been written. */
  readonly onProgress?: (done: number) => void;
}

const MARGIN = 48;
const GUTTER = 22;
/** Room under the text for the foot of a page. */
const FOOT = 22;
const INK = '#1b2831';
const SOFT = '#4f5c63';
const HAIR = '#9aa39f';

/** Points of each sort of text, and of the space behind it. */
const LOOKS: Readonly<
  Record<string, { readonly face: Face; readonly size: number; readonly after: number }>
> = {
  title: { face: 'title', size: 24, after: 2 },
  subtitle: { face: 'text', size: 10, after: 14 },
  section: { face: 'title', size: 14.5, after: 5 },
  lead: { face: 'text', size: 13, after: 7 },
  body: { face: 'text', size: 10.5, after: 5 },
  strong: { face: 'strong', size: 10.5, after: 3 },
  note: { face: 'text', size: 9, after: 5 },
  code: { face: 'mono', size: 8.8, after: 0 },
};
type Look = keyof typeof LOOKS;

/**
 * Handouts as one PDF: text that can be selected, headings and lists that are tagged, a list of contents where there are
 * several. A step stays with its picture. Rejects when the document cannot be written.
 */
export async function pdfOf(handouts: readonly Handout[], options: PrintOptions): Promise<Buffer> {
  const [first] = handouts;
  const document = new PDFDocument({
    size: options.paper === 'A4' ? 'A4' : 'LETTER',
    margins: { top: MARGIN, bottom: 0, left: MARGIN, right: MARGIN },
    bufferPages: true,
    tagged: true,
    lang: 'en',
    displayTitle: true,
    pdfVersion: '1.7',
    info: {
      Title: handouts.length === 1 ? first!.title : 'Handouts',
      Producer: 'Didaktor',
      Creator: 'Didaktor',
    },
    // Every text says its own font; one that is given here would be opened again for each of them.
    font: null as never,
    autoFirstPage: false,
  });
  const chunks: Buffer[] = [];
  const written = new Promise<Buffer>((resolve, reject) => {
    document.on('data', (chunk: Buffer) => chunks.push(chunk));
    document.on('end', () => resolve(Buffer.concat(chunks)));
    document.on('error', reject);
  });
  register(document);
  const printer = new Printer(document, options);
  await printer.printAll(handouts);
  document.end();
  return written;
}

class Printer {
  private column = 0;
  /** Where the columns of this page begin, under what goes over its whole width. */
  private top = MARGIN;
  private readonly root: PDFKit.PDFStructureElement;

  constructor(
    private readonly document: Sheet,
    private readonly options: PrintOptions,
  ) {
    this.root = document.struct('Document');
    document.addStructure(this.root);
  }

  async printAll(handouts: readonly Handout[]): Promise<void> {
    const starts: number[] = [];
    const hasContents = handouts.length > 1;
    if (hasContents) this.newPage();
    for (const [index, handout] of handouts.entries()) {
      this.newPage();
      starts.push(this.document.bufferedPageRange().count);
      await this.print(handout);
      this.options.onProgress?.(index + 1);
    }
    if (hasContents) this.contents(handouts, starts);
    this.foots(handouts, starts);
    this.root.end();
  }

  private get width(): number {
    const whole = this.document.page.width - 2 * MARGIN;
    return this.options.columns === 1 ? whole : (whole - GUTTER) / 2;
  }

  private get left(): number {
    return MARGIN + this.column * (this.width + GUTTER);
  }

  private get bottom(): number {
    return this.document.page.height - MARGIN - FOOT;
  }

  private newPage(): void {
    this.document.addPage();
    this.column = 0;
    this.top = MARGIN;
    this.document.x = MARGIN;
    this.document.y = MARGIN;
  }

  /** Goes on in the next column or on the next page when there is no room of that height; never from an empty one. */
  private makeRoom(height: number): void {
    if (this.document.y + height <= this.bottom || this.document.y <= this.top + 1) return;
    this.nextColumn();
  }

  private nextColumn(): void {
    if (this.column + 1 < this.options.columns) {
      this.column += 1;
      this.document.y = this.top;
    } else this.newPage();
  }

  private async print({ title, subtitle, sections }: Handout): Promise<void> {
    const { document } = this;
    document.outline.addItem(title);
    const whole = document.page.width - 2 * MARGIN;
    this.tagged('H1', () => this.write(title, 'title', { width: whole }));
    this.tagged('P', () => this.write(subtitle, 'subtitle', { width: whole, colour: SOFT }));
    this.top = document.y;
    for (const section of sections) {
      const [first] = section.blocks;
      // A heading stays with what it is the heading of.
      this.makeRoom(40 + (first ? Math.min(this.heightOf(first), 320) : 0));
      document.y += document.y > this.top + 1 ? 9 : 0;
      this.rule();
      this.tagged('H2', () => this.write(section.title, 'section'));
      for (const block of section.blocks) await this.block(block);
    }
  }

  private tagged(type: string, draw: () => void): void {
    this.root.add(this.document.struct(type as 'P', {}, draw));
  }

  private rule(): void {
    const { document } = this;
    this.artifact(() =>
      document
        .moveTo(this.left, document.y)
        .lineTo(this.left + this.width, document.y)
        .lineWidth(0.8)
        .stroke(INK),
    );
    document.y += 6;
  }

  /** Draws what says nothing to who has the page read out. */
  private artifact(draw: () => void): void {
    this.document.markContent('Artifact', { type: 'Layout' } as never);
    draw();
    this.document.endMarkedContent();
  }

  /** Writes a text at the cursor, in as many fonts as its signs need, and goes behind it. */
  private write(
    text: string,
    look: Look,
    { x = this.left, width = this.width, colour = INK, after }: WriteOptions = {},
  ): void {
    const { document } = this;
    const { face, size, after: usual } = LOOKS[look]!;
    const runs = runsOf(text, face);
    document.fontSize(size).fillColor(colour);
    for (const [index, { text: run, font }] of runs.entries()) {
      const isLast = index === runs.length - 1;
      document.font(font);
      if (index === 0) document.text(run, x, document.y, { width, continued: !isLast, lineGap: 1.5 });
      else document.text(run, { width, continued: !isLast, lineGap: 1.5 });
    }
    document.y += after ?? usual;
  }

  private heightOfText(text: string, look: Look, width = this.width): number {
    const { face, size, after } = LOOKS[look]!;
    // Signs of other fonts are nearly as wide; a line more for what that may come to.
    this.document.fontSize(size).font(runsOf('x', face)[0]!.font);
    return (
      this.document.heightOfString(text.replace(/[^\u0020-\u017f]/g, 'm'), { width, lineGap: 1.5 }) + after
    );
  }

  private heightOf(block: Block): number {
    switch (block.type) {
      case 'text':
        return this.heightOfText(block.text, lookOf(block));
      case 'caution':
        return this.heightOfText(block.text, 'strong', this.width - 14) + 8;
      case 'figure':
        return this.figureSize(block.figure, this.width).height + 24;
      case 'pair':
        return Math.max(...block.pair.map((one) => this.pairHeight(one))) + 8;
      case 'part':
        return Math.max(this.partTextHeight(block), block.figure ? PART_PICTURE * 0.8 : 0) + 6;
      case 'step':
        return this.stepHeight(block);
      case 'address':
        return QR_SIZE + 10;
      case 'lines':
        return block.count * LINE;
      default:
        // What may go on on the next page needs no more than its beginning.
        return 44;
    }
  }

  private async block(block: Block): Promise<void> {
    this.makeRoom(this.heightOf(block));
    switch (block.type) {
      case 'text':
        return this.tagged('P', () =>
          this.write(block.text, lookOf(block), block.look === 'note' ? { colour: SOFT } : {}),
        );
      case 'caution':
        return this.caution(block.text);
      case 'list':
        return this.list(block);
      case 'table':
        return this.table(block);
      case 'figure':
        return this.figure(block.figure, block.caption);
      case 'pair':
        return this.pair(block.pair);
      case 'part':
        return this.part(block);
      case 'step':
        return this.step(block);
      case 'program':
        return this.program(block);
      case 'lines':
        return this.lines(block.count);
      case 'address':
        return this.address(block);
    }
  }

  /** With a bar at its side and a word before it: no colour is needed to see it. */
  private caution(text: string): void {
    const { document } = this;
    const begin = document.y;
    this.tagged('P', () =>
      this.write(`Take care: ${text}`, 'strong', { x: this.left + 12, width: this.width - 12 }),
    );
    const end = document.y - 2;
    this.artifact(() => document.rect(this.left, begin - 1, 4, end - begin).fill(INK));
    document.y += 4;
  }

  private list({ items, marks }: Extract<Block, { type: 'list' }>): void {
    const { document } = this;
    const list = document.struct('L');
    this.root.add(list);
    for (const [index, item] of items.entries()) {
      this.makeRoom(this.heightOfText(item, 'body', this.width - 18));
      const at = { x: this.left + 2, y: document.y };
      const element = document.struct('LI');
      list.add(element);
      element.add(
        document.struct('LBody' as 'P', {}, () => {
          this.write(marks === 'numbers' ? `${index + 1}. ${item}` : item, 'body', {
            x: this.left + 18,
            width: this.width - 18,
            after: 3,
          });
        }),
      );
      element.end();
      this.artifact(() => {
        if (marks === 'boxes')
          document
            .rect(at.x, at.y + 1.5, 8.5, 8.5)
            .lineWidth(0.9)
            .stroke(INK);
        else if (marks === 'dots') document.circle(at.x + 4, at.y + 6, 1.7).fill(INK);
      });
    }
    list.end();
    document.y += 4;
  }

  private table({ head, rows }: Extract<Block, { type: 'table' }>): void {
    const { document } = this;
    const widths = this.columnWidths(head, rows);
    const table = document.struct('Table');
    this.root.add(table);
    const line = (cells: readonly string[], look: Look, type: 'TH' | 'TD'): void => {
      const height = Math.max(
        MINIMUM_ROW,
        ...cells.map((cell, index) => this.heightOfText(cell, look, widths[index]! - 8)),
      );
      this.makeRoom(height + 3);
      const [left, top] = [this.left, document.y];
      const element = document.struct('TR');
      table.add(element);
      let x = left;
      for (const [index, cell] of cells.entries()) {
        const at = x;
        element.add(
          document.struct(type, {}, () => {
            document.y = top + 2.5;
            if (cell !== '')
              this.write(cell, look, { x: at + (index === 0 ? 0 : 4), width: widths[index]! - 8, after: 0 });
          }),
        );
        x += widths[index]!;
      }
      element.end();
      document.y = top + height + 3;
      this.artifact(() =>
        document
          .moveTo(left, document.y - 1)
          .lineTo(left + this.width, document.y - 1)
          .lineWidth(0.5)
          .stroke(HAIR),
      );
    };
    line(head, 'note', 'TH');
    for (const row of rows) line(row, 'body', 'TD');
    table.end();
    document.y += 7;
  }

  /** Widths of a table's columns, by the longest of what stands in each, none below a fifth. */
  private columnWidths(head: readonly string[], rows: readonly (readonly string[])[]): readonly number[] {
    const longest = head.map((cell, index) =>
      Math.max(cell.length, 8, ...rows.map((row) => Math.min(44, row[index]?.length ?? 0))),
    );
    const sum = longest.reduce((total, length) => total + length, 0);
    const shares = longest.map((length) => Math.max(1 / (2 * head.length), length / sum));
    const whole = shares.reduce((total, share) => total + share, 0);
    return shares.map((share) => (share / whole) * this.width);
  }

  private figureSize(
    { drawing }: Figure,
    most: number,
    highest = 300,
    largest = LARGEST_SCALE,
  ): { width: number; height: number; scale: number } {
    const { width, height } = sizeOf(drawing);
    const scale = Math.min(most / width, highest / height, largest);
    return { width: width * scale, height: height * scale, scale };
  }

  private draw(figure: Figure, at: { readonly x: number; readonly y: number }, scale: number): void {
    const { document } = this;
    this.root.add(
      document.struct('Figure', { alt: `${figure.title}. ${figure.drawing.description}` }, () =>
        drawOn(document, figure.drawing, at, scale, figure.emphasis),
      ),
    );
  }

  private figure(figure: Figure, caption?: string): void {
    const { height, scale } = this.figureSize(figure, this.width);
    this.draw(figure, { x: this.left, y: this.document.y }, scale);
    this.document.y += height + 5;
    if (caption !== undefined) this.tagged('P', () => this.write(caption, 'note', { colour: SOFT }));
  }

  private pairHeight({ figure, caption }: CaptionedFigure): number {
    const half = (this.width - 16) / 2;
    return this.figureSize(figure, half, 190).height + this.heightOfText(caption, 'body', half) + 6;
  }

  private pair(pair: Extract<Block, { type: 'pair' }>['pair']): void {
    const { document } = this;
    const [begin, half, left] = [document.y, (this.width - 16) / 2, this.left];
    const ends = pair.map(({ figure, caption }, index) => {
      const x = left + index * (half + 16);
      const { height, width, scale } = this.figureSize(figure, half, 190);
      this.draw(figure, { x, y: begin }, scale);
      if (index === 1)
        // Crossed out, so that it is not built by who only looks at the pictures.
        this.artifact(() =>
          document
            .moveTo(x, begin)
            .lineTo(x + width, begin + height)
            .moveTo(x + width, begin)
            .lineTo(x, begin + height)
            .lineWidth(1.6)
            .stroke(INK),
        );
      document.y = begin + height + 5;
      this.tagged('P', () => this.write(caption, index === 1 ? 'strong' : 'body', { x, width: half }));
      return document.y;
    });
    document.y = Math.max(...ends) + 4;
  }

  private partTextHeight({ title, lines, figure }: Extract<Block, { type: 'part' }>): number {
    const width = this.width - (figure ? PART_PICTURE + 14 : 0);
    return [
      this.heightOfText(title, 'strong', width),
      ...lines.map((one) => this.heightOfText(one, 'body', width) - 3),
    ].reduce((sum, height) => sum + height, 0);
  }

  private part(block: Extract<Block, { type: 'part' }>): void {
    const { document } = this;
    const begin = document.y;
    const inset = block.figure ? PART_PICTURE + 14 : 0;
    if (block.figure) {
      const { scale } = this.figureSize(block.figure, PART_PICTURE, PART_PICTURE * 0.8, 1);
      this.draw(block.figure, { x: this.left, y: begin }, scale);
    }
    const text = { x: this.left + inset, width: this.width - inset };
    document.y = begin;
    this.tagged('P', () => this.write(block.title, 'strong', text));
    for (const one of block.lines) this.tagged('P', () => this.write(one, 'body', { ...text, after: 2 }));
    const pictured = block.figure
      ? begin + this.figureSize(block.figure, PART_PICTURE, PART_PICTURE * 0.8, 1).height
      : 0;
    document.y = Math.max(document.y, pictured) + 6;
  }

  private stepWidths(): { readonly text: number; readonly picture: number } {
    const picture = this.options.columns === 1 ? this.width * 0.46 : this.width;
    return { picture, text: this.options.columns === 1 ? this.width - picture - 16 : this.width };
  }

  private stepTextHeight({ number, text, checkpoint, cautions }: Extract<Block, { type: 'step' }>): number {
    const { text: width } = this.stepWidths();
    return (
      this.heightOfText(`${number}. ${text}`, 'strong', width) +
      cautions.reduce((sum, one) => sum + this.heightOfText(`Take care: ${one}`, 'body', width), 0) +
      this.heightOfText(`Look: ${checkpoint}`, 'body', width)
    );
  }

  private stepHeight(step: Extract<Block, { type: 'step' }>): number {
    const { height } = this.figureSize(step.figure, this.stepWidths().picture, STEP_PICTURE);
    const texts = this.stepTextHeight(step);
    return (this.options.columns === 1 ? Math.max(texts, height) : texts + height) + 12;
  }

  private step(step: Extract<Block, { type: 'step' }>): void {
    const { document } = this;
    const { number, text, checkpoint, cautions, figure } = step;
    const begin = document.y;
    const { text: width, picture } = this.stepWidths();
    this.tagged('P', () => this.write(`${number}. ${text}`, 'strong', { width }));
    for (const one of cautions) this.tagged('P', () => this.write(`Take care: ${one}`, 'body', { width }));
    this.tagged('P', () => this.write(`Look: ${checkpoint}`, 'body', { width, colour: SOFT }));
    const { height, scale } = this.figureSize(figure, picture, STEP_PICTURE);
    if (this.options.columns === 1) {
      const end = document.y;
      this.draw(figure, { x: this.left + width + 16, y: begin }, scale);
      document.y = Math.max(end, begin + height) + 4;
    } else {
      this.draw(figure, { x: this.left, y: document.y }, scale);
      document.y += height + 4;
    }
    this.artifact(() =>
      document
        .moveTo(this.left, document.y)
        .lineTo(this.left + this.width, document.y)
        .lineWidth(0.5)
        .stroke(HAIR),
    );
    document.y += 8;
  }

  private program({ lines }: Extract<Block, { type: 'program' }>): void {
    const { document } = this;
    const isExplained = lines.some(({ says }) => says !== undefined);
    const codeWidth = isExplained ? this.width * 0.5 : this.width - 24;
    for (const [index, { text, says }] of lines.entries()) {
      const height = Math.max(
        this.heightOfText(text === '' ? ' ' : text, 'code', codeWidth),
        says === undefined ? 0 : this.heightOfText(says, 'note', this.width - codeWidth - 34) - 3,
      );
      this.makeRoom(height + 2);
      const [left, top] = [this.left, document.y];
      this.artifact(() => this.write(String(index + 1), 'code', { x: left, width: 20, colour: SOFT }));
      document.y = top;
      this.tagged('Code', () =>
        this.write(
          text === '' ? ' ' : text.replace(/^ +/, (space) => '\u00a0'.repeat(space.length)),
          'code',
          { x: left + 24, width: codeWidth },
        ),
      );
      if (says !== undefined) {
        document.y = top;
        this.tagged('P', () =>
          this.write(says, 'note', {
            x: left + 34 + codeWidth,
            width: this.width - codeWidth - 34,
            colour: SOFT,
            after: 0,
          }),
        );
      }
      document.y = top + height + 2;
    }
    document.y += 6;
  }

  private lines(count: number): void {
    const { document } = this;
    this.artifact(() => {
      for (let index = 0; index < count; index += 1) {
        document.y += LINE;
        document
          .moveTo(this.left, document.y)
          .lineTo(this.left + this.width, document.y)
          .lineWidth(0.5)
          .stroke(HAIR);
      }
    });
    document.y += 10;
  }

  private async address({ address, says }: Extract<Block, { type: 'address' }>): Promise<void> {
    const { document } = this;
    const code = QRCode.create(address, { errorCorrectionLevel: 'M' });
    const { size, data } = code.modules;
    const [unit, begin, left] = [QR_SIZE / size, document.y, this.left];
    this.root.add(
      document.struct('Figure', { alt: `${says} ${address}` }, () => {
        for (let row = 0; row < size; row += 1)
          for (let column = 0; column < size; column += 1)
            if (data[row * size + column])
              document.rect(left + column * unit, begin + row * unit, unit, unit);
        document.fill(INK);
      }),
    );
    document.y = begin + 8;
    const text = { x: left + QR_SIZE + 14, width: this.width - QR_SIZE - 14 };
    this.tagged('P', () => this.write(says, 'strong', text));
    this.tagged('P', () => this.write(address, 'code', text));
    document.y = begin + QR_SIZE + 10;
  }

  /** What is in it, on the page that was kept for that. */
  private contents(handouts: readonly Handout[], starts: readonly number[]): void {
    const { document } = this;
    document.switchToPage(0);
    this.column = 0;
    document.y = MARGIN;
    const whole = document.page.width - 2 * MARGIN;
    this.tagged('H1', () => this.write('Contents', 'title', { width: whole, after: 12 }));
    for (const [index, { title }] of handouts.entries()) {
      const top = document.y;
      this.tagged('P', () => {
        this.write(title, 'lead', { width: whole - 40 });
        const end = document.y;
        document.y = top;
        document.font(runsOf('1', 'mono')[0]!.font).fontSize(13).fillColor(INK);
        document.text(String(starts[index]), MARGIN, top, { width: whole, align: 'right' });
        document.y = end;
      });
    }
  }

  /** The foot of every page: what it belongs to, and which it is. */
  private foots(handouts: readonly Handout[], starts: readonly number[]): void {
    const { document } = this;
    const { count } = document.bufferedPageRange();
    for (let page = 0; page < count; page += 1) {
      document.switchToPage(page);
      const own = starts.findLastIndex((start) => start <= page + 1);
      const y = document.page.height - MARGIN - 8;
      this.artifact(() => {
        document.font(runsOf('x', 'text')[0]!.font).fontSize(8.5).fillColor(SOFT);
        const options = { width: document.page.width - 2 * MARGIN, lineBreak: false } as const;
        document.text(own < 0 ? '' : handouts[own]!.title, MARGIN, y, options);
        document.text(`${page + 1} of ${count}`, MARGIN, y, { ...options, align: 'right' });
      });
    }
  }
}

interface WriteOptions {
  readonly x?: number;
  readonly width?: number;
  readonly colour?: string;
  /** Points behind it, where they are others than usual. */
  readonly after?: number;
}

/** Points that a picture of a part is wide and high, that of a step is high, and of a code. */
const [PART_PICTURE, STEP_PICTURE, QR_SIZE] = [84, 190, 84];
/** Points between two lines to write on. */
const LINE = 22;
const MINIMUM_ROW = 15;
/** Points to a unit of a drawing at most: larger ones show no more. */
const LARGEST_SCALE = 0.75;

const lookOf = ({ look }: Extract<Block, { type: 'text' }>): Look => look ?? 'body';
