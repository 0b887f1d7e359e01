'use client';

import dynamic from 'next/dynamic';
import { useMemo } from 'react';
import { isBoard } from '@/core/boards';
import { asksForProgram } from '@/core/formats/exercise';
import { fourBands } from '@/core/electrics/values/bands';
import { kindOf } from '@/core/parts';
import { wireColours } from '@/core/drawing/colours';
import { aspectOf } from '@/core/drawing/close-up';
import { drawPartAlone } from '@/core/drawing/part-card';
import type { AskedCaution, AskedPart, AskedPin, AskedRun, Task } from '@/core/generated/task';
import { capital, howMany, listText } from '@/core/words/words';
import { Button } from '../design/Button';
import { Cautions } from '../design/Cautions';
import { BenchFigure } from '../drawing/BenchFigure';
import { Link } from '../shell/Link';
import { useTold } from '../words/Words';
import { AskedRuns } from './AskedRuns';
import { CalibrationList } from './CalibrationList';
import { OnTheWay } from './OnTheWay';
import { TaskSection } from './TaskSection';
import { TaskSteps } from './TaskSteps';
import { useBench, type BenchProps } from './useBench';
import { WantedRun } from './WantedRun';

// Only an open task reads what learners say.
const StatedList = dynamic(() => import('./StatedList').then(({ StatedList }) => StatedList));

/** What is to be done: the task in its author's words, what must be seen, what is in the bag, and the steps. */
export function TaskPanel() {
  const { task, news, dispatch } = useBench();
  const told = useTold(task);
  const toldNews = useTold(news);
  return (
    <div className="px-4 py-4 text-bench">
      {toldNews && <News {...toldNews} />}
      <p className="max-w-[60ch] text-lead">{told.aim}</p>
      {told.build && <p className="mt-2 max-w-[60ch] whitespace-pre-line">{told.build}</p>}
      <Seen runs={told.runs} isFrame={told.open !== undefined} />
      {told.open && <Yours {...told.open} />}
      <Marked sentences={told.marked} />
      <Pins pins={told.pins} />
      <BoardReady />
      <BeforeYouBegin cautions={told.cautions} />
      <Bag parts={told.parts} cautions={told.cautions} />
      <CalibrationList />
      <OnTheWay stages={told.stages} />
      {told.steps ? (
        <TaskSteps steps={told.steps} cautions={told.cautions} />
      ) : (
        told.stepsWhen === 'after-try' && (
          <p className="mt-5 border-t border-rule pt-3 text-soft">
            The build in steps can be seen here once you have handed in a first try.
          </p>
        )
      )}
      <div className="mt-5">
        <Button look="main" size="roomy" onClick={() => dispatch({ type: 'open', panel: 'wiring' })}>
          Record the wiring
        </Button>
      </div>
    </div>
  );
}

/** What has changed since the learner worked on another revision. */
function News({ revision, changes }: NonNullable<BenchProps['news']>) {
  return (
    <section aria-label="What has changed" className="mb-4 border-l-4 border-focus bg-wash px-3 py-2">
      <h2 className="text-bench font-bold">
        Your instructor has changed this exercise (revision {revision})
      </h2>
      {changes.length === 0 ? (
        <p>Nothing that you can see here. What you built and wrote is still here; check it again.</p>
      ) : (
        <>
          <ul className="ml-4 list-disc">
            {changes.map((text) => (
              <li key={text}>{text}</li>
            ))}
          </ul>
          <p className="mt-1 text-note text-soft">What you built and wrote is still here.</p>
        </>
      )}
    </section>
  );
}

/** What must be seen, and a way to see it. */
function Seen({ runs, isFrame }: { readonly runs: readonly AskedRun[]; readonly isFrame: boolean }) {
  if (runs.length === 0) return null;
  return (
    <TaskSection title={isFrame ? 'What must always hold' : 'What must be seen'}>
      <AskedRuns runs={runs} />
      {!isFrame && <WantedRun />}
    </TaskSection>
  );
}

/** Where a learner says what theirs does, which it is then judged by. */
function Yours({ asks, least }: NonNullable<Task['open']>) {
  return (
    <TaskSection title="Yours to decide">
      <p className="max-w-[60ch]">{asks}</p>
      <p className="mt-1 mb-2 max-w-[60ch] text-note text-soft">
        Say here what yours does, in {howMany(least, 'sentence')} or more. Your build is checked against what
        you say.
      </p>
      <StatedList />
    </TaskSection>
  );
}

/** What counts, where the exercise says so. */
function Marked({ sentences }: { readonly sentences: readonly string[] }) {
  if (sentences.length === 0) return null;
  return (
    <TaskSection title="How it is marked">
      <ul className="ml-4 list-disc">
        {sentences.map((sentence) => (
          <li key={sentence}>{sentence}</li>
        ))}
      </ul>
    </TaskSection>
  );
}

/** The way to the steps that make a board ready; not where an author tries an exercise, or without a board. */
function BoardReady() {
  const { publicationId, board, isPreview, exercise } = useBench();
  if (isPreview || !isBoard(board) || !asksForProgram({ data: exercise })) return null;
  return (
    <p className="mt-4">
      <Button asChild size="roomy">
        <Link href={`/bench/${publicationId}/board`}>Get the board ready</Link>
      </Button>
    </p>
  );
}

function BeforeYouBegin({ cautions }: { readonly cautions: readonly AskedCaution[] }) {
  const texts = cautions.flatMap(({ when, text }) => (when === 'before' ? text : []));
  if (texts.length === 0) return null;
  return (
    <TaskSection title="Before you begin">
      <Cautions texts={texts} />
    </TaskSection>
  );
}

interface BagProps {
  readonly parts: readonly AskedPart[];
  readonly cautions: readonly AskedCaution[];
}

function Bag({ parts, cautions }: BagProps) {
  /** What is said of several sorts stands with the first of them. */
  const isFirstOf = (part: AskedPart, { refs }: AskedCaution): boolean =>
    parts.find((one) => one.refs.some((ref) => refs.includes(ref))) === part;
  return (
    <TaskSection title="In the bag">
      <ul>
        {parts.map((part) => (
          <BagLine
            key={part.title}
            part={part}
            cautions={cautions.flatMap((caution) =>
              caution.when === 'with-parts' && isFirstOf(part, caution) ? caution.text : [],
            )}
          />
        ))}
      </ul>
    </TaskSection>
  );
}

function BagLine({ part, cautions }: { readonly part: AskedPart; readonly cautions: readonly string[] }) {
  const { refs, title, ohms, knownBy } = part;
  return (
    <li className="grid grid-cols-[5.5rem_1fr] items-center gap-3 border-b border-rule py-2 last:border-b-0">
      <div className="flex min-h-9 items-center justify-center overflow-hidden">
        <Picture part={part} />
      </div>
      <div className="min-w-0">
        <p className="font-semibold">
          {refs.length > 1 ? `${refs.length} × ${title}` : capital(title)}{' '}
          <span className="mono text-note font-normal text-soft">{shownNames(refs)}</span>
        </p>
        {ohms !== undefined && <p className="text-note text-soft">{fourBands(ohms).join(', ')}</p>}
        {knownBy.length > 0 && <p className="text-note text-soft">{knownBy.join('; ')}</p>}
        <Cautions texts={cautions} />
      </div>
    </li>
  );
}

/** A part as it looks: a wire by its colour, all others in a breadboard from near. */
function Picture({ part: { kind, value, title } }: { readonly part: AskedPart }) {
  const { conductor } = kindOf(kind);
  const drawing = useMemo(
    () => (conductor ? undefined : drawPartAlone(kind, value)),
    [conductor, kind, value],
  );
  if (conductor)
    return (
      <svg viewBox="0 0 80 20" className="w-20" aria-hidden="true">
        <path
          d="M8 14C20 2 60 2 72 14"
          fill="none"
          stroke="var(--ink)"
          strokeWidth="6"
          strokeLinecap="round"
        />
        <path
          d="M8 14C20 2 60 2 72 14"
          fill="none"
          stroke={wireColours[value] ?? 'var(--soft)'}
          strokeWidth="4"
          strokeLinecap="round"
        />
      </svg>
    );
  return drawing ? (
    <BenchFigure
      drawing={drawing}
      title={title}
      className="max-h-16 max-w-full"
      style={{ aspectRatio: aspectOf(drawing) }}
    />
  ) : null;
}

/** Names of parts, and of many the first and the last. */
const shownNames = (refs: readonly string[]): string =>
  refs.length <= 4 ? refs.join(', ') : `${refs[0]!} … ${refs.at(-1)!}`;

function Pins({ pins }: { readonly pins: readonly AskedPin[] }) {
  if (pins.length === 0) return null;
  return (
    <TaskSection title="Which pin for what">
      <dl>
        {pins.map(({ pin, what, orElse }) => (
          <div key={pin} className="grid grid-cols-[3.5rem_1fr] border-b border-rule py-1.5 last:border-b-0">
            <dt className="mono font-bold">{pin}</dt>
            <dd>
              {capital(what)}
              {orElse.length > 0 && (
                <span className="text-note text-soft">
                  {' '}
                  {orElse.length > 6 ? 'or another free pin' : `or ${listText([...orElse])}`}
                </span>
              )}
            </dd>
          </div>
        ))}
      </dl>
    </TaskSection>
  );
}
