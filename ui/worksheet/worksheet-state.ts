import type { BoardProfile } from '@/core/boards';
import type { PointName } from '@/core/brand';
import type { HouseRules } from '@/core/course/house-rules';
import type { Scenario } from '@/core/formats/scenario';
import type { News, Overtaken } from '@/core/messages/sheet';
import type { Connection } from '@/core/plan/worksheet';
import type { Result } from '@/core/result';
import type { StatedCircuit } from '@/core/statements';
import { Circuit } from '@/core/wiring/circuit';
import type { Point, Wiring } from '@/core/wiring/wiring';
import {
  fieldChanges,
  markChanges,
  type Change,
  type ProposalMark,
  type SheetField,
} from '@/core/worksheet/change';
import { exchangedForm, withForm, withoutForm } from '@/core/worksheet/forms';
import { takeWiring } from '@/core/worksheet/from-wiring';
import { nudge, putLeg, type Step } from '@/core/worksheet/nudge';
import type { Proof } from '@/core/worksheet/proof';
import type { Depth, ReadOut } from '@/core/worksheet/read-out';
import { joinLeg, movePin } from '@/core/worksheet/rewire';
import type { Sheet } from '@/core/worksheet/sheet';
import { chosenLeg, chosenRef } from './chosen';
import { derived, type Derived } from './derived';
import { DRAWING_AT_REST, drawingAfter, type DrawingAction, type DrawingState } from './drawing-state';
import { kept } from './kept';
import {
  changed,
  heard,
  notSent,
  recovered,
  sent,
  settledClash,
  startOf,
  steppedBack,
  withDerived,
  type SyncState,
} from './sync';

/** What does not change while a Worksheet is open. */
export interface Given {
  readonly exerciseId: string;
  readonly courseRules: HouseRules;
  readonly boards: readonly BoardProfile[];
  readonly mayEdit: boolean;
  readonly isPublished: boolean;
}

/** Whether everything is on the server: `saved`, on its way, only here, or refused with a reason. */
export type Keeping =
  | { readonly state: 'saved' | 'saving' | 'only-here' }
  | { readonly state: 'refused'; readonly message: string };

/** A Worksheet: what is written, what was worked out of it, and what its author looks at. */
export interface WorksheetState {
  readonly given: Given;
  readonly sync: SyncState;
  readonly keeping: Keeping;
  readonly readOut: ReadOut;
  /** The circuit that the lines of the read-out say, when it was worked out here. */
  readonly shownCircuit: StatedCircuit | undefined;
  /** How many answers there have been. */
  readonly answers: number;
  /** Why nothing is worked out. */
  readonly trouble: string | undefined;
  readonly proof: Proof;
  readonly drawing: DrawingState;
  /** The connection that is pointed at in the list, or traced on a drawing. */
  readonly followed: Connection | undefined;
  /** Parts that are pointed at somewhere. */
  readonly pointedAt: readonly string[];
  /** What was not done, where it was asked for, and why. */
  readonly refusal: { readonly at: Place; readonly message: string } | undefined;
  readonly derived: Derived;
  /** How often a layout was asked for that keeps nothing but what is held. */
  readonly layoutsAnew: number;
  /** The circuit when a line was last finished, as a text to compare. */
  readonly finished: string;
}

/** Where something is asked for. */
type Place = 'connections' | 'drawing' | 'table' | 'forms';

type Fields = Readonly<Partial<Record<SheetField, unknown>>>;
type Joining = 'joins' | 'stands alone';

export type WorksheetAction =
  | DrawingAction
  | { readonly type: 'write'; readonly changes: readonly Change[]; readonly joins?: Joining }
  | { readonly type: 'set'; readonly fields: Fields; readonly joins?: Joining }
  | { readonly type: 'undo' | 'redo' | 'hold' | 'lay out anew' | 'finish line' }
  | { readonly type: 'settle clash'; readonly clash: Overtaken; readonly choice: 'mine' | 'theirs' }
  | { readonly type: 'move pin'; readonly from: string; readonly to: string }
  | { readonly type: 'join leg'; readonly leg: PointName; readonly target: PointName | null }
  | { readonly type: 'take table'; readonly wiring: Wiring }
  /** Another form of the exercise: what stands here kept as one, one brought onto the sheet, one taken away. */
  | { readonly type: 'add form' | 'bring form' | 'remove form'; readonly name: string }
  /** A step of what is chosen, or a hole for the leg that is. */
  | { readonly type: 'nudge'; readonly by: Step }
  | { readonly type: 'put'; readonly at: Point }
  /** A scenario that was proposed is marked; `undefined` takes its mark away. */
  | {
      readonly type: 'mark';
      readonly scenario: Scenario;
      readonly mark: ProposalMark | undefined;
    }
  | { readonly type: 'follow'; readonly connection: Connection | undefined }
  | { readonly type: 'trace'; readonly point: Point | undefined }
  | { readonly type: 'point at'; readonly refs: readonly string[] }
  // What comes from the server, the worker, and the browser's store.
  | { readonly type: 'sent' }
  | { readonly type: 'not sent'; readonly keeping: Keeping }
  | { readonly type: 'heard'; readonly news: News }
  | { readonly type: 'all kept' }
  | { readonly type: 'recovered'; readonly changes: readonly Change[] }
  | {
      readonly type: 'worked out';
      readonly readOut: ReadOut;
      readonly depth: Depth;
      readonly circuit: StatedCircuit | undefined;
    }
  | { readonly type: 'trouble'; readonly message: string }
  | { readonly type: 'proven'; readonly proof: Proof };

/** What a Worksheet begins with. */
export interface Beginning {
  readonly given: Given;
  readonly sheet: Sheet;
  readonly version: number;
  readonly readOut: ReadOut;
  readonly proof: Proof;
}

export function worksheetOf({ given, sheet, version, readOut, proof }: Beginning): WorksheetState {
  const follows = derived({ sheet, readOut, circuit: undefined, courseRules: given.courseRules });
  return {
    given,
    sync: startOf(sheet, version),
    keeping: { state: 'saved' },
    readOut,
    shownCircuit: undefined,
    answers: 0,
    trouble: undefined,
    proof,
    drawing: DRAWING_AT_REST,
    followed: undefined,
    pointedAt: [],
    refusal: undefined,
    derived: follows,
    layoutsAnew: 0,
    finished: netsText(follows),
  };
}

/** The Worksheet after an action, with what follows from it. */
export function worksheetAfter(before: WorksheetState, action: WorksheetAction): WorksheetState {
  const after = acted(before, action);
  const isSame =
    after.sync.sheet === before.sync.sheet &&
    after.readOut === before.readOut &&
    after.shownCircuit === before.shownCircuit;
  return isSame
    ? after
    : {
        ...after,
        derived: derived(sourcesOf(after), { sources: sourcesOf(before), derived: before.derived }),
      };
}

const sourcesOf = ({ sync, readOut, shownCircuit, given }: WorksheetState) => ({
  sheet: sync.sheet,
  readOut,
  circuit: shownCircuit,
  courseRules: given.courseRules,
});

function acted(state: WorksheetState, action: WorksheetAction): WorksheetState {
  const { sync, given, drawing } = state;
  const { sheet } = sync;
  const { courseRules, mayEdit } = given;
  switch (action.type) {
    case 'write':
      return written(state, action.changes, action.joins);
    case 'set':
      return written(state, fieldChanges(sheet, action.fields), action.joins);
    case 'undo':
    case 'redo':
      return mayEdit ? { ...state, sync: steppedBack(sync, action.type) } : state;
    case 'settle clash':
      return { ...state, sync: settledClash(sync, action.clash, action.choice) };
    case 'move pin':
      return tried(state, 'connections', movePin(sheet, courseRules, action.from, action.to));
    case 'join leg':
      return tried(state, 'connections', joinLeg(sheet, courseRules, action.leg, action.target));
    case 'take table':
      return tried(state, 'table', takeWiring(sheet, action.wiring, courseRules));
    case 'add form':
      return tried(state, 'forms', withForm(sheet, action.name));
    case 'bring form':
      return tried(state, 'forms', exchangedForm(sheet, action.name, courseRules));
    case 'remove form':
      return written(state, withoutForm(sheet, action.name));
    case 'nudge':
    case 'put':
      return moved(state, action);
    case 'hold':
      return drawing.chosen ? held(state, drawing.chosen.ref) : state;
    case 'lay out anew':
      return { ...state, layoutsAnew: state.layoutsAnew + 1 };
    case 'finish line':
      return lineFinished(state);
    case 'mark':
      return written(state, markChanges(sheet, action.scenario, action.mark));
    case 'follow':
      return { ...state, followed: action.connection };
    case 'trace':
      return { ...state, followed: traced(state, action.point) };
    case 'point at':
      return { ...state, pointedAt: action.refs };
    case 'sent':
      return { ...state, sync: sent(sync), keeping: { state: 'saving' } };
    case 'not sent':
      return { ...state, sync: notSent(sync), keeping: action.keeping };
    case 'heard': {
      const next = heard(sync, action.news);
      // News that nobody asked for with changes says nothing of what waits here.
      if (!action.news.overtaken) return { ...state, sync: next };
      return { ...state, sync: next, keeping: { state: next.unsent.length > 0 ? 'saving' : 'saved' } };
    }
    case 'all kept':
      return { ...state, keeping: { state: 'saved' } };
    case 'recovered':
      return { ...state, sync: recovered(sync, action.changes) };
    case 'worked out':
      return workedOut(state, action);
    case 'trouble':
      return { ...state, trouble: action.message };
    case 'proven':
      return { ...state, proof: action.proof };
    case 'let go':
      return { ...looked(state, action), followed: undefined };
    default:
      return looked(state, action);
  }
}

const looked = (state: WorksheetState, action: DrawingAction): WorksheetState => {
  const { wiring } = state.derived;
  return wiring
    ? { ...state, drawing: drawingAfter(state.drawing, action, wiring), refusal: undefined }
    : state;
};

const written = (
  state: WorksheetState,
  changes: readonly Change[],
  joins: Joining = 'stands alone',
): WorksheetState => (state.given.mayEdit ? { ...state, sync: changed(state.sync, changes, joins) } : state);

/** The changes made, or why there are none. */
function tried(state: WorksheetState, at: Place, result: Result<readonly Change[]>): WorksheetState {
  return result.ok
    ? { ...written(state, result.value), refusal: undefined }
    : { ...state, refusal: { at, message: result.problems[0]!.message } };
}

function moved(
  state: WorksheetState,
  action: Extract<WorksheetAction, { type: 'nudge' | 'put' }>,
): WorksheetState {
  const { sheet } = state.sync;
  const { courseRules } = state.given;
  const { chosen } = state.drawing;
  if (!chosen) return state;
  const [owner, leg] = [chosenRef(chosen), chosenLeg(chosen)];
  if (action.type === 'put' && leg === null) return state;
  const result =
    action.type === 'nudge'
      ? nudge(sheet, courseRules, owner, leg, action.by)
      : putLeg(sheet, courseRules, owner, leg!, action.at);
  if (!result.ok) return tried(state, 'drawing', result);
  const { layout, held: now } = result.value;
  return { ...written(state, fieldChanges(sheet, { layout, held: [...now] })), refusal: undefined };
}

/** What is chosen held in its place, or no longer. */
function held(state: WorksheetState, name: string): WorksheetState {
  const { sheet } = state.sync;
  const now = sheet.held ?? [];
  const next = now.includes(name) ? now.filter((other) => other !== name) : [...now, name];
  return written(state, fieldChanges(sheet, { held: next }));
}

const netsText = ({ circuit }: Derived): string => JSON.stringify(circuit()?.nets ?? []);

/** A layout that nobody's hand is in is made as good as it can be whenever a line is done with. */
function lineFinished(state: WorksheetState): WorksheetState {
  const { sheet } = state.sync;
  const finished = netsText(state.derived);
  const isFree = !state.given.isPublished && (sheet.held ?? []).length === 0 && sheet.basedOn === undefined;
  if (finished === state.finished) return state;
  return { ...state, finished, layoutsAnew: state.layoutsAnew + (isFree ? 1 : 0) };
}

export const keyOfConnection = ({ ends }: Connection): string => ends.map(({ point }) => point).join();

/** The connection of a point; none when it is traced already. */
function traced({ derived: { wiring }, readOut, followed }: WorksheetState, point: Point | undefined) {
  const circuit = wiring && point && new Circuit(wiring);
  const node = circuit?.nodeAt(point!);
  const found =
    node && readOut.figures?.connections.find((one) => one.point && circuit!.nodeAt(one.point) === node);
  return found && followed && keyOfConnection(found) === keyOfConnection(followed) ? undefined : found;
}

function workedOut(
  state: WorksheetState,
  { readOut, depth, circuit }: Extract<WorksheetAction, { type: 'worked out' }>,
): WorksheetState {
  const before = state.readOut;
  return {
    ...state,
    trouble: undefined,
    sync: withDerived(state.sync, readOut.sheet),
    // What takes longer stays as it was until the full answer is there.
    readOut: kept(before, depth === 'in full' ? readOut : { ...readOut, remarks: before.remarks }),
    // A full answer is one to the same lines.
    shownCircuit: depth === 'in full' ? state.shownCircuit : circuit,
    answers: state.answers + 1,
  };
}
