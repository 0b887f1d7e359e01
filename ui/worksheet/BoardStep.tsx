'use client';

import type { BoardProfile } from '@/core/boards';
import { isBoard, noBoard, shippedBoards } from '@/core/boards';
import { breadboards } from '@/core/breadboards';
import { PinStrip } from './PinStrip';
import { useDispatch, useWorksheet } from './useWorksheet';

/** Breadboards that an exercise may stand on; a second one beside the first for large ones. */
const benches: readonly (readonly string[])[] = [
  ...[...breadboards.keys()].map((id) => [id]),
  ['half', 'half'],
  ['full', 'full'],
];

/** The board and the breadboard, and who has which pin. */
export function BoardStep({ board }: { readonly board: BoardProfile }) {
  const boards = useWorksheet((state) => state.given.boards);
  const mayEdit = useWorksheet((state) => state.given.mayEdit);
  const bench = useWorksheet((state) =>
    state.sync.sheet.parts
      .filter(({ kind }) => kind === 'breadboard')
      .map(({ value }) => value)
      .join('+'),
  );
  const dispatch = useDispatch();
  // A board of one's own comes with its profile: apart, neither of them says which board it is.
  const choose = (id: string): void =>
    dispatch({
      type: 'set',
      fields: {
        board: id,
        boardProfile:
          shippedBoards.has(id) || !isBoard({ id }) ? undefined : boards.find((one) => one.id === id),
      },
    });
  const isKnown = boards.some(({ id }) => id === board.id) || !isBoard(board);
  const known = [...(isKnown ? boards : [...boards, board]), noBoard];
  const select = 'min-h-8 border-b border-rule-strong bg-transparent font-semibold';
  return (
    <>
      <p className="flex flex-wrap items-baseline gap-x-2">
        {mayEdit ? (
          <>
            <select
              aria-label="Board"
              value={board.id}
              onChange={(event) => choose(event.target.value)}
              className={select}
            >
              {known.map(({ id, short }) => (
                <option key={id} value={id}>
                  {short}
                </option>
              ))}
            </select>
            on a
            <select
              aria-label="Breadboard"
              value={bench}
              onChange={(event) =>
                dispatch({ type: 'set', fields: { breadboards: event.target.value.split('+') } })
              }
              className={select}
            >
              {benches.map((ids) => (
                <option key={ids.join('+')} value={ids.join('+')}>
                  {ids.length > 1 ? `${ids.length} × ` : ''}
                  {breadboards.get(ids[0]!)!.title}
                </option>
              ))}
            </select>
          </>
        ) : (
          <strong>{board.short}</strong>
        )}
      </p>
      {isBoard(board) ? (
        <>
          <PinStrip board={board} />
          <p className="mt-1 text-note text-soft">
            Filled: taken. Struck: better left free. A bar at the left: PWM; at the right: interrupt.
          </p>
        </>
      ) : (
        <p className="mt-1 text-note text-soft">
          The current comes from a battery: give it a line among the parts.
        </p>
      )}
    </>
  );
}
