import { useMemo } from 'react';
import { drawBench } from '@/core/drawing/bench';
import type { Drawing } from '@/core/drawing/list';
import type { ComparedBuild } from '@/core/judge/compared-build';
import type { MeaningDifference } from '@/core/program/meaning';
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

/** Both programs side by side, marked the lines of the causes and those that mean something else. */
export function ComparedPrograms({
  submission,
  referenceProgram,
  lines: differing,
}: Pick<ComparisonProps, 'submission' | 'referenceProgram'> & {
  readonly lines: MeaningDifference | undefined;
}) {
  const lines = submission.report.findings.flatMap((finding) => (finding.cause ? (finding.line ?? []) : []));
  const isOtherwise = differing !== undefined && differing.asked.length + differing.built.length > 0;
  return (
    <>
      {differing && submission.program.trim() !== '' && (
        <p className="mt-4 text-note text-soft">
          {isOtherwise
            ? '≠ marks what means something else; other names, spaces and remarks do not count.'
            : 'Both programs mean the same, line for line.'}
        </p>
      )}
      <div className="mt-1 grid grid-cols-1 gap-6 xl:grid-cols-2">
        <figure className="min-w-0">
          <figcaption className="mb-1 text-note text-soft">Reference</figcaption>
          <ProgramListing
            source={referenceProgram}
            differing={differing?.asked ?? []}
            label="The reference program"
          />
        </figure>
        <figure className="min-w-0">
          <figcaption className="mb-1 text-note text-soft">As {submission.learnerName} wrote it</figcaption>
          {submission.program.trim() === '' ? (
            <p className="font-semibold">No program was handed in.</p>
          ) : (
            <ProgramListing
              source={submission.program}
              marked={lines}
              differing={differing?.built ?? []}
              label={`The program of ${submission.learnerName}`}
            />
          )}
        </figure>
      </div>
    </>
  );
}

/** Both benches side by side, cut to the rows that matter; marked is what the causes are about, else what the other has not. */
export function ComparedBenches({
  submission,
  referenceLayout,
  parts,
}: Pick<ComparisonProps, 'submission' | 'referenceLayout'> & {
  readonly parts: ComparedBuild['parts'] | undefined;
}) {
  const drawings = useMemo(
    () => drawPair(referenceLayout, submission, parts),
    [referenceLayout, submission, parts],
  );
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
  parts: ComparedBuild['parts'] = { asked: [], built: [] },
): { readonly reference: Drawing; readonly built: Drawing } | undefined {
  const [reference, built] = [readWiring(referenceLayout), readWiring(submission.wiring)];
  if (!reference.ok || !built.ok) return undefined;
  const causes = submission.report.findings.filter((finding) => finding.cause);
  const places = {
    marked: causes.flatMap((finding) => finding.refs),
    markedPoints: causes.flatMap((finding) => finding.at),
  };
  // Where a cause has its place, that is what differs; whatever hangs on it has no counterpart either, and is right.
  const isPlaced = places.marked.length + places.markedPoints.length > 0;
  const marks = isPlaced ? places : { marked: parts.built };
  return {
    reference: drawBench(reference.value, {
      crop: 'used',
      rows: rowsOf(reference.value),
      marked: isPlaced ? [] : parts.asked,
    }),
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
