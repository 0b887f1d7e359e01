'use client';

import { ScenarioList } from './scenarios/late-list';
import { useDispatch, useWorksheet } from './useWorksheet';

/** Whether the learner decides what theirs does, within the frame of the scenarios; and what the reference does. */
export function LeftOpen() {
  const open = useWorksheet((state) => state.sync.sheet.open);
  const { parts, scenarios } = useWorksheet((state) => state.sync.sheet);
  const results = useWorksheet((state) => state.proof.scenarios);
  const withoutProgram = useWorksheet((state) => state.proof.withoutProgram);
  const mayEdit = useWorksheet((state) => state.given.mayEdit);
  const dispatch = useDispatch();
  if (!open && !mayEdit) return null;
  const set = (next: typeof open, joins: 'joins' | 'stands alone' = 'stands alone'): void =>
    dispatch({ type: 'set', fields: { open: next }, joins });
  return (
    <section aria-label="Left open" className="mt-3 mb-2">
      <label className="flex min-h-8 items-center gap-2">
        <input
          type="checkbox"
          className="size-4.5 accent-(--ink)"
          checked={open !== undefined}
          disabled={!mayEdit}
          onChange={({ target }) => set(target.checked ? { asks: '', least: 1, example: [] } : undefined)}
        />
        Learners decide what theirs does
      </label>
      {open && (
        <div className="mt-1 grid gap-2 border-l-4 border-rule pl-3">
          <p className="text-note text-soft">
            What stands above is the frame in which every build must stay. Each learner says in such sentences
            what theirs does, and it is checked against both.
          </p>
          <textarea
            aria-label="What learners may decide"
            value={open.asks}
            rows={2}
            readOnly={!mayEdit}
            placeholder="What may they decide? A message in light, with a pause of their own …"
            onChange={({ target }) => set({ ...open, asks: target.value }, 'joins')}
            className="w-full resize-none border-b border-rule-strong bg-transparent placeholder:text-soft"
          />
          <label className="text-note">
            They say at least{' '}
            <input
              type="number"
              min={1}
              max={6}
              value={open.least}
              readOnly={!mayEdit}
              onChange={({ target }) => {
                const least = Math.round(Number(target.value));
                if (least >= 1 && least <= 6) set({ ...open, least });
              }}
              className="mono w-12 border-b border-rule-strong bg-transparent text-right"
            />{' '}
            {open.least === 1 ? 'thing' : 'things'}.
          </label>
          <h3 className="font-semibold">What your own program does</h3>
          <ScenarioList
            scenarios={open.example}
            parts={parts}
            results={results.slice(scenarios.length)}
            withoutProgram={withoutProgram.slice(scenarios.length)}
            mayEdit={mayEdit}
            isGraded={false}
            of="your own"
            onChange={(example) => set({ ...open, example: [...example] })}
          />
        </div>
      )}
    </section>
  );
}
