import { useMemo } from 'react';
import { drawBench } from '@/core/drawing/bench';
import type { Drawing } from '@/core/drawing/list';
import { isProgram } from '@/core/judge/order';
import { readWiring } from '@/core/wiring/read';
import type { Wiring } from '@/core/wiring/wiring';
import { BenchFigure } from '../drawing/BenchFigure';
import { ProgramListing } from '../worksheet/ProgramListing';
import type { ReviewedSubmission } from './ReviewDesk';

interface ComparisonProps {
  readonly submission: ReviewedSubmission;
  readonly referenceLayout: string;
  readonly referenceProgram: string;
}

/** Reference and hand-in side by side: the drawings cut to the rows that matter, or the programs. */
export function Comparison({ submission, referenceLayout, referenceProgram }: ComparisonProps) {
  const causes = submission.report.findings.filter((finding) => finding.cause);
  const isAboutProgram =
    causes.length > 0 && causes.every((finding) => isProgram(finding.code) || finding.line !== undefined);
  const drawings = useMemo(() => drawPair(referenceLayout, submission), [referenceLayout, submission]);
  const programs = (
    <div className="mt-4 grid gap-6 xl:grid-cols-2">
      <figure>
        <figcaption className="mb-1 text-note text-soft">Reference</figcaption>
        <ProgramListing source={referenceProgram} />
      </figure>
      <figure>
        <figcaption className="mb-1 text-note text-soft">As {submission.learnerName} wrote it</figcaption>
        {submission.program.trim() === '' ? (
          <p className="font-semibold">No program was handed in.</p>
        ) : (
          <ProgramListing
            source={submission.program}
            marked={causes.flatMap((finding) => finding.line ?? [])}
          />
        )}
      </figure>
    </div>
  );
  const benches = drawings && (
    <div className="mt-4 grid gap-6 xl:grid-cols-2">
      <figure>
        <BenchFigure drawing={drawings.reference} title="Reference" className="w-full" />
        <figcaption className="text-note text-soft">Reference</figcaption>
      </figure>
      <figure>
        <BenchFigure
          drawing={drawings.built}
          title={`As ${submission.learnerName} built it`}
          className="w-full"
        />
        <figcaption className="text-note text-soft">As {submission.learnerName} built it</figcaption>
      </figure>
    </div>
  );
  return isAboutProgram ? (
    <>
      {programs}
      {benches}
    </>
  ) : (
    <>
      {benches}
      {programs}
    </>
  );
}

/** Rows shown above and below what is plugged in. */
const MARGIN_ROWS = 1;
const FEWEST_ROWS = 8;

function drawPair(
  referenceLayout: string,
  submission: ReviewedSubmission,
): { readonly reference: Drawing; readonly built: Drawing } | undefined {
  const [reference, built] = [readWiring(referenceLayout), readWiring(submission.wiring)];
  if (!reference.ok || !built.ok) return undefined;
  const marked = submission.report.findings
    .filter((finding) => finding.cause)
    .flatMap((finding) => finding.refs);
  return {
    reference: drawBench(reference.value, { crop: 'used', rows: rowsOf(reference.value) }),
    built: drawBench(built.value, { crop: 'used', rows: rowsOf(built.value), marked }),
  };
}

function rowsOf(wiring: Wiring): readonly [number, number] {
  const rows = wiring.parts.flatMap((part) =>
    part.legs.flatMap(({ at }) => (at && 'row' in at ? [at.row] : [])),
  );
  const first = Math.max(1, Math.min(...rows, 30) - MARGIN_ROWS);
  return [first, Math.max(first + FEWEST_ROWS - 1, Math.max(...rows, 0) + MARGIN_ROWS)];
}
