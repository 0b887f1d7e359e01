'use client';

import { useState } from 'react';
import { useDispatch, useWorksheet } from './useWorksheet';

/** What the exercise is called, what it teaches, and what it builds on. */
export function AimStep() {
  const title = useWorksheet((state) => state.sync.sheet.title);
  const aim = useWorksheet((state) => state.sync.sheet.aim);
  const concepts = useWorksheet((state) => state.sync.sheet.concepts);
  const minutes = useWorksheet((state) => state.sync.sheet.minutes);
  const text = useWorksheet((state) => state.sync.sheet.text);
  const mayEdit = useWorksheet((state) => state.given.mayEdit);
  const dispatch = useDispatch();
  const build = text['build'];
  const forLearners = typeof build === 'string' ? build : '';
  if (!mayEdit)
    return (
      <>
        <p className="text-bench">{aim}</p>
        {forLearners !== '' && <p className="mt-1 whitespace-pre-line">{forLearners}</p>}
        <p className="mt-2 text-note text-soft">
          {concepts.introduces.map(spoken).join(', ')}
          {concepts.uses.length > 0 && `; builds on ${concepts.uses.map(spoken).join(', ')}`}
        </p>
      </>
    );
  return (
    <div className="flex flex-col gap-1">
      <input
        aria-label="Title"
        value={title}
        onChange={(event) => {
          if (event.target.value !== '')
            dispatch({ type: 'set', fields: { title: event.target.value }, joins: 'joins' });
        }}
        className="border-b border-transparent bg-transparent text-bench font-semibold hover:border-rule-strong focus:border-focus"
      />
      <textarea
        aria-label="Aim"
        value={aim}
        rows={Math.max(1, Math.ceil(aim.length / 62))}
        placeholder="What does it teach, in a sentence?"
        onChange={(event) => dispatch({ type: 'set', fields: { aim: event.target.value }, joins: 'joins' })}
        className="resize-none border-b border-transparent bg-transparent text-bench placeholder:text-soft hover:border-rule-strong focus:border-focus"
      />
      <textarea
        aria-label="What a learner reads at the bench"
        value={forLearners}
        rows={Math.max(
          1,
          forLearners.split('\n').reduce((sum, line) => sum + Math.ceil((line.length + 1) / 70), 0),
        )}
        placeholder="What does a learner read at the bench?"
        onChange={(event) =>
          dispatch({ type: 'set', fields: { text: { ...text, build: event.target.value } }, joins: 'joins' })
        }
        className="resize-none border-b border-transparent bg-transparent placeholder:text-soft hover:border-rule-strong focus:border-focus"
      />
      <ConceptsField
        label="Taught here"
        concepts={concepts.introduces}
        onChange={(introduces) =>
          dispatch({ type: 'set', fields: { concepts: { ...concepts, introduces } } })
        }
      />
      <ConceptsField
        label="Builds on"
        concepts={concepts.uses}
        onChange={(uses) => dispatch({ type: 'set', fields: { concepts: { ...concepts, uses } } })}
      />
      <label className="flex items-baseline gap-2 text-note">
        <span className="w-20 shrink-0 text-soft">Minutes</span>
        <input
          type="number"
          min={1}
          max={MOST_MINUTES}
          value={minutes ?? ''}
          placeholder="for a class"
          onChange={(event) => {
            const given = event.target.value === '' ? undefined : Math.round(Number(event.target.value));
            if (given === undefined || (given >= 1 && given <= MOST_MINUTES))
              dispatch({ type: 'set', fields: { minutes: given }, joins: 'joins' });
          }}
          className="mono w-32 border-b border-transparent bg-transparent placeholder:text-soft hover:border-rule-strong focus:border-focus"
        />
      </label>
    </div>
  );
}

/** As many as an exercise may take. */
const MOST_MINUTES = 600;

const spoken = (concept: string): string => concept.replace(/-/g, ' ');

interface ConceptsFieldProps {
  readonly label: string;
  readonly concepts: readonly string[];
  readonly onChange: (concepts: readonly string[]) => void;
}

/** Concepts in words, parted by commas; taken over when the field is left. */
function ConceptsField({ label, concepts, onChange }: ConceptsFieldProps) {
  const [typed, setTyped] = useState<string>();
  const take = (): void => {
    if (typed === undefined) return;
    const next = [
      ...new Set(
        typed
          .split(',')
          .map((word) => word.trim().toLowerCase().replace(/\s+/g, '-'))
          .filter(Boolean),
      ),
    ];
    if (next.join() !== concepts.join()) onChange(next);
    setTyped(undefined);
  };
  return (
    <label className="flex items-baseline gap-2 text-note">
      <span className="w-20 shrink-0 text-soft">{label}</span>
      <input
        value={typed ?? concepts.map(spoken).join(', ')}
        onChange={(event) => setTyped(event.target.value)}
        onBlur={take}
        onKeyDown={(event) => {
          if (event.key === 'Enter') take();
        }}
        placeholder="concepts, separated by commas"
        className="min-w-0 flex-1 border-b border-transparent bg-transparent placeholder:text-soft hover:border-rule-strong focus:border-focus"
      />
    </label>
  );
}
