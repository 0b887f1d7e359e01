'use client';

import { ChevronRight } from 'lucide-react';
import { useState, type KeyboardEvent } from 'react';
import { expectationSentence } from '@/core/expectations';
import { withCatching, type Catching } from '@/core/faults/catching';
import type { FaultOutcome, RehearsedFault } from '@/core/faults/rehearsal';
import { rowOf } from '@/core/findings/table';
import { Button, Keys } from '../design/Button';
import { Problem } from '../design/Problem';
import { FaultBar, FaultMark, outcomeWords } from './FaultBar';
import { useFaultRehearsal } from './useFaultRehearsal';
import { useDispatch, useWorksheet, useWorksheetAround } from './useWorksheet';

/** Every slip that can be made in this exercise, made once and checked as if a learner had handed it in. */
export function FaultRehearsal() {
  const { rehearsal, start, cancel } = useFaultRehearsal();
  const store = useWorksheetAround();
  // What the slips are made in, to tell when it is out of date.
  const source = useWorksheet(({ sync: { sheet } }) =>
    JSON.stringify([sheet.program, sheet.layout, sheet.board, sheet.language, sheet.scenarios]),
  );
  const [madeFrom, setMadeFrom] = useState<string>();
  const isRunning = rehearsal.state === 'running';
  const isOld = rehearsal.state === 'over' && madeFrom !== source;
  const run = (): void => {
    setMadeFrom(source);
    start(store.getState().sync.sheet);
  };
  return (
    <section className="mt-4 border-t border-rule pt-3" aria-label="Fault rehearsal">
      <div className="flex flex-wrap items-center gap-x-4 gap-y-1">
        <h3 className="font-semibold">Would a slip be noticed?</h3>
        {isRunning ? (
          <Button className="min-h-8" onClick={cancel}>
            Stop
          </Button>
        ) : (
          <Button className="min-h-8" onClick={run}>
            {rehearsal.state === 'over' ? 'Rehearse again' : 'Rehearse the faults'}
          </Button>
        )}
        {isOld && <span className="text-note font-semibold text-risk">The exercise has changed since.</span>}
      </div>
      {rehearsal.state === 'idle' && (
        <p className="mt-1 text-note text-soft">
          Every slip a hand or a keyboard can make here is made once: each end one row off, each wire left
          out, each semicolon forgotten. Then it is checked as if a learner had handed it in.
        </p>
      )}
      {rehearsal.state === 'hindered' && <Problem className="mt-1 text-note">{rehearsal.message}</Problem>}
      {isRunning && <Progress done={rehearsal.faults.length} total={rehearsal.total} />}
      {(isRunning || rehearsal.state === 'over') && rehearsal.faults.length > 0 && (
        <>
          <FaultBar faults={rehearsal.faults} />
          {rehearsal.state === 'over' && rehearsal.isCutShort && (
            <p className="text-note text-soft">You stopped it; this is what was tried so far.</p>
          )}
          <SlippedThrough faults={rehearsal.faults} isOver={!isRunning} />
          <ToldOtherwise faults={rehearsal.faults} />
          {!isRunning && <BySort faults={rehearsal.faults} />}
        </>
      )}
    </section>
  );
}

function Progress({ done, total }: { readonly done: number; readonly total: number | undefined }) {
  return (
    <div className="mt-2 flex items-center gap-3" role="status">
      <div
        role="progressbar"
        aria-label="Slips tried"
        aria-valuemin={0}
        aria-valuemax={total}
        aria-valuenow={total === undefined ? undefined : done}
        className="h-2 flex-1 border border-ink"
      >
        <div
          className="h-full bg-ink"
          style={{ width: total === undefined ? 0 : `${(100 * done) / total}%` }}
        />
      </div>
      <span className="mono text-note">{total === undefined ? 'starting …' : `${done} of ${total}`}</span>
    </div>
  );
}

const of = (
  faults: readonly RehearsedFault[],
  ...outcomes: readonly FaultOutcome[]
): readonly RehearsedFault[] => faults.filter(({ outcome }) => outcomes.includes(outcome));

interface SlippedThroughProps {
  readonly faults: readonly RehearsedFault[];
  readonly isOver: boolean;
}

/** Slips that nobody is told of though they would be seen, each with the scenario that catches it. */
function SlippedThrough({ faults, isOver }: SlippedThroughProps) {
  const mayEdit = useWorksheet((state) => state.given.mayEdit);
  const scenarios = useWorksheet((state) => state.sync.sheet.scenarios);
  const dispatch = useDispatch();
  const slipped = of(faults, 'slips-through');
  const wrong = of(faults, 'wrongly-caught');
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
    return isOver ? (
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
        {slipped.map((fault) => (
          <li key={`${fault.sort} ${fault.what}`} className="border-t border-rule py-2">
            <SlipName fault={fault} />
            {fault.caughtBy && (
              <div className="flex flex-wrap items-start gap-x-4 gap-y-1 pl-6">
                <div className="min-w-56 flex-1">
                  <p className="text-note">
                    In <strong>{fault.caughtBy.scenario.name}</strong> it shows:{' '}
                    {fault.caughtBy.seen.join('; ')}.
                  </p>
                  <ul className="text-note text-soft">
                    {fault.caughtBy.scenario.expect.map((expectation) => (
                      <li key={expectationSentence(expectation)}>{expectationSentence(expectation)}.</li>
                    ))}
                  </ul>
                </div>
                {isAdded(fault.caughtBy) ? (
                  <p className="text-note font-semibold text-good">In the scenarios now</p>
                ) : (
                  mayEdit && (
                    <Button size="small" data-add onClick={() => add(fault.caughtBy!)}>
                      {fault.caughtBy.isNew ? 'Add this scenario' : 'Expect this too'}
                      <Keys>A</Keys>
                    </Button>
                  )
                )}
              </div>
            )}
          </li>
        ))}
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

/** Arrow keys go from one thing to add to the next, and A adds the first that is left, or the one that is chosen. */
function walk(event: KeyboardEvent<HTMLUListElement>): void {
  const buttons = [...event.currentTarget.querySelectorAll<HTMLButtonElement>('[data-add]')];
  const at = buttons.findIndex((button) => button === document.activeElement);
  const go = (to: number): void => buttons[Math.max(0, Math.min(buttons.length - 1, to))]?.focus();
  if (event.key === 'ArrowDown') go(at + 1);
  else if (event.key === 'ArrowUp') go(at - 1);
  else if (event.key.toLowerCase() === 'a' && !event.ctrlKey && !event.metaKey) {
    buttons[at]?.click();
    (buttons[at + 1] ?? buttons[at - 1])?.focus();
  } else return;
  event.preventDefault();
}

/** Slips that a learner is told of by another name than an expert would use. */
function ToldOtherwise({ faults }: { readonly faults: readonly RehearsedFault[] }) {
  const told = of(faults, 'other-cause');
  if (told.length === 0) return null;
  return (
    <>
      <h4 className="mt-3 font-semibold">
        {told.length === 1 ? 'One is told as something else' : `${told.length} are told as something else`}
      </h4>
      <ul className="border-b border-rule">
        {told.map((fault) => (
          <li key={`${fault.sort} ${fault.what}`} className="border-t border-rule py-2">
            <SlipName fault={fault} />
            <Told fault={fault} />
          </li>
        ))}
      </ul>
    </>
  );
}

interface SlipNameProps {
  readonly fault: RehearsedFault;
  /** Whether its kind stands above it already. */
  readonly isOfItsKind?: boolean;
}

function SlipName({ fault: { sort, what, outcome }, isOfItsKind = false }: SlipNameProps) {
  return (
    <p className="flex items-baseline gap-2">
      <FaultMark outcome={outcome} />
      <span>
        {!isOfItsKind && `${sort}: `}
        <span className="mono">{what.replace(ON_THE_ONLY_ONE, '')}</span>
      </span>
    </p>
  );
}

/** Before a hole or a pin, the breadboard or the board: there is one of each on most benches. */
const ON_THE_ONLY_ONE = /\b[BU]1\./g;

/** What the learner reads first, and the repair. */
function Told({ fault: { told } }: { readonly fault: RehearsedFault }) {
  if (!told) return null;
  return (
    <p className="pl-6 text-note">
      <strong>{rowOf(told.code).title}.</strong> {told.message} {told.repair}
    </p>
  );
}

/** All of them by the kind of slip; each opens to what the learner is told. */
function BySort({ faults }: { readonly faults: readonly RehearsedFault[] }) {
  const sorts = grouped(faults, ({ sort }) => sort);
  return (
    <details className="mt-3">
      <summary className="cursor-pointer font-semibold">
        All {faults.length} slips, and what is said of them
      </summary>
      <ul className="mt-1 border-b border-rule">
        {sorts.map(([sort, own]) => (
          <li key={sort} className="border-t border-rule">
            <details className="group">
              <summary className="flex cursor-pointer flex-wrap items-baseline gap-x-3 py-1 hover:bg-wash">
                <ChevronRight
                  size={14}
                  className="self-center transition-transform group-open:rotate-90"
                  aria-hidden="true"
                />
                <span className="mono w-6 text-right">{own.length}</span>
                <span className="flex-1">{sort}</span>
                <span className="text-note text-soft">{tally(own)}</span>
              </summary>
              <ul className="mb-2 pl-14">
                {own.map((fault) => (
                  <li key={fault.what} className="mt-1">
                    <SlipName fault={fault} isOfItsKind />
                    <Told fault={fault} />
                  </li>
                ))}
              </ul>
            </details>
          </li>
        ))}
      </ul>
    </details>
  );
}

/** The slips by something of them, in the order in which it appears. */
const grouped = <Key,>(
  faults: readonly RehearsedFault[],
  keyOf: (fault: RehearsedFault) => Key,
): readonly (readonly [Key, readonly RehearsedFault[]])[] =>
  [...new Set(faults.map(keyOf))].map((key) => [key, faults.filter((fault) => keyOf(fault) === key)]);

const tally = (faults: readonly RehearsedFault[]): string =>
  grouped(faults, ({ outcome }) => outcome)
    .map(([outcome, own]) => `${own.length} ${outcomeWords[outcome]}`)
    .join(', ');
