'use client';

import { useEffect, useMemo, useState, type ReactNode } from 'react';
import { useStore } from 'zustand';
import { drawBench } from '@/core/drawing/bench';
import type { Exercise } from '@/core/formats/exercise';
import type { LineExplanation } from '@/core/generated/explain';
import type { BuildStep } from '@/core/plan/build-steps';
import type { Wiring } from '@/core/wiring/wiring';
import { BenchFigure } from '../drawing/BenchFigure';
import { useKey } from '../shell/useKey';
import { useTold } from '../words/Words';
import { LiveBench } from './LiveBench';
import { BY_HAND, type Script } from './play';
import { wiringOf, type Performer } from './Rehearsal';
import { useHandKeys, useHands } from './useHands';
import { useRehearsal, type Playing } from './useRehearsal';

/** What is shown at once: a step of the build, a line of the program, or the whole as it runs. */
type Slide =
  | { readonly slide: 'title' }
  | { readonly slide: 'step'; readonly index: number }
  | { readonly slide: 'line'; readonly says: LineExplanation }
  | { readonly slide: 'run' };

interface ProjectionProps {
  readonly title: string;
  readonly aim: string;
  readonly performer: Performer;
  readonly scenarios: Exercise['data']['scenarios'];
  readonly steps: readonly BuildStep[];
}

/** An exercise on the wall, for the last row: one step, one wire or one line at a time, with the run beside it. */
export function Projection({ title, aim, performer, scenarios, steps: given }: ProjectionProps) {
  const wiring = useMemo(() => wiringOf(performer) ?? NO_WIRING, [performer]);
  const performers = useMemo(() => [performer], [performer]);
  const [first] = scenarios;
  const script: Script = first
    ? { scenario: first.name, seconds: first.for, stimuli: first.stimuli }
    : BY_HAND;
  const rehearsal = useRehearsal(performers, script);
  const hands = useHands(rehearsal, wiring.parts);
  useHandKeys(hands);
  const explained = useTold(useStore(rehearsal, ({ runs }) => runs?.runs[0]?.inside?.explained) ?? NOTHING);
  const steps = useTold(given);
  const slides = useMemo(
    (): readonly Slide[] => [
      { slide: 'title' },
      ...steps.map((_, index): Slide => ({ slide: 'step', index })),
      ...explained.map((says): Slide => ({ slide: 'line', says })),
      { slide: 'run' },
    ],
    [steps, explained],
  );
  /** The slide, or the run at the end, which stays the end when more lines have been worked out. */
  const [at, setAt] = useState<number | 'end'>(0);
  const [isDark, setDark] = useState(false);
  const last = slides.length - 1;
  const place = at === 'end' ? last : Math.min(at, last);
  const go = (by: number): void => setAt(place + by >= last ? 'end' : Math.max(0, place + by));
  const run = (): void => {
    const { going } = rehearsal.getState().play;
    rehearsal.dispatch({ type: going === 'on' ? 'stand still' : 'go on' });
  };
  useKey('PageDown', () => go(1));
  useKey('ArrowRight', () => go(1));
  useKey('PageUp', () => go(-1));
  useKey('ArrowLeft', () => go(-1));
  useKey('r', run);
  useKey('F5', run);
  useKey('.', () => setDark((before) => !before));
  useKey('b', () => setDark((before) => !before));
  if (isDark)
    return (
      <main aria-label="The wall is dark" className="min-h-dvh bg-[#000]" onClick={() => setDark(false)} />
    );
  const slide = slides[place]!;
  return (
    <main className="flex h-dvh flex-col px-10 pt-7 pb-5">
      <header className="flex items-baseline gap-8 border-b-2 border-ink pb-2">
        <h1 className="min-w-0 flex-1 truncate text-[2.4rem] leading-tight">{title}</h1>
        <p className="mono text-[1.8rem]">
          {place + 1}/{slides.length}
        </p>
      </header>
      <div className="min-h-0 flex-1 pt-4" aria-live="polite">
        {slide.slide === 'title' && <p className="max-w-[26ch] text-[3.4rem] leading-tight">{aim}</p>}
        {slide.slide === 'step' && <StepSlide steps={steps} index={slide.index} wiring={wiring} />}
        {slide.slide === 'line' && (
          <Beside rehearsal={rehearsal} wiring={wiring} hands={hands}>
            <LineSlide source={performer.program} {...slide.says} />
          </Beside>
        )}
        {slide.slide === 'run' && (
          <LiveBench
            rehearsal={rehearsal}
            index={0}
            wiring={wiring}
            title={`${title}, running`}
            hands={hands}
            className="block h-full w-full"
          />
        )}
      </div>
      <nav aria-label="The wall" className="flex items-center gap-4 border-t border-rule pt-2">
        <Control text="Back" onClick={() => go(-1)} />
        <Control text="Next" onClick={() => go(1)} />
        <Going rehearsal={rehearsal} onClick={run} />
        <span className="ml-auto" />
        <Control text="Dark" onClick={() => setDark(true)} />
      </nav>
    </main>
  );
}

const NOTHING: readonly LineExplanation[] = [];
const NO_WIRING: Wiring = { breadboards: [], parts: [] };

function Control({ text, onClick }: { readonly text: string; readonly onClick: () => void }) {
  return (
    <button type="button" onClick={onClick} className="min-h-12 px-4 text-[1.75rem] text-soft hover:text-ink">
      {text}
    </button>
  );
}

function Going({ rehearsal, onClick }: { readonly rehearsal: Playing; readonly onClick: () => void }) {
  const isOn = useStore(rehearsal, ({ play }) => play.going === 'on');
  return <Control text={isOn ? 'Stand still' : 'Run'} onClick={onClick} />;
}

interface StepSlideProps {
  readonly steps: readonly BuildStep[];
  readonly index: number;
  readonly wiring: Wiring;
}

/** A step with the bench as it looks after it; only what is new has its full colour. */
function StepSlide({ steps, index, wiring }: StepSlideProps) {
  const step = steps[index]!;
  const whole = useMemo(() => drawBench(wiring, { crop: 'used' }), [wiring]);
  const drawing = useMemo(() => {
    const present = new Set<string>(steps.slice(0, index + 1).map(({ ref }) => ref));
    return { ...whole, layers: whole.layers.filter(({ ref }) => ref === undefined || present.has(ref)) };
  }, [whole, steps, index]);
  return (
    <div className="flex h-full flex-col">
      <p className="max-w-none text-[2.3rem] leading-snug font-semibold">{step.text}</p>
      <p className="max-w-none text-[1.8rem] text-soft">Look: {step.checkpoint}</p>
      <BenchFigure
        drawing={drawing}
        title={`After step ${index + 1}`}
        emphasis={new Set([step.ref])}
        className="mt-3 block min-h-0 w-full flex-1"
      />
    </div>
  );
}

/** A slide with the run beside it, moving on while one talks. */
function Beside({
  rehearsal,
  wiring,
  hands,
  children,
}: {
  readonly rehearsal: Playing;
  readonly wiring: Wiring;
  readonly hands: ReturnType<typeof useHands>;
  readonly children: ReactNode;
}) {
  return (
    <div className="grid h-full grid-cols-[minmax(0,1.1fr)_minmax(0,1fr)] gap-8">
      {children}
      <LiveBench
        rehearsal={rehearsal}
        index={0}
        wiring={wiring}
        title="The build, running"
        hands={hands}
        className="block h-full w-full"
      />
    </div>
  );
}

/** Lines that stand above and below the one that is talked about. */
const AROUND = 3;

function LineSlide({ source, line, says }: { readonly source: string } & LineExplanation) {
  const lines = source.split('\n');
  const from = Math.max(0, line - 1 - AROUND);
  const shown = lines.slice(from, line + AROUND);
  // A long line becomes smaller instead of running out of the wall, down to what the last row still reads.
  const longest = Math.max(24, ...shown.map((text) => text.length));
  const [width, setWidth] = useState(620);
  useEffect(() => {
    const fit = (): void => setWidth(window.innerWidth * 0.46);
    fit();
    window.addEventListener('resize', fit);
    return () => window.removeEventListener('resize', fit);
  }, []);
  const size = Math.max(28, Math.min(36, width / (longest * 0.62)));
  return (
    <div className="flex min-h-0 flex-col">
      <pre className="mono overflow-hidden" style={{ fontSize: `${size}px`, lineHeight: 1.45 }}>
        {shown.map((text, index) => {
          const isOn = from + index + 1 === line;
          return (
            <div
              key={index}
              className={`px-3 ${isOn ? 'border-l-8 border-signal bg-wash font-bold' : 'border-l-8 border-transparent text-soft'}`}
            >
              {text.trim() === '' ? ' ' : text}
            </div>
          );
        })}
      </pre>
      <p className="mt-4 max-w-none text-[2.1rem] leading-snug font-semibold">{says}</p>
    </div>
  );
}
