'use client';

import { useState } from 'react';
import type { KitDeed, KitLine } from '@/core/messages/kit';
import { howMany } from '@/core/words/words';
import { Button } from '../design/Button';
import { Problem } from '../design/Problem';
import { AddLine } from './AddLine';
import { BringInList } from './BringInList';
import { linesLike, piecesOf, type KitActions } from './store';
import { useKitDeed } from './useKitDeed';

interface StockTableProps {
  readonly lines: readonly KitLine[];
  readonly mayKeep: boolean;
  readonly actions: KitActions;
}

const field =
  'min-h-9 w-full border-b border-rule-strong bg-transparent px-1.5 hover:bg-card focus:border-ink focus:bg-card';

/** Everything in the store: counted by typing over a number, found by any word of it. */
export function StockTable({ lines, mayKeep, actions }: StockTableProps) {
  const [typed, setTyped] = useState('');
  const shown = linesLike(lines, typed);
  return (
    <div className="grid grid-cols-1 lg:grid-cols-[minmax(0,1fr)_20rem]">
      <div className="border-ink px-6 py-5 lg:min-h-[calc(100dvh-7.5rem)] lg:border-r">
        <div className="flex flex-wrap items-end gap-x-5 gap-y-2">
          <label className="flex-1 text-note text-soft">
            Find
            <input
              type="search"
              value={typed}
              onChange={({ target }) => setTyped(target.value)}
              placeholder="330, wire red, drawer B2 …"
              className="block min-h-10 w-full max-w-96 border border-rule-strong bg-card px-2.5 text-bench text-ink"
            />
          </label>
          <p className="text-note text-soft" role="status">
            {typed === ''
              ? `${howMany(lines.length, 'kind')} of part`
              : `${shown.length} of ${lines.length} kinds of part`}
          </p>
        </div>
        {lines.length === 0 ? (
          <p className="mt-6 text-lead">
            Nothing has been counted yet. Bring in a list, or add the first sort at the right.
          </p>
        ) : (
          <table className="mt-3 w-full border-collapse">
            <thead>
              <tr className="border-b border-ink text-left text-note text-soft">
                <th className="py-1 font-normal">Sort</th>
                <th className="w-28 py-1 font-normal">Count</th>
                <th className="w-36 py-1 font-normal">Drawer</th>
                <th className="w-64 py-1 font-normal">
                  <span className="sr-only">Book</span>
                </th>
              </tr>
            </thead>
            <tbody>
              {shown.map((line) => (
                <StockRow key={line.id} line={line} mayKeep={mayKeep} actions={actions} />
              ))}
            </tbody>
          </table>
        )}
        {lines.length > 0 && shown.length === 0 && (
          <p className="mt-4">Nothing in the store is called “{typed}”.</p>
        )}
      </div>
      <aside className="px-6 py-5">
        {mayKeep ? (
          <>
            <AddLine actions={actions} />
            <BringInList actions={actions} />
          </>
        ) : (
          <p className="text-soft">
            You count and book what breaks. New kinds of part are put in by an instructor.
          </p>
        )}
        <p className="mt-5">
          <a href="/kit/stock" download className="font-semibold underline underline-offset-4">
            Stock as CSV
          </a>
        </p>
      </aside>
    </div>
  );
}

interface StockRowProps {
  readonly line: KitLine;
  readonly mayKeep: boolean;
  readonly actions: KitActions;
}

function StockRow({ line, mayKeep, actions }: StockRowProps) {
  const { run, problem, isBusy } = useKitDeed();
  const [count, setCount] = useState(String(line.count));
  const [drawer, setDrawer] = useState(line.drawer);
  /** The version that a count is made over: after a conflict it is the one that was told. */
  const [version, setVersion] = useState(line.version);
  const counted = piecesOf(count);
  const [shown, setShown] = useState(line);
  // What others have booked is shown, unless somebody is counting here just now: they are told when they have counted.
  if (line.version !== shown.version) {
    setShown(line);
    if (count === String(shown.count) || count === String(line.count)) {
      setCount(String(line.count));
      setVersion(line.version);
    }
    if (drawer === shown.drawer) setDrawer(line.drawer);
  }
  const book = (deed: KitDeed): void =>
    run(
      () => actions.doToLine(line.id, deed),
      (outcome) => outcome.is === 'overtaken' && setVersion(outcome.line.version),
    );
  const take = (): void => {
    if (counted !== undefined && (counted !== line.count || version !== line.version))
      book({ type: 'count', counted, version });
  };
  return (
    <>
      <tr className="border-b border-rule align-middle">
        <th scope="row" className="py-1 text-left font-semibold">
          {line.title}
        </th>
        <td>
          <input
            inputMode="numeric"
            value={count}
            onChange={({ target }) => setCount(target.value)}
            onBlur={take}
            onKeyDown={({ key, currentTarget }) => key === 'Enter' && currentTarget.blur()}
            aria-label={`Count of ${line.title}`}
            aria-invalid={counted === undefined}
            disabled={isBusy}
            className={`mono ${field} aria-invalid:border-fault`}
          />
        </td>
        <td>
          {mayKeep ? (
            <input
              value={drawer}
              maxLength={60}
              onChange={({ target }) => setDrawer(target.value)}
              onBlur={() => drawer.trim() !== line.drawer && book({ type: 'move', drawer: drawer.trim() })}
              onKeyDown={({ key, currentTarget }) => key === 'Enter' && currentTarget.blur()}
              aria-label={`Drawer of ${line.title}`}
              disabled={isBusy}
              className={field}
            />
          ) : (
            line.drawer
          )}
        </td>
        <td className="text-right">
          {(['broken', 'lost'] as const).map((type) => (
            <Button
              key={type}
              look="tool"
              size="small"
              className="font-normal"
              disabled={isBusy || line.count === 0}
              aria-label={`One ${line.title} ${type}`}
              onClick={() => book({ type, pieces: 1 })}
            >
              1 {type}
            </Button>
          ))}
          {mayKeep && (
            <Button
              look="tool"
              size="small"
              className="font-normal"
              disabled={isBusy}
              aria-label={`Take ${line.title} out of the store`}
              onClick={() => book({ type: 'remove' })}
            >
              take out
            </Button>
          )}
        </td>
      </tr>
      {(problem !== undefined || counted === undefined) && (
        <tr>
          <td colSpan={4} className="pb-2">
            <Problem>
              {counted === undefined ? 'Write a whole number of pieces, such as 40.' : problem}
            </Problem>
          </td>
        </tr>
      )}
    </>
  );
}
