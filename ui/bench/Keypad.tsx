'use client';

import { Delete } from 'lucide-react';
import { columns, rails } from '@/core/breadboards';
import { isBoard, type BoardProfile } from '@/core/boards';
import { BoardPicker } from './BoardPicker';

interface KeypadProps {
  readonly board: BoardProfile;
  /** What is being placed, in words: `the long leg of D1`. */
  readonly title: string;
  readonly place: string;
  /** Pins that the exercise is about, first. */
  readonly pins: readonly string[];
  /** Holes that it is likely to be. */
  readonly likely: readonly string[];
  /** A tap for all other legs of the part. */
  readonly rest: React.ReactNode;
  /** Rows of the breadboard. */
  readonly rows: number;
  readonly onPlace: (place: string) => void;
  readonly onNext: () => void;
  readonly onClose: () => void;
}

/** Keys for a tablet without a keyboard: a column or rail, then the row; or a pin at once. */
export function Keypad({
  board,
  title,
  place,
  pins,
  likely,
  rest,
  rows,
  onPlace,
  onNext,
  onClose,
}: KeypadProps) {
  const typed = /^([a-j][+-]?)?(\d*)$/i.exec(place.trim());
  const column = typed?.[1]?.toLowerCase() ?? '';
  const row = typed?.[1] ? (typed[2] ?? '') : '';
  const setColumn = (next: string): void => onPlace(`${next}${row}`);
  const isRow = (digits: string): boolean => Number(digits) >= 1 && Number(digits) <= rows;
  // A digit goes on with the row as long as the breadboard has it, else it begins another.
  const withDigit = (digit: string): string => (isRow(row + digit) ? row + digit : digit);
  const addDigit = (digit: string): void => onPlace(`${column}${withDigit(digit)}`);
  const isOff = (digit: string): boolean => column === '' || !isRow(withDigit(digit));
  const placeAndGoOn = (at: string): void => {
    onPlace(at);
    onNext();
  };
  return (
    <section
      aria-label={`Keys for ${title}`}
      onKeyDown={(event) => {
        if (event.key === 'Escape') onClose();
      }}
      className="sticky bottom-0 z-10 border-t border-ink bg-paper px-3 pt-2 pb-3"
    >
      <div className="mb-2 flex items-center gap-2">
        <p className="min-w-0 flex-1 truncate px-1">
          Where is <strong>{title}</strong>? Tap the hole, or:
        </p>
        {isBoard(board) && <BoardPicker board={board} place={place} title={title} onPlace={placeAndGoOn} />}
      </div>
      <div className="mb-1.5 flex flex-wrap gap-1.5 empty:hidden">{rest}</div>
      {(likely.length > 0 || pins.length > 5) && (
        <div className="mb-1.5 grid grid-cols-8 gap-1.5">
          {likely.map((hole) => (
            <Key
              key={hole}
              isOn={place === hole}
              onTap={() => placeAndGoOn(hole)}
              label={hole}
              spoken={`hole ${hole}, and on`}
              isLikely
            />
          ))}
          {pins.slice(5).map((pin) => (
            <Key
              key={pin}
              isOn={place === pin}
              onTap={() => onPlace(pin)}
              label={pin}
              spoken={`pin ${pin}`}
              isPin
            />
          ))}
        </div>
      )}
      <div className="grid grid-cols-8 gap-1.5">
        {columns.slice(0, 5).map((name) => (
          <Key key={name} isOn={column === name} onTap={() => setColumn(name)} label={name} />
        ))}
        {['1', '2', '3'].map((digit) => (
          <Key key={digit} onTap={() => addDigit(digit)} label={digit} isDisabled={isOff(digit)} />
        ))}
        {columns.slice(5).map((name) => (
          <Key key={name} isOn={column === name} onTap={() => setColumn(name)} label={name} />
        ))}
        {['4', '5', '6'].map((digit) => (
          <Key key={digit} onTap={() => addDigit(digit)} label={digit} isDisabled={isOff(digit)} />
        ))}
        {rails.map((name) => (
          <Key
            key={name}
            isOn={column === name}
            onTap={() => setColumn(name)}
            label={name.replace('-', '−')}
            spoken={`${name.endsWith('+') ? 'plus' : 'minus'} rail beside ${name[0]}`}
            isRail
          />
        ))}
        <Key onTap={onNext} label="next" isWord />
        {['7', '8', '9'].map((digit) => (
          <Key key={digit} onTap={() => addDigit(digit)} label={digit} isDisabled={isOff(digit)} />
        ))}
        {pins.slice(0, 5).map((pin) => (
          <Key
            key={pin}
            isOn={place === pin}
            onTap={() => onPlace(pin)}
            label={pin}
            spoken={`pin ${pin}`}
            isPin
          />
        ))}
        <Key onTap={() => onPlace('')} label="not in" isWord />
        <Key onTap={() => addDigit('0')} label="0" isDisabled={isOff('0') || row === ''} />
        <button
          type="button"
          aria-label="Delete the last character"
          onClick={() => onPlace(place.slice(0, -1))}
          className="flex min-h-12 items-center justify-center border border-rule-strong bg-card hover:border-ink"
        >
          <Delete size={20} aria-hidden="true" />
        </button>
      </div>
    </section>
  );
}

interface KeyProps {
  readonly label: string;
  readonly spoken?: string;
  readonly isOn?: boolean;
  readonly isRail?: boolean;
  readonly isPin?: boolean;
  readonly isWord?: boolean;
  readonly isLikely?: boolean;
  readonly isDisabled?: boolean;
  readonly onTap: () => void;
}

function Key({ label, spoken, isOn, isRail, isPin, isWord, isLikely, isDisabled, onTap }: KeyProps) {
  const edge = isLikely ? 'border-signal' : isRail ? 'border-dashed' : isPin ? 'border-double border-4' : '';
  return (
    <button
      type="button"
      aria-label={spoken}
      aria-pressed={isOn}
      disabled={isDisabled}
      onClick={onTap}
      className={`flex min-h-12 items-center justify-center border px-0.5 ${isWord ? 'text-note font-semibold' : 'mono text-bench font-bold'} ${edge} ${isOn ? 'border-ink bg-ink text-card' : 'border-rule-strong bg-card hover:border-ink disabled:border-rule disabled:bg-transparent disabled:text-soft'}`}
    >
      {label}
    </button>
  );
}
