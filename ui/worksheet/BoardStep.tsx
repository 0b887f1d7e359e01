'use client';

import type { BoardProfile } from '@/core/boards';
import { shippedBoards } from '@/core/boards';
import { breadboards } from '@/core/breadboards';
import type { TakenPins } from '@/core/statements';
import type { SheetField } from '@/core/worksheet/change';
import { PinStrip } from './PinStrip';

interface BoardStepProps {
  /** The breadboards, joined by `+`. */
  readonly bench: string;
  readonly boards: readonly BoardProfile[];
  readonly board: BoardProfile;
  readonly taken: TakenPins;
  readonly mayEdit: boolean;
  readonly set: (field: SheetField, is: unknown) => void;
  /** Sets several fields as one change. */
  readonly setTogether: (fields: Readonly<Partial<Record<SheetField, unknown>>>) => void;
  readonly onMovePin: (from: string, to: string) => void;
}

/** Breadboards that an exercise may stand on; a second one beside the first for large ones. */
const benches: readonly (readonly string[])[] = [
  ...[...breadboards.keys()].map((id) => [id]),
  ['half', 'half'],
  ['full', 'full'],
];

/** The board and the breadboard, and who has which pin. */
export function BoardStep({
  bench,
  boards,
  board,
  taken,
  mayEdit,
  set,
  setTogether,
  onMovePin,
}: BoardStepProps) {
  // A board of one's own comes with its profile: apart, neither of them says which board it is.
  const choose = (id: string): void =>
    setTogether({
      board: id,
      boardProfile: shippedBoards.has(id) ? undefined : boards.find((one) => one.id === id),
    });
  const known = boards.some(({ id }) => id === board.id) ? boards : [...boards, board];
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
              onChange={(event) => set('breadboards', event.target.value.split('+'))}
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
      <PinStrip board={board} taken={taken} mayEdit={mayEdit} onMovePin={onMovePin} />
      <p className="mt-1 text-note text-soft">
        Filled: taken. Struck: better left free. A bar at the left: PWM; at the right: interrupt.
      </p>
    </>
  );
}
