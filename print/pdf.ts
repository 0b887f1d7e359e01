import PDFDocument from 'pdfkit';
import type { Handout } from '@/core/handout/document';
import { PAGE_SIZES } from '@/core/handout/papers';
import { heightOf, printBlock } from './blocks';
import { register } from './fonts';
import { Flow, INK, SOFT, type PageLook, type PageOptions } from './flow';

/** Letters for the last row: at 1280 × 800 none is smaller than 28 px. */
const WALL_SCALE = 2.4;

export interface PrintOptions extends PageOptions {
  /** Called when a handout of several has been written. */
  readonly onProgress?: (done: number) => void;
}

/**
 * Handouts as one PDF: text that can be selected, headings and lists that are tagged, a list of contents where there are
 * several. A step stays with its picture. Rejects when the document cannot be written.
 */
export async function pdfOf(handouts: readonly Handout[], options: PrintOptions): Promise<Buffer> {
  const isForWall = handouts.some(({ form }) => form === 'projector');
  const look: PageLook = isForWall
    ? { columns: 1, scale: WALL_SCALE }
    : { columns: options.columns, scale: 1 };
  const document = new PDFDocument({
    size: [...PAGE_SIZES[isForWall ? 'screen' : options.paper]],
    margins: Flow.margins,
    bufferPages: true,
    tagged: true,
    lang: 'en',
    displayTitle: true,
    pdfVersion: '1.7',
    info: {
      Title: handouts.length === 1 ? handouts[0]!.title : 'Handouts',
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
  printAll(new Flow(document, look), handouts, options);
  document.end();
  return written;
}

function printAll(flow: Flow, handouts: readonly Handout[], { onProgress }: PrintOptions): void {
  const hasContents = handouts.length > 1;
  if (hasContents) flow.newPage();
  /** Pages on which the handouts begin, counted from 1. */
  const starts: number[] = [];
  for (const [index, handout] of handouts.entries()) {
    flow.newPage();
    starts.push(flow.pageCount);
    print(flow, handout);
    onProgress?.(index + 1);
  }
  if (hasContents) contents(flow, handouts, starts);
  for (let page = 0; page < flow.pageCount; page += 1) {
    flow.toPage(page);
    const own = starts.findLastIndex((start) => start <= page + 1);
    if (flow.scale === 1) flow.foot(handouts[own]?.title ?? '', `${page + 1} of ${flow.pageCount}`);
  }
  flow.end();
}

/** Room that a heading takes with the space about it, and most of what stands under it that stays with it. */
const [HEADING, WITH_HEADING] = [58, 320];

function print(flow: Flow, { title, subtitle, sections, photos }: Handout): void {
  flow.document.outline.addItem(title);
  flow.tagged('H1', () => flow.write(title, 'title', { width: flow.wholeWidth }));
  flow.paragraph(subtitle, 'subtitle', { width: flow.wholeWidth, colour: SOFT });
  flow.beginColumns();
  for (const [index, { title: heading, blocks }] of sections.entries()) {
    const [first] = blocks;
    // On a wall each section begins by itself.
    if (flow.scale > 1 && index > 0) flow.newPage();
    flow.makeRoom(HEADING + (first ? Math.min(heightOf(flow, first, photos), WITH_HEADING) : 0));
    flow.space(9);
    flow.line(INK, 0.8);
    flow.y += 6;
    flow.tagged('H2', () => flow.write(heading, 'section'));
    for (const block of blocks) printBlock(flow, block, photos);
  }
}

/** What is in it, on the page that was kept for that. */
function contents(flow: Flow, handouts: readonly Handout[], starts: readonly number[]): void {
  flow.toPage(0);
  flow.tagged('H1', () => flow.write('Contents', 'title', { width: flow.wholeWidth, after: 12 }));
  for (const [index, { title }] of handouts.entries())
    flow.tagged('P', () => {
      const top = flow.y;
      flow.write(title, 'lead', { width: flow.wholeWidth - 40 });
      const end = flow.y;
      flow.atRight(String(starts[index]), top);
      flow.y = end;
    });
}
