'use client';

import Link from 'next/link';
import { useId, useMemo, useState } from 'react';
import { isBoard } from '@/core/boards';
import { asksForProgram } from '@/core/formats/exercise';
import { drawBench } from '@/core/drawing/bench';
import { fourBands } from '@/core/electrics/values/bands';
import { kindOf } from '@/core/parts';
import { wireColours } from '@/core/drawing/colours';
import { aspectOf, closeUp } from '@/core/drawing/close-up';
import type { Drawing } from '@/core/drawing/list';
import { drawPartAlone } from '@/core/drawing/part-card';
import type {
  AskedCaution,
  AskedPart,
  AskedPin,
  AskedRun,
  AskedStage,
  AskedSteps,
  Task,
} from '@/core/generated/task';
import { readWiring } from '@/core/wiring/read';
import { nameOf, type Wiring } from '@/core/wiring/wiring';
import { capital, howMany, listText } from '@/core/words/words';
import { Button } from '../design/Button';
import { Cautions } from '../design/Cautions';
import { BenchFigure } from '../drawing/BenchFigure';
import { useTold } from '../words/Words';
import { shortPlace } from './draft';
import { AskedRuns } from './AskedRuns';
import { CalibrationList } from './CalibrationList';
import { StatedList } from './StatedList';
import { useBench, type BenchProps } from './useBench';
import { WantedRun } from './WantedRun';

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
        <Steps steps={told.steps} cautions={told.cautions} />
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
    <Section title={isFrame ? 'What must always hold' : 'What must be seen'}>
      <AskedRuns runs={runs} />
      {!isFrame && <WantedRun />}
    </Section>
  );
}

/** Where a learner says what theirs does, which it is then judged by. */
function Yours({ asks, least }: NonNullable<Task['open']>) {
  return (
    <Section title="Yours to decide">
      <p className="max-w-[60ch]">{asks}</p>
      <p className="mt-1 mb-2 max-w-[60ch] text-note text-soft">
        Say here what yours does, in {howMany(least, 'sentence')} or more. Your build is checked against what
        you say.
      </p>
      <StatedList />
    </Section>
  );
}

/** What can be tried before everything is built; what works is ticked off. */
function OnTheWay({ stages }: { readonly stages: readonly AskedStage[] }) {
  const { state, tryStage } = useBench();
  const { parts, stagesDone = [] } = state.draft;
  if (stages.length === 0) return null;
  const inBag = (refs: readonly string[]): readonly string[] =>
    refs.filter((name) =>
      Object.values(parts.find(({ ref }) => ref === name)?.at ?? {}).every((place) => place === ''),
    );
  return (
    <Section title="On the way there">
      <p className="mb-1 max-w-[60ch] text-note text-soft">
        Try a part of it as soon as it is built: a mistake is found sooner among few parts.
      </p>
      <ul>
        {stages.map(({ name, refs }) => {
          const missing = inBag(refs);
          return (
            <li key={name} className="flex items-center gap-3 border-b border-rule py-2 last:border-b-0">
              <div className="min-w-0 flex-1">
                <p className="font-semibold">
                  {stagesDone.includes(name) && <span className="text-good">✓ </span>}
                  {capital(name)}
                </p>
                <p className="text-note text-soft">
                  {stagesDone.includes(name)
                    ? 'It works.'
                    : missing.length === 0
                      ? 'Everything that it needs is in your record.'
                      : `Once ${listText([...missing])} ${missing.length === 1 ? 'is' : 'are'} in your record.`}
                </p>
              </div>
              <Button
                size="roomy"
                aria-label={`Try ${name}`}
                disabled={missing.length > 0}
                onClick={() => tryStage(name)}
              >
                Try it
              </Button>
            </li>
          );
        })}
      </ul>
    </Section>
  );
}

/** What counts, where the exercise says so. */
function Marked({ sentences }: { readonly sentences: readonly string[] }) {
  if (sentences.length === 0) return null;
  return (
    <Section title="How it is marked">
      <ul className="ml-4 list-disc">
        {sentences.map((sentence) => (
          <li key={sentence}>{sentence}</li>
        ))}
      </ul>
    </Section>
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
    <Section title="Before you begin">
      <Cautions texts={texts} />
    </Section>
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
    <Section title="In the bag">
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
    </Section>
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
    <Section title="Which pin for what">
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
    </Section>
  );
}

interface StepsProps {
  readonly steps: AskedSteps;
  readonly cautions: readonly AskedCaution[];
}

/** The build one step at a time, with the picture as it looks then. */
function Steps({ steps: { layout, steps, trial }, cautions }: StepsProps) {
  const { exercise, board, state, dispatch, task, tryStage } = useBench();
  const [at, setAt] = useState(0);
  const step = steps[at];
  const wiring = useMemo(() => {
    const boards = new Map([[exercise.board ?? '', board]]);
    const read = readWiring(layout, { boards });
    return read.ok ? read.value : undefined;
  }, [layout, exercise.board, board]);
  const drawing = useMemo((): Drawing | undefined => {
    if (!wiring || !step) return undefined;
    const present = new Set(step.present);
    const drawing = drawBench(
      { ...wiring, parts: wiring.parts.filter(({ ref }) => present.has(ref)) },
      { crop: 'used' },
    );
    // From near, so that the holes can be counted.
    return closeUp(drawing, new Set([step.ref]), { rows: 'with their names' }) ?? drawing;
  }, [wiring, step]);
  if (!step) return null;
  const shown = placesIn(wiring, step.ref);
  const standing = recordedAs(shown, state.draft.parts.find(({ ref }) => ref === step.ref)?.at ?? {});
  const isLast = at === steps.length - 1;
  return (
    <Section title={`Step ${at + 1} of ${steps.length}`}>
      <p className="font-semibold">{step.text}</p>
      <p className="text-note text-soft">{step.checkpoint}</p>
      <Cautions
        texts={cautions.flatMap(({ when, refs, text }) =>
          when === 'with-parts' && refs.includes(step.ref) ? text : [],
        )}
      />
      {drawing && (
        <BenchFigure
          drawing={drawing}
          title={`After step ${at + 1}`}
          emphasis={new Set([step.ref])}
          className="mt-2 w-full border border-rule"
          style={{ aspectRatio: aspectOf(drawing) }}
        />
      )}
      {task.stages
        .filter(({ afterStep }) => afterStep === at + 1)
        .map(({ name }) => (
          <Button key={name} size="roomy" className="mt-2" onClick={() => tryStage(name)}>
            Now try it: {name}
          </Button>
        ))}
      {isLast && trial && <p className="mt-2">{trial}</p>}
      <p role="status" className="mt-2 min-h-6">
        {standing === 'as shown' ? (
          <span className="font-semibold text-good">✓ It is in your record as shown.</span>
        ) : standing === 'otherwise' ? (
          `Your record has ${step.ref} otherwise. If that is how it is built, leave it so.`
        ) : (
          ''
        )}
      </p>
      <div className="mt-2 flex flex-wrap gap-2">
        {standing !== 'as shown' && (
          <Button
            look="main"
            size="roomy"
            onClick={() => {
              dispatch({ type: 'did step', ref: step.ref, at: shown });
              if (!isLast) setAt(at + 1);
            }}
          >
            I did this as shown
          </Button>
        )}
        <Button size="roomy" disabled={at === 0} onClick={() => setAt(at - 1)}>
          Step back
        </Button>
        <Button size="roomy" disabled={isLast} onClick={() => setAt(at + 1)}>
          Next step
        </Button>
      </div>
    </Section>
  );
}

/** Where the ends of a part are in a wiring, as they are recorded at the bench. */
const placesIn = (wiring: Wiring | undefined, ref: string): Readonly<Record<string, string>> =>
  Object.fromEntries(
    (wiring?.parts.find((part) => part.ref === ref)?.legs ?? []).flatMap(({ leg, at }) =>
      at ? [[leg, shortPlace(nameOf(at))]] : [],
    ),
  );

/** How a part stands in the record beside how it is shown. */
function recordedAs(
  shown: Readonly<Record<string, string>>,
  recorded: Readonly<Record<string, string>>,
): 'open' | 'as shown' | 'otherwise' {
  if (Object.values(recorded).every((place) => place === '')) return 'open';
  const isSame = Object.entries(shown).every(
    ([leg, place]) => recorded[leg]?.trim().toLowerCase() === place.toLowerCase(),
  );
  return isSame ? 'as shown' : 'otherwise';
}

function Section({ title, children }: { readonly title: string; readonly children: React.ReactNode }) {
  const titleId = useId();
  return (
    <section aria-labelledby={titleId} className="mt-5 border-t border-rule pt-3">
      <h2 id={titleId} className="mb-1.5 text-bench font-bold">
        {title}
      </h2>
      {children}
    </section>
  );
}
