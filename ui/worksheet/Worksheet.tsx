'use client';

import { useMemo, useState } from 'react';
import { drawBench } from '@/core/drawing/bench';
import type { ExerciseData } from '@/core/formats/exercise';
import { expectationSentence, stimulusSentence } from '@/core/formats/scenario';
import type { Report } from '@/core/formats/report';
import { kindOf } from '@/core/parts';
import { RESISTOR_RATING_MW, type Connection, type WorksheetFigures } from '@/core/plan/worksheet';
import type { SeenInterval } from '@/core/rehearsal/seen';
import { figure, seconds } from '@/core/units';
import { readWiring } from '@/core/wiring/read';
import { shippedBoards } from '@/core/boards';
import { Figure, IntervalBar } from '../design/Figure';
import { BenchFigure } from '../drawing/BenchFigure';
import { ResistorBands } from '../drawing/ResistorBands';
import { ProgramListing } from './ProgramListing';
import { Timeline } from './Timeline';

export interface LampTimeline {
  readonly scenario: string;
  readonly ref: string;
  readonly seconds: number;
  readonly intervals: readonly SeenInterval[];
}

interface WorksheetProps {
  readonly data: ExerciseData;
  readonly figures: WorksheetFigures;
  readonly timelines: readonly LampTimeline[];
  /** What the check says of the reference itself. */
  readonly proof: Pick<Report, 'verdict' | 'scenarios'>;
}

/** One exercise from its aim to its check, in the order of the work, with its drawing beside. */
export function Worksheet({ data, figures, timelines, proof }: WorksheetProps) {
  const [followed, setFollowed] = useState<Connection>();
  const board = shippedBoards.get(data.board)!;
  const drawing = useMemo(() => {
    const wiring = readWiring(data.layout ?? '');
    if (!wiring.ok) return undefined;
    const threads = figures.connections.flatMap((connection) =>
      connection.point && (!followed || followed.name === connection.name)
        ? [{ point: connection.point, role: connection.role }]
        : [],
    );
    return drawBench(wiring.value, { crop: 'used', threads });
  }, [data.layout, figures.connections, followed]);
  const free = data.free.pins ?? {};
  const hasProgram = data.program.trim() !== '';
  return (
    <div className="grid xl:grid-cols-[minmax(0,1fr)_minmax(0,37.5rem)] lg:grid-cols-[minmax(0,1fr)_minmax(0,31rem)]">
      <div className="border-ink lg:border-r">
        <Step number={1} title="Aim">
          <p className="text-bench">{data.aim}</p>
          <p className="mt-2 flex flex-wrap items-center gap-2">
            {data.concepts.introduces.map((concept) => (
              <span key={concept} className="border border-rule-strong px-2 text-note">
                {concept.replace(/-/g, ' ')}
              </span>
            ))}
            {data.concepts.introduces.length > 0 && (
              <span className="text-note text-soft">first use of each</span>
            )}
          </p>
        </Step>
        <Step number={2} title="Board">
          <p>
            <strong>{board.short}.</strong>{' '}
            {board.onBoard.map((lamp) => `Pin ${lamp.pin} has a lamp of its own, so a wiring fault shows. `)}
            {board.pins
              .filter((pin) => pin.reserved === 'serial')
              .map((pin) => pin.name)
              .sort()
              .join(' and ')}{' '}
            are kept for serial.
          </p>
        </Step>
        <Step number={3} title="Parts">
          <Parts data={data} />
        </Step>
        <Step number={4} title="Values">
          <Values figures={figures} recommendedMa={board.drive.recommendedMa} totalMa={board.drive.totalMa} />
        </Step>
        <Step number={5} title="Connections">
          <ul onMouseLeave={() => setFollowed(undefined)}>
            {figures.connections.map((connection) => (
              <ConnectionLine
                key={connection.name}
                connection={connection}
                isFollowed={followed?.name === connection.name}
                onFollow={(on) => setFollowed(on ? connection : undefined)}
              />
            ))}
          </ul>
          {Object.entries(free).map(([pin, range]) => (
            <p key={pin} className="mt-2 text-note text-soft">
              Any of the pins <span className="mono">{range}</span> may stand for{' '}
              <span className="mono">{pin.replace(/^\w+\./, '')}</span> when wire and program agree.
            </p>
          ))}
        </Step>
        <Step number={6} title="Layout">
          <p>
            {figures.legCount} ends in {figures.legCount} holes and sockets. Row {figures.lastRow + 1} on is
            free. <span className="text-soft">Proven: the layout gives exactly the connections above.</span>
          </p>
        </Step>
        <Step number={7} title="Program">
          <p>
            {hasProgram ? (
              <>
                <strong>{data.program.trim().split('\n').length} lines.</strong> It stands beside, in full.
              </>
            ) : (
              'No program yet. The wiring can be drawn, built and checked without one.'
            )}
          </p>
        </Step>
        <Step number={12} title="Check">
          {data.scenarios.length === 0 && (
            <p>No scenario yet. With a program and one, hand-ins can be judged.</p>
          )}
          {data.scenarios.map((scenario, index) => (
            <ScenarioLines key={scenario.name} scenario={scenario} result={proof.scenarios[index]} />
          ))}
        </Step>
      </div>
      <div>
        <div className="p-5 lg:sticky lg:top-16">
          {drawing && (
            <BenchFigure drawing={drawing} title={`How ${data.title} is wired`} className="w-full" />
          )}
          <p className="mt-1 text-note text-soft">Point at a connection to follow it on the drawing.</p>
          {timelines.length > 0 && (
            <>
              <h2 className="mt-5 border-t border-ink pt-3 text-lead">What is seen</h2>
              {timelines.map((timeline) => (
                <Timeline key={`${timeline.scenario} ${timeline.ref}`} timeline={timeline} />
              ))}
            </>
          )}
          {hasProgram && (
            <>
              <h2 className="mt-4 mb-1 border-t border-ink pt-3 text-lead">The program</h2>
              <ProgramListing source={data.program} label="The reference program" />
            </>
          )}
          {data.cautions.length > 0 && (
            <ul className="mt-4 border-t border-ink pt-3">
              {data.cautions.map((caution) => (
                <li key={caution} className="font-semibold">
                  {caution}
                </li>
              ))}
            </ul>
          )}
        </div>
      </div>
    </div>
  );
}

function Step({
  number,
  title,
  children,
}: {
  readonly number: number;
  readonly title: string;
  readonly children: React.ReactNode;
}) {
  return (
    <section className="ruled-line" aria-label={title}>
      <span className="mono text-right text-soft">{number}</span>
      <h2 className="font-text text-body font-semibold">{title}</h2>
      <div className="min-w-0">{children}</div>
    </section>
  );
}

interface ScenarioLinesProps {
  readonly scenario: ExerciseData['scenarios'][number];
  readonly result: Report['scenarios'][number] | undefined;
}

/** A scenario as sentences, with what the reference itself does in it. */
function ScenarioLines({ scenario, result }: ScenarioLinesProps) {
  return (
    <div className="not-first:mt-3">
      <p>
        <strong>{scenario.name}</strong>, over {seconds(scenario.for)}:
      </p>
      <ul>
        {scenario.stimuli.map((stimulus) => (
          <li key={stimulusSentence(stimulus)}>{stimulusSentence(stimulus)}</li>
        ))}
        {scenario.expect.map((expectation) => (
          <li key={expectationSentence(expectation)}>{expectationSentence(expectation)}.</li>
        ))}
      </ul>
      {result && (
        <p className={result.passed ? 'text-soft' : 'font-semibold text-fault'}>
          {result.passed ? 'The reference passes: ' : 'The reference does not pass: '}
          {result.expectations.map((expectation) => expectation.observed).join('; ')}.
        </p>
      )}
    </div>
  );
}

type Part = ExerciseData['parts'][number];

/** Equal parts that follow each other, together. */
function equalInARow(parts: readonly Part[]): readonly (readonly [Part, ...Part[]])[] {
  const groups: [Part, ...Part[]][] = [];
  const key = ({ kind, value, accept }: Part): string => JSON.stringify([kind, value, accept]);
  for (const part of parts) {
    const last = groups.at(-1);
    if (last && key(last[0]) === key(part)) last.push(part);
    else groups.push([part]);
  }
  return groups;
}

function Parts({ data }: { readonly data: ExerciseData }) {
  const groups = equalInARow(
    data.parts.filter((part) => part.kind !== 'board' && part.kind !== 'breadboard'),
  );
  return (
    <table className="w-full">
      <thead className="sr-only">
        <tr>
          <th>Name</th>
          <th>Part</th>
          <th>Note</th>
        </tr>
      </thead>
      <tbody>
        {groups.map(([part, ...more]) => {
          const kind = kindOf(part.kind);
          const value = kind.readValue(part.value);
          return (
            <tr key={part.ref} className="align-baseline">
              <td className="mono w-24 py-0.5 pr-2 font-semibold whitespace-nowrap">
                {part.ref}
                {more.length > 0 && `–${more.at(-1)!.ref}`}
              </td>
              <td className="py-0.5">
                {more.length > 0 && `${more.length + 1} × `}
                {value.ok ? kind.describe(value.value) : part.value}
                {value.ok && part.kind === 'resistor' && <ResistorBands ohms={value.value.amount ?? 0} />}
              </td>
              <td className="py-0.5 text-note text-soft">
                {part.accept
                  ? `${part.accept.from} to ${part.accept.to} Ω pass as well`
                  : kind.legs[0]?.knownBy
                    ? `${kind.legs[0].title}: ${kind.legs[0].knownBy}`
                    : ''}
              </td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}

const capitalised = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

function Values({
  figures,
  recommendedMa,
  totalMa,
}: {
  readonly figures: WorksheetFigures;
  readonly recommendedMa: number;
  readonly totalMa: number;
}) {
  const [hottest] = [...figures.resistors].sort((a, b) => b.powerMw - a.powerMw);
  return (
    <>
      {figures.lamps.map((lamp) => (
        <div key={lamp.ref} className="not-first:mt-4">
          <p className="text-bench">
            <Figure amount={figure(lamp.currentMa)} unit="mA" /> through{' '}
            <span className="mono">{lamp.ref}</span>
            {lamp.lights > 1 && `, the brightest of its ${lamp.lights} lights`},{' '}
            {Math.round(lamp.brightness * 100)} % bright to the eye. Worst case {figure(lamp.worstMa[0])} to{' '}
            {figure(lamp.worstMa[1])} mA.
          </p>
          <IntervalBar
            value={lamp.currentMa}
            from={lamp.worstMa[0]}
            to={lamp.worstMa[1]}
            limit={recommendedMa}
            unit="mA"
            limitName="pin"
          />
          <p className="mt-1 text-note text-soft">
            {Math.round((100 * lamp.currentMa) / recommendedMa)} % of what pin {lamp.pin ?? ''} should give,{' '}
            {Math.round((100 * lamp.currentMa) / totalMa)} % of the board.
          </p>
        </div>
      ))}
      <p className="text-note text-soft not-first:mt-2">
        {figures.limits.map(
          ({ what, currentMa, limitMa }) =>
            `${capitalised(what)}: ${figure(currentMa)} of ${figure(limitMa)} mA. `,
        )}
        {hottest && `${hottest.ref} warms by ${figure(hottest.powerMw)} mW of ${RESISTOR_RATING_MW}.`}
      </p>
    </>
  );
}

const roleWords: Readonly<Record<Connection['role'], string>> = {
  supply: 'supply',
  ground: 'ground',
  signal: 'signal',
  sense: 'between parts',
};
const roleLines: Readonly<Record<Connection['role'], string>> = {
  supply: 'border-t-4 border-dashed border-supply',
  ground: 'border-t-4 border-double border-ground',
  signal: 'border-t-4 border-signal',
  sense: 'border-t-4 border-dotted border-sense',
};

interface ConnectionLineProps {
  readonly connection: Connection;
  readonly isFollowed: boolean;
  readonly onFollow: (on: boolean) => void;
}

function ConnectionLine({ connection, isFollowed, onFollow }: ConnectionLineProps) {
  return (
    <li>
      <button
        type="button"
        aria-pressed={isFollowed}
        onClick={() => onFollow(!isFollowed)}
        onMouseEnter={() => onFollow(true)}
        onFocus={() => onFollow(true)}
        onBlur={() => onFollow(false)}
        className="-mx-2 flex w-full items-center gap-3 px-2 py-1 text-left aria-pressed:bg-wash"
      >
        <span className={`w-5 shrink-0 ${roleLines[connection.role]}`} aria-hidden="true" />
        <span>
          {connection.ends.map((end, index) => (
            <span key={end.text}>
              {index > 0 && <span className="text-soft"> to </span>}
              <span className={end.isPin ? 'mono font-semibold' : ''}>{end.text}</span>
            </span>
          ))}
          <span className="ml-2 text-note text-soft">
            {roleWords[connection.role]}
            {connection.wires.map((wire) => `, ${wire.ref} ${wire.colour}`)}
          </span>
        </span>
      </button>
    </li>
  );
}
