'use client';

import { X } from 'lucide-react';
import { useState } from 'react';
import type { ExerciseData } from '@/core/formats/exercise';
import { readExpectation } from '@/core/formats/scenario-lines';
import { expectationSentence, stimulusSentence } from '@/core/formats/scenario-sentences';
import type { Report } from '@/core/formats/report';
import { Button } from '../design/Button';

type Scenario = ExerciseData['scenarios'][number];

interface ExpectedProps {
  readonly scenarios: readonly Scenario[];
  /** What the reference itself does in each. */
  readonly results: Report['scenarios'];
  readonly mayEdit: boolean;
  readonly onChange: (scenarios: readonly Scenario[]) => void;
}

/** What must be seen, a sentence each. */
export function Expected({ scenarios, results, mayEdit, onChange }: ExpectedProps) {
  const replace = (index: number, scenario: Scenario | undefined): void =>
    onChange(scenarios.flatMap((old, at) => (at === index ? (scenario ? [scenario] : []) : [old])));
  return (
    <>
      {scenarios.length === 0 && !mayEdit && <p className="text-soft">Nothing is expected yet.</p>}
      {scenarios.map((scenario, index) => (
        <ScenarioLines
          key={index}
          scenario={scenario}
          result={results.find(({ name }) => name === scenario.name)}
          mayEdit={mayEdit}
          onChange={(next) => replace(index, next)}
        />
      ))}
      {mayEdit && (
        <NewExpectation
          label={scenarios.length === 0 ? 'What must be seen?' : 'Another scenario'}
          placeholder="D1 lit 0.5 s, dark 2.5 s"
          onAdd={(expectation) =>
            onChange([
              ...scenarios,
              {
                name: scenarios.length === 0 ? 'as taught' : `scenario ${scenarios.length + 1}`,
                for: USUAL_SECONDS,
                stimuli: [],
                expect: [expectation],
              },
            ])
          }
        />
      )}
    </>
  );
}

/** Seconds that a new scenario runs. */
const USUAL_SECONDS = 12;

interface ScenarioLinesProps {
  readonly scenario: Scenario;
  readonly result: Report['scenarios'][number] | undefined;
  readonly mayEdit: boolean;
  readonly onChange: (scenario: Scenario | undefined) => void;
}

function ScenarioLines({ scenario, result, mayEdit, onChange }: ScenarioLinesProps) {
  const without = (index: number): Scenario | undefined => {
    const expect = scenario.expect.filter((_, at) => at !== index);
    return expect.length > 0 ? { ...scenario, expect } : undefined;
  };
  return (
    <div className="mb-3">
      <p>
        <strong>{scenario.name}</strong>, over{' '}
        {mayEdit ? (
          <input
            type="number"
            min={1}
            max={600}
            aria-label={`Seconds of ${scenario.name}`}
            value={scenario.for}
            onChange={(event) => {
              const amount = Number(event.target.value);
              if (amount > 0 && amount <= 600) onChange({ ...scenario, for: amount });
            }}
            className="mono w-16 border-b border-rule-strong bg-transparent text-right"
          />
        ) : (
          scenario.for
        )}{' '}
        s:
      </p>
      <ul>
        {scenario.stimuli.map((stimulus) => (
          <li key={stimulusSentence(stimulus)}>{stimulusSentence(stimulus)}</li>
        ))}
        {scenario.expect.map((expectation, index) => (
          <li key={expectationSentence(expectation)} className="flex items-center gap-1">
            {expectationSentence(expectation)}.
            {mayEdit && (
              <button
                type="button"
                aria-label={`Expect no more: ${expectationSentence(expectation)}`}
                onClick={() => onChange(without(index))}
                className="flex h-6 w-6 items-center justify-center text-soft hover:text-ink"
              >
                <X size={14} aria-hidden="true" />
              </button>
            )}
          </li>
        ))}
      </ul>
      {mayEdit && (
        <NewExpectation
          label={`Also expect in ${scenario.name}`}
          placeholder="and what else"
          onAdd={(expectation) => onChange({ ...scenario, expect: [...scenario.expect, expectation] })}
        />
      )}
      {result && (
        <p className={result.passed ? 'text-note text-soft' : 'font-semibold text-fault'}>
          {result.passed ? 'The reference passes: ' : 'The reference does not pass: '}
          {result.expectations.map((expectation) => expectation.observed).join('; ')}.
        </p>
      )}
    </div>
  );
}

interface NewExpectationProps {
  readonly label: string;
  readonly placeholder: string;
  readonly onAdd: (expectation: Scenario['expect'][number]) => void;
}

function NewExpectation({ label, placeholder, onAdd }: NewExpectationProps) {
  const [text, setText] = useState('');
  const [problem, setProblem] = useState<string>();
  return (
    <form
      className="mt-1 flex items-start gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        if (text.trim() === '') return;
        const read = readExpectation(text);
        if (!read.ok) {
          setProblem(read.problems[0]!.message);
          return;
        }
        setProblem(undefined);
        setText('');
        onAdd(read.value);
      }}
    >
      <div className="min-w-0 flex-1">
        <input
          value={text}
          aria-label={label}
          aria-invalid={problem ? true : undefined}
          placeholder={placeholder}
          onChange={(event) => setText(event.target.value)}
          className="mono w-full border-b border-rule-strong bg-transparent py-1 placeholder:text-soft"
        />
        {problem && (
          <p role="alert" className="text-note font-semibold text-fault">
            {problem}
          </p>
        )}
      </div>
      {text.trim() !== '' && (
        <Button type="submit" className="min-h-8">
          Expect it
        </Button>
      )}
    </form>
  );
}
