import { differenceSentence, type ComparedRun } from '@/core/judge/compared-runs';
import { useTold } from '../words/Words';
import { Stretches, TimeAxis } from '../worksheet/Timeline';

interface ComparedRunsProps {
  readonly runs: readonly ComparedRun[];
  readonly learnerName: string;
}

/** The run of the reference over that of the build, scenario by scenario, with the moment at which they part. */
export function ComparedRuns({ runs: given, learnerName }: ComparedRunsProps) {
  const runs = useTold(given);
  if (runs.length === 0) return null;
  const differing = runs.filter(({ first, printed }) => first !== undefined || printed !== undefined);
  return (
    <section aria-label="Both runs" className="mt-5">
      <h3 className="font-text text-body font-semibold">The runs over each other</h3>
      <p className="text-note text-soft">
        {differing.length === 0
          ? 'They look alike from beginning to end.'
          : `Of each part the upper row is the reference, the lower one what ${learnerName} built.`}
      </p>
      {differing.map((run) => (
        <Run key={run.scenario} run={run} learnerName={learnerName} />
      ))}
      {differing.length > 0 && differing.length < runs.length && (
        <p className="mt-2 text-note text-soft">
          Alike:{' '}
          {runs
            .filter((run) => !differing.includes(run))
            .map(({ scenario }) => scenario)
            .join(', ')}
          .
        </p>
      )}
    </section>
  );
}

function Run({ run, learnerName }: { readonly run: ComparedRun; readonly learnerName: string }) {
  const { scenario, seconds: total, done, rows, first, printed } = run;
  return (
    <figure className="mt-3">
      <figcaption>
        <span className="text-note font-semibold">{scenario}</span>
        {first && <span className="block max-w-[70ch] font-semibold">{differenceSentence(first)}</span>}
      </figcaption>
      <div className="relative mt-1">
        {done.map((row) => (
          <div key={`done ${row.name}`} className="mt-1 flex items-center gap-3">
            <span className="mono w-14 shrink-0 text-note font-semibold">{row.name}</span>
            <Stretches row={row} total={total} className="h-5 flex-1" />
          </div>
        ))}
        {rows.map((row) => (
          <div key={`${row.sort} ${row.name}`} className="mt-1.5 flex items-center gap-3">
            <span className="w-14 shrink-0 leading-5">
              <span className="mono block text-note font-semibold">{row.name}</span>
              <span className="mono block text-note text-soft">{row.builtName ?? 'none'}</span>
            </span>
            <span className="grid min-w-0 flex-1">
              <Stretches
                row={{ name: `Reference: ${row.name}`, sort: row.sort, marks: row.asked }}
                total={total}
                className="h-5"
              />
              <Stretches
                row={{
                  name: `${learnerName}: ${row.builtName ?? row.name}`,
                  sort: row.sort,
                  marks: row.built,
                }}
                total={total}
                className="h-5 border-t-0"
              />
            </span>
          </div>
        ))}
        {first && (
          <div className="pointer-events-none absolute inset-y-0 right-0 left-17" aria-hidden="true">
            <span
              className="absolute inset-y-0 border-l-2 border-fault"
              style={{ left: `${(100 * first.at) / total}%` }}
            />
          </div>
        )}
      </div>
      <TimeAxis total={total} className="ml-17" />
      {printed && (
        <div className="mt-2 grid grid-cols-1 gap-4 xl:grid-cols-2">
          <Printed title="Printed by the reference" text={printed.asked} />
          <Printed title={`Printed by what ${learnerName} wrote`} text={printed.built} />
        </div>
      )}
    </figure>
  );
}

function Printed({ title, text }: { readonly title: string; readonly text: string }) {
  return (
    <div className="min-w-0">
      <p className="text-note text-soft">{title}</p>
      <pre
        tabIndex={0}
        role="region"
        aria-label={title}
        className="mono max-h-40 overflow-auto bg-card p-2 text-note"
      >
        {text === '' ? 'nothing' : text}
      </pre>
    </div>
  );
}
