'use client';

import { expectationSentence } from '@/core/expectations';
import type { ExerciseData } from '@/core/formats/exercise';
import type { ScenarioResult } from '@/core/formats/report';
import type { Scenario } from '@/core/formats/scenario';
import { saidOfLeftAlone } from '@/core/plan/left-alone';
import { readDone, readExpected } from '@/core/statements/sentences';
import { stimulusSentenceOf } from '@/core/stimuli';
import { NewSentence } from './NewSentence';
import { Sentence } from './Sentence';

interface ScenarioLinesProps {
  readonly scenario: Scenario;
  readonly parts: ExerciseData['parts'];
  /** For each expectation, whether it would be met without any program. */
  readonly withoutProgram: readonly boolean[];
  /** Something that can be done to this circuit. */
  readonly example: string;
  readonly result: ScenarioResult | undefined;
  readonly mayEdit: boolean;
  readonly isGraded: boolean;
  readonly onChange: (scenario: Scenario | undefined) => void;
  /** Whether it has just been begun, so that whoever writes goes on in it. */
  readonly isBegun: boolean;
  /** Goes on to the next scenario. */
  readonly onNext: () => void;
}

/** One scenario: what is done, and what must come of it, a sentence each. */
export function ScenarioLines({
  scenario,
  parts,
  withoutProgram,
  example,
  result,
  mayEdit,
  isGraded,
  onChange,
  isBegun,
  onNext,
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
        s
        {!isGraded ? null : mayEdit ? (
          <Points scenario={scenario} onChange={onChange} />
        ) : (
          scenario.points !== undefined && `, worth ${scenario.points}`
        )}
        :
      </p>
      <ul>
        {scenario.stimuli.map((stimulus, index) => (
          <Sentence
            key={index}
            text={stimulusSentenceOf(stimulus, parts)}
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
          isNext={isBegun}
          onLeave={onNext}
          onAdd={(expect) => onChange({ ...scenario, expect: [...scenario.expect, ...expect] })}
        />
      )}
      {withoutProgram.length > 0 && withoutProgram.every(Boolean) && (
        <p className="text-risk">
          A program that does nothing passes this scenario, so another one has to say what must happen.
        </p>
      )}
      {result && <Seen result={result} leftAlone={saidOfLeftAlone(scenario.stimuli, parts)} />}
    </div>
  );
}

/** Expectations up to which it is said what was seen for each. */
const FEW = 2;

/** Whether the reference passes, with what was seen of it where that is short or is why it does not. */
function Seen({
  result: { passed, expectations },
  leftAlone,
}: {
  readonly result: ScenarioResult;
  readonly leftAlone: string | undefined;
}) {
  const unmet = expectations.filter((expectation) => !expectation.passed);
  if (passed)
    return (
      <p className="mt-2 text-note text-soft">
        {expectations.length > FEW
          ? 'The reference passes.'
          : `The reference passes: ${expectations.map(({ observed }) => observed).join('; ')}.`}
      </p>
    );
  return (
    <div className="mt-2 text-fault">
      <p className="font-semibold">
        {/* What chance decides may come out otherwise in another run. */}
        {unmet.length === 0 ? 'The reference does not pass every time.' : 'The reference does not pass:'}
      </p>
      <ul>
        {unmet.map(({ expected, observed }, index) => (
          <li key={index}>
            “{expected}” is not met: {observed}.
          </li>
        ))}
      </ul>
      {leftAlone !== undefined && <p>{leftAlone}</p>}
    </div>
  );
}

/** What a scenario is worth in the marks of a hand-in. */
function Points({ scenario, onChange }: Pick<ScenarioLinesProps, 'scenario' | 'onChange'>) {
  return (
    <>
      , worth{' '}
      <input
        type="number"
        min={0}
        max={100}
        step="any"
        aria-label={`Points of ${scenario.name}`}
        value={scenario.points ?? 1}
        onChange={({ target }) => {
          const points = Number(target.value);
          if (target.value !== '' && points >= 0 && points <= 100) onChange({ ...scenario, points });
        }}
        className="mono w-14 border-b border-rule-strong bg-transparent text-right"
      />
    </>
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
