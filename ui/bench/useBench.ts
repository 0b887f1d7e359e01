'use client';

import {
  createContext,
  use,
  useEffect,
  useEffectEvent,
  useMemo,
  useReducer,
  useRef,
  type Dispatch,
} from 'react';
import type { BoardProfile } from '@/core/boards';
import type { HouseRules } from '@/core/course/house-rules';
import { currentPath, type CurrentPath } from '@/core/electrics/paths';
import type { Finding } from '@/core/findings/finding';
import { isToldAtOnce } from '@/core/findings/hints';
import { rowOf } from '@/core/findings/table';
import { buildAtStage, exerciseAtStage } from '@/core/course/stages';
import { boardOf, exerciseFrom, type Exercise, type ExerciseData } from '@/core/formats/exercise';
import type { AskedStage, Task } from '@/core/generated/task';
import type { Draft, KeptDraft } from '@/core/messages/bench-draft';
import type { Decision } from '@/core/messages/decision';
import { isPowerSource, kindOf } from '@/core/parts';
import { Circuit } from '@/core/wiring/circuit';
import type { Point, Wiring } from '@/core/wiring/wiring';
import { useOffline, type OfflineState } from '../connection/offline';
import { useUndoKeys } from '../shell/useUndoKeys';
import { benchAfter, benchOf, type BenchAction, type BenchState } from './bench-state';
import { emptyDraft, recordedIn, type Recorded } from './draft';
import { newClientId } from './storage';
import { useChecker, type CheckState } from './useChecker';
import { useHandIn, type HandInState } from './useHandIn';
import { useKeptDraft } from './useKeptDraft';
import { useSharedDraft } from './useSharedDraft';

export interface BenchProps {
  readonly learnerId: string;
  readonly publicationId: string;
  /** Earlier publications of the exercise, newest first: work begun on them goes on here. */
  readonly earlier: readonly string[];
  /** What the server has kept of the bench. */
  readonly kept: Required<KeptDraft> | undefined;
  /** Who checks builds; the server, when the tablet holds nothing of the solution. */
  readonly checkedBy: 'tablet' | 'server';
  /** The student form of the exercise. */
  readonly exercise: ExerciseData;
  /** What is asked of the learner. */
  readonly task: Task;
  /** Values that were found on this bench, by their names. */
  readonly calibrated?: Readonly<Record<string, number>>;
  /** What has changed since the learner worked on another revision of the exercise. */
  readonly news?: { readonly revision: number; readonly changes: readonly string[] } | undefined;
  /** What an instructor has decided of the learner's last try, first to last. */
  readonly remarks: readonly Decision[];
  /** How somebody is called to the bench; not where an author tries an exercise. */
  readonly help?: {
    /** The call that is open, and who has taken it. */
    readonly call: { readonly takenBy: string | null } | undefined;
    readonly callForHelp: (publicationId: string) => Promise<boolean>;
    readonly endCall: (publicationId: string) => Promise<void>;
  };
  /** The whole exercise, where its author tries it: builds are checked against it, and nothing leaves the page. */
  readonly preview?: ExerciseData;
  /** The program that a learner begins with. */
  readonly given: string;
  /** Whether it is planned before it is built, or never built. */
  readonly way: HouseRules['screenOrBench'];
}

/** A bench with all that its views read, and what they may do. */
export interface Bench {
  readonly publicationId: string;
  readonly exercise: ExerciseData;
  /** Values that were found on this bench, by their names. */
  readonly calibrated: Readonly<Record<string, number>>;
  readonly board: BoardProfile;
  readonly checkedBy: BenchProps['checkedBy'];
  readonly way: BenchProps['way'];
  readonly task: Task;
  readonly news: BenchProps['news'];
  readonly remarks: BenchProps['remarks'];
  readonly help:
    | {
        readonly call: () => Promise<void>;
        readonly end: () => Promise<void>;
        readonly open: { readonly takenBy: string | null } | undefined;
      }
    | undefined;
  readonly isPreview: boolean;
  readonly state: BenchState;
  readonly dispatch: Dispatch<BenchAction>;
  readonly recorded: Recorded;
  /** The stage that is tried on the way, and the program that runs on it. */
  readonly stage: AskedStage | undefined;
  readonly tried: string;
  /** Tries a stage on the way, or goes back to the whole. */
  readonly tryStage: (name: string | undefined) => void;
  /** Rows of the breadboard. */
  readonly rows: number;
  /** Why what is recorded cannot be checked or handed in. */
  readonly obstacle: string | undefined;
  /** The active leg in words: `the long leg of D1`. */
  readonly placing: string | undefined;
  readonly result: CheckState;
  /** Whether something was changed since the check. */
  readonly isStale: boolean;
  /** What the check points at, as far as the hints have come. */
  readonly marked: Pick<Finding, 'refs' | 'at'> & { readonly lines: readonly number[] };
  /** The way of the current; `undefined` when there is none to follow. */
  readonly path: CurrentPath | undefined;
  /** Whether it opens again without a connection. */
  readonly offline: OfflineState;
  readonly savedAt: Date | undefined;
  readonly savingProblem: string | undefined;
  readonly handInState: HandInState;
  readonly check: () => void;
  readonly cancelCheck: () => void;
  readonly handIn: () => void;
}

/** The bench that a view belongs to. */
export const BenchContext = createContext<Bench | undefined>(undefined);

export function useBench(): Bench {
  const bench = use(BenchContext);
  if (!bench) throw new Error('there is no bench around this');
  return bench;
}

/** A bench at work: its state, kept, checked and handed in. `warm` loads what is needed only later. */
export function useBenchAtWork(props: BenchProps, warm: () => void): Bench {
  const { learnerId, publicationId, earlier, checkedBy, exercise } = props;
  const [state, dispatch] = useReducer(benchAfter, undefined, () =>
    benchOf(emptyDraft(exercise, props.given)),
  );
  const { draft, checked } = state;
  const where = {
    learnerId,
    publicationId,
    earlier,
    keptThere: props.kept,
    isPreview: props.preview !== undefined,
  };
  const { savedAt, problem: savingProblem } = useKeptDraft(state, dispatch, where);
  useSharedDraft(state, dispatch, where);
  const checker = useChecker(checkedBy, props.preview === undefined ? 'the room' : 'nobody');
  const handInState = useHandIn(publicationId, draft.pending, () => dispatch({ type: 'hand-in settled' }));
  const offline = useOffline(warm);
  useUndoKeys((way) => dispatch({ type: way }), true);

  const recorded = useMemo(() => recordedIn(draft, exercise), [draft, exercise]);
  const { wiring, table } = recorded;
  const stage = props.task.stages.find(({ name }) => name === state.stage);
  const tried = stage?.program ?? draft.program;
  const atStage = useMemo(
    () => stage && stageOf(props.preview ?? exercise, stage.name),
    [props.preview, exercise, stage],
  );
  const obstacle = Object.values(recorded.problems)[0] ?? (stage ? undefined : unsaid(exercise, draft));
  const what = `${table}\n${tried}\n${JSON.stringify(draft.stated ?? [])}`;
  const isStale = checked !== undefined && checked !== what;
  const result: CheckState =
    obstacle !== undefined && checked === what ? { state: 'unusable', message: obstacle } : checker.result;
  const marked = useMemo(
    () => (isStale ? NOTHING_MARKED : markedBy(checker.result, state.hintLevel)),
    [isStale, checker.result, state.hintLevel],
  );
  const path = useMemo(() => wiring && pathOf(wiring), [wiring]);

  const isReadable = obstacle === undefined && wiring !== undefined;
  const ask = (): void => {
    if (!isReadable) return;
    const looksAtPart = checkedBy === 'tablet' && atStage;
    checker.check(
      {
        publicationId,
        exercise: looksAtPart ? atStage.data : (props.preview ?? exercise),
        wiring: looksAtPart ? buildAtStage(atStage, table) : table,
        program: tried,
        ...(stage ? { stage: stage.name } : { sighting: draft.sighting, stated: draft.stated }),
      },
      () => stage && dispatch({ type: 'stage works', stage: stage.name }),
    );
  };
  // What was seen makes a result no older: it is looked at beside it.
  const compare = useEffectEvent(() => {
    if (checked !== undefined && !isStale && !stage) ask();
  });
  useEffect(() => {
    if (draft.sighting !== undefined) compare();
  }, [draft.sighting]);

  const whenLoaded = useOnceLoaded(state.isLoaded, {
    check: () => {
      dispatch({ type: 'check', what, record: isReadable ? 'readable' : 'unreadable' });
      ask();
    },
    'hand in': () => {
      const { program, hintsTaken, sighting, stated } = draft;
      const handIn = { clientId: newClientId(), wiring: table, program, hintsTaken, sighting, stated };
      dispatch({ type: 'hand in', handIn });
    },
  });

  return {
    publicationId,
    exercise,
    calibrated: props.calibrated ?? {},
    board: boardOf(exercise)!,
    checkedBy,
    way: props.way,
    task: props.task,
    news: props.news,
    remarks: props.remarks,
    help: props.help && {
      open: props.help.call,
      call: async () => void (await props.help!.callForHelp(publicationId)),
      end: () => props.help!.endCall(publicationId),
    },
    isPreview: props.preview !== undefined,
    state,
    dispatch,
    recorded,
    stage,
    tried,
    tryStage: (name) => {
      checker.cancel();
      dispatch({ type: 'try stage', stage: name });
    },
    rows: wiring?.breadboards[0]?.model.rows ?? USUAL_ROWS,
    obstacle,
    placing: placingText(state),
    result,
    isStale,
    marked,
    path,
    offline,
    savedAt,
    savingProblem,
    handInState,
    check: () => whenLoaded('check'),
    cancelCheck: checker.cancel,
    handIn: () => whenLoaded('hand in'),
  };
}

/**
 * Does what is wanted with what is on the bench, at once or as soon as what was kept of it is there: before that it is
 * empty, and is neither checked nor handed in.
 */
function useOnceLoaded<What extends string>(
  isLoaded: boolean,
  works: Readonly<Record<What, () => void>>,
): (wanted: What) => void {
  const waiting = useRef<What>(undefined);
  const begin = useEffectEvent(() => {
    const wanted = waiting.current;
    waiting.current = undefined;
    if (wanted !== undefined) works[wanted]();
  });
  useEffect(() => {
    if (isLoaded) begin();
  }, [isLoaded]);
  return (wanted) => {
    if (isLoaded) works[wanted]();
    else waiting.current = wanted;
  };
}

/** An exercise at a stage, where the tablet knows enough of it. */
function stageOf(data: ExerciseData, name: string): Exercise | undefined {
  const whole = exerciseFrom(data);
  const atStage = whole.ok ? exerciseAtStage(whole.value, name) : whole;
  return atStage.ok ? atStage.value : undefined;
}

/** What is missing where the learner is to say what theirs does. */
const unsaid = ({ open }: ExerciseData, { stated = [] }: Draft): string | undefined =>
  open && stated.length < open.least
    ? 'Say first what yours does: you find the place for it under Task.'
    : undefined;

/** Rows of a breadboard, where the wiring cannot be read just now. */
const USUAL_ROWS = 30;

const NOTHING_MARKED: Bench['marked'] = { refs: [], at: [], lines: [] };

/** The place of the first cause, once the hints have come to it; a line that is refused at once. */
function markedBy(result: CheckState, hintLevel: number): Bench['marked'] {
  const cause = result.state === 'done' ? result.report.findings.find((finding) => finding.cause) : undefined;
  if (!cause) return NOTHING_MARKED;
  const showsPlace = hintLevel >= 2 || isToldAtOnce(cause);
  const showsLine = cause.line !== undefined && (showsPlace || rowOf(cause.code).isRefused);
  return {
    refs: showsPlace ? cause.refs : [],
    at: showsPlace ? cause.at : [],
    lines: showsLine ? [cause.line!] : [],
  };
}

function placingText({ active, draft }: BenchState): string | undefined {
  const part = active && draft.parts.find(({ ref }) => ref === active.ref);
  if (!part) return undefined;
  const leg = kindOf(part.kind).legs.find(({ name }) => name === active.leg);
  const title = leg?.title ?? active.leg;
  return `${/^(?:one|leg) /.test(title) ? '' : 'the '}${title} of ${active.ref}`;
}

/** The path of the current from the first signal pin that something is plugged into, or from the battery. */
function pathOf(wiring: Wiring): CurrentPath | undefined {
  if (!wiring.board) return pathOfBattery(wiring);
  const { profile } = wiring.board;
  const used = wiring.parts.flatMap((part) =>
    part.legs.flatMap(({ at }) => (at?.type === 'pin' ? [at] : [])),
  );
  const isSupply = (at: Point): boolean =>
    at.type === 'pin' && profile.supplies.some((supply) => supply.name === at.pin);
  const start =
    used.find((at) => !isSupply(at)) ??
    used.find((at) => profile.supplies.some((supply) => supply.name === at.pin && supply.role === 'supply'));
  return start && currentPath(new Circuit(wiring), start);
}

function pathOfBattery(wiring: Wiring): CurrentPath | undefined {
  const source = wiring.parts.find(isPowerSource);
  const plus = source && kindOf(source.kind).poles?.plus;
  const at = source?.legs.find(({ leg }) => leg === plus)?.at;
  return at ? currentPath(new Circuit(wiring), at) : undefined;
}
