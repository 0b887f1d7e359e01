'use client';

import type { ProposedScenario } from '@/core/generated/proposals';
import type { Proof } from '@/core/worksheet/proof';
import type { ReadOut } from '@/core/worksheet/read-out';
import type { Sheet } from '@/core/worksheet/sheet';
import { useUndoKeys } from '../shell/useUndoKeys';
import { Words } from '../words/Words';
import { Clashes } from './Clashes';
import { Drawings } from './Drawings';
import { KeepingWords } from './KeepingWords';
import { Steps } from './Steps';
import { Timeline } from './Timeline';
import { useProof } from './useProof';
import { useSending } from './useSending';
import { useWorking } from './useWorking';
import { useWorksheet, useWorksheetStore, WorksheetContext } from './useWorksheet';
import type { Given } from './worksheet-state';

interface WorksheetProps extends Given {
  readonly first: Sheet;
  readonly version: number;
  readonly firstReadOut: ReadOut;
  /** What a watcher sees of the reference, and what the check says of it. */
  readonly firstProof: Proof;
  readonly prove: (exerciseId: string) => Promise<Proof | undefined>;
  /** Runs the program as it is kept in usual and unusual situations. */
  readonly propose: (exerciseId: string) => Promise<readonly ProposedScenario[]>;
}

/** One exercise from its aim to its check, in the order of the work, with its drawing beside. */
export function Worksheet(props: WorksheetProps) {
  const { exerciseId, courseRules, boards, mayEdit, isPublished, prove, propose } = props;
  const store = useWorksheetStore({
    given: { exerciseId, courseRules, boards, mayEdit, isPublished },
    sheet: props.first,
    version: props.version,
    readOut: props.firstReadOut,
    proof: props.firstProof,
  });
  useWorking(store);
  useSending(store);
  useProof(store, () => prove(exerciseId));
  useUndoKeys((way) => store.dispatch({ type: way }), mayEdit);
  return (
    <WorksheetContext value={store}>
      <InItsWords propose={() => propose(exerciseId)} />
    </WorksheetContext>
  );
}

function InItsWords({ propose }: { readonly propose: () => Promise<readonly ProposedScenario[]> }) {
  const context = useWorksheet((state) => state.derived.context);
  const board = useWorksheet((state) => state.sync.sheet.board);
  const isWide = useWorksheet((state) => state.drawing.isWide);
  if (!context)
    return <p className="p-8">The board or a house rule of this exercise no longer exists: {board}.</p>;
  return (
    <Words choice={context.rules.words}>
      <Clashes />
      <KeepingWords />
      <div
        className={`grid grid-cols-1 ${isWide ? '' : 'lg:grid-cols-[minmax(0,1fr)_minmax(0,29rem)] xl:grid-cols-[minmax(0,1fr)_minmax(0,35rem)]'}`}
      >
        {/* Put away and not taken out: what is half written in a line stays. */}
        <div className={isWide ? 'lg:hidden' : 'contents'}>
          <Steps context={context} propose={propose} />
        </div>
        <div>
          {/* A layer of its own: writing beside it does not paint it again. */}
          <div className="p-5 pb-8 will-change-transform lg:sticky lg:top-16 lg:max-h-[calc(100dvh-4rem)] lg:overflow-y-auto">
            <Drawings />
            <Timelines />
          </div>
        </div>
      </div>
    </Words>
  );
}

function Timelines() {
  const timelines = useWorksheet((state) => state.proof.timelines);
  if (timelines.length === 0) return null;
  return (
    <>
      <h2 className="mt-5 border-t border-ink pt-3 text-lead">What is seen and heard</h2>
      {timelines.map((timeline) => (
        <Timeline key={timeline.scenario} timeline={timeline} />
      ))}
    </>
  );
}
