'use client';

import { useCallback, useEffect, useEffectEvent, useMemo, useRef, useState } from 'react';
import type { PointName } from '@/core/brand';
import type { BoardProfile } from '@/core/boards';
import type { HouseQuestionId, HouseRules } from '@/core/course/house-rules';
import { boardsOf } from '@/core/formats/exercise';
import type { ProposedScenario } from '@/core/generated/proposals';
import type { Connection } from '@/core/plan/worksheet';
import { circuitOf, takenPins } from '@/core/statements';
import { readWiring } from '@/core/wiring/read';
import { Circuit } from '@/core/wiring/circuit';
import type { Point, Wiring } from '@/core/wiring/wiring';
import { fieldChanges, type Change, type SheetField } from '@/core/worksheet/change';
import { takeWiring } from '@/core/worksheet/from-wiring';
import { nudge, putLeg, type Step as Shift } from '@/core/worksheet/nudge';
import type { ReadOut } from '@/core/worksheet/read-out';
import { joinLeg, movePin } from '@/core/worksheet/rewire';
import { ruleEffect } from '@/core/worksheet/rule-effect';
import type { Proof } from '@/core/worksheet/proof';
import { contextOf, type Sheet, type SheetLine } from '@/core/worksheet/sheet';
import { ref } from '@/core/brand';
import { useStable } from '../shell/useStable';
import { chosenLeg, chosenRef, type Chosen } from './chosen';
import { Clashes } from './Clashes';
import { keyOf } from './Connections';
import { Drawings } from './Drawings';
import { KeepingWords } from './KeepingWords';
import { Steps } from './Steps';
import type { Thread } from './threads';
import { Timeline } from './Timeline';
import { useProof } from './useProof';
import { useReadOut } from './useReadOut';
import { useSheet } from './useSheet';
import { useUndoKeys } from './useUndoKeys';
import { Words } from '../words/Words';

interface WorksheetProps {
  readonly exerciseId: string;
  readonly first: Sheet;
  readonly version: number;
  readonly firstReadOut: ReadOut;
  readonly courseRules: HouseRules;
  readonly boards: readonly BoardProfile[];
  readonly mayEdit: boolean;
  readonly isPublished: boolean;
  /** What a watcher sees of the reference, and what the check says of it. */
  readonly firstProof: Proof;
  readonly prove: (exerciseId: string) => Promise<Proof | undefined>;
  /** Runs the program as it is kept in usual and unusual situations. */
  readonly propose: (exerciseId: string) => Promise<readonly ProposedScenario[]>;
}

/** One exercise from its aim to its check, in the order of the work, with its drawing beside. */
export function Worksheet(props: WorksheetProps) {
  const { exerciseId, first, version, firstReadOut, courseRules, boards, mayEdit, isPublished } = props;
  const {
    sync,
    keeping,
    change: write,
    step,
    derive,
    settleClash,
  } = useSheet(exerciseId, first, version, mayEdit);
  const { sheet } = sync;
  const { board, boardProfile, rules } = sheet;
  const {
    readOut,
    circuit: shownCircuit,
    answers,
    trouble,
    work,
  } = useReadOut(firstReadOut, courseRules, (answer) => derive(answer.sheet));
  const [followed, setFollowed] = useState<Connection>();
  const [pointedAt, setPointedAt] = useState<readonly string[]>([]);
  const [chosen, setChosen] = useState<Chosen>();
  const [refusal, setRefusal] = useState<string>();
  const proof = useProof({ proof: props.firstProof, version }, sync.version, () => props.prove(exerciseId));

  const context = useMemo(() => {
    const read = contextOf({ board, boardProfile, rules }, courseRules);
    return read.ok ? read.value : undefined;
  }, [board, boardProfile, rules, courseRules]);
  // Nobody's hand is in the layout: it may be made as good as it can be.
  const isFreeLayout = !isPublished && (sheet.held ?? []).length === 0 && sheet.basedOn === undefined;
  const source = sourceOf(sheet);
  const shown = sourceOf(readOut.sheet);
  const isShown = source === shown;
  const circuit = useMemo(
    () =>
      isShown && shownCircuit
        ? shownCircuit
        : context &&
          circuitOf(
            sheet.lines.map(({ text, refs }) => ({ text, refs: refs.map(ref) })),
            context,
          ),
    [isShown, shownCircuit, sheet.lines, context],
  );
  const asked = useRef(source);
  const askFor = useCallback(
    (wanted: Sheet) => {
      const wish = sourceOf(wanted);
      if (wish === asked.current) return;
      asked.current = wish;
      work(wanted, 'keep');
    },
    [work],
  );
  // What is written here is worked out before the page has shown it.
  const change = useCallback(
    (changes: readonly Change[], joins?: 'joins' | 'stands alone') => askFor(write(changes, joins)),
    [askFor, write],
  );
  const ask = useEffectEvent(() => {
    if (!isShown) askFor(sheet);
  });
  const circuitNow = JSON.stringify(circuit?.nets);
  const finished = useRef(circuitNow);
  const finish = (): void => {
    if (circuitNow === finished.current) return;
    finished.current = circuitNow;
    if (isFreeLayout) work(sheet, 'anew');
  };
  // Whatever changes what is worked out from is worked out at once, by whomever it was changed.
  useEffect(() => ask(), [source]);

  const { layout: shownLayout, boardProfile: shownProfile } = readOut.sheet;
  const wiring = useMemo(() => {
    const read = readWiring(shownLayout ?? '', { boards: boardsOf({ boardProfile: shownProfile }) });
    return read.ok && read.value.parts.length > 0 ? read.value : undefined;
  }, [shownLayout, shownProfile]);
  const connections = readOut.figures?.connections;
  const atRest = useMemo(() => {
    if (!connections) return NO_THREADS;
    return connections.length > MOST_THREADS
      ? NO_THREADS
      : connections.flatMap(({ point, role }) => (point ? [{ point, role }] : []));
  }, [connections]);
  const set = useCallback(
    (field: SheetField, is: unknown, joins: 'joins' | 'stands alone' = 'stands alone') =>
      change(fieldChanges(sheet, { [field]: is }), joins),
    [change, sheet],
  );
  const make = (
    result: { ok: true; value: readonly Change[] } | { ok: false; problems: readonly { message: string }[] },
  ): string | undefined => {
    const problem = result.ok ? undefined : result.problems[0]!.message;
    if (result.ok) change(result.value);
    setRefusal(problem);
    return problem;
  };
  const place = (result: ReturnType<typeof nudge>): string | undefined => {
    if (!result.ok) return result.problems[0]!.message;
    change([
      { type: 'field', field: 'layout', was: sheet.layout, is: result.value.layout },
      { type: 'field', field: 'held', was: sheet.held, is: [...result.value.held] },
    ]);
    return undefined;
  };
  useUndoKeys(step, mayEdit);
  const onMovePin = useStable((from: string, to: string) => make(movePin(sheet, courseRules, from, to)));
  const onJoin = useStable((leg: PointName, target: PointName | null) =>
    make(joinLeg(sheet, courseRules, leg, target)),
  );
  const onNudge = useStable((what: Chosen, by: Shift) =>
    place(nudge(sheet, courseRules, chosenRef(what), chosenLeg(what), by)),
  );
  const onPut = useStable((what: Chosen, at: Point) => {
    const leg = chosenLeg(what);
    return leg === null ? undefined : place(putLeg(sheet, courseRules, chosenRef(what), leg, at));
  });
  const onHold = useStable((name: string, isHeld: boolean) =>
    set(
      'held',
      isHeld ? [...(sheet.held ?? []), name] : (sheet.held ?? []).filter((other) => other !== name),
    ),
  );
  const onTrace = useStable((point: Point | undefined) => {
    const circuit = wiring && new Circuit(wiring);
    const node = point && circuit?.nodeAt(point);
    const traced = node && connections?.find((one) => one.point && circuit!.nodeAt(one.point) === node);
    setFollowed(traced && followed && keyOf(traced) === keyOf(followed) ? undefined : traced);
  });
  const onTake = useStable((given: Wiring) => make(takeWiring(sheet, given, courseRules)));
  const effectOf = useStable((question: HouseQuestionId, school: string) =>
    ruleEffect(sheet, courseRules, question, school),
  );
  const now = useStable(() => ({ sheet, wiring }));
  const onLayOutAnew = useStable(() => work(sheet, 'anew'));
  const setStable = useStable(set);
  const onFinish = useStable(finish);
  const takenKey = JSON.stringify([...takenPins(circuit?.lines ?? [], undefined)]);
  const taken = useMemo(() => new Map(JSON.parse(takenKey) as [string, string][]), [takenKey]);

  if (!context || !circuit)
    return <p className="p-8">The board or a house rule of this exercise no longer exists: {sheet.board}.</p>;
  return (
    <Words choice={context.rules.words}>
      <Clashes clashes={sync.clashes} onSettle={settleClash} />
      <KeepingWords
        keeping={keeping}
        lastOther={sync.lastOther?.author}
        trouble={trouble}
        mayEdit={mayEdit}
        canUndo={sync.done.length > 0}
        canRedo={sync.undone.length > 0}
        onStep={step}
      />
      <div className="grid lg:grid-cols-[minmax(0,1fr)_minmax(0,29rem)] xl:grid-cols-[minmax(0,1fr)_minmax(0,35rem)]">
        <Steps
          sheet={sheet}
          readOut={readOut}
          answer={isShown ? answers : undefined}
          boards={boards}
          context={context}
          circuit={circuit}
          taken={taken}
          wiring={wiring}
          proof={proof}
          propose={() => props.propose(exerciseId)}
          isKept={keeping.state === 'saved'}
          courseRules={courseRules}
          followed={followed}
          refusal={refusal}
          mayEdit={mayEdit}
          change={change}
          set={setStable}
          onFinish={onFinish}
          onPointAt={setPointedAt}
          onFollow={setFollowed}
          onJoin={onJoin}
          onMovePin={onMovePin}
          effectOf={effectOf}
          onTake={onTake}
          now={now}
        />
        <div>
          {/* A layer of its own: writing beside it does not paint it again. */}
          <div className="p-5 pb-8 will-change-transform lg:sticky lg:top-16 lg:max-h-[calc(100dvh-4rem)] lg:overflow-y-auto">
            <Drawings
              title={sheet.title}
              wiring={wiring}
              problem={readOut.layoutProblem ?? readOut.problem}
              mayEdit={mayEdit}
              chosen={chosen}
              onChoose={setChosen}
              marked={pointedAt}
              traced={followed}
              onTrace={onTrace}
              atRest={atRest}
              held={sheet.held ?? NOBODY}
              onNudge={onNudge}
              onPut={onPut}
              onHold={onHold}
              onLayOutAnew={onLayOutAnew}
            />
            {proof.timelines.length > 0 && (
              <>
                <h2 className="mt-5 border-t border-ink pt-3 text-lead">What is seen and heard</h2>
                {proof.timelines.map((timeline) => (
                  <Timeline key={timeline.scenario} timeline={timeline} />
                ))}
              </>
            )}
          </div>
        </div>
      </div>
    </Words>
  );
}

const NOBODY: readonly string[] = [];
const NO_THREADS: readonly Thread[] = [];
/** Nodes up to which each shows as a thread of its own; more would hide one another. */
const MOST_THREADS = 8;

/** Everything that is worked out from, as a text to compare. */
const sourceOf = (sheet: Sheet): string =>
  JSON.stringify([
    sheet.lines.map(({ id, text }: SheetLine) => [id, text]),
    sheet.board,
    sheet.parts.filter(({ kind }) => kind === 'breadboard'),
    sheet.rules,
    sheet.layout,
    sheet.cautions,
    sheet.scenarios.length,
  ]);
