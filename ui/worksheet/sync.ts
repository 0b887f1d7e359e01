import { applyChange, inverseOf, joinedWith, presentOf, type Change } from '@/core/worksheet/change';
import type { Sheet } from '@/core/worksheet/sheet';
import { kept } from './kept';

/** A change by this author that someone else had overtaken, and what is there now. */
export interface Clash {
  readonly change: Change;
  readonly present: unknown;
  readonly by: string;
}

/** What the server says of changes that were sent, or of those that others made. */
export interface ServerNews {
  readonly version: number;
  readonly edits: readonly {
    readonly version: number;
    readonly author: string;
    readonly changes: readonly Change[];
  }[];
  readonly overtaken?: readonly Clash[];
}

/** A sheet in this browser and how it stands to the server's. */
export interface SyncState {
  readonly sheet: Sheet;
  /** The last version of the server that is in the sheet. */
  readonly version: number;
  /** Changes that the server does not have yet, oldest first. */
  readonly unsent: readonly Change[];
  /** How many of these are on their way. */
  readonly sending: number;
  readonly clashes: readonly Clash[];
  /** Whose changes came in last, and when. */
  readonly lastOther: { readonly author: string; readonly version: number } | undefined;
  readonly done: readonly (readonly Change[])[];
  readonly undone: readonly (readonly Change[])[];
}

export const startOf = (sheet: Sheet, version: number): SyncState => ({
  sheet,
  version,
  unsent: [],
  sending: 0,
  clashes: [],
  lastOther: undefined,
  done: [],
  undone: [],
});

/** Undo goes back this far. */
const MOST_UNDONE = 200;

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
  const last = state.done.at(-1);
  const together =
    joins === 'joins' && last?.length === 1 && made.length === 1 ? joinedWith(last[0]!, made[0]!) : undefined;
  const done = together ? [...state.done.slice(0, -1), [together]] : [...state.done, made];
  return { ...state, sheet, unsent: queued(state, made), done: done.slice(-MOST_UNDONE), undone: [] };
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
  const [from, to] = way === 'undo' ? [state.done, state.undone] : [state.undone, state.done];
  const step = from.at(-1);
  if (!step) return state;
  const changes = way === 'undo' ? [...step].reverse().map(inverseOf) : step;
  const [done, undone] =
    way === 'undo' ? [from.slice(0, -1), [...to, step]] : [[...to, step], from.slice(0, -1)];
  return {
    ...state,
    sheet: changes.reduce(applyChange, state.sheet),
    unsent: queued(state, changes),
    done,
    undone,
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
 * The state after the server has spoken: others' changes come in, except where this author has changed the
 * same and not been heard yet; what was overtaken shows what is there now and is kept as a clash.
 */
export function heard(state: SyncState, news: ServerNews): SyncState {
  const waiting = news.overtaken ? state.unsent.slice(state.sending) : state.unsent;
  const others = news.edits
    .filter(({ version }) => version > state.version)
    .flatMap(({ changes }) => changes)
    .filter((change) => !waiting.some((own) => isSame(own, change)))
    .filter(
      (change) =>
        !(news.overtaken && state.unsent.slice(0, state.sending).some((own) => isSame(own, change))),
    );
  let sheet = others.reduce(applyChange, state.sheet);
  for (const { change, present } of news.overtaken ?? [])
    sheet = applyChange(sheet, { ...change, is: present } as Change);
  const lastEdit = news.edits.filter(({ version }) => version > state.version).at(-1);
  return {
    ...state,
    sheet,
    version: Math.max(state.version, news.version),
    unsent: waiting,
    sending: news.overtaken ? 0 : state.sending,
    clashes: [...state.clashes, ...(news.overtaken ?? [])],
    lastOther: lastEdit ? { author: lastEdit.author, version: lastEdit.version } : state.lastOther,
  };
}

/** The state with a clash settled: this author's text put in after all, or let go. */
export function settledClash(state: SyncState, clash: Clash, choice: 'mine' | 'theirs'): SyncState {
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
