'use client';

import { X } from 'lucide-react';
import { useDeferredValue, useId, useMemo, useRef, useState, type KeyboardEvent } from 'react';
import {
  completionsOf,
  takenPins,
  type Completion,
  type StatedLine,
  type StatementContext,
} from '@/core/statements';
import type { SheetLine } from '@/core/worksheet/sheet';
import { afterPointer } from './afterPointer';
import { LineOutcome, LineSummary } from './LineOutcome';
import { refsText } from './refs';
import { Understood } from './Understood';
import { useDispatch, useWorksheet } from './useWorksheet';
import { inWords } from '@/core/words/words';

interface PartLineProps {
  readonly context: StatementContext;
  readonly stated: readonly StatedLine[];
  readonly line: SheetLine;
  readonly number: number;
  readonly read: StatedLine | undefined;
  readonly isNew: boolean;
  readonly onWrite: (text: string) => void;
  readonly onEnter: () => void;
  readonly onRemove: () => void;
  readonly onMove: (by: -1 | 1) => void;
  readonly onStep: (by: -1 | 1) => void;
}

/** Width of a letter of the monospaced font, in its size. */
const LETTER_EM = 0.635;

/** As wide as its letters, which become a little smaller before the end of a line is cut off. */
const sizeFor = (letters: number) => ({
  flexBasis: `min(100%, ${letters + 1}ch)`,
  fontSize: `clamp(0.8em, calc(100cqi / ${((letters + 1) * LETTER_EM).toFixed(1)}), 1em)`,
});

/** One part line: typed with what it may go on with, understood as it is typed, with what becomes of it. */
export function PartLine({
  line,
  number,
  read,
  isNew,
  stated,
  context,
  onWrite,
  onEnter,
  onRemove,
  onMove,
  onStep,
}: PartLineProps) {
  const mayEdit = useWorksheet((state) => state.given.mayEdit);
  const dispatch = useDispatch();
  const [isFocused, setFocused] = useState(false);
  // The letter itself comes first; how the line is understood follows at once.
  const reading = useDeferredValue(read);
  const [chosen, setChosen] = useState(-1);
  const listId = useId();
  const field = useRef<HTMLInputElement>(null);
  const taken = useMemo(() => takenPins(stated, read), [stated, read]);
  const completions = useMemo(
    () => (isFocused && mayEdit ? completionsOf(line.text, context, taken).slice(0, 5) : []),
    [isFocused, mayEdit, line.text, context, taken],
  );
  const ghost = ghostOf(line.text, completions[Math.max(0, chosen)]);
  const trouble = read?.troubles[0];
  const stops = trouble?.weight === 'stops' || (trouble?.weight === 'unfinished' && !isFocused);

  const accept = (completion: Completion | undefined): void => {
    if (!completion) return;
    onWrite(completion.line);
    setChosen(-1);
    field.current?.focus();
  };
  const onKey = (event: KeyboardEvent<HTMLInputElement>): void => {
    const { key, altKey, ctrlKey } = event;
    const atEnd = event.currentTarget.selectionStart === line.text.length;
    const done = (act: () => void): void => {
      event.preventDefault();
      act();
    };
    if (altKey && (key === 'ArrowUp' || key === 'ArrowDown')) done(() => onMove(key === 'ArrowUp' ? -1 : 1));
    else if (key === 'ArrowDown')
      done(() => {
        if (chosen < completions.length - 1 && (line.text !== '' || isNew)) setChosen(chosen + 1);
        else onStep(1);
      });
    else if (key === 'ArrowUp') done(() => (chosen >= 0 ? setChosen(chosen - 1) : onStep(-1)));
    else if ((key === 'ArrowRight' && atEnd && ghost !== '') || (ctrlKey && key === ' '))
      done(() => accept(completions[Math.max(0, chosen)]));
    else if (key === 'Enter')
      done(() => {
        if (chosen >= 0) accept(completions[chosen]);
        else if (line.text.trim() !== '') onEnter();
      });
    else if (key === 'Escape' && chosen >= 0) done(() => setChosen(-1));
    else if (key === 'Backspace' && line.text === '' && !isNew) done(onRemove);
  };

  return (
    <div
      className={`-mx-3 border-l-4 px-2 ${stops ? 'border-fault' : trouble?.weight === 'warns' ? 'border-risk' : isFocused ? 'border-focus' : 'border-transparent'} ${isFocused ? 'bg-card py-1' : ''}`}
      onFocus={() => {
        setFocused(true);
        dispatch({ type: 'point at', refs: read?.refs ?? [] });
      }}
      onBlur={(event) => {
        if (event.currentTarget.contains(event.relatedTarget)) return;
        const row = event.currentTarget;
        afterPointer(() => {
          // The focus may have come back meanwhile.
          if (row.contains(document.activeElement)) return;
          setFocused(false);
          setChosen(-1);
          dispatch({ type: 'point at', refs: [] });
          dispatch({ type: 'finish line' });
        });
      }}
    >
      <div className="flex items-baseline gap-2">
        <span className="mono w-17 shrink-0 text-note leading-tight text-soft">
          {refsText(read?.refs ?? [])
            .split(' ')
            .map((names) => (
              // A run of names stays in one line.
              <span key={names} className="whitespace-nowrap">
                {names}{' '}
              </span>
            ))}
        </span>
        {/* What is read of a long line goes below it, so that the line is seen whole. */}
        <div className="@container flex min-w-0 flex-1 flex-wrap items-baseline gap-x-2">
          <div className="mono relative min-w-0 grow" style={sizeFor(line.text.length)}>
            <div
              aria-hidden="true"
              className="pointer-events-none absolute inset-0 overflow-hidden py-1 whitespace-pre"
            >
              <span className="invisible">{line.text}</span>
              <span className="text-soft/70">{isFocused ? ghost : ''}</span>
            </div>
            <input
              ref={field}
              value={line.text}
              readOnly={!mayEdit}
              spellCheck={false}
              autoComplete="off"
              // An empty sheet begins with its first part.
              autoFocus={isNew && number === 1}
              placeholder={
                isNew && !isFocused
                  ? number === 1
                    ? inWords('amber LED on 13 with 330', context.rules.words)
                    : 'another part'
                  : ''
              }
              role="combobox"
              aria-label={isNew ? 'New part line' : `Part line ${number}`}
              aria-expanded={completions.length > 0}
              aria-controls={listId}
              aria-autocomplete="list"
              aria-activedescendant={chosen >= 0 ? `${listId}-${chosen}` : undefined}
              aria-invalid={stops || undefined}
              onChange={(event) => {
                setChosen(-1);
                onWrite(event.target.value);
              }}
              onKeyDown={onKey}
              className={`relative w-full bg-transparent py-1 outline-none placeholder:text-soft ${isFocused ? 'border-b border-focus' : 'border-b border-transparent hover:border-rule-strong'}`}
            />
          </div>
          <span className="ml-auto shrink-0 text-right text-note">
            {!isNew && read && <LineSummary line={read} />}
          </span>
        </div>
        {mayEdit && !isNew && (
          <button
            type="button"
            aria-label={`Take out ${line.text || 'the empty line'}`}
            onClick={onRemove}
            className="flex h-7 w-7 shrink-0 items-center justify-center self-center text-soft hover:text-ink"
          >
            <X size={15} aria-hidden="true" />
          </button>
        )}
      </div>
      <ul
        id={listId}
        role="listbox"
        aria-label="Ways to go on"
        className={completions.length > 0 ? 'mt-1 ml-19 flex flex-wrap gap-x-1' : 'hidden'}
      >
        {completions.map((completion, index) => (
          <li
            key={completion.line}
            id={`${listId}-${index}`}
            role="option"
            aria-selected={index === chosen}
            onMouseDown={(event) => {
              event.preventDefault();
              accept(completion);
            }}
            className="cursor-pointer px-1.5 py-1 text-note aria-selected:bg-wash aria-selected:shadow-[inset_0_-2px_0_var(--focus)] hover:bg-wash"
          >
            <span className="mono font-semibold">{completion.words}</span>{' '}
            <span className="text-soft">{completion.note}</span>
          </li>
        ))}
      </ul>
      {reading && (isFocused || stops || trouble?.weight === 'warns') && (
        <Understood
          line={reading}
          context={context}
          taken={taken}
          isFocused={isFocused}
          mayEdit={mayEdit}
          onWrite={(text) => {
            onWrite(text);
            field.current?.focus();
          }}
        />
      )}
      {read && isFocused && <LineOutcome line={read} />}
    </div>
  );
}

/** What a completion adds to the text that is there. */
const ghostOf = (text: string, completion: Completion | undefined): string =>
  completion && text !== '' && completion.line.toLowerCase().startsWith(text.toLowerCase())
    ? completion.line.slice(text.length)
    : '';
