'use client';

import { useState, useTransition } from 'react';
import type { ConsideredScenario } from '@/core/formats/exercise';
import { expectationSentence } from '@/core/expectations';
import { stimulusSentenceOf } from '@/core/stimuli';
import type { ProposedScenario } from '@/core/generated/proposals';
import { everyTime } from '@/core/generated/shown';
import { Button } from '../design/Button';
import { Problem } from '../design/Problem';
import { useDispatch, useWorksheet } from './useWorksheet';

const NOTHING_MARKED: readonly ConsideredScenario[] = [];

type Mark = ConsideredScenario['mark'] | 'right';

interface ProposalsProps {
  readonly propose: () => Promise<readonly ProposedScenario[]>;
}

/** What the program does when it is used in usual and in unusual ways, each to be marked right, wrong or free. */
export function Proposals({ propose }: ProposalsProps) {
  const scenarios = useWorksheet((state) => state.sync.sheet.scenarios);
  const considered = useWorksheet((state) => state.sync.sheet.considered ?? NOTHING_MARKED);
  const dispatch = useDispatch();
  // What the proposals are made from, to tell when they are out of date.
  const source = useWorksheet(({ sync: { sheet } }) =>
    JSON.stringify([sheet.program, sheet.layout, sheet.board, sheet.language]),
  );
  const isKept = useWorksheet(({ keeping, sync }) => keeping.state === 'saved' && sync.unsent.length === 0);
  const [proposed, setProposed] = useState<readonly ProposedScenario[]>();
  const [madeFrom, setMadeFrom] = useState<string>();
  const [isLost, setLost] = useState(false);
  const [isPending, begin] = useTransition();
  const run = (): void =>
    begin(async () => {
      try {
        const found = await propose();
        setProposed(found);
        setMadeFrom(source);
        setLost(false);
      } catch {
        setLost(true);
      }
    });
  const open = proposed?.filter(({ scenario }) => scenarios.every(({ name }) => name !== scenario.name));
  const isOld = proposed !== undefined && madeFrom !== source;
  return (
    <section className="mt-4 border-t border-rule pt-3" aria-label="Scenarios from running the program">
      <div className="flex flex-wrap items-center gap-x-4 gap-y-1">
        <h3 className="font-semibold">What else does it do?</h3>
        <Button className="min-h-8" disabled={isPending || !isKept} onClick={run}>
          {isPending ? 'Running it …' : proposed ? 'Run it again' : 'Run it and see'}
        </Button>
        {isOld && <span className="text-note font-semibold text-risk">The exercise has changed since.</span>}
      </div>
      {isLost && (
        <Problem className="mt-1 text-note">The server didn’t answer. Nothing is lost; try again.</Problem>
      )}
      {!proposed && (
        <p className="mt-1 text-note text-soft">
          The program is run untouched, with each part used once, and in ways nobody planned: held down, two
          at once, in the middle of a delay.
        </p>
      )}
      {open && (
        <p className="mt-1 text-note text-soft">
          {open.length === 0
            ? 'There is nothing left to mark.'
            : 'Right: hand-ins must do the same. Wrong: the program still has to change. Free: either is fine.'}
        </p>
      )}
      {open && open.length > 0 && (
        <ul className="mt-2 border-b border-rule">
          {open.map((proposal) => (
            <Proposal
              key={proposal.scenario.name}
              proposal={proposal}
              mark={considered.find(({ scenario }) => scenario.name === proposal.scenario.name)?.mark}
              onMark={(mark) => {
                const asked = mark === 'right' ? everyTime(proposal) : proposal.scenario;
                if (asked) dispatch({ type: 'mark', scenario: asked, mark });
              }}
            />
          ))}
        </ul>
      )}
    </section>
  );
}

const choices: readonly { readonly mark: Mark; readonly word: string }[] = [
  { mark: 'right', word: 'Right' },
  { mark: 'wrong', word: 'Wrong' },
  { mark: 'free', word: 'Free' },
];

interface ProposalProps {
  readonly proposal: ProposedScenario;
  readonly mark: ConsideredScenario['mark'] | undefined;
  readonly onMark: (mark: Mark | undefined) => void;
}

function Proposal({ proposal, mark, onMark }: ProposalProps) {
  const { scenario, unscripted, doubt, varying, mark: before } = proposal;
  const parts = useWorksheet((state) => state.sync.sheet.parts);
  const canBeAsked = everyTime(proposal) !== undefined;
  return (
    <li className="flex flex-wrap items-start gap-x-4 gap-y-1 border-t border-rule py-2">
      <div className="min-w-56 flex-1">
        <p>
          <strong>{scenario.name}</strong>
          {unscripted && <span className="text-note text-soft"> · unplanned</span>}
        </p>
        <ul className={mark === 'free' ? 'text-soft' : ''}>
          {scenario.stimuli.map((stimulus) => (
            <li key={stimulusSentenceOf(stimulus, parts)} className="mono text-note text-soft">
              {stimulusSentenceOf(stimulus, parts)}
            </li>
          ))}
          {scenario.expect.map((expectation, index) => (
            <li key={expectationSentence(expectation)}>
              {expectationSentence(expectation)}
              {varying.includes(index) ? <span className="text-risk">, but not every time.</span> : '.'}
            </li>
          ))}
        </ul>
        {before === 'changed' && mark === 'wrong' && (
          <p className="text-note font-semibold text-good">
            You marked what it did here as wrong; it does this now.
          </p>
        )}
        {doubt && <p className="text-note text-risk">{doubt}</p>}
      </div>
      <div role="group" aria-label={`Mark ${scenario.name}`} className="flex">
        {choices.map(({ mark: choice, word }) => (
          <Button
            key={choice}
            look="choice"
            size="small"
            disabled={choice === 'right' && !canBeAsked}
            aria-pressed={mark === choice}
            className="min-w-14"
            onClick={() => onMark(mark === choice ? undefined : choice)}
          >
            {word}
          </Button>
        ))}
      </div>
    </li>
  );
}
