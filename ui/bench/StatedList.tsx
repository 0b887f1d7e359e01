'use client';

import { expectationSentence } from '@/core/expectations';
import { exampleStimulus } from '@/core/generated/situations';
import type { Scenario } from '@/core/formats/scenario';
import { readBegun, readDone, usualSeconds } from '@/core/statements/sentences';
import { stimulusSentenceOf } from '@/core/stimuli';
import { NewSentence } from '../worksheet/scenarios/NewSentence';
import { Sentence } from '../worksheet/scenarios/Sentence';
import { useBench } from './useBench';

/** What a learner says that theirs does, a sentence each, with what is done to it where something can be. */
export function StatedList() {
  const { exercise, state, dispatch } = useBench();
  const { stated = [] } = state.draft;
  const { parts } = exercise;
  const touch = exampleStimulus(parts);
  const set = (next: readonly Scenario[]): void =>
    dispatch({
      type: 'state',
      stated: next.map((scenario, index) => ({
        ...scenario,
        name: `yours ${index + 1}`,
        for: usualSeconds(scenario),
      })),
    });
  const change = (index: number, next: Partial<Scenario>): void =>
    set(stated.map((scenario, at) => (at === index ? { ...scenario, ...next } : scenario)));
  return (
    <>
      <ol aria-label="What yours does" className="grid gap-2">
        {stated.map((scenario, index) => (
          <li key={index} className="border-l-4 border-focus pl-3">
            <ul>
              {scenario.stimuli.map((stimulus, at) => (
                <Sentence
                  key={at}
                  text={stimulusSentenceOf(stimulus, parts)}
                  takeAway={{
                    label: 'Remove',
                    act: () =>
                      change(index, { stimuli: scenario.stimuli.filter((_, other) => other !== at) }),
                  }}
                />
              ))}
              {scenario.expect.map((expectation, at) => (
                <Sentence
                  key={at}
                  text={expectationSentence(expectation)}
                  takeAway={{
                    label: 'Remove',
                    act: () => {
                      const expect = scenario.expect.filter((_, other) => other !== at);
                      if (expect.length > 0) change(index, { expect });
                      else set(stated.filter((_, other) => other !== index));
                    },
                  }}
                />
              ))}
            </ul>
            {touch && (
              <NewSentence
                label={`What is done in ${scenario.name}`}
                placeholder={`when: ${stimulusSentenceOf(touch, parts)}`}
                submit="Do it"
                read={(text) => readDone(text, parts, scenario.stimuli)}
                onAdd={(stimuli) =>
                  change(index, {
                    stimuli: [...scenario.stimuli, ...stimuli].sort((one, other) => one.at - other.at),
                  })
                }
              />
            )}
          </li>
        ))}
      </ol>
      <div className="h-1.5" />
      <NewSentence
        label={stated.length === 0 ? 'What does yours do?' : 'What else does yours do?'}
        placeholder={stated.length === 0 ? 'D1 lit 1 s, dark 2 s' : 'and what else?'}
        submit="Say it"
        read={(text) => readBegun(text, parts)}
        onAdd={({ stimuli, expect }) =>
          set([...stated, { name: '', for: 1, stimuli: [...stimuli], expect: [...expect] }])
        }
      />
    </>
  );
}
