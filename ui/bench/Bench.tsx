'use client';

import dynamic from 'next/dynamic';
import { CurrentStepper } from '../drawing/CurrentStepper';
import { warmWorkers } from '../connection/workers';
import { loadEditor } from '../editor/ProgramEditor';
import { BenchBar } from './BenchBar';
import { BenchDrawing } from './BenchDrawing';
import { BenchPanels } from './BenchPanels';
import { JoinedNotice } from './JoinedNotice';
import { ResultPanel } from './ResultPanel';
import { ReviewNotice } from './ReviewNotice';
import { loadBenchRun } from './load-run';
import { StageNotice } from './StageNotice';
import { BenchContext, useBenchAtWork, type BenchProps } from './useBench';

// Loaded when it is wanted, and before that when the page has come to rest.
const BenchRun = dynamic(loadBenchRun, {
  ssr: false,
  loading: () => <p className="px-5 py-5">Putting it together …</p>,
});

/** Loads what is needed only later: a bench without a connection runs all the same. */
const warm = (): void => {
  warmWorkers();
  for (const load of [loadBenchRun, loadEditor]) void load().catch(() => undefined);
};

/** A learner's bench: record the build, put the program in, check, and hand in. */
export function Bench(props: BenchProps) {
  const bench = useBenchAtWork(props, warm);
  const { path, recorded, state, dispatch } = bench;
  return (
    <BenchContext value={bench}>
      <div className="grid grid-cols-1 min-h-[calc(100dvh-3.9rem)] lg:grid-cols-[minmax(0,1fr)_24.5rem] xl:grid-cols-[minmax(0,1fr)_28.5rem]">
        <div className="flex min-w-0 flex-col border-ink lg:border-r">
          <BenchBar />
          <StageNotice />
          <JoinedNotice />
          <ReviewNotice />
          {state.isRunning ? (
            <BenchRun />
          ) : (
            <div className="px-4 py-3">{recorded.wiring && <BenchDrawing wiring={recorded.wiring} />}</div>
          )}
          <div className={`mt-auto ${state.isRunning ? 'hidden' : ''}`}>
            {path && state.followed !== undefined && recorded.wiring ? (
              <CurrentStepper
                path={path}
                wiring={recorded.wiring}
                step={state.followed}
                onStep={(step) => dispatch({ type: 'follow', step })}
                onClose={() => dispatch({ type: 'follow', step: undefined })}
              />
            ) : (
              <ResultPanel />
            )}
          </div>
        </div>
        <BenchPanels />
      </div>
    </BenchContext>
  );
}
