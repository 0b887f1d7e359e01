import { useMemo } from 'react';
import { drawBench } from '@/core/drawing/bench';
import type { Drawing } from '@/core/drawing/list';
import { isProgram } from '@/core/findings/order';
import { readWiring } from '@/core/wiring/read';
import type { Wiring } from '@/core/wiring/wiring';
import { BenchFigure } from '../drawing/BenchFigure';
import { ProgramListing } from '../worksheet/ProgramListing';
import type { OpenedSubmission } from './useOpened';

interface ComparisonProps {
  readonly submission: OpenedSubmission;
  readonly referenceLayout: string;
  readonly referenceProgram: string;
}

/** Whether what is wrong stands in the program rather than in the wiring. */
export function isAboutProgram({ report }: OpenedSubmission): boolean {
  const causes = report.findings.filter((finding) => finding.cause);
  return (
    causes.length > 0 && causes.every((finding) => isProgram(finding.code) || finding.line !== undefined)
  );
}

/** Both programs side by side, the lines of the causes marked. */
export function ComparedPrograms({
  submission,
  referenceProgram,
}: Pick<ComparisonProps, 'submission' | 'referenceProgram'>) {
  const lines = submission.report.findings.flatMap((finding) => (finding.cause ? (finding.line ?? []) : []));
  return (
    <div className="mt-4 grid grid-cols-1 gap-6 xl:grid-cols-2">
      <figure className="min-w-0">
        <figcaption className="mb-1 text-note text-soft">Reference</figcaption>
        <ProgramListing source={referenceProgram} label="The reference program" />
      </figure>
      <figure className="min-w-0">
        <figcaption className="mb-1 text-note text-soft">As {submission.learnerName} wrote it</figcaption>
        {submission.program.trim() === '' ? (
          <p className="font-semibold">No program was handed in.</p>
        ) : (
          <ProgramListing
            source={submission.program}
            marked={lines}
            label={`The program of ${submission.learnerName}`}
          />
        )}
      </figure>
    </div>
  );
}

/** Both benches side by side, cut to the rows that matter, the parts of the causes marked. */
export function ComparedBenches({
  submission,
  referenceLayout,
}: Pick<ComparisonProps, 'submission' | 'referenceLayout'>) {
  const drawings = useMemo(() => drawPair(referenceLayout, submission), [referenceLayout, submission]);
  if (!drawings) return null;
  return (
    <div className="mt-4 grid grid-cols-1 gap-6 xl:grid-cols-2">
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
}

/** Rows shown above and below what is plugged in. */
const MARGIN_ROWS = 1;
const FEWEST_ROWS = 8;

function drawPair(
  referenceLayout: string,
  submission: OpenedSubmission,
): { readonly reference: Drawing; readonly built: Drawing } | undefined {
  const [reference, built] = [readWiring(referenceLayout), readWiring(submission.wiring)];
  if (!reference.ok || !built.ok) return undefined;
  const causes = submission.report.findings.filter((finding) => finding.cause);
  const marks = {
    marked: causes.flatMap((finding) => finding.refs),
    markedPoints: causes.flatMap((finding) => finding.at),
  };
  return {
    reference: drawBench(reference.value, { crop: 'used', rows: rowsOf(reference.value) }),
    built: drawBench(built.value, { crop: 'used', rows: rowsOf(built.value), ...marks }),
  };
}

function rowsOf(wiring: Wiring): readonly [number, number] {
  const rows = wiring.parts.flatMap((part) =>
    part.legs.flatMap(({ at }) => (at && 'row' in at ? [at.row] : [])),
  );
  const first = Math.max(1, Math.min(...rows, 30) - MARGIN_ROWS);
  return [first, Math.max(first + FEWEST_ROWS - 1, Math.max(...rows, 0) + MARGIN_ROWS)];
}
