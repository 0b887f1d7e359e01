'use client';

import { ChevronRight } from 'lucide-react';
import { useState } from 'react';
import type { RehearsedFault } from '@/core/faults/outcome';
import { Button } from '../design/Button';
import { Problem } from '../design/Problem';
import { FaultBar, outcomeWords } from './FaultBar';
import { grouped, SlipName, thatCameOut, Told } from './Slip';
import { SlippedThrough } from './SlippedThrough';
import { useFaultRehearsal } from './useFaultRehearsal';
import { useWorksheet, useWorksheetAround } from './useWorksheet';

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
          <SlippedThrough
            faults={rehearsal.faults}
            isWhole={rehearsal.state === 'over' && !rehearsal.isCutShort}
          />
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

/** Slips that a learner is told of by another name than an expert would use. */
function ToldOtherwise({ faults }: { readonly faults: readonly RehearsedFault[] }) {
  const told = thatCameOut(faults, 'other-cause');
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

const tally = (faults: readonly RehearsedFault[]): string =>
  grouped(faults, ({ outcome }) => outcome)
    .map(([outcome, own]) => `${own.length} ${outcomeWords[outcome]}`)
    .join(', ');
