import type { ExerciseData } from '@/core/formats/exercise';
import type { Scenario } from '@/core/formats/scenario';
import { expectationSentence } from '@/core/expectations';
import { stimulusSentence } from '@/core/stimuli';
import { ProgramListing } from './ProgramListing';

interface VariantsProps {
  readonly stages: NonNullable<ExerciseData['stages']>;
  readonly forms: NonNullable<ExerciseData['forms']>;
}

/** What is tried on the way to the whole, and what the exercise is besides; they come with its file. */
export function Variants({ stages, forms }: VariantsProps) {
  return (
    <>
      {stages.length > 0 && (
        <Fold title={`On the way there: ${stages.map(({ name }) => name).join(', ')}`}>
          {stages.map(({ name, after, program, scenarios }) => (
            <section key={name} className="mt-3">
              <h3 className="font-semibold">
                {name}
                <span className="text-note font-normal text-soft">, once {after} is in</span>
              </h3>
              <Listing program={program} label={`Program of ${name}`} />
              <Expectations scenarios={scenarios} />
            </section>
          ))}
        </Fold>
      )}
      {forms.length > 0 && (
        <Fold title={`It also comes in other forms: ${forms.map(({ name }) => name).join(', ')}`}>
          {forms.map(({ name, program, scenarios = [] }) => (
            <section key={name} className="mt-3">
              <h3 className="font-semibold">{name}</h3>
              {program === undefined ? (
                <p className="text-note text-soft">The program is the same.</p>
              ) : (
                <Listing program={program} label={`Program of ${name}`} />
              )}
              <Expectations scenarios={scenarios} />
            </section>
          ))}
        </Fold>
      )}
    </>
  );
}

function Fold({ title, children }: { readonly title: string; readonly children: React.ReactNode }) {
  return (
    <details className="mt-2">
      <summary className="cursor-pointer text-note">
        <span className="border-b border-rule-strong">{title}</span>
      </summary>
      {children}
    </details>
  );
}

const Listing = ({ program, label }: { readonly program: string; readonly label: string }) => (
  <div className="mt-1 border border-rule bg-card p-2">
    <ProgramListing source={program} label={label} />
  </div>
);

function Expectations({ scenarios }: { readonly scenarios: readonly Scenario[] }) {
  return scenarios.map(({ name, stimuli, expect }) => (
    <p key={name} className="mt-1">
      <strong>{name}</strong>:{' '}
      {[...stimuli.map(stimulusSentence), ...expect.map(expectationSentence)].join('; ')}.
    </p>
  ));
}
