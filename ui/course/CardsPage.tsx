'use client';

import { useState } from 'react';
import { cardOf, conceptOf, type CardWords, type CourseCards } from '@/core/course/concepts';
import { capital } from '@/core/words/words';
import { Problem } from '../design/Problem';
import { useAct } from '../people/useAct';

export interface CardsPageProps {
  readonly courseId: string;
  /** The concepts of the course in the order in which they come, with the exercise whose handout has the card. */
  readonly concepts: readonly { readonly concept: string; readonly printedWith: string }[];
  readonly cards: CourseCards;
  readonly mayEdit: boolean;
  readonly setCard: (courseId: string, concept: string, words: CardWords) => Promise<string | undefined>;
}

/** The cards of a course: what each concept is called, what it means, and what it is like in this class. */
export function CardsPage({ concepts, ...props }: CardsPageProps) {
  if (concepts.length === 0)
    return (
      <p className="p-8 text-lead">
        No exercise names a concept yet. What an exercise introduces is said in its worksheet, under Aim.
      </p>
    );
  return (
    <div className="px-6 py-5">
      <p className="text-soft">
        Each is printed with the first exercise that uses it. An empty field is as usual; a comparison of your
        own is remembered best.
      </p>
      <ul className="mt-3 grid gap-4 md:grid-cols-2 xl:grid-cols-3">
        {concepts.map(({ concept, printedWith }) => (
          <CardForm key={concept} concept={concept} printedWith={printedWith} {...props} />
        ))}
      </ul>
    </div>
  );
}

const EMPTY: CardWords = { word: '', means: '', like: '' };

function CardForm({
  courseId,
  concept,
  printedWith,
  cards,
  mayEdit,
  setCard,
}: Omit<CardsPageProps, 'concepts'> & { readonly concept: string; readonly printedWith: string }) {
  const kept = cards[concept] ?? EMPTY;
  const usual = conceptOf(concept);
  const [words, setWords] = useState(kept);
  const { act, problem } = useAct();
  const shown = cardOf(concept, { [concept]: words });
  const save = (): void => {
    if (JSON.stringify(words) !== JSON.stringify(kept)) act(() => setCard(courseId, concept, words));
  };
  const field = 'w-full border-b border-rule-strong bg-transparent placeholder:text-soft';
  return (
    <li className="border border-dashed border-rule-strong bg-card p-4">
      <h2 className="text-title">{capital(shown.word)}</h2>
      <p className="mb-2 text-note text-soft">with {printedWith}</p>
      {mayEdit ? (
        <div className="grid gap-2 text-note text-soft" onBlur={save}>
          {(
            [
              ['word', 'Word'],
              ['means', 'Means'],
              ['like', 'Is like'],
            ] as const
          ).map(([name, label]) => (
            <label key={name}>
              {label}
              {name === 'word' ? (
                <input
                  value={words[name]}
                  maxLength={300}
                  placeholder={usual[name]}
                  onChange={({ target }) => setWords({ ...words, [name]: target.value })}
                  className={`${field} text-body text-ink`}
                />
              ) : (
                <textarea
                  rows={2}
                  value={words[name]}
                  maxLength={300}
                  placeholder={usual[name] || 'Say it in your own words.'}
                  onChange={({ target }) => setWords({ ...words, [name]: target.value })}
                  className={`${field} block resize-none text-body text-ink`}
                />
              )}
            </label>
          ))}
        </div>
      ) : (
        <>
          <p>{shown.means}</p>
          {shown.like && <p className="mt-1">Like: {shown.like}</p>}
        </>
      )}
      <Problem>{problem}</Problem>
    </li>
  );
}
