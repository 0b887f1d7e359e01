import {
  applyChange,
  inverseOf,
  applyChanges,
  isMade,
  joinedWith,
  presentOf,
  type Change,
} from '@/core/worksheet/change';
import type { Sheet } from '@/core/worksheet/sheet';
import { NOTHING_DONE, stepOn, withStep, type Undo } from '../shell/undo';
import { kept } from './kept';
import type { News, Overtaken } from '@/core/messages/sheet';

/** A sheet in this browser and how it stands to the server's. */
export interface SyncState {
  readonly sheet: Sheet;
  /** The sheet as the server has it; what follows from its lines is not kept up. */
  readonly there: Sheet;
  /** The version that this is. */
  readonly version: number;
  /** Changes that the server does not have yet, oldest first. */
  readonly unsent: readonly Change[];
  /** How many of these are on their way. */
  readonly sending: number;
  /** How many of these may be on the server all the same: they were sent, and the answer was lost. */
  readonly doubtful: number;
  readonly clashes: readonly Overtaken[];
  /** Whose changes came in last, and when. */
  readonly lastOther: { readonly author: string; readonly version: number } | undefined;
  readonly undo: Undo<readonly Change[]>;
}

export const startOf = (sheet: Sheet, version: number): SyncState => ({
  sheet,
  there: sheet,
  version,
  unsent: [],
  sending: 0,
  doubtful: 0,
  clashes: [],
  lastOther: undefined,
  undo: NOTHING_DONE,
});

/**
 * The state after changes by this author. `joins` says that they go on with the last one, as letters of one
 * word do, and are undone with it.
 */
export function changed(
  state: SyncState,
  changes: readonly Change[],
  joins: 'joins' | 'stands alone',
): SyncState {
  let { sheet } = state;
  // Two letters may be typed before the page shows the first: what was there is what is there by now.
  const made = changes.map((change) => {
    const now = { ...change, was: presentOf(sheet, change) } as Change;
    sheet = applyChange(sheet, now);
    return now;
  });
  const last = state.undo.done.at(-1);
  const together =
    joins === 'joins' && last?.length === 1 && made.length === 1 ? joinedWith(last[0]!, made[0]!) : undefined;
  const undo = withStep(state.undo, together ? [together] : made, together ? 'the last' : 'none');
  return { ...state, sheet, unsent: queued(state, made), undo };
}

/** Changes behind those that wait; what goes on with a waiting one is sent as one. */
function queued({ unsent, sending, doubtful }: SyncState, changes: readonly Change[]): readonly Change[] {
  const queue = [...unsent];
  for (const change of changes) {
    // What the server may have is sent again as it was, for the server to know it again.
    const last = queue.length > Math.max(sending, doubtful) ? queue.at(-1) : undefined;
    const together = last && joinedWith(last, change);
    if (together) queue[queue.length - 1] = together;
    else queue.push(change);
  }
  return queue;
}

/** The state with this author's last step taken back, or made again; the same when there is none. */
export function steppedBack(state: SyncState, way: 'undo' | 'redo'): SyncState {
  const on = stepOn(state.undo, way);
  if (!on) return state;
  const changes = way === 'undo' ? [...on.step].reverse().map(inverseOf) : on.step;
  return {
    ...state,
    sheet: changes.reduce(applyChange, state.sheet),
    unsent: queued(state, changes),
    undo: on.left,
  };
}

/** The state when the waiting changes are sent off. */
export const sent = (state: SyncState): SyncState => ({ ...state, sending: state.unsent.length });

/** The state when sending failed: everything waits again. */
export const notSent = (state: SyncState): SyncState => ({
  ...state,
  sending: 0,
  doubtful: Math.max(state.sending, state.doubtful),
});

/**
 * The state after the server has spoken. Others' changes were there before one's own: they are made on what the
 * server had, and one's own that wait made on that, so that both browsers come to what the server has. What was
 * overtaken is not there then, and is kept as a clash.
 */
export function heard(state: SyncState, news: News): SyncState {
  const { overtaken, edits } = news;
  const fresh = edits.filter(({ version }) => version > state.version);
  const theirs = fresh.flatMap(({ changes }) => changes);
  const others = theirs.reduce(applyChange, state.there);
  // An answer: what was sent is made as the server has made it.
  const answered = overtaken ? state.sending : 0;
  const there = applyChanges(others, state.unsent.slice(0, answered)).sheet;
  const again = ownOver(
    there,
    state.unsent.slice(answered).map((change, index) => ({
      change,
      isSent: index + answered < state.sending,
      isDoubtful: index + answered < state.doubtful,
    })),
  );
  const unsent = again.own;
  const lastEdit = fresh.at(-1);
  return {
    ...state,
    sheet: workedOutAs(again.sheet, state.sheet, theirs),
    there,
    version: Math.max(state.version, news.version),
    unsent: unsent.map(({ change }) => change),
    sending: unsent.filter(({ isSent }) => isSent).length,
    doubtful: unsent.filter(({ isDoubtful }) => isDoubtful).length,
    clashes: [...state.clashes, ...(overtaken ?? [])],
    lastOther: lastEdit ? { author: lastEdit.author, version: lastEdit.version } : state.lastOther,
  };
}

/** A sheet with what was worked out of the one before, until it is worked out anew; a layout of others is taken. */
function workedOutAs(sheet: Sheet, before: Sheet, theirs: readonly Change[]): Sheet {
  const isBench = ({ kind }: Sheet['parts'][number]): boolean => kind === 'breadboard';
  const benches = sheet.parts.filter(isBench);
  const refs = new Map(before.lines.map((line) => [line.id, line.refs]));
  const hasTheirLayout = theirs.some((change) => change.type === 'field' && change.field === 'layout');
  return kept(before, {
    ...sheet,
    parts: before.parts.some(isBench)
      ? before.parts.flatMap((part, index, all) =>
          isBench(part) ? (all.findIndex(isBench) === index ? benches : []) : [part],
        )
      : [...before.parts, ...benches],
    nets: before.nets,
    free: before.free,
    layout: hasTheirLayout ? sheet.layout : before.layout,
    lines: sheet.lines.map((line) => ({ ...line, refs: refs.get(line.id) ?? line.refs })),
  });
}

interface Own {
  readonly change: Change;
  /** Whether it is on its way to the server. */
  readonly isSent: boolean;
  readonly isDoubtful: boolean;
}

/**
 * A sheet of others with one's own changes made on it, and those that the server does not have yet. What is
 * there already came back in the news while its own answer was lost, and need not be sent again.
 */
function ownOver(others: Sheet, changes: readonly Own[]): { sheet: Sheet; own: readonly Own[] } {
  let sheet = others;
  const own = changes.flatMap(({ change, isSent, isDoubtful }) => {
    if (isMade(sheet, change)) return [];
    const now = behindNow(sheet, change);
    sheet = applyChange(sheet, now);
    return [{ change: now, isSent, isDoubtful }];
  });
  return { sheet, own };
}

/**
 * The state of a page that is loaded anew, with what an earlier one left unsent. The changes keep what they
 * knew, so that the server sees what others have changed meanwhile.
 */
export function recovered(state: SyncState, left: readonly Change[]): SyncState {
  const { sheet, own } = ownOver(
    state.sheet,
    // They may have been sent, and the answer lost with the page.
    left.map((change) => ({ change, isSent: false, isDoubtful: true })),
  );
  const unsent = own.map(({ change }) => change);
  return unsent.length === 0
    ? state
    : { ...state, sheet, unsent, doubtful: unsent.length, undo: withStep(state.undo, unsent) };
}

/** A line that is taken out remembers what it stood behind, to come back there: others may have put a line between. */
function behindNow({ lines }: Sheet, change: Change): Change {
  if (change.type !== 'line' || change.is !== null) return change;
  const at = lines.findIndex(({ id }) => id === change.id);
  return at < 0 ? change : { ...change, after: lines[at - 1]?.id ?? null };
}

/** The state with a clash settled: this author's text put in after all, or let go. */
export function settledClash(state: SyncState, clash: Overtaken, choice: 'mine' | 'theirs'): SyncState {
  const rest = { ...state, clashes: state.clashes.filter((other) => other !== clash) };
  if (choice === 'theirs') return rest;
  return changed(rest, [clash.change], 'stands alone');
}

/** What follows from the lines, taken over from what was worked out; not a change of its own. */
export function withDerived(state: SyncState, settled: Sheet): SyncState {
  const refs = new Map(settled.lines.map((line) => [line.id, line.refs]));
  const isSame = state.sheet.lines.every(({ id, refs: own }) => {
    const now = refs.get(id);
    return now === undefined || now.join() === own.join();
  });
  const { parts, nets, free, layout } = settled;
  return {
    ...state,
    sheet: {
      ...state.sheet,
      parts: kept(state.sheet.parts, parts),
      nets: kept(state.sheet.nets, nets),
      free: kept(state.sheet.free, free),
      layout,
      lines: isSame
        ? state.sheet.lines
        : state.sheet.lines.map((line) => ({ ...line, refs: refs.get(line.id) ?? line.refs })),
    },
  };
}
