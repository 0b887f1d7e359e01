'use client';

import { useRef, useState } from 'react';
import type { ExerciseData } from '@/core/formats/exercise';
import type { ScenarioResult } from '@/core/formats/report';
import type { Scenario } from '@/core/formats/scenario';
import { exampleStimulus } from '@/core/generated/situations';
import { proposedSentences, readBegun, usualSeconds } from '@/core/statements/sentences';
import { stimulusSentenceOf, type Stimulus } from '@/core/stimuli';
import { NewSentence } from './NewSentence';
import { ScenarioLines } from './ScenarioLines';

interface ScenarioListProps {
  readonly scenarios: readonly Scenario[];
  readonly parts: ExerciseData['parts'];
  /** How the reference does in each, as far as it was tried. */
  readonly results?: readonly (ScenarioResult | undefined)[];
  /** For each scenario and each of its expectations, whether it would be met without any program. */
  readonly withoutProgram?: readonly (readonly boolean[])[];
  readonly mayEdit: boolean;
  /** Whether they are only the frame of what a learner decides. */
  readonly isFrame?: boolean;
  /** Whether each has a worth in the marks. */
  readonly isGraded?: boolean;
  /** Where it stands, for who does not see it, when that is not the exercise itself. */
  readonly of?: string;
  readonly onChange: (scenarios: readonly Scenario[]) => void;
}

/** What must be seen, a sentence each. */
export function ScenarioList({
  scenarios,
  parts,
  results = [],
  withoutProgram = [],
  mayEdit,
  isFrame = false,
  isGraded = true,
  of,
  onChange,
}: ScenarioListProps) {
  const example = exampleStimulus(parts) ?? BOARD_STIMULUS;
  const replace = (index: number, scenario: Scenario | undefined): void =>
    onChange(scenarios.flatMap((old, at) => (at === index ? (scenario ? [scenario] : []) : [old])));
  const [begun, setBegun] = useState<string>();
  const newLine = useRef<HTMLDivElement>(null);
  const label = scenarios.length === 0 ? 'What must be seen?' : 'Another scenario';
  return (
    <>
      {scenarios.length === 0 && !mayEdit && <p className="text-soft">Nothing to check yet.</p>}
      {scenarios.map((scenario, index) => (
        <ScenarioLines
          key={index}
          scenario={scenario}
          parts={parts}
          withoutProgram={isFrame ? [] : (withoutProgram[index] ?? [])}
          example={stimulusSentenceOf(example, parts)}
          result={results[index]?.name === scenario.name ? results[index] : undefined}
          mayEdit={mayEdit}
          isGraded={isGraded}
          onChange={(next) => replace(index, next)}
          isBegun={scenario.name === begun}
          onNext={() => newLine.current?.querySelector('textarea')?.focus()}
        />
      ))}
      {mayEdit && (
        <div ref={newLine}>
          <NewSentence
            submit="Expect it"
            read={(text) => readBegun(text, parts)}
            proposed={scenarios.length === 0 ? proposedSentences(parts) : []}
            label={of === undefined ? label : `${label} (${of})`}
            placeholder="D1 lit 0.5 s, dark 2.5 s"
            onAdd={(said) => {
              const [stimuli, expect] = [[...said.stimuli], [...said.expect]];
              const name = freeName(scenarios);
              setBegun(name);
              onChange([...scenarios, { name, for: usualSeconds({ stimuli, expect }), stimuli, expect }]);
            }}
          />
        </div>
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

/** What can be done to every board. */
const BOARD_STIMULUS: Stimulus = { at: 2, reset: true };
