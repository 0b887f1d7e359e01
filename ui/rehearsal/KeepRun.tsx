'use client';

import { useState } from 'react';
import { useStore } from 'zustand';
import { expectationSentence } from '@/core/expectations';
import type { Shown } from '@/core/generated/shown';
import type { Scenario } from '@/core/formats/scenario';
import { stimulusSentenceOf } from '@/core/stimuli';
import type { PlacedPart } from '@/core/wiring/wiring';
import type { ProposalMark } from '@/core/worksheet/change';
import { Button, Keys } from '../design/Button';
import { useKey } from '../shell/useKey';
import type { Rehearsal } from './useRehearsal';

interface KeepRunProps {
  readonly rehearsal: Rehearsal;
  /** Names that scenarios have already. */
  readonly taken: readonly string[];
  /** The parts to which something is done. */
  readonly parts: readonly PlacedPart[];
  readonly onKeep: (kept: KeptRun) => void;
}

/** A run as a scenario: what of it hand-ins must do as well, and what of it is wrong and has to change. */
export interface KeptRun {
  readonly right: Scenario | undefined;
  readonly wrong: Scenario | undefined;
}

const words: Readonly<Record<ProposalMark, string>> = { right: 'Right', wrong: 'Wrong', free: 'Free' };

/** Makes a scenario of what was done by hand, with what came of it, each to be asked of hand-ins or left free. */
export function KeepRun({ rehearsal, taken, parts, onKeep }: KeepRunProps) {
  const canKeep = useStore(rehearsal, ({ play, runs }) => play.at > 0 && runs !== undefined);
  const [proposed, setProposed] = useState<Shown>();
  const [marks, setMarks] = useState<readonly ProposalMark[]>([]);
  const [said, setSaid] = useState('');
  const propose = (): void => {
    rehearsal.dispatch({ type: 'stand still' });
    void rehearsal.keep(freeName(taken)).then((shown) => {
      setProposed(shown);
      setMarks(
        shown?.scenario.expect.map((_, index) => (shown.varying.includes(index) ? 'free' : 'right')) ?? [],
      );
      setSaid(shown ? '' : 'Nothing was seen or heard in this run, so there is nothing to expect.');
    });
  };
  useKey('k', () => canKeep && propose());
  const finish = ({ scenario }: Shown): void => {
    const marked = (mark: ProposalMark): Scenario | undefined => {
      const expect = scenario.expect.filter((_, index) => marks[index] === mark);
      const name = mark === 'wrong' ? `${scenario.name}, wrong` : scenario.name;
      return expect.length === 0 ? undefined : { ...scenario, name, expect };
    };
    const kept = { right: marked('right'), wrong: marked('wrong') };
    onKeep(kept);
    setProposed(undefined);
    setSaid(
      kept.right
        ? `“${kept.right.name}” is a scenario of this exercise now.`
        : 'It is kept as wrong: the program has to change.',
    );
  };
  return (
    <section aria-label="Keep this run" className="border-t border-rule pt-3">
      <div className="flex flex-wrap items-center gap-3">
        <Button disabled={!canKeep} onClick={propose}>
          Keep this run as a scenario
          <Keys>K</Keys>
        </Button>
        <span role="status" className="text-note">
          {said}
        </span>
      </div>
      {proposed && (
        <div className="mt-2">
          <p>
            <strong>{proposed.scenario.name}</strong>, {proposed.scenario.for} s
          </p>
          {proposed.scenario.stimuli.map((stimulus) => (
            <p key={stimulusSentenceOf(stimulus, parts)} className="mono text-note text-soft">
              {stimulusSentenceOf(stimulus, parts)}
            </p>
          ))}
          {proposed.doubt !== undefined && <p className="text-note text-risk">{proposed.doubt}</p>}
          <p className="mt-1 text-note text-soft">
            Right: hand-ins must do the same. Wrong: the program still has to change. Free: either is fine.
          </p>
          <ul className="mt-1 border-b border-rule">
            {proposed.scenario.expect.map((expectation, index) => {
              const sentence = expectationSentence(expectation);
              const varies = proposed.varying.includes(index);
              return (
                <li key={sentence} className="flex flex-wrap items-center gap-3 border-t border-rule py-1.5">
                  <span className={`min-w-56 flex-1 ${marks[index] === 'right' ? '' : 'text-soft'}`}>
                    {sentence}
                    {varies ? <span className="text-risk">, but not every time.</span> : '.'}
                  </span>
                  <span role="group" aria-label={`Mark ${sentence}`} className="flex">
                    {(['right', 'wrong', 'free'] as const).map((one) => (
                      <Button
                        key={one}
                        look="choice"
                        size="small"
                        disabled={varies && one === 'right'}
                        aria-pressed={marks[index] === one}
                        onClick={() => setMarks(marks.map((mark, at) => (at === index ? one : mark)))}
                      >
                        {words[one]}
                      </Button>
                    ))}
                  </span>
                </li>
              );
            })}
          </ul>
          <div className="mt-2 flex gap-3">
            <Button
              look="main"
              disabled={marks.every((mark) => mark === 'free')}
              onClick={() => finish(proposed)}
            >
              Keep it so
            </Button>
            <Button look="quiet" onClick={() => setProposed(undefined)}>
              Don’t keep it
            </Button>
          </div>
        </div>
      )}
    </section>
  );
}

/** The first name of its sort that no scenario has. */
function freeName(taken: readonly string[]): string {
  let number = 1;
  while (taken.includes(`by hand ${number}`)) number += 1;
  return `by hand ${number}`;
}
