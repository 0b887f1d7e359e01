'use client';

import { Popover } from 'radix-ui';
import { useState } from 'react';
import type { BoardProfile } from '@/core/boards';
import { adviseOnPins, type PinAdvice } from '@/core/statements';
import { useDispatch, useWorksheet } from './useWorksheet';

/** Every pin of the board: who has it, what it can do, which are better left free. */
export function PinStrip({ board }: { readonly board: BoardProfile }) {
  const taken = useWorksheet((state) => state.derived.taken());
  const advice = adviseOnPins(board, 'digital', taken);
  const inOrder = board.pins.map((pin) => advice.find((one) => one.pin === pin.name)!);
  return (
    <div className="mt-2 flex flex-wrap gap-1" role="group" aria-label="Pins">
      {inOrder.map((one) => (
        <PinCell key={one.pin} advice={one} all={advice} />
      ))}
    </div>
  );
}

interface PinCellProps {
  readonly advice: PinAdvice;
  readonly all: readonly PinAdvice[];
}

function PinCell({ advice, all }: PinCellProps) {
  const mayEdit = useWorksheet((state) => state.given.mayEdit);
  const dispatch = useDispatch();
  const [isOpen, setOpen] = useState(false);
  const { pin, takenBy, betterFree, can } = advice;
  const isAble = can.length > 0;
  const free = all.filter(
    (one) => one.takenBy === undefined && one.betterFree === undefined && one.pin !== pin,
  );
  const words =
    takenBy !== undefined ? `taken by ${takenBy}` : betterFree !== undefined ? `better left free` : 'free';
  return (
    <Popover.Root open={isOpen} onOpenChange={setOpen}>
      <Popover.Trigger
        aria-label={`Pin ${pin}: ${words}${isAble ? `; ${can.join(', ')}` : ''}`}
        className={`mono relative h-7 min-w-7 border px-1 text-note ${
          takenBy !== undefined
            ? 'border-ink bg-ink font-semibold text-card'
            : betterFree !== undefined
              ? 'border-dashed border-rule-strong text-soft line-through'
              : 'border-rule-strong bg-card hover:border-ink'
        }`}
      >
        {pin}
        {can.includes('PWM') && <Mark className="left-0.5" />}
        {can.includes('interrupt') && <Mark className="right-0.5" />}
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          align="start"
          sideOffset={4}
          aria-label={`Pin ${pin}`}
          className="z-20 w-72 border border-ink bg-card p-3"
        >
          <p>
            <strong className="mono">{pin}</strong> is {words}.
          </p>
          {betterFree !== undefined && <p className="text-note">Left free because {betterFree}.</p>}
          <p className="text-note text-soft">
            {isAble ? `It is plain digital, and: ${can.join(', ')}.` : 'It is plain digital.'}
          </p>
          {takenBy !== undefined && mayEdit && free.length > 0 && (
            <>
              <p className="mt-2 text-note font-semibold">Move it to</p>
              <div className="mt-1 flex flex-wrap gap-1">
                {free.map((one) => (
                  <button
                    key={one.pin}
                    type="button"
                    title={one.can.join(', ')}
                    onClick={() => {
                      setOpen(false);
                      dispatch({ type: 'move pin', from: pin, to: one.pin });
                    }}
                    className="mono min-h-7 min-w-8 border border-rule-strong px-1 text-note hover:border-ink"
                  >
                    {one.pin}
                  </button>
                ))}
              </div>
            </>
          )}
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}

const Mark = ({ className }: { readonly className: string }) => (
  <span aria-hidden="true" className={`absolute bottom-0 h-0.5 w-2 bg-current ${className}`} />
);
