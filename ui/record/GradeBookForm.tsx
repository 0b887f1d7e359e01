'use client';

import { Download } from 'lucide-react';
import { useState } from 'react';
import { gradeColumns, type GradeColumn } from '@/core/plan/grade-book';
import { Button } from '../design/Button';

const TITLES: Readonly<Record<GradeColumn, string>> = {
  marks: 'marks',
  of: 'marks there are',
  verdict: 'verdict',
  tries: 'tries',
  hints: 'hints',
  minutes: 'minutes at the bench',
  'days late': 'days late',
};

/** The grade book as a file for a spreadsheet, with the columns chosen. */
export function GradeBookForm({ classId }: { readonly classId: string }) {
  const [chosen, setChosen] = useState<ReadonlySet<GradeColumn>>(new Set(['marks', 'of']));
  const toggle = (column: GradeColumn): void => {
    const next = new Set(chosen);
    if (!next.delete(column)) next.add(column);
    setChosen(next);
  };
  const columns = gradeColumns.filter((column) => chosen.has(column));
  return (
    <fieldset className="mt-4 flex flex-wrap items-center gap-x-4 gap-y-1 print:hidden">
      <legend className="float-left mr-4 font-semibold">Grade book</legend>
      {gradeColumns.map((column) => (
        <label key={column} className="flex min-h-9 items-center gap-1.5">
          <input
            type="checkbox"
            checked={chosen.has(column)}
            onChange={() => toggle(column)}
            className="size-5 accent-(--ink)"
          />
          {TITLES[column]}
        </label>
      ))}
      {columns.length > 0 ? (
        <Button asChild>
          <a href={`/classes/${classId}/record/grades?columns=${columns.join(',')}`} download>
            <Download size={16} aria-hidden="true" /> As CSV
          </a>
        </Button>
      ) : (
        <span className="text-soft">Choose at least one column.</span>
      )}
    </fieldset>
  );
}
