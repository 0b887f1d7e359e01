'use client';

import { useMemo, useState } from 'react';
import type { BoardProfile } from '@/core/boards';
import {
  bringUpSteps,
  messageMeaning,
  systems,
  systemTitles,
  type BringUpStep,
  type RoomForBoards,
  type System,
} from '@/core/course/bring-up';
import type { BringUpMessage } from '@/core/messages/bring-up';
import type { Language } from '@/core/program';
import { capital } from '@/core/words/words';
import { useNewest } from '../connection/useNewest';
import { Button } from '../design/Button';
import { Link } from '../shell/Link';
import { useTold } from '../words/Words';

interface BringUpProps {
  readonly publicationId: string;
  readonly board: BoardProfile;
  readonly language: Language;
  readonly room: RoomForBoards;
  /** How far the learner has come before. */
  readonly first: BringUpMessage | undefined;
}

/** A board made ready one step at a time: what to do, what is seen then, and what to do when it is not so. */
export function BringUp({ publicationId, board, language, room, first }: BringUpProps) {
  const [system, setSystem] = useState<System | undefined>(first?.system);
  if (!system)
    return (
      <section className="grid max-w-[44rem] gap-4 px-5 py-6 text-bench">
        <h2 className="text-title">What do you work on?</h2>
        <div className="flex flex-wrap gap-3">
          {systems.map((one) => (
            <Button key={one} size="roomy" onClick={() => setSystem(one)}>
              {capital(systemTitles[one])}
            </Button>
          ))}
        </div>
      </section>
    );
  return (
    <Steps
      publicationId={publicationId}
      board={board}
      language={language}
      room={room}
      system={system}
      first={first?.system === system ? first : undefined}
      onOther={() => setSystem(undefined)}
    />
  );
}

interface StepsProps extends BringUpProps {
  readonly system: System;
  readonly onOther: () => void;
}

function Steps({ publicationId, board, language, room, system, first, onOther }: StepsProps) {
  const steps = useTold(
    useMemo(() => bringUpSteps(board, system, language, room), [board, system, language, room]),
  );
  const begun = steps.findIndex(({ id }) => id === first?.step);
  const [at, setAt] = useState(first?.isReady ? steps.length : Math.max(0, begun));
  const [told, tell] = useNewest<BringUpMessage>(`/api/bring-up/${publicationId}`);
  const isShared = told?.state !== 'waiting' && told?.state !== 'refused';
  const go = (to: number): void => {
    setAt(to);
    const step = steps[Math.min(to, steps.length - 1)]!;
    tell({ system, step: step.id, isReady: to >= steps.length });
  };
  const step = steps[at];
  return (
    <div className="grid grid-cols-1 md:grid-cols-[17rem_minmax(0,1fr)]">
      <nav aria-label="Steps" className="border-ink px-5 py-5 md:border-r">
        <ol>
          {steps.map(({ id, title }, index) => (
            <li key={id} className="border-b border-rule">
              <button
                type="button"
                aria-current={index === at ? 'step' : undefined}
                onClick={() => go(index)}
                className={`flex min-h-11 w-full items-center gap-3 text-left ${index === at ? 'font-bold' : index < at ? 'text-soft' : ''}`}
              >
                <span className="mono w-6 text-right">{index < at ? '✓' : index + 1}</span>
                {title}
                {index < at && <span className="sr-only">, done</span>}
              </button>
            </li>
          ))}
        </ol>
        <p className="mt-3 text-note text-soft">
          On {systemTitles[system]}.{' '}
          <button type="button" className="min-h-10 underline underline-offset-3" onClick={onOther}>
            Another one
          </button>
        </p>
        {!isShared && (
          <p className="mt-2 text-note text-soft" role="status">
            No connection: your instructor doesn’t see yet how far you are. Go on.
          </p>
        )}
      </nav>
      {step ? (
        <Step
          key={step.id}
          step={step}
          board={board}
          onDone={() => go(at + 1)}
          onBack={at === 0 ? undefined : () => go(at - 1)}
          onStep={(id) =>
            go(
              Math.max(
                0,
                steps.findIndex((one) => one.id === id),
              ),
            )
          }
        />
      ) : (
        <section className="grid content-start justify-items-start gap-4 px-6 py-6 text-bench" role="status">
          <h2 className="text-title">Your board is ready</h2>
          <p className="max-w-[56ch]">
            Its own LED blinks, so computer, cable and board work. If something doesn’t later, it is the build
            or the program.
          </p>
          <Button asChild look="main" size="roomy">
            <Link href={`/bench/${publicationId}`}>Now build</Link>
          </Button>
        </section>
      )}
    </div>
  );
}

interface StepProps {
  readonly step: BringUpStep;
  readonly board: BoardProfile;
  readonly onDone: () => void;
  readonly onBack: (() => void) | undefined;
  readonly onStep: (id: BringUpStep['id']) => void;
}

function Step({ step, board, onDone, onBack, onStep }: StepProps) {
  const [isOtherwise, setOtherwise] = useState(false);
  const { title, does, sees, otherwise, harmless, program } = step;
  return (
    <section aria-label={title} className="grid max-w-[48rem] content-start gap-4 px-6 py-6 text-bench">
      <h2 className="text-title">{title}</h2>
      <ul className="grid gap-1.5">
        {does.map((text) => (
          <li key={text} className="border-l-4 border-rule-strong pl-3">
            {text}
          </li>
        ))}
      </ul>
      {program !== undefined && <Listing program={program} />}
      <p>
        <span className="text-soft">What you should see:</span> <strong>{sees}</strong>
      </p>
      {harmless.length > 0 && (
        <p className="text-note">
          These messages mean no harm: {harmless.map((message) => `“${message}”`).join(', ')}.
        </p>
      )}
      {isOtherwise && (
        <div className="border-l-4 border-risk pl-3" role="status">
          <p className="font-semibold">When it is not so</p>
          <ul className="ml-4 list-disc">
            {otherwise.map((text) => (
              <li key={text}>{text}</li>
            ))}
          </ul>
        </div>
      )}
      {program !== undefined && <Message board={board} onStep={onStep} />}
      <div className="flex flex-wrap gap-3">
        <Button look="main" size="roomy" onClick={onDone}>
          I see that
        </Button>
        <Button size="roomy" aria-expanded={isOtherwise} onClick={() => setOtherwise((before) => !before)}>
          It is not so
        </Button>
        {onBack && (
          <Button look="quiet" size="roomy" onClick={onBack}>
            One step back
          </Button>
        )}
      </div>
    </section>
  );
}

function Listing({ program }: { readonly program: string }) {
  const [said, setSaid] = useState('');
  return (
    <div>
      <pre
        tabIndex={0}
        role="region"
        aria-label="The first program"
        className="mono max-h-72 overflow-auto border border-rule bg-card p-3 text-note"
      >
        {program}
      </pre>
      <div className="mt-2 flex items-center gap-3">
        <Button
          className="min-h-11"
          onClick={() =>
            void navigator.clipboard.writeText(program).then(
              () => setSaid('Copied.'),
              () => setSaid('Mark the text and copy it.'),
            )
          }
        >
          Copy it
        </Button>
        <span role="status">{said}</span>
      </div>
    </div>
  );
}

/** A message that came with an upload, explained. */
function Message({ board, onStep }: { readonly board: BoardProfile; readonly onStep: StepProps['onStep'] }) {
  const [text, setText] = useState('');
  const meaning = useTold(useMemo(() => messageMeaning(text, board), [text, board]));
  return (
    <div className="grid gap-2">
      <label className="grid gap-1">
        <span>Did a red text come? Paste it here.</span>
        <textarea
          rows={2}
          value={text}
          maxLength={8000}
          onChange={({ target }) => setText(target.value)}
          className="mono w-full border border-rule-strong bg-card px-2 py-1 text-note"
        />
      </label>
      <div role="status">
        {meaning ? (
          <div className="border-l-4 border-focus bg-wash px-3 py-2">
            <p className="font-semibold">{meaning.means}</p>
            <p>{meaning.does}</p>
            {meaning.step && meaning.step !== 'upload' && (
              <Button className="mt-1 min-h-11" onClick={() => onStep(meaning.step!)}>
                Go back to that step
              </Button>
            )}
          </div>
        ) : (
          text.trim() !== '' && (
            <p>This message is not known here. Show it to your instructor; keep the window open.</p>
          )
        )}
      </div>
    </div>
  );
}
