import { columnsOf, type Column, type Rail } from '../breadboards';
import type { Wiring } from '../wiring/wiring';
import { HEADER, LEDGER, PITCH, type Geometry, type Sheet } from './geometry';
import type { Shape } from './list';

/** The board as a ledger of its pins. */
export function ledgerShapes(
  geometry: Geometry,
  wiring: Wiring,
  used: ReadonlySet<string>,
): readonly Shape[] {
  const board = wiring.board?.profile;
  if (!board) return [];
  const height = geometry.ledger.length * geometry.lineHeight;
  const shapes: Shape[] = [
    { type: 'rect', role: 'sheet', x: 1, y: HEADER, width: LEDGER - 2, height },
    { type: 'text', role: 'caption', x: 1, y: 14, text: board.short, anchor: 'start' },
  ];
  geometry.ledger.forEach((line, index) => {
    if (index > 0)
      shapes.push({
        type: 'path',
        role: 'rule',
        width: 1,
        path: `M1 ${line.y - geometry.lineHeight / 2} H${LEDGER - 1}`,
      });
    if (line.type === 'gap') {
      shapes.push({
        type: 'text',
        role: 'note',
        x: 12,
        y: line.y + 4,
        text: `${line.text} not shown`,
        anchor: 'start',
      });
      return;
    }
    const isUsed = used.has(line.name);
    shapes.push({
      type: 'text',
      role: isUsed ? 'pin-name-used' : 'pin-name',
      x: LEDGER - 16,
      y: line.y + 5,
      text: line.name,
      anchor: 'end',
    });
    if (line.note !== '')
      shapes.push({ type: 'text', role: 'note', x: 12, y: line.y + 4, text: line.note, anchor: 'start' });
    shapes.push({
      type: 'rect',
      role: isUsed ? 'socket-used' : 'socket',
      x: LEDGER - 10,
      y: line.y - 5,
      width: 10,
      height: 10,
    });
  });
  shapes.push({ type: 'rect', role: 'sheet-edge', x: 1, y: HEADER, width: LEDGER - 2, height });
  return shapes;
}

/** Every breadboard as a coordinate sheet: rails, strips, centre gap and column names. */
export const sheetShapes = (geometry: Geometry): readonly Shape[] =>
  geometry.sheets.flatMap((sheet) => oneSheet(geometry, sheet));

function oneSheet(geometry: Geometry, sheet: Sheet): readonly Shape[] {
  const { hasRightSide } = geometry.frame;
  const { x, y, width, height } = sheet;
  const shapes: Shape[] = [{ type: 'rect', role: 'sheet', x, y, width, height }];
  const troughEnd = hasRightSide ? geometry.columnX('f') - PITCH * 0.62 : x + width;
  const troughStart = geometry.columnX('e') + PITCH * 0.62;
  shapes.push({ type: 'rect', role: 'trough', x: troughStart, y, width: troughEnd - troughStart, height });
  for (const column of geometry.columnsOf(sheet))
    shapes.push({
      type: 'text',
      role: 'column-name',
      x: geometry.columnX(column),
      y: y - 10,
      text: columnLabel(column),
      anchor: 'middle',
    });
  const name = geometry.sheets.length > 1 ? `${sheet.ref}, ` : '';
  shapes.push({
    type: 'text',
    role: 'caption',
    x,
    y: y - 32,
    text: `${name}${sheet.model.title}, rows ${sheet.firstRow} to ${sheet.lastRow}`,
    anchor: 'start',
  });
  for (const rail of geometry.railsOf(sheet))
    for (const [from, to] of railStretches(sheet))
      shapes.push({
        type: 'path',
        role: rail.endsWith('+') ? 'rail-plus' : 'rail-minus',
        width: 1.6,
        dashed: rail.endsWith('+'),
        path: `M${geometry.columnX(rail)} ${geometry.rowY(from, sheet) - 7} V${geometry.rowY(to, sheet) + 7}`,
      });
  for (let row = sheet.firstRow; row <= sheet.lastRow; row += 1)
    for (const side of hasRightSide ? (['a', 'f'] as const) : (['a'] as const)) {
      const [first, last] = [columnsOf(side)[0]!, columnsOf(side).at(-1)!];
      const at = geometry.rowY(row, sheet);
      shapes.push({
        type: 'path',
        role: 'strip',
        width: 1.6,
        path: `M${geometry.columnX(first)} ${at} H${geometry.columnX(last)}`,
      });
    }
  shapes.push({ type: 'rect', role: 'sheet-edge', x, y, width, height });
  return shapes;
}

/** Rows over which a rail is one piece: a split one breaks at half its length. */
function railStretches({ model, firstRow, lastRow }: Sheet): readonly (readonly [number, number])[] {
  const half = Math.floor(model.rows / 2);
  if (!model.railsSplit || lastRow <= half || firstRow > half) return [[firstRow, lastRow]];
  return [
    [firstRow, half],
    [half + 1, lastRow],
  ];
}

/** Row numbers, drawn last, so that a lead which crosses them leaves them readable. */
export const rowNameShapes = (geometry: Geometry): readonly Shape[] =>
  geometry.sheets.flatMap((sheet) =>
    rowsOf(sheet).flatMap((row) =>
      geometry.rowNamesX.map((x): Shape => ({
        type: 'text',
        role: row % 5 === 0 ? 'row-name-fifth' : 'row-name',
        x,
        y: geometry.rowY(row, sheet) + 4.5,
        text: String(row),
        anchor: 'middle',
      })),
    ),
  );

const rowsOf = ({ firstRow, lastRow }: Sheet): readonly number[] =>
  Array.from({ length: lastRow - firstRow + 1 }, (_, index) => firstRow + index);

const columnLabel = (column: Column | Rail): string =>
  column.length === 1 ? column : column.endsWith('+') ? '+' : '−';

/** Every hole of the frame. */
export const holeShapes = (geometry: Geometry): readonly Shape[] =>
  geometry.sheets.flatMap((sheet) =>
    rowsOf(sheet).flatMap((row) =>
      geometry.columnsOf(sheet).map((column): Shape => ({
        type: 'circle',
        role: 'hole',
        x: geometry.columnX(column),
        y: geometry.rowY(row, sheet),
        radius: 3.1,
      })),
    ),
  );
