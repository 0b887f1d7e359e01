import { isBoard } from '../boards';
import { pointName } from '../brand';
import type { HouseRules } from '../course/house-rules';
import { kindOf } from '../parts';
import type { Result } from '../result';
import { BOARD_REF } from '../statements';
import { Circuit, type PartLeg } from '../wiring/circuit';
import { writeTable } from '../wiring/table';
import { legPoint, type Wiring } from '../wiring/wiring';
import { linesReplaced, type Change } from './change';
import { sheetOf, type Sheet } from './sheet';

/**
 * The changes that make a wiring the exercise's own: its parts and what is joined become lines, its places
 * the layout. Values that passed before still pass for parts that keep their name and value.
 */
export function takeWiring(sheet: Sheet, wiring: Wiring, courseRules: HouseRules): Result<readonly Change[]> {
  const circuit = new Circuit(wiring);
  const { parts } = circuit;
  const before = new Map(sheet.parts.map((part) => [part.ref, part]));
  const board = wiring.board?.profile.id ?? sheet.board;
  const breadboards = wiring.breadboards.map(({ model }) => model.id);
  const said = sheetOf(
    {
      ...sheet,
      board,
      parts: [
        ...(isBoard({ id: board }) ? [{ ref: BOARD_REF, kind: 'board', value: board }] : []),
        ...parts.map((part) => {
          const old = before.get(part.ref);
          const { accept } = old?.kind === part.kind && old.value === part.value.text ? old : {};
          return { ref: part.ref, kind: part.kind, value: part.value.text, ...(accept ? { accept } : {}) };
        }),
      ],
      nets: circuit.nodes
        .map((node) => ({
          name: '',
          points: [
            ...node.pins.map((pin) => pointName(`${BOARD_REF}.${pin}`)),
            ...circuit
              .legsAt(node.id)
              .filter((end, _, all) => !isSaidBy(end, all))
              .map(({ part, leg }) => legPoint(part.ref, leg)),
          ],
        }))
        .filter(({ points }) => points.length > 1),
      lines: undefined,
    },
    courseRules,
  );
  if (!said.ok) return said;
  return {
    ok: true,
    value: [
      ...linesReplaced(sheet, said.value.lines, 'w'),
      ...(wiring.board && wiring.board.profile.id !== sheet.board
        ? [field('board', sheet.board, wiring.board.profile.id)]
        : []),
      field(
        'breadboards',
        sheet.parts.filter(({ kind }) => kind === 'breadboard').map(({ value }) => value),
        breadboards,
      ),
      field('layout', sheet.layout, writeTable(wiring)),
    ],
  };
}

/** Whether a leg is one piece of metal with another leg on the node, which says it already. */
const isSaidBy = ({ part, leg }: PartLeg, all: readonly PartLeg[]): boolean =>
  kindOf(part.kind).joints.some(
    ([one, other]) => other === leg && all.some((end) => end.part === part && end.leg === one),
  );

const field = (name: 'board' | 'breadboards' | 'layout', was: unknown, is: unknown): Change => ({
  type: 'field',
  field: name,
  was,
  is,
});
