import { describe, expect, test } from 'vitest';
import { shippedBoards } from '../boards';
import { drawBoard, sidesOf } from './board';
import { overlap } from './labels';

const boards = [...shippedBoards.values()].map((board) => [board.id, board] as const);

describe('the picture of a board', () => {
  test.each(boards)('%s has every pin once, and every socket for power as often as the board', (_, board) => {
    const { left, right } = sidesOf(board);
    const shown = [...left, ...right].filter((name) => name !== '');
    for (const { name } of board.pins)
      expect(
        shown.filter((one) => one === name),
        name,
      ).toHaveLength(1);
    for (const { name, sockets } of board.supplies)
      expect(
        shown.filter((one) => one === name),
        name,
      ).toHaveLength(sockets);
    expect(drawBoard(board).targets).toHaveLength(shown.length);
  });

  test.each(boards)('%s keeps everything on the sheet, and no name lies on another', (_, board) => {
    const { layers, width, height } = drawBoard(board);
    const texts = layers.flatMap(({ shapes }) =>
      shapes.flatMap((shape) => (shape.type === 'text' ? [shape] : [])),
    );
    const boxes = texts.map(({ x, y, text, anchor }) => {
      const wide = text.length * 7.5;
      return {
        x: anchor === 'start' ? x : anchor === 'end' ? x - wide : x - wide / 2,
        y: y - 10,
        width: wide,
        height: 12,
      };
    });
    boxes.forEach((one, index) => {
      expect(one.x).toBeGreaterThanOrEqual(0);
      expect(one.x + one.width).toBeLessThanOrEqual(width);
      expect(one.y + one.height).toBeLessThanOrEqual(height);
      boxes.slice(index + 1).forEach((other) => expect(overlap(one, other)).toBe(0));
    });
  });

  test('makes out the pins that are asked for', () => {
    const [, board] = boards[0]!;
    const names = drawBoard(board, { marked: new Set(['13']) }).layers.flatMap(({ shapes }) =>
      shapes.flatMap((shape) =>
        shape.type === 'text' && shape.role === 'pin-name-used' ? [shape.text] : [],
      ),
    );
    expect(names).toEqual(['13']);
  });
});
