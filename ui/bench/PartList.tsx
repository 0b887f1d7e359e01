'use client';

import { FlipVertical2, Plus, RotateCcw, Trash2 } from 'lucide-react';
import { DropdownMenu } from 'radix-ui';
import { useEffect, useRef, useState, type KeyboardEvent } from 'react';
import { columns } from '@/core/breadboards';
import { isResistor, kindOf, ledColours, partKinds } from '@/core/parts';
import { Button } from '../design/Button';
import { Problem } from '../design/Problem';
import type { DraftPart } from '@/core/messages/bench-draft';
import { capital } from '@/core/words/words';
import { isBegun } from './bench-state';
import { OfferedPlaces } from './OfferedPlaces';
import { withRun } from './runs';
import { useBench } from './useBench';
import { useWords } from '../words/Words';

/** Everything that is plugged in, with where each end is. */
export function PartList() {
  const { parts } = useBench().state.draft;
  const list = useRef<HTMLDivElement>(null);
  /** Focus moves on to the next place to write; at the end it stays. */
  const next = (from: HTMLInputElement): void => {
    const fields = [...(list.current?.querySelectorAll<HTMLInputElement>('input[data-leg]') ?? [])];
    fields[fields.indexOf(from) + 1]?.focus();
  };
  return (
    <div ref={list}>
      <ManyAtOnce />
      <ol>
        {parts.map((part, index) => (
          <PartLine key={part.ref} part={part} number={index + 1} next={next} />
        ))}
      </ol>
      <AddPart />
      <StartAfresh />
    </div>
  );
}

interface PartLineProps {
  readonly part: DraftPart;
  readonly number: number;
  readonly next: (from: HTMLInputElement) => void;
}

function PartLine({ part, number, next }: PartLineProps) {
  const { state, dispatch, recorded, marked } = useBench();
  const { active } = state;
  const { problems } = recorded;
  const say = useWords();
  const kind = kindOf(part.kind);
  const value = kind.readValue(part.value);
  const isMarked = marked.refs.includes(part.ref);
  const wrong = kind.legs.flatMap((leg) => problems[`${part.ref}.${leg.name}`] ?? []);
  return (
    <li
      className={`relative grid grid-cols-[1.6rem_minmax(0,1fr)_auto] items-center gap-x-2 border-b border-rule py-2.5 pr-3 pl-4 ${isMarked ? 'bg-fault-wash' : ''}`}
    >
      {isMarked && (
        <svg
          className="absolute top-1/2 left-0 -translate-y-1/2 text-fault"
          width="12"
          height="24"
          viewBox="0 0 12 24"
          aria-label="Look here"
        >
          <path d="M0 0 12 12 0 24Z" fill="currentColor" />
        </svg>
      )}
      <span className="mono text-note text-soft">{number}</span>
      <div className="min-w-0">
        <p className="leading-tight">{capital(say(value.ok ? kind.describe(value.value) : kind.title))}</p>
        <p className="flex flex-wrap items-center gap-x-2 text-note text-soft">
          <span className="mono">{part.ref}</span>
          {isResistor(part) && (
            <input
              aria-label={`Value of ${part.ref} in ohms`}
              defaultValue={part.value}
              key={part.value}
              onBlur={(event) =>
                event.target.value.trim() !== part.value &&
                dispatch({ type: 'edit', edits: [{ value: part.ref, to: event.target.value.trim() }] })
              }
              className="mono min-h-10 w-16 border-b border-rule-strong bg-transparent text-ink"
            />
          )}
          {!kind.symmetrical && kind.legs.length === 2 && (
            <button
              type="button"
              onClick={() => dispatch({ type: 'edit', edits: [{ flip: part.ref }] })}
              className="flex min-h-10 min-w-10 items-center gap-1 hover:text-ink"
              aria-label={`Turn ${part.ref} round`}
            >
              <FlipVertical2 size={14} aria-hidden="true" /> turn
            </button>
          )}
          <button
            type="button"
            onClick={() => dispatch({ type: 'edit', edits: [{ remove: part.ref }] })}
            className="flex min-h-10 min-w-10 items-center justify-center hover:text-ink"
            aria-label={`Take out ${part.ref}`}
          >
            <Trash2 size={14} aria-hidden="true" />
          </button>
        </p>
      </div>
      <div className={legsLook(kind.legs.length)}>
        {kind.legs.map((leg, index) => (
          <LegField
            key={leg.name}
            label={kind.conductor ? (index === 0 ? 'from' : 'to') : leg.title}
            fullLabel={`${leg.title} of ${part.ref}`}
            place={part.at[leg.name] ?? ''}
            problem={problems[`${part.ref}.${leg.name}`]}
            isActive={active?.ref === part.ref && active.leg === leg.name}
            onFocus={() => dispatch({ type: 'activate', leg: { ref: part.ref, leg: leg.name } })}
            onLeave={() => dispatch({ type: 'activate', leg: undefined })}
            onPlace={(how, place) => dispatch({ type: how, leg: { ref: part.ref, leg: leg.name }, place })}
            next={next}
          />
        ))}
      </div>
      {active?.ref !== part.ref && (
        <div className="col-span-2 col-start-2 mt-2 flex flex-wrap gap-2 empty:hidden">
          <OfferedPlaces part={part} />
        </div>
      )}
      <Problem className="col-span-2 col-start-2 mt-1 text-note">{wrong[0]}</Problem>
    </li>
  );
}

/** Two legs stand beside the part, four as they lie round it, others in rows. */
const legsLook = (count: number): string =>
  count <= 2
    ? 'flex gap-1.5'
    : count === 4
      ? 'col-span-3 mt-2 grid w-fit grid-cols-2 gap-1.5 pl-8'
      : 'col-span-3 mt-2 flex flex-wrap gap-1.5 pl-8';

interface LegFieldProps {
  readonly label: string;
  readonly fullLabel: string;
  readonly place: string;
  readonly problem: string | undefined;
  readonly isActive: boolean;
  readonly onFocus: () => void;
  /** Puts the keys away. */
  readonly onLeave: () => void;
  readonly onPlace: (how: 'type place' | 'step to place', place: string) => void;
  readonly next: (from: HTMLInputElement) => void;
}

/**
 * Where one end is: typed, tapped on the drawing or the keypad, or stepped with the arrow keys. The
 * tablet's own keyboard stays away, as the keypad is there.
 */
function LegField({
  label,
  fullLabel,
  place,
  problem,
  isActive,
  onFocus,
  onLeave,
  onPlace,
  next,
}: LegFieldProps) {
  const field = useRef<HTMLLabelElement>(null);
  // The next end comes into view by itself, wherever the last one was placed from.
  useEffect(() => {
    if (isActive) field.current?.scrollIntoView({ block: 'nearest' });
  }, [isActive]);
  const onKeyDown = (event: KeyboardEvent<HTMLInputElement>): void => {
    if (event.key === 'Escape') {
      onLeave();
      return;
    }
    if (event.key === 'Enter') {
      event.preventDefault();
      next(event.currentTarget);
      return;
    }
    const stepped = step(place, event);
    if (stepped === undefined) return;
    event.preventDefault();
    onPlace('step to place', stepped);
  };
  return (
    <label
      ref={field}
      className={`flex w-[5.4rem] flex-col border bg-card px-1 pt-1 text-center ${problem ? 'border-fault' : isActive ? 'border-focus shadow-[0_0_0_2px_var(--focus)]' : 'border-rule-strong'}`}
    >
      <span className="text-[0.75rem] leading-tight text-soft">{label}</span>
      <input
        data-leg
        aria-label={fullLabel}
        aria-invalid={problem ? true : undefined}
        value={place}
        inputMode="none"
        autoComplete="off"
        autoCapitalize="off"
        spellCheck={false}
        maxLength={16}
        onFocus={(event) => {
          event.currentTarget.select();
          onFocus();
        }}
        onChange={(event) => onPlace('type place', event.target.value)}
        onKeyDown={onKeyDown}
        placeholder="·"
        className="mono h-8 w-full bg-transparent text-center text-bench font-bold outline-none placeholder:font-normal placeholder:text-soft"
      />
    </label>
  );
}

/** The neighbouring hole: up and down by rows; with Shift also sideways by columns. */
function step(place: string, event: KeyboardEvent): string | undefined {
  const match = /^([a-j])([+-]?)(\d+)$/i.exec(place.trim());
  if (!match) return undefined;
  const [, letter, sign, row] = match as unknown as [string, string, string, string];
  if (event.key === 'ArrowDown') return `${letter}${sign}${Number(row) + 1}`;
  if (event.key === 'ArrowUp') return Number(row) > 1 ? `${letter}${sign}${Number(row) - 1}` : place;
  if (!event.shiftKey || sign !== '') return undefined;
  const at = (columns as readonly string[]).indexOf(letter.toLowerCase());
  if (event.key === 'ArrowRight') return `${columns[Math.min(columns.length - 1, at + 1)]}${row}`;
  if (event.key === 'ArrowLeft') return `${columns[Math.max(0, at - 1)]}${row}`;
  return undefined;
}

interface Choice {
  readonly label: string;
  readonly kind: string;
  readonly value: string;
}

/** Wires first, then what most builds have, then everything else that there is, by its name. */
const usualChoices: readonly Choice[] = [
  ...['black', 'red', 'yellow', 'green', 'blue', 'white'].map((colour) => ({
    label: `${colour} wire`,
    kind: 'wire',
    value: colour,
  })),
  ...['black', 'red'].map((colour) => ({ label: `${colour} clip lead`, kind: 'clip', value: colour })),
  { label: 'resistor', kind: 'resistor', value: '330' },
  ...ledColours
    .filter((colour) => colour !== 'orange')
    .map((colour) => ({ label: `${colour} LED`, kind: 'led', value: colour })),
];
const otherChoices: readonly Choice[] = partKinds
  .filter(({ kind, conductor }) => !conductor && !['led', 'resistor'].includes(kind))
  .flatMap(({ kind, title, usualValues = [''], readValue }): Choice[] => {
    const value = ['', ...usualValues].find((text) => readValue(text).ok);
    return value === undefined ? [] : [{ label: title, kind, value }];
  })
  .toSorted((one, other) => one.label.localeCompare(other.label, 'en'));

/** Free wires from which on writing them one by one is tedious. */
const MANY = 4;

/** Equal wires entered as a run: `11-2 to a2-a11`. */
function ManyAtOnce() {
  const { state, dispatch } = useBench();
  const [text, setText] = useState('');
  const [problem, setProblem] = useState<string>();
  const free = state.draft.parts.filter(
    ({ kind, at }) => kindOf(kind).conductor && Object.values(at).every((place) => place === ''),
  );
  if (free.length < MANY && text === '') return null;
  return (
    <form
      className="border-b border-rule px-4 py-3"
      onSubmit={(event) => {
        event.preventDefault();
        const made = withRun(state.draft, text);
        setProblem(made.ok ? undefined : made.problems[0]!.message);
        if (!made.ok) return;
        dispatch({ type: 'place many', parts: made.value.parts });
        setText('');
      }}
    >
      <label className="block">
        <span className="text-note text-soft">
          Several wires at once, from and to; or parts by their names, R1-R10 b2-b11 to e2-e11
        </span>
        <span className="flex gap-2">
          <input
            value={text}
            onChange={(event) => setText(event.target.value)}
            placeholder="11-2 to a2-a11"
            aria-invalid={problem ? true : undefined}
            autoCapitalize="off"
            autoComplete="off"
            spellCheck={false}
            maxLength={200}
            className="mono min-h-11 min-w-0 flex-1 border-b border-rule-strong bg-transparent placeholder:text-soft"
          />
          {text.trim() !== '' && (
            <Button type="submit" className="min-h-11">
              Place them
            </Button>
          )}
        </span>
      </label>
      <Problem className="mt-1 text-note">{problem}</Problem>
    </form>
  );
}

/** Takes every end out again; undo puts them back. */
function StartAfresh() {
  const { state, dispatch } = useBench();
  if (!isBegun(state.draft)) return null;
  return (
    <button
      type="button"
      onClick={() => dispatch({ type: 'start afresh' })}
      className="flex min-h-12 w-full items-center gap-3 border-b border-rule px-4 text-left text-soft hover:bg-card hover:text-ink"
    >
      <RotateCcw size={18} aria-hidden="true" /> Start afresh: take every end out
    </button>
  );
}

function AddPart() {
  const { dispatch } = useBench();
  const say = useWords();
  return (
    <DropdownMenu.Root modal={false}>
      <DropdownMenu.Trigger className="flex min-h-14 w-full items-center gap-3 border-b border-rule px-4 text-left font-semibold text-signal hover:bg-card">
        <Plus size={18} aria-hidden="true" /> Add what else you plugged in
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content
          align="start"
          className="z-20 max-h-[60vh] w-64 overflow-y-auto border border-ink bg-card py-1"
        >
          {[...usualChoices, ...otherChoices].map(({ label, kind, value }) => (
            <DropdownMenu.Item
              key={label}
              onSelect={() => dispatch({ type: 'add part', kind, value })}
              className="flex min-h-10 cursor-pointer items-center px-4 outline-none data-[highlighted]:bg-wash data-[highlighted]:shadow-[inset_3px_0_0_var(--focus)]"
            >
              {say(label)}
            </DropdownMenu.Item>
          ))}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}
