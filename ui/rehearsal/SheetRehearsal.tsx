'use client';

import { useMemo, useState } from 'react';
import { exerciseFrom, formOf, type Exercise } from '@/core/formats/exercise';
import { newsSchema, type Saving } from '@/core/messages/sheet';
import { refusalText } from '@/core/messages/refusal';
import { applyChange, markChanges } from '@/core/worksheet/change';
import type { Sheet } from '@/core/worksheet/sheet';
import { writeTable } from '@/core/wiring/table';
import { tell } from '../connection/ask';
import { Problem } from '../design/Problem';
import { useFollowed } from '../worksheet/useFollowed';
import type { KeptRun } from './KeepRun';
import { Rehearsal, type Performer } from './Rehearsal';

interface SheetRehearsalProps {
  readonly exerciseId: string;
  readonly first: Sheet;
  readonly version: number;
  readonly mayEdit: boolean;
}

/** An exercise as it is written now, seen running; beside another form of it, when one is asked for. */
export function SheetRehearsal({ exerciseId, first, version, mayEdit }: SheetRehearsalProps) {
  const followed = useFollowed(exerciseId, first, version);
  const { sheet } = followed;
  const [form, setForm] = useState('');
  const [problem, setProblem] = useState<string>();
  const [exercise, beside] = useMemo(() => {
    const read = exerciseFrom(sheet);
    const other = form === '' ? undefined : formOf(sheet, form);
    return [read, other] as const;
  }, [sheet, form]);
  const performers = useMemo(() => {
    if (!exercise.ok) return [];
    const itself = performerOf(sheet.formName ?? 'The exercise', exercise.value);
    return beside?.ok ? [itself, performerOf(form, beside.value)] : [itself];
  }, [exercise, beside, form, sheet.formName]);
  const keep = async ({ right, wrong }: KeptRun): Promise<void> => {
    const asRight = right ? markChanges(sheet, right, 'right') : [];
    const asWrong = wrong ? markChanges(asRight.reduce(applyChange, sheet), wrong, 'wrong') : [];
    const changes = [...asRight, ...asWrong];
    try {
      const answer = await tell(`/api/exercises/${exerciseId}/changes`, 'POST', {
        base: followed.version,
        changes,
      } satisfies Saving);
      const body: unknown = await answer.json();
      const news = newsSchema.safeParse(body);
      if (!answer.ok) setProblem(refusalText(body) ?? 'The server refused the scenario. Try again.');
      else if ((news.data?.overtaken?.length ?? 0) > 0)
        setProblem('Somebody else changed the scenarios just now. Look at theirs, and keep yours again.');
      else setProblem(undefined);
    } catch {
      setProblem('There is no connection, so the scenario is not kept. Try again when it is back.');
    }
  };
  if (!exercise.ok) return <Problem className="px-5 py-4">{exercise.problems[0]!.message}</Problem>;
  const forms = sheet.forms ?? [];
  return (
    <>
      {forms.length > 0 && (
        <label className="flex items-center gap-2 border-b border-rule px-5 py-2">
          <span>Beside it</span>
          <select
            value={form}
            onChange={({ target }) => setForm(target.value)}
            className="min-h-9 rounded-edge border border-rule-strong bg-card px-2"
          >
            <option value="">nothing</option>
            {forms.map(({ name }) => (
              <option key={name} value={name}>
                {name}
              </option>
            ))}
          </select>
        </label>
      )}
      <Problem className="px-5 pt-2">{problem}</Problem>
      <Rehearsal
        // Two benches are played anew, not one beside what is under way.
        key={form}
        performers={performers}
        scenarios={sheet.scenarios}
        onKeep={mayEdit ? (kept) => void keep(kept) : undefined}
      />
    </>
  );
}

const performerOf = (title: string, { data, reference }: Exercise): Performer => ({
  title,
  wiring: writeTable(reference),
  program: data.program,
  exercise: data,
});
