'use client';

import { useStore } from 'zustand';
import { Button, Keys } from '../design/Button';
import { useKey } from '../shell/useKey';
import { SPEEDS, speedBeside, speedText } from './play';
import type { Playing } from './useRehearsal';

interface TransportProps {
  readonly rehearsal: Playing;
  /** Whether it goes line by line too: there is a program to be seen. */
  readonly showsProgram: boolean;
  /** Whether single keys act on it: where two runs are shown, on one of them only. */
  readonly keys?: 'on' | 'off';
}

/** Lets a run go on and stand still, and takes it to its next line, round or change. */
export function Transport({ rehearsal, showsProgram, keys = 'on' }: TransportProps) {
  const going = useStore(rehearsal, ({ play }) => play.going);
  const isThere = useStore(rehearsal, ({ runs }) => runs !== undefined);
  const { dispatch } = rehearsal;
  const seek = (to: number | undefined): void => {
    if (to !== undefined) dispatch({ type: 'seek', at: to });
  };
  const run = () => rehearsal.getState().runs?.runs[0];
  const at = () => rehearsal.getState().play.at;
  const toggle = (): void => dispatch({ type: going === 'on' ? 'stand still' : 'go on' });
  const line = (way: 'next' | 'before') => () => seek(run()?.inside?.program.stepFrom(at(), way));
  const round = (): void => seek(run()?.inside?.program.roundFrom(at()));
  const change = (way: 'next' | 'before') => () => seek(run()?.replay.changeFrom(at(), way));
  const key = (one: string): string => (keys === 'on' ? one : '');
  useKey(key(' '), toggle);
  useKey(key('.'), line('next'));
  useKey(key(','), line('before'));
  useKey(key('o'), round);
  useKey(key('n'), change('next'));
  useKey(key('p'), change('before'));
  useKey(key('b'), () => dispatch({ type: 'begin again' }));
  return (
    <div role="group" aria-label="The run" className="flex flex-wrap items-center gap-1.5">
      <Button look="main" className="min-h-11 min-w-28" disabled={!isThere} onClick={toggle}>
        {going === 'on' ? 'Stand still' : 'Run'}
        {keys === 'on' && <Keys>Space</Keys>}
      </Button>
      <Button className="min-h-11" disabled={!isThere} onClick={() => dispatch({ type: 'begin again' })}>
        From the start
        {keys === 'on' && <Keys>B</Keys>}
      </Button>
      {showsProgram && (
        <Step title="Line" keys={[',', '.']} isThere={isThere} back={line('before')} on={line('next')} />
      )}
      {showsProgram && (
        <Button className="min-h-11" disabled={!isThere} onClick={round}>
          Once round
          <Keys>O</Keys>
        </Button>
      )}
      <Step
        title="Change"
        keys={keys === 'on' ? ['P', 'N'] : undefined}
        isThere={isThere}
        back={change('before')}
        on={change('next')}
      />
    </div>
  );
}

/** How fast a run is shown. */
export function Pace({ rehearsal }: { readonly rehearsal: Playing }) {
  const speed = useStore(rehearsal, ({ play }) => play.speed);
  const { dispatch } = rehearsal;
  const pace = (way: 'faster' | 'slower') => () =>
    dispatch({ type: 'at speed', speed: speedBeside(speed, way) });
  useKey('+', pace('faster'));
  useKey('-', pace('slower'));
  return (
    <label className="flex items-center gap-2">
      <span className="text-note text-soft">Speed</span>
      <select
        value={speed}
        onChange={({ target }) => dispatch({ type: 'at speed', speed: Number(target.value) })}
        className="mono min-h-11 rounded-edge border border-rule-strong bg-card px-2 font-semibold"
      >
        {SPEEDS.map((one) => (
          <option key={one} value={one}>
            {speedText(one)}
          </option>
        ))}
      </select>
      <span className="max-lg:hidden">
        <Keys>−</Keys>
        <Keys>+</Keys>
      </span>
    </label>
  );
}

interface StepProps {
  readonly title: string;
  readonly keys: readonly [back: string, on: string] | undefined;
  readonly isThere: boolean;
  readonly back: () => void;
  readonly on: () => void;
}

/** A step of one sort, back and on. */
function Step({ title, keys, isThere, back, on }: StepProps) {
  const name = title.toLowerCase();
  return (
    <span className="flex">
      <Button
        className="min-h-11 min-w-11 rounded-r-none"
        disabled={!isThere}
        aria-label={`One ${name} back`}
        onClick={back}
      >
        ◂{keys && <Keys>{keys[0]}</Keys>}
      </Button>
      <Button
        className="-ml-px min-h-11 rounded-l-none"
        disabled={!isThere}
        aria-label={`Next ${name}`}
        onClick={on}
      >
        {title} ▸{keys && <Keys>{keys[1]}</Keys>}
      </Button>
    </span>
  );
}
