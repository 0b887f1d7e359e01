'use client';

import { useState } from 'react';
import type { NewLine } from '@/core/messages/kit';
import { looseKinds } from '@/core/kit';
import { partKinds } from '@/core/parts';
import { Button } from '../design/Button';
import { Problem } from '../design/Problem';
import type { KitActions } from './store';
import { useKitDeed } from './useKitDeed';

const EMPTY: NewLine = { kind: '', value: '', length: '', count: '', drawer: '' };
const field = 'block min-h-9 w-full border border-rule-strong bg-card px-2 text-body text-ink';

const KINDS = [...partKinds.map(({ kind }) => kind), 'board', 'breadboard', ...looseKinds];

/** A sort that is not in the store yet, or more of one that is. */
export function AddLine({ actions }: { readonly actions: KitActions }) {
  const [given, setGiven] = useState(EMPTY);
  const { run, problem, isBusy } = useKitDeed();
  const set = (change: Partial<NewLine>): void => setGiven((before) => ({ ...before, ...change }));
  return (
    <form
      aria-label="Add to the store"
      className="grid grid-cols-2 gap-x-3 gap-y-2 text-note text-soft"
      onSubmit={(event) => {
        event.preventDefault();
        run(
          () => actions.addLine(given),
          (outcome) =>
            outcome.is === 'done' && setGiven({ ...EMPTY, kind: given.kind, drawer: given.drawer }),
        );
      }}
    >
      <h2 className="col-span-2 text-lead text-ink">Add to the store</h2>
      <label>
        Kind
        <input
          list="kit-kinds"
          required
          value={given.kind}
          onChange={({ target }) => set({ kind: target.value })}
          placeholder="resistor"
          className={field}
        />
        <datalist id="kit-kinds">
          {KINDS.map((kind) => (
            <option key={kind} value={kind} />
          ))}
        </datalist>
      </label>
      <label>
        Value, or colour
        <input
          value={given.value}
          onChange={({ target }) => set({ value: target.value })}
          placeholder="330"
          className={field}
        />
      </label>
      <label>
        Length in mm
        <input
          inputMode="numeric"
          value={given.length}
          onChange={({ target }) => set({ length: target.value })}
          placeholder="wires only"
          className={field}
        />
      </label>
      <label>
        How many
        <input
          inputMode="numeric"
          required
          value={given.count}
          onChange={({ target }) => set({ count: target.value })}
          placeholder="40"
          className={field}
        />
      </label>
      <label>
        Drawer
        <input
          value={given.drawer}
          maxLength={60}
          onChange={({ target }) => set({ drawer: target.value })}
          placeholder="B2"
          className={field}
        />
      </label>
      <Button type="submit" disabled={isBusy} className="self-end">
        Add
      </Button>
      <Problem className="col-span-2 text-body">{problem}</Problem>
    </form>
  );
}
