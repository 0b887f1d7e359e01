'use client';

import { RadioGroup } from 'radix-ui';
import { useOptimistic, useState, useTransition } from 'react';
import {
  houseQuestionIds,
  questionOf,
  type HouseQuestion,
  type HouseQuestionId,
  type HouseRules,
} from '@/core/course/house-rules';
import { Button } from '../design/Button';
import { Link } from '../shell/Link';

interface Exception {
  readonly exerciseId: string;
  readonly title: string;
  readonly school: string;
}

interface HouseRulesPageProps {
  readonly courseId: string;
  readonly rules: HouseRules;
  readonly ownRules: Readonly<Record<string, string>>;
  /** Exercises that do it otherwise, by question. */
  readonly exceptions: Readonly<Record<string, readonly Exception[]>>;
  readonly mayEdit: boolean;
  readonly setRule: (
    courseId: string,
    question: string,
    answer: string | null,
  ) => Promise<string | undefined>;
}

const groups: readonly (readonly [decides: HouseQuestion['decides'], title: string])[] = [
  ['circuit', 'The circuit'],
  ['layout', 'The layout'],
  ['program', 'The program'],
  ['steps', 'The order of the work'],
  ['judging', 'What is accepted'],
  ['words', 'The words'],
];

/** The conventions of a course: every question on which schools differ, with its default and why. */
export function HouseRulesPage({
  courseId,
  rules,
  ownRules,
  exceptions,
  mayEdit,
  setRule,
}: HouseRulesPageProps) {
  const [shown, show] = useOptimistic(
    rules,
    (before: HouseRules, [id, answer]: readonly [string, string]) => ({
      ...before,
      [id]: answer,
    }),
  );
  const [, begin] = useTransition();
  const [problem, setProblem] = useState<string>();
  const choose = (id: HouseQuestionId, answer: string | null): void =>
    begin(async () => {
      show([id, answer ?? questionOf(id).schools[0].id]);
      setProblem(await setRule(courseId, id, answer));
    });
  return (
    <div className="mx-auto max-w-5xl pb-10">
      <p className="px-6 py-5 text-lead">
        Good instructors do these things differently, so each course makes its choice. Exercises follow it,
        any of them can make an exception, and the checker accepts every way that works.
      </p>
      {problem && (
        <p role="alert" className="mx-6 mb-3 border-l-4 border-fault bg-fault-wash p-3 font-semibold">
          {problem}
        </p>
      )}
      {groups.map(([decides, title]) => (
        <section key={decides} aria-label={title}>
          <h2 className="border-b border-ink bg-wash px-6 pt-4 pb-2 text-lead">{title}</h2>
          {houseQuestionIds
            .filter((id) => questionOf(id).decides === decides)
            .map((id) => (
              <Question
                key={id}
                question={questionOf(id)}
                answer={shown[id]}
                isOwn={id in ownRules}
                exceptions={exceptions[id] ?? []}
                mayEdit={mayEdit}
                onChoose={(answer) => choose(id, answer)}
              />
            ))}
        </section>
      ))}
    </div>
  );
}

interface QuestionProps {
  readonly question: HouseQuestion;
  readonly answer: string;
  readonly isOwn: boolean;
  readonly exceptions: readonly Exception[];
  readonly mayEdit: boolean;
  readonly onChoose: (answer: string | null) => void;
}

function Question({ question, answer, isOwn, exceptions, mayEdit, onChoose }: QuestionProps) {
  const { id, schools, why } = question;
  return (
    <div className="grid grid-cols-1 gap-x-6 gap-y-2 border-b border-rule px-6 py-4 md:grid-cols-[17rem_minmax(0,1fr)]">
      <div>
        <h3 id={`question-${id}`} className="font-text text-body font-semibold">
          {question.question}
        </h3>
        {exceptions.length > 0 && (
          <p className="mt-1 text-note text-soft">
            Otherwise in{' '}
            {exceptions.map(({ exerciseId, title, school }, index) => (
              <span key={exerciseId}>
                {index > 0 && ', '}
                <Link href={`/exercises/${exerciseId}`} className="underline underline-offset-3">
                  {title}
                </Link>{' '}
                ({school.toLowerCase()})
              </span>
            ))}
          </p>
        )}
        {isOwn && answer !== schools[0].id && mayEdit && (
          <Button look="quiet" className="mt-1 min-h-8 px-0 text-note" onClick={() => onChoose(null)}>
            Back to the default
          </Button>
        )}
      </div>
      <RadioGroup.Root
        value={answer}
        disabled={!mayEdit}
        onValueChange={onChoose}
        aria-labelledby={`question-${id}`}
        className="flex flex-col"
      >
        {schools.map((school, index) => (
          <label key={school.id} className="flex items-start gap-3 py-1.5">
            <RadioGroup.Item
              value={school.id}
              className="mt-0.5 flex size-5 shrink-0 items-center justify-center rounded-full border border-rule-strong bg-card data-[state=checked]:border-ink"
            >
              <RadioGroup.Indicator className="size-2.5 rounded-full bg-ink" />
            </RadioGroup.Item>
            <span>
              <span className="font-semibold">{school.title}</span>{' '}
              <span className="text-note text-soft">
                {school.means}
                {index === 0 && ` The default: ${why.charAt(0).toLowerCase()}${why.slice(1)}`}
              </span>
            </span>
          </label>
        ))}
      </RadioGroup.Root>
    </div>
  );
}
