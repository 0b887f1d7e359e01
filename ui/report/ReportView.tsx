'use client';

import { drawBench } from '@/core/drawing/bench';
import type { Finding } from '@/core/findings/finding';
import { hasPassed, type Report } from '@/core/formats/report';
import type { Marks } from '@/core/plan/review-marks';
import { figure, plainNumber } from '@/core/units';
import { readWiring } from '@/core/wiring/read';
import { SeverityLabel, VerdictLabel } from '../design/Verdict';
import { BenchFigure } from '../drawing/BenchFigure';
import { ProgramListing } from '../worksheet/ProgramListing';
import { capital } from '@/core/words/words';
import { useTold } from '../words/Words';

interface ReportViewProps {
  readonly report: Report;
  readonly wiring: string;
  readonly program: string;
  /** Whether the exercise has a program at all. */
  readonly asksForProgram: boolean;
  /** The marks as they stand, where they are more than a count of checks. */
  readonly marks?: Marks | undefined;
}

/** A hand-in judged: verdict, causes with their repair, what followed from them, and what was seen. */
export function ReportView({ report: given, wiring, program, asksForProgram, marks }: ReportViewProps) {
  const report = useTold(given);
  const causes = report.findings.filter((finding) => finding.cause);
  const others = report.findings.filter((finding) => !finding.cause);
  const built = readWiring(wiring);
  const drawing = built.ok
    ? drawBench(built.value, {
        crop: 'used',
        marked: causes.flatMap((finding) => finding.refs),
        markedPoints: causes.flatMap((finding) => finding.at),
      })
    : undefined;
  return (
    <div className="grid grid-cols-1 lg:grid-cols-[minmax(0,1fr)_minmax(0,34rem)]">
      <div className="border-ink lg:border-r">
        <Line title="Verdict">
          <p className="text-lead">
            <VerdictLabel verdict={report.verdict} size={20} />
          </p>
          <p className="mt-1 text-soft">{checksText(report)}</p>
        </Line>
        <MarksLine marks={report.marks} given={marks} />
        {report.right.length > 0 && (
          <Line title="Right already">
            <p>{report.right.join(' ')}</p>
          </Line>
        )}
        {causes.map((finding, index) => (
          <Line
            key={finding.message}
            title={causes.length > 1 ? `Cause ${index + 1}` : 'Cause'}
            isFault={finding.severity === 'fault'}
          >
            <FindingBody finding={finding} />
          </Line>
        ))}
        {others.length > 0 && (
          <Line title={hasPassed(report.verdict) ? 'Worth knowing' : 'What this leads to'}>
            <ul className="grid gap-2">
              {others.map((finding) => (
                <li key={`${finding.code}${finding.message}`}>
                  <SeverityLabel severity={finding.severity} />{' '}
                  <span className="ml-1">{finding.message}</span>
                </li>
              ))}
            </ul>
          </Line>
        )}
        <Line title="Seen">
          <table className="w-full text-left">
            <thead className="text-note text-soft">
              <tr>
                <th className="pb-1 font-normal">wanted</th>
                <th className="pb-1 font-normal">seen</th>
                <th className="pb-1 font-normal">passed</th>
              </tr>
            </thead>
            <tbody>
              {report.scenarios.flatMap((scenario) =>
                scenario.expectations.map((expectation, index) => (
                  <tr
                    key={`${scenario.name}${expectation.expected}`}
                    className="border-t border-rule align-baseline"
                  >
                    <td className="py-1.5 pr-4">
                      {index === 0 && report.scenarios.length > 1 && (
                        <span className="block text-note text-soft">{capital(scenario.name)}</span>
                      )}
                      {expectation.expected}
                    </td>
                    <td className="py-1.5 pr-4 font-semibold">{expectation.observed}</td>
                    <td className={`py-1.5 font-semibold ${expectation.passed ? 'text-good' : 'text-fault'}`}>
                      {expectation.passed ? 'yes' : 'no'}
                    </td>
                  </tr>
                )),
              )}
            </tbody>
          </table>
        </Line>
      </div>
      <div className="p-5">
        {drawing && <BenchFigure drawing={drawing} title="As it was built" className="w-full" />}
        {(asksForProgram || program.trim() !== '') && (
          <>
            <h2 className="mt-4 mb-1 border-t border-ink pt-3 text-lead">The program</h2>
            {program.trim() === '' ? (
              <p>No program was handed in.</p>
            ) : (
              <ProgramListing
                label="The program that was handed in"
                source={program}
                marked={causes.flatMap((finding) => finding.line ?? [])}
              />
            )}
          </>
        )}
      </div>
    </div>
  );
}

function Line({
  title,
  isFault,
  children,
}: {
  readonly title: string;
  readonly isFault?: boolean;
  readonly children: React.ReactNode;
}) {
  return (
    <section
      aria-label={title}
      className={`relative grid grid-cols-[8rem_minmax(0,1fr)] gap-x-4 border-b border-rule px-5 py-4 ${isFault ? 'bg-fault-wash' : ''}`}
    >
      {isFault && (
        <svg
          className="absolute top-4 left-0 text-fault"
          width="13"
          height="26"
          viewBox="0 0 12 24"
          aria-hidden="true"
        >
          <path d="M0 0 12 12 0 24Z" fill="currentColor" />
        </svg>
      )}
      <h2 className="font-text text-body font-semibold">{title}</h2>
      <div className="min-w-0">{children}</div>
    </section>
  );
}

const evidenceWords: Readonly<Record<string, string>> = {
  currentMa: 'current',
  limitMa: 'limit',
  lowestMa: 'at least',
  highestMa: 'at most',
  foundOhms: 'found',
  lowestOhms: 'at least',
  highestOhms: 'at most',
  foundS: 'found',
  wantedS: 'wanted',
  lastsS: 'lasts',
  sinceS: 'since',
  lastedS: 'lasts',
  watchedS: 'watched for',
  reverseVolts: 'reverse voltage',
  perSecond: 'changes',
  programPin: 'pin in the program',
  wiredPin: 'pin with the wire',
  runningS: 'running for',
};

function FindingBody({ finding }: { readonly finding: Finding }) {
  const figures = Object.entries(finding.evidence).filter(([name]) => name in evidenceWords);
  return (
    <>
      <p className="text-lead font-semibold">{finding.message}</p>
      {finding.repair && (
        <p className="mt-1.5">
          <span className="text-soft">Smallest repair: </span>
          {finding.repair.text}
        </p>
      )}
      <p className="mt-2 flex flex-wrap gap-x-5 gap-y-1 text-note text-soft">
        <SeverityLabel severity={finding.severity} />
        <span className="mono">{finding.code}</span>
        {finding.line !== undefined && (
          <span className="mono">
            line {finding.line}, column {finding.column}
          </span>
        )}
        {finding.at.length > 0 && <span className="mono">{finding.at.slice(0, 4).join(' ')}</span>}
        {figures.map(([name, { amount, unit }]) => (
          <span key={name}>
            {evidenceWords[name]} <span className="mono text-ink">{figure(amount)}</span> {unit}
          </span>
        ))}
      </p>
    </>
  );
}

/** How many checks passed. */
function checksText({ scenarios, verdict }: Report): string {
  const passed = hasPassed(verdict)
    ? scenarios.length
    : scenarios.filter((scenario) => scenario.passed).length;
  return `${passed} of ${scenarios.length} ${scenarios.length === 1 ? 'check' : 'checks'} passed`;
}

interface MarksLineProps {
  readonly marks: Report['marks'];
  readonly given: Marks | undefined;
}

/** What the marks are made of, where they say more than how many checks passed. */
function MarksLine({ marks: { earned, of, items = [] }, given }: MarksLineProps) {
  const isCount = items.every((item) => item.of === 1) && (given === undefined || given.reason === '');
  if (isCount) return null;
  const [has, reason] = given ? [given.earned, given.reason] : [earned, ''];
  return (
    <Line title="Marks">
      <p className="text-lead">
        {plainNumber(has)} of {plainNumber(of)}
      </p>
      <ul>
        {items.map((item) => (
          <li key={item.for} className="flex justify-between gap-4 border-t border-rule py-0.5">
            <span>{item.for}</span>
            <span className="mono whitespace-nowrap">
              {plainNumber(item.earned)} <span className="text-soft">of {plainNumber(item.of)}</span>
            </span>
          </li>
        ))}
      </ul>
      {reason !== '' && <p className="border-t border-rule py-0.5">{capital(reason)}</p>}
    </Line>
  );
}
