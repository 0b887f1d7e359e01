import type { Edit } from '@/core/findings/finding';
import type { Scenario } from '@/core/formats/scenario';
import type { Sighting } from '@/core/formats/sighting';
import type { Agreed, Draft, KeptBench } from '@/core/messages/bench-draft';
import type { PendingHandIn } from '@/core/messages/hand-in';
import { kindOf } from '@/core/parts';
import { NOTHING_DONE, stepOn, withStep, type Undo } from '../shell/undo';
import { newPart, shortPlace, withEdits } from './draft';
import { mergedDrafts, sameDraft, type Merged } from './merge';

/** One leg of one recorded part. */
export interface LegKey {
  readonly ref: string;
  readonly leg: string;
}

export type Panel = 'task' | 'wiring' | 'program' | 'hand-in';

/** What undo is about: where things are, and what was seen. The program has an undo of its own. */
type Record = Pick<Draft, 'parts' | 'sighting'>;

interface Step {
  readonly before: Record;
  readonly after: Record;
  /** The leg whose place was typed: more letters go on with the same step. */
  readonly typed?: string;
}

/** A learner's bench: what is recorded, and where the learner is with it. */
export interface BenchState {
  readonly draft: Draft;
  /** The empty bench that it began with. */
  readonly start: Draft;
  /** What the server is known to have of it; `undefined` as long as that is nothing. */
  readonly agreed: Agreed | undefined;
  /** What came in from another tablet, until it is read. */
  readonly joined: Pick<Merged, 'taken' | 'differences'> | undefined;
  readonly undo: Undo<Step>;
  /** Whether what was kept has been looked at; before that nothing is kept. */
  readonly isLoaded: boolean;
  readonly panel: Panel;
  /** The leg whose place is being said. */
  readonly active: LegKey | undefined;
  /** What was checked last, as a text to compare. */
  readonly checked: string | undefined;
  /** What the learner had said would be seen, when it was checked last. */
  readonly foretold: string;
  readonly hintLevel: number;
  /** How far the current is followed; `undefined` when it is not. */
  readonly followed: number | undefined;
  readonly isZoomed: boolean;
  /** Whether what is recorded is seen running, instead of lying there. */
  readonly isRunning: boolean;
  /** The stage that is tried on the way; the whole exercise when it is none. */
  readonly stage: string | undefined;
}

export type BenchAction =
  /** What the tablet and the server have kept, or nothing. */
  | { readonly type: 'load'; readonly here?: KeptBench | undefined; readonly there?: Agreed | undefined }
  /** The server has this of it now. */
  | { readonly type: 'agree'; readonly agreed: Agreed }
  /** Another tablet was faster: what the server has of it. */
  | { readonly type: 'join'; readonly there: Agreed }
  /** What another page of this browser has, and what both had before. */
  | { readonly type: 'join page'; readonly theirs: Draft; readonly before: Draft }
  | { readonly type: 'read what joined' | 'exchange programs' | 'drop other program' }
  /** A place as it is typed, letter by letter, or one that is reached by a step. */
  | { readonly type: 'type place' | 'step to place'; readonly leg: LegKey; readonly place: string }
  /** A point of the drawing for the active leg; the next leg is active then. */
  | { readonly type: 'tap point'; readonly point: string }
  /** A wire from one point of the drawing to another: one that lies in the bag, else a new one. */
  | { readonly type: 'draw wire'; readonly from: string; readonly to: string }
  | { readonly type: 'add part'; readonly kind: string; readonly value: string }
  /** A step of the build was done as it is shown: the ends of its part are there. */
  | { readonly type: 'did step'; readonly ref: string; readonly at: { readonly [leg: string]: string } }
  /** Parts with many ends placed at once. */
  | { readonly type: 'place many'; readonly parts: Draft['parts'] }
  /** Wiring edits, of the list or of a repair. */
  | { readonly type: 'edit'; readonly edits: readonly Edit[] }
  | { readonly type: 'take repair'; readonly edits: readonly Edit[] }
  | { readonly type: 'say what was seen'; readonly sighting: Sighting }
  | { readonly type: 'state'; readonly stated: readonly Scenario[] }
  | { readonly type: 'write program'; readonly program: string }
  | { readonly type: 'predict'; readonly prediction: string }
  | {
      readonly type:
        | 'undo'
        | 'redo'
        | 'start afresh'
        | 'next leg'
        | 'zoom'
        | 'run'
        | 'lay down'
        | 'take hint'
        | 'hand-in settled';
    }
  | { readonly type: 'activate'; readonly leg: LegKey | undefined }
  | { readonly type: 'open'; readonly panel: Panel }
  /** Tries a stage on the way, or goes back to the whole. */
  | { readonly type: 'try stage'; readonly stage: string | undefined }
  | { readonly type: 'stage works'; readonly stage: string }
  | { readonly type: 'follow'; readonly step: number | undefined }
  /** A check of what is recorded, by its text; `unreadable` when it cannot be checked as it is. */
  | { readonly type: 'check'; readonly what: string; readonly record: 'readable' | 'unreadable' }
  | { readonly type: 'hand in'; readonly handIn: PendingHandIn };

export const benchOf = (draft: Draft): BenchState => ({
  draft,
  start: draft,
  agreed: undefined,
  joined: undefined,
  undo: NOTHING_DONE,
  isLoaded: false,
  panel: 'task',
  active: undefined,
  checked: undefined,
  foretold: '',
  hintLevel: 0,
  followed: undefined,
  isZoomed: false,
  isRunning: false,
  stage: undefined,
});

/** Whether anything is said to be plugged in. */
export const isBegun = ({ parts }: Draft): boolean =>
  parts.some(({ at }) => Object.values(at).some((place) => place !== ''));

/** The bench after an action. */
export function benchAfter(state: BenchState, action: BenchAction): BenchState {
  const { draft } = state;
  switch (action.type) {
    case 'load':
      return loaded(state, action);
    case 'agree':
      return { ...state, agreed: action.agreed };
    case 'join':
      return {
        ...joinedWith(state, action.there.draft, state.agreed?.draft ?? state.start),
        agreed: action.there,
      };
    case 'join page':
      return joinedWith(state, action.theirs, action.before);
    case 'read what joined':
      return { ...state, joined: undefined };
    case 'exchange programs':
      return { ...state, draft: { ...draft, program: draft.aside ?? draft.program, aside: draft.program } };
    case 'drop other program':
      return { ...state, draft: { ...draft, aside: undefined } };
    case 'type place':
      return recorded(state, placed(draft, action.leg, action.place), keyText(action.leg));
    case 'step to place':
      return recorded(state, placed(draft, action.leg, action.place));
    case 'tap point':
      return state.active === undefined
        ? state
        : withNextLeg(recorded(state, placed(draft, state.active, shortPlace(action.point))));
    case 'draw wire':
      return recorded(state, withWire(draft, shortPlace(action.from), shortPlace(action.to)));
    case 'add part':
      return recorded(state, {
        ...draft,
        parts: [...draft.parts, newPart(draft, action.kind, action.value)],
      });
    case 'did step':
      return recorded(state, {
        ...draft,
        parts: draft.parts.map((part) =>
          part.ref === action.ref ? { ...part, at: { ...part.at, ...action.at } } : part,
        ),
      });
    case 'place many':
      return { ...recorded(state, { ...draft, parts: action.parts }), active: undefined };
    case 'edit':
      return recorded(state, withEdits(draft, action.edits));
    case 'take repair':
      return { ...recorded(state, withEdits(draft, action.edits)), panel: 'wiring' };
    case 'say what was seen':
      return recorded(state, { ...draft, sighting: action.sighting });
    case 'state':
      return { ...state, draft: { ...draft, stated: [...action.stated] } };
    case 'write program':
      return { ...state, draft: { ...draft, program: action.program } };
    case 'predict':
      return { ...state, draft: { ...draft, prediction: action.prediction } };
    case 'start afresh':
      return {
        ...recorded(state, { ...draft, parts: draft.parts.map((part) => ({ ...part, at: {} })) }),
        active: undefined,
      };
    case 'undo':
    case 'redo':
      return stepped(state, action.type);
    case 'next leg':
      return withNextLeg(state);
    case 'activate':
      return { ...state, active: action.leg };
    case 'open':
      return { ...state, panel: action.panel };
    case 'try stage':
      return {
        ...state,
        stage: action.stage,
        checked: undefined,
        hintLevel: 0,
        followed: undefined,
        isRunning: false,
      };
    case 'stage works':
      return {
        ...state,
        draft: { ...draft, stagesDone: [...new Set([...(draft.stagesDone ?? []), action.stage])] },
      };
    case 'zoom':
      return { ...state, isZoomed: !state.isZoomed };
    case 'run':
      return { ...state, isRunning: true, active: undefined, followed: undefined };
    case 'lay down':
      return { ...state, isRunning: false };
    case 'follow':
      return { ...state, followed: action.step };
    case 'check':
      return {
        ...state,
        active: undefined,
        isRunning: false,
        hintLevel: 0,
        followed: undefined,
        checked: action.what,
        foretold: draft.prediction?.trim() ?? '',
        panel: action.record === 'readable' ? state.panel : 'wiring',
      };
    case 'take hint':
      return {
        ...state,
        hintLevel: state.hintLevel + 1,
        draft: { ...draft, hintsTaken: draft.hintsTaken + 1 },
      };
    case 'hand in':
      return { ...state, draft: { ...draft, pending: action.handIn } };
    case 'hand-in settled':
      return { ...state, draft: { ...draft, pending: undefined } };
  }
}

/** Colour of a wire for which nothing in the bag is left. */
const SPARE_COLOUR = 'green';

/** The draft with a wire between two places: the first of the bag that is not plugged in, else a new one. */
function withWire(draft: Draft, from: string, to: string): Draft {
  const isFree = ({ kind, at }: Draft['parts'][number]): boolean =>
    kindOf(kind).conductor && Object.values(at).every((place) => place === '');
  const spare = draft.parts.find(isFree);
  const wire = spare ?? newPart(draft, 'wire', SPARE_COLOUR);
  const [one, other] = kindOf(wire.kind).legs;
  const placedWire = { ...wire, at: { [one!.name]: from, [other!.name]: to } };
  return {
    ...draft,
    parts: spare
      ? draft.parts.map((part) => (part === spare ? placedWire : part))
      : [...draft.parts, placedWire],
  };
}

/** The bench as it was kept on the tablet and on the server; what differs is joined. */
function loaded(
  state: BenchState,
  { here, there }: { readonly here?: KeptBench | undefined; readonly there?: Agreed | undefined },
): BenchState {
  const base = here?.agreed?.draft ?? state.start;
  const merged = here && there && mergedDrafts(base, here.draft, there.draft);
  const kept = merged?.draft ?? here?.draft ?? there?.draft;
  return {
    ...state,
    isLoaded: true,
    draft: kept ?? state.draft,
    agreed: there && there.version > 0 ? there : here?.agreed,
    joined: merged && merged.differences.length > 0 ? merged : undefined,
    undo: NOTHING_DONE,
    // Whoever has begun goes on; whoever has not reads first what is asked.
    panel: kept && isBegun(kept) && state.panel === 'task' ? 'wiring' : state.panel,
  };
}

/** The bench with what was done elsewhere since `before`; steps of this bench can still be taken back, and only they. */
function joinedWith(state: BenchState, theirs: Draft, before: Draft): BenchState {
  const merged = mergedDrafts(before, state.draft, theirs);
  if (sameDraft(merged.draft, state.draft) && merged.differences.length === 0) return state;
  const alike = (record: Record): Record => {
    const { parts, sighting } = mergedDrafts(state.draft, { ...state.draft, ...record }, merged.draft).draft;
    return { parts, sighting };
  };
  const onTop = (step: Step): Step => ({ before: alike(step.before), after: alike(step.after) });
  return {
    ...state,
    draft: merged.draft,
    joined: withUnread(state.joined, merged),
    undo: { done: state.undo.done.map(onTop), undone: state.undo.undone.map(onTop) },
  };
}

/** What came in now, with what came in before it and has not been read. */
function withUnread(unread: BenchState['joined'], { taken, differences }: Merged): BenchState['joined'] {
  if (!unread) return { taken, differences };
  const isAnew = new Set(differences.map(({ what }) => what));
  return {
    taken: [...new Set([...unread.taken, ...taken])],
    differences: [...unread.differences.filter(({ what }) => !isAnew.has(what)), ...differences],
  };
}

const keyText = ({ ref, leg }: LegKey): string => `${ref}.${leg}`;

const placed = (draft: Draft, { ref, leg }: LegKey, place: string): Draft => ({
  ...draft,
  parts: draft.parts.map((part) => (part.ref === ref ? { ...part, at: { ...part.at, [leg]: place } } : part)),
});

/** The bench with another record, as a step that can be taken back. */
function recorded(state: BenchState, draft: Draft, typed?: string): BenchState {
  const after: Record = { parts: draft.parts, sighting: draft.sighting };
  const last = state.undo.done.at(-1);
  const goesOn = typed !== undefined && last?.typed === typed;
  const { parts, sighting } = goesOn ? last.before : state.draft;
  const step: Step = { before: { parts, sighting }, after, ...(typed === undefined ? {} : { typed }) };
  return { ...state, draft, undo: withStep(state.undo, step, goesOn ? 'the last' : 'none') };
}

function stepped(state: BenchState, way: 'undo' | 'redo'): BenchState {
  const on = stepOn(state.undo, way);
  if (!on) return state;
  const record = way === 'undo' ? on.step.before : on.step.after;
  return { ...state, undo: on.left, draft: { ...state.draft, ...record } };
}

/** The bench with the leg behind the active one active, in the order of the list. */
function withNextLeg(state: BenchState): BenchState {
  const { active, draft } = state;
  const legs = draft.parts.flatMap((part) =>
    kindOf(part.kind).legs.map((leg): LegKey => ({ ref: part.ref, leg: leg.name })),
  );
  const at = legs.findIndex(({ ref, leg }) => ref === active?.ref && leg === active.leg);
  return { ...state, active: at < 0 ? undefined : legs[at + 1] };
}
