import { columnsOf, type Column, type Rail } from '../breadboards';
import type { Wiring } from '../wiring/wiring';
import { HEADER, LEDGER, PITCH, type Geometry } from './geometry';
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

/** The breadboard as a coordinate sheet: rails, strips, trough and column names. */
export function sheetShapes(geometry: Geometry): readonly Shape[] {
  const { sheet, frame } = geometry;
  if (!sheet) return [];
  const shapes: Shape[] = [{ type: 'rect', role: 'sheet', ...sheet }];
  const troughEnd = frame.hasRightSide ? geometry.columnX('f') - PITCH * 0.62 : sheet.x + sheet.width;
  const troughStart = geometry.columnX('e') + PITCH * 0.62;
  shapes.push({
    type: 'rect',
    role: 'trough',
    x: troughStart,
    y: sheet.y,
    width: troughEnd - troughStart,
    height: sheet.height,
  });
  for (const column of geometry.columns)
    shapes.push({
      type: 'text',
      role: 'column-name',
      x: geometry.columnX(column),
      y: HEADER - 10,
      text: columnLabel(column),
      anchor: 'middle',
    });
  shapes.push({
    type: 'text',
    role: 'caption',
    x: sheet.x,
    y: 14,
    text: `${geometry.wiring.breadboards[0]!.model.title}, rows ${frame.firstRow} to ${frame.lastRow}`,
    anchor: 'start',
  });
  for (const rail of geometry.rails)
    shapes.push({
      type: 'path',
      role: rail.endsWith('+') ? 'rail-plus' : 'rail-minus',
      width: 1.6,
      dashed: rail.endsWith('+'),
      path: `M${geometry.columnX(rail)} ${sheet.y + 5} V${sheet.y + sheet.height - 5}`,
    });
  for (let row = frame.firstRow; row <= frame.lastRow; row += 1) {
    for (const side of frame.hasRightSide ? (['a', 'f'] as const) : (['a'] as const)) {
      const [first, last] = [columnsOf(side)[0]!, columnsOf(side).at(-1)!];
      shapes.push({
        type: 'path',
        role: 'strip',
        width: 1.6,
        path: `M${geometry.columnX(first)} ${geometry.rowY(row)} H${geometry.columnX(last)}`,
      });
    }
  }
  shapes.push({ type: 'rect', role: 'sheet-edge', ...sheet });
  return shapes;
}

/** Row numbers, drawn last, so that a lead which crosses them leaves them readable. */
export function rowNameShapes(geometry: Geometry): readonly Shape[] {
  const { sheet, frame } = geometry;
  if (!sheet) return [];
  const places = geometry.rowNamesX;
  return Array.from(
    { length: frame.lastRow - frame.firstRow + 1 },
    (_, index) => frame.firstRow + index,
  ).flatMap((row) =>
    places.map((x): Shape => ({
      type: 'text',
      role: row % 5 === 0 ? 'row-name-fifth' : 'row-name',
      x,
      y: geometry.rowY(row) + 4.5,
      text: String(row),
      anchor: 'middle',
    })),
  );
}

const columnLabel = (column: Column | Rail): string =>
  column.length === 1 ? column : column.endsWith('+') ? '+' : '−';

/** Every hole of the frame. */
export function holeShapes(geometry: Geometry): readonly Shape[] {
  const shapes: Shape[] = [];
  if (!geometry.sheet) return shapes;
  for (let row = geometry.frame.firstRow; row <= geometry.frame.lastRow; row += 1)
    for (const column of geometry.columns)
      shapes.push({
        type: 'circle',
        role: 'hole',
        x: geometry.columnX(column),
        y: geometry.rowY(row),
        radius: 3.1,
      });
  return shapes;
}
