'use client';

import { X } from 'lucide-react';
import { useState } from 'react';
import type { ExerciseData } from '@/core/formats/exercise';
import { stimulusSentence, type Stimulus } from '@/core/stimuli';
import { expectationSentence } from '@/core/expectations';
import { exampleStimulus } from '@/core/generated/situations';
import type { ScenarioResult } from '@/core/formats/report';
import type { Result } from '@/core/result';
import { readDone, readExpected } from '@/core/statements';
import { Button } from '../design/Button';
import { Problem } from '../design/Problem';
import { useDispatch, useWorksheet } from './useWorksheet';

type Scenario = ExerciseData['scenarios'][number];

/** What must be seen, a sentence each. */
export function Expected() {
  const parts = useWorksheet((state) => state.sync.sheet.parts);
  const scenarios = useWorksheet((state) => state.sync.sheet.scenarios);
  const results = useWorksheet((state) => state.proof.scenarios);
  const withoutProgram = useWorksheet((state) => state.proof.withoutProgram);
  const mayEdit = useWorksheet((state) => state.given.mayEdit);
  const dispatch = useDispatch();
  const onChange = (next: readonly Scenario[]): void =>
    dispatch({ type: 'set', fields: { scenarios: next } });
  const example = exampleStimulus(parts) ?? BOARD_STIMULUS;
  const replace = (index: number, scenario: Scenario | undefined): void =>
    onChange(scenarios.flatMap((old, at) => (at === index ? (scenario ? [scenario] : []) : [old])));
  return (
    <>
      {scenarios.length === 0 && !mayEdit && <p className="text-soft">Nothing to check yet.</p>}
      {scenarios.map((scenario, index) => (
        <ScenarioLines
          key={index}
          scenario={scenario}
          parts={parts}
          withoutProgram={withoutProgram[index] ?? []}
          example={stimulusSentence(example)}
          result={results[index]?.name === scenario.name ? results[index] : undefined}
          mayEdit={mayEdit}
          onChange={(next) => replace(index, next)}
        />
      ))}
      {mayEdit && (
        <NewSentence
          submit="Expect it"
          read={(text) => readExpected(text, parts, [])}
          label={scenarios.length === 0 ? 'What must be seen?' : 'Another scenario'}
          placeholder="D1 lit 0.5 s, dark 2.5 s"
          onAdd={(expect) =>
            onChange([
              ...scenarios,
              {
                name: freeName(scenarios),
                for: USUAL_SECONDS,
                stimuli: [],
                expect: [...expect],
              },
            ])
          }
        />
      )}
    </>
  );
}

/** What a new scenario is called: the first is what is taught, the others are numbered, each number once. */
function freeName(scenarios: readonly Scenario[]): string {
  if (scenarios.length === 0) return 'as taught';
  const taken = new Set(scenarios.map(({ name }) => name));
  let number = scenarios.length + 1;
  while (taken.has(`scenario ${number}`)) number += 1;
  return `scenario ${number}`;
}

/** Seconds that a new scenario runs. */
const USUAL_SECONDS = 12;

/** What can be done to every board. */
const BOARD_STIMULUS: Stimulus = { at: 2, reset: true };

interface ScenarioLinesProps {
  readonly scenario: Scenario;
  readonly parts: ExerciseData['parts'];
  /** For each expectation, whether it would be met without any program. */
  readonly withoutProgram: readonly boolean[];
  /** Something that can be done to this circuit. */
  readonly example: string;
  readonly result: ScenarioResult | undefined;
  readonly mayEdit: boolean;
  readonly onChange: (scenario: Scenario | undefined) => void;
}

function ScenarioLines({
  scenario,
  parts,
  withoutProgram,
  example,
  result,
  mayEdit,
  onChange,
}: ScenarioLinesProps) {
  const without = (index: number): Scenario | undefined => {
    const expect = scenario.expect.filter((_, at) => at !== index);
    return expect.length > 0 ? { ...scenario, expect } : undefined;
  };
  return (
    <div className="mb-3">
      <p>
        {mayEdit ? (
          <ScenarioName name={scenario.name} onName={(name) => onChange({ ...scenario, name })} />
        ) : (
          <strong>{scenario.name}</strong>
        )}
        , over{' '}
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
        {scenario.stimuli.map((stimulus, index) => (
          <Sentence
            key={index}
            text={stimulusSentence(stimulus)}
            takeAway={
              mayEdit
                ? {
                    label: 'Remove',
                    act: () =>
                      onChange({ ...scenario, stimuli: scenario.stimuli.filter((_, at) => at !== index) }),
                  }
                : undefined
            }
          />
        ))}
      </ul>
      {mayEdit && (
        <NewSentence
          label={`Do meanwhile in ${scenario.name}`}
          placeholder={example}
          submit="Do it"
          read={(text) => readDone(text, parts, scenario.stimuli)}
          onAdd={(stimuli) =>
            onChange({
              ...scenario,
              stimuli: [...scenario.stimuli, ...stimuli].sort((one, other) => one.at - other.at),
            })
          }
        />
      )}
      <ul className="mt-1">
        {scenario.expect.map((expectation, index) => (
          <Sentence
            key={index}
            text={expectationSentence(expectation)}
            note={withoutProgram[index] ? 'so without a program too' : undefined}
            takeAway={mayEdit ? { label: 'Remove', act: () => onChange(without(index)) } : undefined}
          />
        ))}
      </ul>
      {mayEdit && (
        <NewSentence
          label={`Also expect in ${scenario.name}`}
          placeholder="and what else"
          submit="Expect it"
          read={(text) => readExpected(text, parts, scenario.stimuli)}
          onAdd={(expect) => onChange({ ...scenario, expect: [...scenario.expect, ...expect] })}
        />
      )}
      {withoutProgram.length > 0 && withoutProgram.every(Boolean) && (
        <p className="text-risk">
          A program that does nothing passes this scenario, so another one has to say what must happen.
        </p>
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

/** The name of a scenario, which the report uses too. */
function ScenarioName({ name, onName }: { readonly name: string; readonly onName: (name: string) => void }) {
  return (
    <input
      key={name}
      defaultValue={name}
      aria-label={`Name of scenario ${name}`}
      maxLength={200}
      size={Math.min(32, Math.max(10, name.length))}
      onBlur={({ target }) => {
        const next = target.value.trim();
        if (next === '') target.value = name;
        else if (next !== name) onName(next);
      }}
      onKeyDown={(event) => {
        if (event.key === 'Enter') event.currentTarget.blur();
      }}
      className="border-b border-rule-strong bg-transparent font-bold"
    />
  );
}

interface SentenceProps {
  readonly text: string;
  readonly note?: string | undefined;
  readonly takeAway: { readonly label: string; readonly act: () => void } | undefined;
}

function Sentence({ text, note, takeAway }: SentenceProps) {
  return (
    <li className="flex items-center gap-1">
      {text}.{note && <span className="text-note text-soft">({note})</span>}
      {takeAway && (
        <button
          type="button"
          aria-label={`${takeAway.label}: ${text}`}
          onClick={takeAway.act}
          className="flex h-6 w-6 shrink-0 items-center justify-center text-soft hover:text-ink"
        >
          <X size={14} aria-hidden="true" />
        </button>
      )}
    </li>
  );
}

interface NewSentenceProps<Read> {
  readonly label: string;
  readonly placeholder: string;
  /** What the button says that takes the sentence. */
  readonly submit: string;
  readonly read: (text: string) => Result<Read>;
  readonly onAdd: (read: Read) => void;
}

/** A line in which a stimulus or an expectation is written as a sentence. */
function NewSentence<Read>({ label, placeholder, submit, read, onAdd }: NewSentenceProps<Read>) {
  const [text, setText] = useState('');
  const [problem, setProblem] = useState<string>();
  return (
    <form
      className="mt-1 flex items-start gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        if (text.trim() === '') return;
        const sentence = read(text);
        if (!sentence.ok) {
          setProblem(sentence.problems[0]!.message);
          return;
        }
        setProblem(undefined);
        setText('');
        onAdd(sentence.value);
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
        <Problem className="text-note">{problem}</Problem>
      </div>
      {text.trim() !== '' && (
        <Button type="submit" className="min-h-8">
          {submit}
        </Button>
      )}
    </form>
  );
}
