import { shippedBoards } from '../boards';
import type { Ref } from '../brand';
import { columns, rails } from '../breadboards';
import type { PartStates, PinDrive, PinDrives } from '../electrics/bench';
import { partKinds, type PartKind, type PartState } from '../parts';
import { wiringFromRows } from '../wiring/read';
import type { TableRow } from '../wiring/table';
import type { Wiring } from '../wiring/wiring';
import { pick, randomFrom } from '../random';

/** Values to try for each kind; what a kind refuses is passed over. */
const values = [
  ...['', '330', '10k', '1M', '1', 'red', 'blue', 'common-anode', 'common-cathode', 'active', 'passive'],
  ...['100n', '470u', '9V', '3V coin', '4x1.5V', '7.4V', '5V', '12V', 'rectifier'],
];
const modes = ['high', 'low', 'input', 'pullup'] as const;

export interface RandomBench {
  readonly wiring: Wiring;
  readonly drives: PinDrives;
  readonly states: PartStates;
}

/**
 * A random wiring of up to `most` parts crowded into few rows, so that parts meet, loop and short each
 * other; with random pins and part states. The same seed gives the same bench.
 */
export function randomBench(seed: number, most = 12): RandomBench {
  const random = randomFrom(seed);
  const board = random() < 0.9 ? pick(random, [...shippedBoards.values()]) : undefined;
  const rows: Omit<TableRow, 'line'>[] = [{ ref: 'B1', kind: 'breadboard', value: 'half', leg: '', at: '' }];
  if (board) rows.push({ ref: 'U1', kind: 'board', value: board.id, leg: '', at: '' });
  const used = new Set<string>();
  const sockets = board ? [...board.pins, ...board.supplies].map((socket) => `U1.${socket.name}`) : [];
  const place = (isShort: boolean): string => {
    for (let attempt = 0; attempt < 40; attempt += 1) {
      const chance = random();
      const row = 1 + Math.floor(random() * 6);
      const at =
        chance < 0.3 && sockets.length > 0
          ? pick(random, sockets)
          : chance < 0.5 && !isShort
            ? `B1.${pick(random, rails)}${row}`
            : `B1.${pick(random, isShort ? columns.slice(0, 5) : columns)}${row}`;
      if (used.has(at)) continue;
      used.add(at);
      return at;
    }
    return '';
  };
  const states = new Map<Ref, Partial<PartState>>();
  const count = 1 + Math.floor(random() * most);
  for (let index = 1; index <= count; index += 1) {
    const kind = random() < 0.35 ? pick(random, common) : pick(random, partKinds);
    const value = valueFor(kind, random);
    const name = `${kind.prefix}${index}`;
    const isShort = kind.footprint.type === 'leads' && (kind.footprint.reachMm ?? 99) < 50;
    for (const leg of kind.legs)
      if (random() < 0.95)
        rows.push({ ref: name, kind: kind.kind, value, leg: leg.name, at: place(isShort) });
    if (!rows.some((row) => row.ref === name))
      rows.push({ ref: name, kind: kind.kind, value, leg: '', at: '' });
    states.set(name as Ref, {
      pressed: random() < 0.5,
      position: random(),
      light: random(),
      celsius: random() * 100 - 20,
      moving: random() < 0.5,
      starting: random() < 0.3,
    });
  }
  const drives = new Map<string, PinDrive>();
  for (const pin of board?.pins ?? [])
    if (random() < 0.5) drives.set(pin.name, { mode: pick(random, modes) });
  const wiring = wiringFromRows(rows.map((row, index) => ({ ...row, line: index + 1 })));
  if (!wiring.ok) throw new Error(wiring.problems[0]!.message);
  return { wiring: wiring.value, drives, states };
}

const common: readonly PartKind[] = partKinds.filter((kind) =>
  ['resistor', 'wire', 'led', 'button', 'transistor-npn', 'battery', 'diode'].includes(kind.kind),
);

function valueFor(kind: PartKind, random: () => number): string {
  const fitting = values.filter((text) => kind.readValue(text).ok);
  return pick(random, fitting);
}
