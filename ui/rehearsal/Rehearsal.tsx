'use client';

import { Volume2, VolumeX } from 'lucide-react';
import { useEffect, useMemo, useState } from 'react';
import { useStore } from 'zustand';
import type { RunSubject } from '@/core/generated/live-runs';
import type { Finding } from '@/core/findings/finding';
import { differenceSentence } from '@/core/judge/compared-runs';
import { boardsOf, type ExerciseData } from '@/core/formats/exercise';
import { seconds } from '@/core/units';
import { readWiring } from '@/core/wiring/read';
import type { Wiring } from '@/core/wiring/wiring';
import { Button } from '../design/Button';
import { Problem } from '../design/Problem';
import { useTold } from '../words/Words';
import { Curves } from './Curves';
import { HandList } from './HandList';
import { KeepRun, type KeptRun } from './KeepRun';
import { LiveBench } from './LiveBench';
import { BY_HAND, MOST_BY_HAND, type Script } from './play';
import { LiveParts } from './LiveParts';
import { PinTable } from './PinTable';
import { RunningProgram } from './RunningProgram';
import { Score } from './Score';
import { SerialLine } from './SerialLine';
import { Spoken } from './Spoken';
import { Pace, Transport } from './Transport';
import { useHandKeys, useHands, type Hand } from './useHands';
import { useRehearsal, type Rehearsal as RehearsalStore } from './useRehearsal';
import { useSound } from './useSound';

/** One of the circuits to be seen running. */
export interface Performer extends RunSubject {
  /** What it is called: `The exercise`, `What Xaver built`. */
  readonly title: string;
  /** What is found wrong with it: its parts and ends are marked, and it is said beside the difference. */
  readonly fault?: Pick<Finding, 'message' | 'refs' | 'at'> | undefined;
}

interface RehearsalProps {
  /** One, or two beside each other: the reference first. */
  readonly performers: readonly Performer[];
  /** Scenarios that were written down, to be played. */
  readonly scenarios: ExerciseData['scenarios'];
  /** Whether its program may be seen. */
  readonly showsProgram?: boolean;
  /** Keeps what was done by hand as a scenario; not where nothing can be kept. */
  readonly onKeep?: ((kept: KeptRun) => void) | undefined;
}

/** A build seen running: its bench alive, what is done and seen over time, its program line by line, its text. */
export function Rehearsal({ performers, scenarios, showsProgram = true, onKeep }: RehearsalProps) {
  const [first] = scenarios;
  const rehearsal = useRehearsal(performers, first ? scriptOf(first) : BY_HAND);
  const wirings = useMemo(() => performers.map(wiringOf), [performers]);
  const hands = useHands(rehearsal, wirings[0]?.parts ?? NO_PARTS);
  useHandKeys(hands);
  const [view, setView] = useState<View>((wirings[0]?.parts.length ?? 0) > MANY_PARTS ? 'parts' : 'bench');
  const [shownProgram, setShownProgram] = useState(0);
  const hindrance = useStore(rehearsal, (state) => state.hindrance);
  const hasProgram = showsProgram && performers.some(({ program }) => program.trim() !== '');
  const program = Math.min(shownProgram, performers.length - 1);
  return (
    <div className="grid grid-cols-1 lg:grid-cols-[minmax(0,1fr)_26rem]">
      <div className="flex min-w-0 flex-col gap-3 border-ink px-5 py-3 lg:border-r">
        <Script rehearsal={rehearsal} scenarios={scenarios} view={view} onView={setView} />
        <Problem>{hindrance && `This can’t be run. ${hindrance}`}</Problem>
        <Parted rehearsal={rehearsal} fault={performers[1]?.fault?.message} />
        <div className={performers.length > 1 ? 'grid grid-cols-1 gap-3' : ''}>
          {performers.map(({ title, fault }, index) => (
            <figure key={title} className="min-w-0">
              <figcaption className={performers.length > 1 ? '' : 'sr-only'}>
                <h2 className="font-text text-body font-semibold">{title}</h2>
              </figcaption>
              {wirings[index] && view === 'parts' && (
                <LiveParts
                  rehearsal={rehearsal}
                  index={index}
                  parts={wirings[index].parts}
                  hands={index === 0 ? hands : NO_HANDS}
                />
              )}
              {wirings[index] && view !== 'parts' && (
                <LiveBench
                  rehearsal={rehearsal}
                  index={index}
                  wiring={wirings[index]}
                  title={title}
                  hands={index === 0 ? hands : NO_HANDS}
                  className={performers.length > 1 ? 'max-h-[27vh] w-full' : 'max-h-[46vh] w-full'}
                  isNear={view === 'near'}
                  marked={fault}
                />
              )}
            </figure>
          ))}
        </div>
        <Spoken rehearsal={rehearsal} index={performers.length - 1} />
        <HandList rehearsal={rehearsal} hands={hands} />
        <Transport rehearsal={rehearsal} showsProgram={hasProgram} />
        <Limits rehearsal={rehearsal} />
        <Score rehearsal={rehearsal} titles={performers.map(({ title }) => title)} />
        {onKeep && (
          <KeepRun
            rehearsal={rehearsal}
            taken={scenarios.map(({ name }) => name)}
            parts={wirings[0]?.parts ?? NO_PARTS}
            onKeep={onKeep}
          />
        )}
      </div>
      <div className="flex min-w-0 flex-col border-t border-ink lg:border-t-0">
        {hasProgram && performers.length > 1 && (
          <div role="group" aria-label="Whose program" className="flex border-b border-ink px-4 py-2">
            {performers.map(({ title }, index) => (
              <Button
                key={title}
                look="choice"
                aria-pressed={program === index}
                onClick={() => setShownProgram(index)}
              >
                {title}
              </Button>
            ))}
          </div>
        )}
        {hasProgram && (
          <RunningProgram
            key={program}
            rehearsal={rehearsal}
            index={program}
            source={performers[program]!.program}
            label={performers.length > 1 ? `Program of ${performers[program]!.title}` : 'Program'}
          />
        )}
        {hasProgram && <Curves rehearsal={rehearsal} index={program} />}
        <SerialLine rehearsal={rehearsal} index={program} />
        {hasProgram && <PinTable rehearsal={rehearsal} index={program} />}
      </div>
    </div>
  );
}

/** How a bench is shown: whole, from near to be moved under the finger, or its parts by themselves. */
const views = ['bench', 'near', 'parts'] as const;
type View = (typeof views)[number];
const viewWords: Readonly<Record<View, string>> = { bench: 'Bench', near: 'Closer', parts: 'Parts only' };

const NO_PARTS: Wiring['parts'] = [];
/** Parts from which a bench is shown by its parts at first: on one drawing they are too small to be seen. */
const MANY_PARTS = 40;
const NO_HANDS: readonly Hand[] = [];

const scriptOf = ({ name, for: length, stimuli }: ExerciseData['scenarios'][number]): Script => ({
  scenario: name,
  seconds: length,
  stimuli,
});

/** The wiring of a subject; `undefined` for one that cannot be read. */
export function wiringOf({ wiring, exercise }: RunSubject): Wiring | undefined {
  const read = readWiring(wiring, { boards: boardsOf(exercise) });
  return read.ok ? read.value : undefined;
}

/** Which scenario is played; or the run that hands make. */
function Script({
  rehearsal,
  scenarios: given,
  view,
  onView,
}: {
  readonly rehearsal: RehearsalStore;
  readonly scenarios: ExerciseData['scenarios'];
  readonly view: View;
  readonly onView: (view: View) => void;
}) {
  const scenarios = useTold(given);
  const playing = useStore(rehearsal, ({ play }) => play.scenario);
  const isWorking = useStore(rehearsal, (state) => state.isWorking);
  const sounds = useStore(rehearsal, ({ runs }) => (runs?.runs[0]?.trace.sounds.size ?? 0) > 0);
  const [isHeard, setHeard] = useState(false);
  useSound(rehearsal, isHeard);
  return (
    <div className="flex flex-wrap items-center gap-x-3 gap-y-2">
      <div role="group" aria-label="What is played" className="flex flex-wrap">
        {scenarios.map((scenario, index) => (
          <Button
            key={scenario.name}
            look="choice"
            className="min-h-11 max-w-64 truncate"
            aria-pressed={playing === given[index]!.name}
            onClick={() => rehearsal.dispatch({ type: 'play', script: scriptOf(given[index]!) })}
          >
            {scenario.name}
          </Button>
        ))}
        <Button
          look="choice"
          className="min-h-11"
          aria-pressed={playing === undefined}
          onClick={() => rehearsal.dispatch({ type: 'play', script: BY_HAND })}
        >
          By hand
        </Button>
      </div>
      <div role="group" aria-label="What is shown" className="flex">
        {views.map((one) => (
          <Button
            key={one}
            look="choice"
            className="min-h-11"
            aria-pressed={view === one}
            onClick={() => onView(one)}
          >
            {viewWords[one]}
          </Button>
        ))}
      </div>
      {sounds && (
        <Button
          className="min-h-11"
          aria-pressed={isHeard}
          aria-label="Sound"
          onClick={() => setHeard((before) => !before)}
        >
          {isHeard ? <Volume2 size={17} aria-hidden="true" /> : <VolumeX size={17} aria-hidden="true" />}
          {isHeard ? 'Sound on' : 'Sound off'}
        </Button>
      )}
      <Pace rehearsal={rehearsal} />
      <Clock rehearsal={rehearsal} />
      <Working isWorking={isWorking} />
    </div>
  );
}

/** Milliseconds of work that nobody notices: a touch is worked out in less. */
const UNNOTICED = 400;

/** Says so when a run takes a while to be worked out. */
function Working({ isWorking }: { readonly isWorking: boolean }) {
  const [isLong, setLong] = useState(false);
  useEffect(() => {
    const timer = setTimeout(() => setLong(isWorking), isWorking ? UNNOTICED : 0);
    return () => clearTimeout(timer);
  }, [isWorking]);
  return (
    <span className="text-note text-soft" role="status">
      {isWorking && isLong ? 'Running it …' : ''}
    </span>
  );
}

/** The moment that is shown, to a hundredth of a second. */
function Clock({ rehearsal }: { readonly rehearsal: RehearsalStore }) {
  const at = useStore(rehearsal, ({ play }) => Math.floor(play.at * 100) / 100);
  return (
    <span className="mono ml-auto text-lead tabular-nums" aria-hidden="true">
      {at.toFixed(2)} s
    </span>
  );
}

/** Seconds after the moment at which two runs part, when it can be seen that they have. */
const JUST_AFTER = 0.05;

/** Where two runs part, and the way there. */
function Parted({
  rehearsal,
  fault: given,
}: {
  readonly rehearsal: RehearsalStore;
  readonly fault: string | undefined;
}) {
  const fault = useTold(given);
  const runs = useStore(rehearsal, (state) => state.runs);
  const sentence = useTold(runs?.first ? differenceSentence(runs.first) : '');
  if (!runs || runs.runs.length < 2) return null;
  const { first } = runs;
  if (!first) return <p className="font-semibold">Both do the same, from beginning to end.</p>;
  return (
    <p className="flex flex-wrap items-center gap-x-3 border-l-4 border-fault pl-3">
      <span className="max-w-[70ch] min-w-0 flex-1 basis-96">
        <strong>{sentence}</strong> {fault}
      </span>
      <Button onClick={() => rehearsal.dispatch({ type: 'seek', at: first.at + JUST_AFTER })}>
        Show that moment
      </Button>
    </p>
  );
}

/** Why a run is not known any further. */
function Limits({ rehearsal }: { readonly rehearsal: RehearsalStore }) {
  const ended = useStore(rehearsal, ({ runs }) => runs?.runs[0]?.trace.ended);
  const isAtEnd = useStore(
    rehearsal,
    ({ play, runs }) => play.scenario === undefined && play.at >= MOST_BY_HAND && runs !== undefined,
  );
  const text =
    ended?.reason === 'steps'
      ? `This program never rests: it does more than can be shown after ${seconds(ended.at)}. A short delay in its loop would let it breathe.`
      : ended?.reason === 'changes'
        ? `This program changes its pins so fast that it is shown up to ${seconds(ended.at)} only.`
        : ended?.reason === 'output'
          ? `This program prints so much that it is shown up to ${seconds(ended.at)} only.`
          : ended?.reason === 'memory'
            ? `At ${seconds(ended.at)} the board’s memory is full, in line ${ended.line}. The program stops there.`
            : isAtEnd
              ? 'Ten minutes are the most that can be run at once. Begin again from the start.'
              : undefined;
  return text === undefined ? null : <p className="border-l-4 border-risk pl-3">{text}</p>;
}
