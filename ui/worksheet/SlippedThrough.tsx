'use client';

import type { KeyboardEvent } from 'react';
import { expectationSentence } from '@/core/expectations';
import { withCatching, type Catching } from '@/core/faults/catching';
import type { RehearsedFault } from '@/core/faults/outcome';
import { Button, Keys } from '../design/Button';
import { grouped, SlipName, thatCameOut } from './Slip';
import { useDispatch, useWorksheet } from './useWorksheet';

interface SlippedThroughProps {
  readonly faults: readonly RehearsedFault[];
  /** Whether these are all that can be made. */
  readonly isWhole: boolean;
}

/** Slips that nobody is told of though they would be seen, each with the scenario that catches it. */
export function SlippedThrough({ faults, isWhole }: SlippedThroughProps) {
  const mayEdit = useWorksheet((state) => state.given.mayEdit);
  const scenarios = useWorksheet((state) => state.sync.sheet.scenarios);
  const dispatch = useDispatch();
  const slipped = thatCameOut(faults, 'slips-through');
  const wrong = thatCameOut(faults, 'wrongly-caught');
  const isAdded = ({ scenario }: Catching): boolean =>
    scenarios.some(
      ({ name, expect }) =>
        name === scenario.name &&
        scenario.expect.every((one) =>
          expect.some((other) => expectationSentence(other) === expectationSentence(one)),
        ),
    );
  const add = (catching: Catching): void =>
    dispatch({ type: 'set', fields: { scenarios: [...withCatching(scenarios, catching)] } });
  if (slipped.length + wrong.length === 0)
    return isWhole ? (
      <p className="mt-2 font-semibold text-good">No slip that somebody would see gets through.</p>
    ) : null;
  return (
    <>
      {slipped.length > 0 && (
        <h4 className="mt-3 font-semibold text-fault">
          {slipped.length === 1 ? 'One slip gets through' : `${slipped.length} slips get through`}
        </h4>
      )}
      <ul className="border-b border-rule" onKeyDown={walk}>
        {grouped(slipped, catchingText).map(([text, own]) => {
          const { caughtBy } = own[0]!;
          return (
            <li key={text} className="border-t border-rule py-2">
              {own.map((fault) => (
                <SlipName key={`${fault.sort} ${fault.what}`} fault={fault} />
              ))}
              {caughtBy && (
                <div className="mt-1 flex flex-wrap items-start gap-x-4 gap-y-1 pl-5">
                  <div className="min-w-56 flex-1">
                    <p className="text-note">
                      In <strong>{caughtBy.scenario.name}</strong> it shows: {caughtBy.seen.join('; ')}. It
                      should be:
                    </p>
                    <ul className="text-note text-soft">
                      {caughtBy.scenario.expect.map((expectation) => (
                        <li key={expectationSentence(expectation)}>{expectationSentence(expectation)}.</li>
                      ))}
                    </ul>
                  </div>
                  {isAdded(caughtBy) ? (
                    <p className="text-note font-semibold text-good">In the scenarios now</p>
                  ) : (
                    mayEdit && (
                      <Button size="small" data-add onClick={() => add(caughtBy)}>
                        {caughtBy.isNew ? 'Add this scenario' : 'Expect this too'}
                        <Keys>A</Keys>
                      </Button>
                    )
                  )}
                </div>
              )}
            </li>
          );
        })}
        {wrong.map((fault) => (
          <li key={`${fault.sort} ${fault.what}`} className="border-t border-rule py-2">
            <SlipName fault={fault} />
            <p className="pl-6 text-note">
              It is the same circuit, and is called wrong: {fault.told?.message}
            </p>
          </li>
        ))}
      </ul>
    </>
  );
}

/** What would catch a slip, as a text to compare. */
const catchingText = ({ caughtBy }: RehearsedFault): string =>
  [
    caughtBy?.scenario.name,
    ...(caughtBy?.scenario.expect ?? []).map(expectationSentence),
    caughtBy?.seen,
  ].join();

/** Arrow keys go from one thing to add to the next, and A adds the one that is chosen. */
function walk(event: KeyboardEvent<HTMLUListElement>): void {
  const { currentTarget: list, key, ctrlKey, metaKey } = event;
  const toAdd = (): HTMLButtonElement[] => [...list.querySelectorAll<HTMLButtonElement>('[data-add]')];
  const at = toAdd().findIndex((button) => button === document.activeElement);
  const go = (to: number): void => toAdd()[Math.max(0, Math.min(toAdd().length - 1, to))]?.focus();
  if (key === 'ArrowDown') go(at + 1);
  else if (key === 'ArrowUp') go(at - 1);
  else if (key.toLowerCase() === 'a' && !ctrlKey && !metaKey && at >= 0) {
    toAdd()[at]!.click();
    // What was added is no button any more: on to the next when it is drawn.
    requestAnimationFrame(() => go(at));
  } else return;
  event.preventDefault();
}
