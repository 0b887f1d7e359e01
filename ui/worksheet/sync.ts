import { applyChange, inverseOf, isMade, joinedWith, presentOf, type Change } from '@/core/worksheet/change';
import type { Sheet } from '@/core/worksheet/sheet';
import { NOTHING_DONE, stepOn, withStep, type Undo } from '../shell/undo';
import { kept } from './kept';
import type { News, Overtaken } from '@/core/messages/sheet';

/** A sheet in this browser and how it stands to the server's. */
export interface SyncState {
  readonly sheet: Sheet;
  /** The last version of the server that is in the sheet. */
  readonly version: number;
  /** Changes that the server does not have yet, oldest first. */
  readonly unsent: readonly Change[];
  /** How many of these are on their way. */
  readonly sending: number;
  readonly clashes: readonly Overtaken[];
  /** Whose changes came in last, and when. */
  readonly lastOther: { readonly author: string; readonly version: number } | undefined;
  readonly undo: Undo<readonly Change[]>;
}

export const startOf = (sheet: Sheet, version: number): SyncState => ({
  sheet,
  version,
  unsent: [],
  sending: 0,
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
function queued({ unsent, sending }: SyncState, changes: readonly Change[]): readonly Change[] {
  const queue = [...unsent];
  for (const change of changes) {
    const last = queue.length > sending ? queue.at(-1) : undefined;
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
export const notSent = (state: SyncState): SyncState => ({ ...state, sending: 0 });

const isSame = (one: Change, other: Change): boolean =>
  one.type === 'line'
    ? other.type === 'line' && one.id === other.id
    : other.type === 'field' && one.field === other.field;

/**
 * The state after the server has spoken. Others' changes were there before one's own: those that wait are taken
 * back, the others' made, and one's own made again, so that both browsers come to what the server has. What
 * was overtaken shows what is there now and is kept as a clash.
 */
export function heard(state: SyncState, news: News): SyncState {
  const { overtaken, edits } = news;
  const fresh = edits.filter(({ version }) => version > state.version);
  const isLost = (change: Change): boolean => overtaken?.some((one) => isSame(one.change, change)) ?? false;
  const base = [...state.unsent].reverse().map(inverseOf).reduce(applyChange, state.sheet);
  const others = [
    ...fresh.flatMap(({ changes }) => changes),
    // What was overtaken may have been so before the last news, and shows what is there now in any case.
    ...(overtaken ?? []).map(
      ({ change, present }) =>
        ({ ...change, is: change.type === 'line' ? (present ?? null) : present }) as Change,
    ),
  ].reduce(applyChange, base);
  const own = state.unsent.flatMap((change, index) => {
    const isSent = index < state.sending;
    return isSent && isLost(change) ? [] : [{ change, isSent }];
  });
  const again = ownOver(others, own);
  const unsent = overtaken ? again.own.filter(({ isSent }) => !isSent) : again.own;
  const lastEdit = fresh.at(-1);
  return {
    ...state,
    sheet: again.sheet,
    version: Math.max(state.version, news.version),
    unsent: unsent.map(({ change }) => change),
    sending: unsent.filter(({ isSent }) => isSent).length,
    clashes: [...state.clashes, ...(overtaken ?? [])],
    lastOther: lastEdit ? { author: lastEdit.author, version: lastEdit.version } : state.lastOther,
  };
}

interface Own {
  readonly change: Change;
  /** Whether it is on its way to the server. */
  readonly isSent: boolean;
}

/**
 * A sheet of others with one's own changes made on it, and those that the server does not have yet. What is
 * there already came back in the news while its own answer was lost, and need not be sent again.
 */
function ownOver(others: Sheet, changes: readonly Own[]): { sheet: Sheet; own: readonly Own[] } {
  let sheet = others;
  const own = changes.flatMap(({ change, isSent }) => {
    if (isMade(sheet, change)) return [];
    const now = behindNow(sheet, change);
    sheet = applyChange(sheet, now);
    return [{ change: now, isSent }];
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
    left.map((change) => ({ change, isSent: false })),
  );
  const unsent = own.map(({ change }) => change);
  return unsent.length === 0 ? state : { ...state, sheet, unsent, undo: withStep(state.undo, unsent) };
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
