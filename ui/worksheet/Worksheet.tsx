'use client';

import { useRouter } from 'next/navigation';
import { useCallback, useEffect, useEffectEvent, useMemo, useRef, useState } from 'react';
import type { PointName } from '@/core/brand';
import type { BoardProfile } from '@/core/boards';
import type { HouseRules } from '@/core/course/house-rules';
import { boardsOf } from '@/core/formats/exercise';
import { changeSteps } from '@/core/plan/build-steps';
import type { Connection } from '@/core/plan/worksheet';
import { circuitOf, takenPins, type StatedLine } from '@/core/statements';
import { figure } from '@/core/units';
import { readWiring } from '@/core/wiring/read';
import type { Point } from '@/core/wiring/wiring';
import { fieldOf, type Change, type SheetField } from '@/core/worksheet/change';
import { takeWiring } from '@/core/worksheet/from-wiring';
import { nudge, putLeg, type Step as Shift } from '@/core/worksheet/nudge';
import type { ReadOut } from '@/core/worksheet/read-out';
import { joinLeg, movePin } from '@/core/worksheet/rewire';
import type { Proof } from '@/core/worksheet/proof';
import { contextOf, type Sheet, type SheetLine } from '@/core/worksheet/sheet';
import { ref } from '@/core/brand';
import { ProgramEditor } from '../bench/ProgramEditor';
import { useStable } from '../shell/useStable';
import { AimStep } from './AimStep';
import { BoardStep } from './BoardStep';
import { BringUp, BuildSteps, CautionLines } from './BuildSteps';
import { Clashes } from './Clashes';
import { Connections, keyOf } from './Connections';
import { chosenLeg, chosenRef, Drawings, type Chosen, type Thread } from './Drawings';
import { Exchange } from './Exchange';
import { Expected } from './Expected';
import { KeepingWords } from './KeepingWords';
import { PartLines } from './PartLines';
import { ProgramListing } from './ProgramListing';
import { Remarks } from './Remarks';
import { RulesHere } from './RulesHere';
import { Step } from './Step';
import { Timeline } from './Timeline';
import { useReadOut } from './useReadOut';
import { useSheet } from './useSheet';
import { Values } from './Values';

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
  const { readOut, trouble, work } = useReadOut(firstReadOut, courseRules, (answer) => derive(answer.sheet));
  const [followed, setFollowed] = useState<Connection>();
  const [pointedAt, setPointedAt] = useState<readonly string[]>([]);
  const [chosen, setChosen] = useState<Chosen>();
  const [refusal, setRefusal] = useState<string>();
  const proof = useProof(props, sync.version);

  const context = useMemo(() => {
    const read = contextOf({ board, boardProfile, rules }, courseRules);
    return read.ok ? read.value : undefined;
  }, [board, boardProfile, rules, courseRules]);
  const circuit = useMemo(
    () =>
      context &&
      circuitOf(
        sheet.lines.map(({ text, refs }) => ({ text, refs: refs.map(ref) })),
        context,
      ),
    [sheet.lines, context],
  );
  // Nobody's hand is in the layout: it may be made as good as it can be.
  const isFreeLayout = !isPublished && (sheet.held ?? []).length === 0 && sheet.basedOn === undefined;
  const source = sourceOf(sheet);
  const shown = sourceOf(readOut.sheet);
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
    if (source !== shown) askFor(sheet);
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
      change([{ type: 'field', field, was: fieldOf(sheet, field), is }], joins),
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
  const onLayOutAnew = useStable(() => work(sheet, 'anew'));
  const setStable = useStable(set);
  const onFinish = useStable(finish);
  const takenKey = JSON.stringify([...takenPins(circuit?.lines ?? [], undefined)]);
  const taken = useMemo(() => new Map(JSON.parse(takenKey) as [string, string][]), [takenKey]);

  if (!context || !circuit)
    return (
      <p className="p-8">The board or a house rule of this exercise is not known any more: {sheet.board}.</p>
    );
  const { figures } = readOut;
  const worst = circuit.lines.flatMap((line) => line.troubles).some(({ weight }) => weight === 'stops');
  return (
    <>
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
        <div className="border-ink lg:border-r" data-fresh={source === shown}>
          <Step number={1} title="Aim">
            <AimStep sheet={sheet} mayEdit={mayEdit} set={setStable} />
          </Step>
          <Step number={2} title="Board">
            <BoardStep
              sheet={sheet}
              boards={boards}
              board={context.board}
              taken={taken}
              mayEdit={mayEdit}
              set={setStable}
              onMovePin={onMovePin}
            />
          </Step>
          <Step number={3} title="Parts" notch={worst ? 'fault' : undefined}>
            <PartLines
              lines={sheet.lines}
              stated={circuit.lines}
              context={context}
              mayEdit={mayEdit}
              change={change}
              summary={(line) => <LineSummary line={line} readOut={readOut} />}
              onFinish={onFinish}
              onPointAt={setPointedAt}
            />
          </Step>
          <Step number={4} title="Values">
            {figures ? (
              <Values figures={figures} recommendedMa={context.board.drive.recommendedMa} />
            ) : (
              <p>{readOut.problem}</p>
            )}
            <CautionLines cautions={readOut.cautions} step="values" />
          </Step>
          <Step number={5} title="Connections">
            {figures && (
              <Connections
                connections={figures.connections}
                sockets={socketsOf(context.board, taken)}
                followed={followed && keyOf(followed)}
                onFollow={setFollowed}
                mayEdit={mayEdit}
                onJoin={onJoin}
                onMovePin={onMovePin}
              />
            )}
            {refusal && (
              <p role="alert" className="mt-1 font-semibold text-risk">
                {refusal}
              </p>
            )}
            <FreePins sheet={readOut.sheet} />
          </Step>
          <Step number={6} title="Layout" notch={readOut.layoutProblem ? 'fault' : undefined}>
            <LayoutWords readOut={readOut} />
          </Step>
          <Step number={7} title="Program">
            {mayEdit ? (
              <div className="h-72 border border-rule">
                <ProgramEditor
                  source={sheet.program}
                  onChange={(text) => set('program', text, 'joins')}
                  marked={NO_LINES}
                  label="Reference program"
                />
              </div>
            ) : (
              <ProgramListing source={sheet.program} label="The reference program" />
            )}
          </Step>
          <Step number={8} title="Bring-up">
            <BringUp board={context.board} />
            <CautionLines cautions={readOut.cautions} step="bring-up" />
          </Step>
          <Step number={9} title="Build">
            {wiring && (
              <BuildSteps wiring={wiring} basedOn={sheet.basedOn} changes={basedOnSteps(sheet, wiring)} />
            )}
            <CautionLines cautions={readOut.cautions} step="build" />
          </Step>
          {readOut.cautions.some((caution) => caution.step === 'vary') && (
            <Step number={10} title="Vary">
              <CautionLines cautions={readOut.cautions} step="vary" />
            </Step>
          )}
          {readOut.cautions.some((caution) => caution.step === 'find-fault') && (
            <Step number={11} title="Find fault">
              <CautionLines cautions={readOut.cautions} step="find-fault" />
            </Step>
          )}
          <Step
            number={12}
            title="Check"
            notch={readOut.remarks?.some(({ severity }) => severity === 'fault') ? 'fault' : undefined}
          >
            <Remarks readOut={readOut} onPointAt={setPointedAt} />
            <Expected
              scenarios={sheet.scenarios}
              results={proof.scenarios}
              mayEdit={mayEdit}
              onChange={(scenarios) => set('scenarios', scenarios)}
            />
          </Step>
          <Step number={13} title="Next time">
            <RulesHere
              sheet={sheet}
              courseRules={courseRules}
              mayEdit={mayEdit}
              onChange={(rules) => set('rules', rules)}
            />
            <Exchange
              sheet={sheet}
              wiring={wiring}
              mayEdit={mayEdit}
              onTake={(given) => make(takeWiring(sheet, given, courseRules))}
            />
          </Step>
        </div>
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
              traced={followed?.point}
              atRest={atRest}
              held={sheet.held ?? NOBODY}
              onNudge={onNudge}
              onPut={onPut}
              onHold={onHold}
              onLayOutAnew={onLayOutAnew}
            />
            {proof.timelines.length > 0 && (
              <>
                <h2 className="mt-5 border-t border-ink pt-3 text-lead">What is seen</h2>
                {proof.timelines.map((timeline) => (
                  <Timeline key={`${timeline.scenario} ${timeline.ref}`} timeline={timeline} />
                ))}
              </>
            )}
          </div>
        </div>
      </div>
    </>
  );
}

const NOBODY: readonly string[] = [];
const NO_LINES: readonly number[] = [];
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

/** What is worked out of a line, at its end. */
function LineSummary({ line, readOut }: { readonly line: StatedLine; readonly readOut: ReadOut }) {
  const lamps = readOut.figures?.lamps.filter(({ ref: name }) => line.refs.some((own) => own === name)) ?? [];
  const [lamp] = lamps;
  if (lamp)
    return (
      <span className="whitespace-nowrap">
        <strong>{figure(lamp.currentMa)}</strong>
        <span className="text-[0.9em]"> mA</span>, {Math.round(lamp.brightness * 100)} %
        {lamps.length > 1 && ' each'}
      </span>
    );
  return line.refs.length > 0 ? (
    <span className="text-soft">{line.refs.length === 1 ? '' : `${line.refs.length} parts`}</span>
  ) : null;
}

function FreePins({ sheet }: { readonly sheet: Sheet }) {
  return Object.entries(sheet.free.pins ?? {}).map(([pin, range]) => (
    <p key={pin} className="mt-2 text-note text-soft">
      Any of the pins <span className="mono">{range}</span> may stand for{' '}
      <span className="mono">{pin.replace(/^\w+\./, '')}</span> when wire and program agree.
    </p>
  ));
}

function LayoutWords({ readOut }: { readonly readOut: ReadOut }) {
  const { figures, layoutProblem, sheet } = readOut;
  if (layoutProblem) return <p className="font-semibold text-fault">{layoutProblem}</p>;
  if (!figures || !sheet.layout || figures.legCount === 0)
    return <p className="text-soft">Nothing to lay out yet.</p>;
  const held = sheet.held ?? [];
  return (
    <p>
      {figures.legCount} ends in {figures.legCount} holes and sockets
      {figures.lastRow > 0 && `; row ${figures.lastRow + 1} on is free`}.
      {held.length > 0 && ` ${held.join(', ')} ${held.length === 1 ? 'is' : 'are'} held in place.`}{' '}
      <span className="text-soft">Proven: the layout gives exactly the connections above.</span>
    </p>
  );
}

/** Sockets that a leg can be joined to, signal pins that are free and the supplies. */
function socketsOf(board: BoardProfile, taken: ReadonlyMap<string, string>) {
  return [
    ...board.supplies
      .filter(({ role }) => role !== 'input')
      .map(({ name, role }) => ({ name, note: role === 'ground' ? 'ground' : 'supply' })),
    ...board.pins
      .filter(({ name, reserved }) => !taken.has(name) && reserved === undefined)
      .map(({ name, functions }) => ({
        name,
        note: ['free', ...functions.filter((one) => one === 'pwm' || one === 'analog')].join(', '),
      })),
  ];
}

function basedOnSteps(sheet: Sheet, wiring: NonNullable<Parameters<typeof changeSteps>[1]>) {
  const before = readWiring(sheet.basedOn?.layout ?? '', { boards: boardsOf(sheet) });
  return sheet.basedOn && before.ok ? changeSteps(before.value, wiring) : undefined;
}

/** Undo and redo from anywhere on the page, the program's own editor excepted. */
function useUndoKeys(step: (way: 'undo' | 'redo') => void, mayEdit: boolean): void {
  const act = useEffectEvent((event: KeyboardEvent) => {
    const key = event.key.toLowerCase();
    const isUndo = key === 'z' && !event.shiftKey;
    const isRedo = key === 'y' || (key === 'z' && event.shiftKey);
    if (!mayEdit || !(event.ctrlKey || event.metaKey) || !(isUndo || isRedo)) return;
    if ((event.target as HTMLElement | null)?.closest('.cm-editor, [role="dialog"]')) return;
    event.preventDefault();
    step(isUndo ? 'undo' : 'redo');
  });
  useEffect(() => {
    const listen = (event: KeyboardEvent): void => act(event);
    window.addEventListener('keydown', listen);
    return () => window.removeEventListener('keydown', listen);
  }, []);
}

/** The proof of the reference, made again when the server has kept something new. */
function useProof({ exerciseId, firstProof, prove, version }: WorksheetProps, kept: number): Proof {
  const [proof, setProof] = useState(firstProof);
  const router = useRouter();
  const renew = useEffectEvent(() => {
    void prove(exerciseId).then((made) => {
      if (made) setProof(made);
    });
    router.refresh();
  });
  useEffect(() => {
    if (kept === version) return undefined;
    const timer = setTimeout(() => renew(), PROOF_REST);
    return () => clearTimeout(timer);
  }, [kept, version]);
  return proof;
}

/** Milliseconds of rest before the reference is proven again. */
const PROOF_REST = 800;
