'use client';

import { useState } from 'react';
import { Button } from '../design/Button';
import { Problem } from '../design/Problem';
import { piecesOf, type KitActions, type ToBuyLine } from './store';
import { useKitDeed } from './useKitDeed';

interface ToBuyProps {
  readonly lines: readonly ToBuyLine[];
  readonly mayKeep: boolean;
  readonly actions: KitActions;
}

/** What all meetings that are planned still need, with what breaks on the way, beyond what there is. */
export function ToBuy({ lines, mayKeep, actions }: ToBuyProps) {
  if (lines.length === 0)
    return <p className="p-8 text-lead">Nothing: the store has what all planned meetings need.</p>;
  return (
    <div className="px-6 py-5">
      <p className="text-soft">
        For every meeting that is planned: the most that is needed at once, with what usually breaks until
        then.{' '}
        <a href="/kit/shopping" download className="underline underline-offset-4">
          As CSV
        </a>
      </p>
      <table className="mt-3 w-full max-w-[60rem] border-collapse">
        <thead>
          <tr className="border-b border-ink text-left text-note text-soft">
            <th className="w-20 py-1 text-right font-normal">Buy</th>
            <th className="py-1 pl-5 font-normal">Sort</th>
            <th className="w-24 py-1 text-right font-normal">at once</th>
            <th className="w-28 py-1 text-right font-normal">will break</th>
            <th className="w-24 py-1 text-right font-normal">in stock</th>
            {mayKeep && <th className="w-56 py-1 text-right font-normal">Bought</th>}
          </tr>
        </thead>
        <tbody>
          {lines.map((line) => (
            <BuyRow key={`${line.key} ${line.inStock}`} line={line} mayKeep={mayKeep} actions={actions} />
          ))}
        </tbody>
      </table>
    </div>
  );
}

interface BuyRowProps {
  readonly line: ToBuyLine;
  readonly mayKeep: boolean;
  readonly actions: KitActions;
}

function BuyRow({ line, mayKeep, actions }: BuyRowProps) {
  const { run, problem, isBusy } = useKitDeed();
  const [bought, setBought] = useState(String(line.count));
  const pieces = piecesOf(bought);
  const book = (): void =>
    run(() =>
      line.lineId === null
        ? actions.addLine({
            kind: line.kind,
            value: line.value,
            length: line.lengthMm === null ? '' : String(line.lengthMm),
            count: bought,
            drawer: '',
          })
        : actions.doToLine(line.lineId, { type: 'bought', pieces: pieces ?? 0 }),
    );
  return (
    <tr className="border-b border-rule">
      <td className="mono py-1.5 text-right text-bench font-semibold">{line.count}</td>
      <th scope="row" className="pl-5 text-left font-semibold">
        {line.title}
        <Problem className="text-note">{problem}</Problem>
      </th>
      <td className="mono text-right">{line.atOnce}</td>
      <td className="mono text-right">{line.losses}</td>
      <td className="mono text-right">{line.inStock}</td>
      {mayKeep && (
        <td className="text-right">
          <input
            inputMode="numeric"
            value={bought}
            onChange={({ target }) => setBought(target.value)}
            aria-label={`Bought of ${line.title}`}
            aria-invalid={pieces === undefined}
            className="mono min-h-9 w-16 border border-rule-strong bg-card px-2"
          />
          <Button
            size="small"
            className="ml-2"
            disabled={isBusy || pieces === undefined || pieces === 0}
            aria-label={`Book ${line.title} as bought`}
            onClick={book}
          >
            Book
          </Button>
        </td>
      )}
    </tr>
  );
}
