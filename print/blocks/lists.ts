import { HAIR, INK, type Flow, type Look } from '../flow';
import type { BlockPrinter } from './block';

/** Of what may go on on the next page: its beginning. */
const BEGINNING = 44;

export const list: BlockPrinter<'list'> = {
  height: () => BEGINNING,
  print: (flow, { items, marks }) => {
    const { document } = flow;
    const whole = flow.element('L');
    for (const [index, item] of items.entries()) {
      flow.makeRoom(flow.heightOf(item, 'body', flow.width - 18 * flow.scale));
      const at = { x: flow.left + 2, y: flow.y };
      const element = flow.element('LI', whole);
      flow.tagged(
        'LBody',
        () =>
          flow.write(marks === 'numbers' ? `${index + 1}. ${item}` : item, 'body', {
            x: flow.left + 18 * flow.scale,
            width: flow.width - 18 * flow.scale,
            after: 3,
          }),
        { under: element },
      );
      element.end();
      flow.artifact(() => {
        if (marks === 'boxes')
          document
            .rect(at.x, at.y + 1.5 * flow.scale, 8.5 * flow.scale, 8.5 * flow.scale)
            .lineWidth(0.9)
            .stroke(INK);
        else if (marks === 'dots')
          document.circle(at.x + 4 * flow.scale, at.y + 6 * flow.scale, 1.7 * flow.scale).fill(INK);
      });
    }
    whole.end();
    flow.y += 4;
  },
};

const LOWEST_ROW = 15;

/** What a row takes with the line under it. */
const rowHeight = (flow: Flow, cells: readonly string[], look: Look, widths: readonly number[]): number =>
  Math.max(LOWEST_ROW, ...cells.map((cell, index) => flow.heightOf(cell, look, widths[index]! - 8))) + 3;

export const table: BlockPrinter<'table'> = {
  // Its head stays with its first row.
  height: (flow, { head, rows }) => {
    const widths = columnWidths(head, rows, flow.width);
    return rowHeight(flow, head, 'note', widths) + rowHeight(flow, rows[0] ?? [], 'body', widths) + 8;
  },
  print: (flow, { head, rows }) => {
    const widths = columnWidths(head, rows, flow.width);
    const whole = flow.element('Table');
    const row = (cells: readonly string[], look: Look, type: 'TH' | 'TD'): void => {
      const height = rowHeight(flow, cells, look, widths) - 3;
      flow.makeRoom(height + 3);
      const top = flow.y;
      const element = flow.element('TR', whole);
      let x = flow.left;
      for (const [index, cell] of cells.entries()) {
        const at = { x: x + (index === 0 ? 0 : 4), width: widths[index]! - 8, after: 0 };
        flow.tagged(
          type,
          () => {
            flow.y = top + 2.5;
            if (cell !== '') flow.write(cell, look, at);
          },
          { under: element },
        );
        x += widths[index]!;
      }
      element.end();
      flow.y = top + height + 2;
      flow.line(HAIR, 0.5);
      flow.y += 1;
    };
    row(head, 'note', 'TH');
    for (const cells of rows) row(cells, 'body', 'TD');
    whole.end();
    flow.y += 7;
  },
};

/** Longest cell that makes its column wider, in characters. */
const LONGEST = 44;

/** Widths of a table's columns, by the longest of what stands in each; none below half of an equal share. */
function columnWidths(
  head: readonly string[],
  rows: readonly (readonly string[])[],
  whole: number,
): readonly number[] {
  const longest = head.map((cell, index) =>
    Math.max(cell.length, 8, ...rows.map((row) => Math.min(LONGEST, row[index]?.length ?? 0))),
  );
  const sum = longest.reduce((total, length) => total + length, 0);
  const shares = longest.map((length) => Math.max(1 / (2 * head.length), length / sum));
  const all = shares.reduce((total, share) => total + share, 0);
  return shares.map((share) => (share / all) * whole);
}
