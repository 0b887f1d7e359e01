import { legName, pointName, ref, type LegName, type PointName, type Ref } from '../brand';
import { isBoard } from '../boards';
import { isPowerSource, kindOf, type PartValue } from '../parts';
import { legPoint } from '../wiring/wiring';
import { groundSocket, isLegPin, supplySocket } from './pins';
import { follow } from './recipes';
import type { Make } from './recipes/make';
import { readLine } from './read';
import { outputsOf } from './reading/outputs';
import type { Assumption, ReadLine, Statement, StatementContext, Trouble } from './statement';
import {
  BOARD_REF,
  splitPoint,
  type PartLine,
  type StatedCircuit,
  type StatedLine,
  type StatedNet,
  type StatedPart,
} from './stated';
import { fedThrough, leadsOf, speaksOf } from './led-through';
import { counted, wishTroubles, type TakenPins } from './wishes';

/**
 * The parts and nets that part lines describe, one after another. Parts keep the names that their line
 * had before. A line that cannot be read makes no parts and stops no other line.
 */
export function circuitOf(lines: readonly PartLine[], context: StatementContext): StatedCircuit {
  const builder = new CircuitBuilder(lines, context);
  return builder.build();
}

/** Where a battery is meant and there is none yet: what is joined to it hangs free. */
const NO_BATTERY = ref('G1');

class CircuitBuilder {
  readonly #lines: readonly PartLine[];
  #context: StatementContext;
  readonly #parts: StatedPart[] = [];
  readonly #nodes = new Nodes();
  readonly #freePins: Record<string, string> = {};
  /** Names that some line had before; a new part takes none of them. */
  readonly #reserved: Set<string>;
  /** Names by which other lines know a part before its line is read: that of the only chip, or of what leads the current. */
  readonly #ahead = new Map<number, Ref>();
  /** What all else takes its current through, unless a line says otherwise. */
  #leads: readonly Ref[] = [];

  constructor(lines: readonly PartLine[], context: StatementContext) {
    this.#lines = lines;
    this.#context = context;
    this.#reserved = new Set(lines.flatMap((line) => line.refs));
  }

  build(): StatedCircuit {
    const read = this.#read();
    this.#context = onItsBattery(this.#context, read);
    for (const { statement } of read) for (const name of statement?.names ?? []) this.#reserved.add(name);
    this.#leads = this.#namedLeads(read);
    const lines = read.map((line, index) => {
      const ahead = this.#ahead.get(index);
      return this.#line(line, ahead === undefined ? this.#lines[index]!.refs : [ahead], read);
    });
    const missing = this.#joinsToNothing();
    return {
      lines: lines.map((line) => this.#withFreePole(missing.size === 0 ? line : withMissing(line, missing))),
      parts: this.#parts,
      nets: this.#nets(missing),
      freePins: this.#freePins,
    };
  }

  /** The lines, those last that may speak of a chip of another line without its name. */
  #read(): readonly ReadLine[] {
    const alone = this.#lines.map(({ text }) => this.#counted(text, this.#context));
    const chips = alone.filter(isOfChip);
    const [line] = chips;
    if (!line?.statement || chips.length > 1 || line.statement.count > 1) return alone;
    for (const { statement } of alone) for (const name of statement?.names ?? []) this.#reserved.add(name);
    const at = alone.indexOf(line);
    const chip = this.#nameAhead(at, line.statement);
    const context = { ...this.#context, chip };
    return alone.map((one, index) => (one === line ? one : this.#counted(this.#lines[index]!.text, context)));
  }

  /** The name of a line's first part, before the line is read. */
  #nameAhead(at: number, statement: Statement): Ref {
    const name = statement.names[0] ?? this.#lines[at]!.refs[0] ?? this.#newName(statement.kind.prefix);
    this.#reserved.add(name);
    this.#ahead.set(at, name);
    return name;
  }

  /** What leads the current to all others, without those of which some line says what takes its current from them. */
  #namedLeads(read: readonly ReadLine[]): readonly Ref[] {
    const names = leadsOf(read, this.#context).map((line) =>
      this.#nameAhead(read.indexOf(line), line.statement!),
    );
    return names.filter((name) => !read.some(({ statement }) => statement && speaksOf(statement, name)));
  }

  #counted(text: string, context: StatementContext): ReadLine {
    const line = readLine(text, context);
    return line.statement ? { ...line, statement: counted(line.statement, context.board) } : line;
  }

  #line(line: ReadLine, earlier: readonly Ref[], all: readonly ReadLine[]): StatedLine {
    const { statement } = line;
    if (!statement) return { ...line, refs: [], assumptions: [] };
    const refs: Ref[] = [];
    const assumptions: Assumption[] = [];
    const troubles: Trouble[] = [...line.troubles];
    const namesLeft = [...statement.names];
    const before = [...earlier];
    const board = (name: string): PointName => pointName(`${BOARD_REF}.${name}`);
    const make: Make = {
      context: this.#context,
      part: (kind, value, accept) => {
        const { prefix } = kindOf(kind);
        const mine = (names: Ref[]): Ref | undefined => {
          const at = names.findIndex((name) => prefixOf(name) === prefix && !this.#isTaken(name));
          return at < 0 ? undefined : names.splice(at, 1)[0];
        };
        const name = mine(namesLeft) ?? mine(before) ?? this.#newName(prefix);
        const read = kindOf(kind).readValue(value);
        this.#parts.push({
          ref: name,
          kind,
          value: read.ok ? read.value.text : value,
          ...(accept ? { accept } : {}),
        });
        refs.push(name);
        return name;
      },
      join: (one, other) => this.#nodes.join(one, other),
      pin: (name) => (isLegPin(name) ? pointName(name) : board(name)),
      ground: () => this.#pole(make, groundSocket(make.context.board), 'minus', all),
      supply: (source) =>
        source ? make.point(source) : this.#pole(make, supplySocket(make.context.board), 'plus', all),
      point: (target) => {
        switch (target.type) {
          case 'pin':
            return board(target.pin);
          case 'ground':
            return make.ground();
          case 'supply':
            return make.supply();
          case 'leg':
            return legPoint(target.ref, target.leg);
          case 'part':
            return legPoint(target.ref, this.#givingLeg(target.ref, all));
        }
      },
      powerSource: () => this.#parts.find(isPowerSource)?.ref ?? this.#laterSource(all, line),
      assume: (slot, assumption) => {
        // Said once, however many parts the line makes.
        if (!assumptions.some(({ says }) => says === assumption.says))
          assumptions.push({ slot, ...assumption });
      },
      trouble: (slot, trouble) => {
        if (troubles.some(({ message }) => message === trouble.message)) return;
        const piece = line.pieces.find((candidate) => candidate.slot === slot);
        troubles.push({ from: piece?.from ?? 0, to: piece?.to ?? line.text.length, ...trouble });
      },
      known: (name) => this.#parts.find((part) => part.ref === name),
    };
    const wish = wishTroubles(line, statement, this.#context, takenPins(all, line));
    troubles.push(...wish);
    const own = this.#ahead.get(all.indexOf(line));
    const lead = fedThrough(statement, own, this.#leads, this.#context);
    if (lead !== undefined)
      make.assume('option', {
        says: `from ${lead}`,
        because: 'the current is led through it',
        words: `from ${lead}`,
      });
    const fed: Statement =
      lead === undefined ? statement : { ...statement, source: { type: 'part', ref: lead } };
    if (wish.every(({ weight }) => weight === 'warns')) follow(fed, make);
    if (statement.freePins !== undefined)
      for (const pin of statement.pins) this.#freePins[board(pin)] = statement.freePins;
    return { ...line, refs, assumptions, troubles };
  }

  /** A socket of the board or, where there is none, a pole of the battery. */
  #pole(make: Make, socket: string | undefined, pole: 'plus' | 'minus', all: readonly ReadLine[]): PointName {
    const owner = socket === undefined ? make.powerSource() : BOARD_REF;
    if (owner === undefined && !all.some(isOfSource))
      make.trouble('kind', {
        weight: 'unfinished',
        message: 'There is no battery yet. Give it a line of its own, such as “9V battery”.',
        offers: [],
      });
    return pointName(`${owner ?? NO_BATTERY}.${socket ?? pole}`);
  }

  /** The leg of a part, here or in a later line, that others are fed from. */
  #givingLeg(name: Ref, all: readonly ReadLine[]): LegName {
    const at = this.#lines.findIndex(
      ({ refs }, index) => refs.includes(name) || all[index]!.statement?.names.includes(name),
    );
    const made = this.#parts.find((part) => part.ref === name);
    // A line that comes later and names nothing will have the name that its kind begins with.
    const kind = made
      ? kindOf(made.kind)
      : (all[at] ?? all.find(({ statement }) => statement?.kind.prefix === prefixOf(name)))?.statement?.kind;
    return kind?.givesAt ?? legName('plus');
  }

  /** A source that a later line names; its name is settled by then only if that line had it before. */
  #laterSource(all: readonly ReadLine[], line: ReadLine): Ref | undefined {
    const at = all.findIndex((other) => other !== line && isOfSource(other));
    if (at < 0) return undefined;
    return this.#lines[at]!.refs[0] ?? all[at]!.statement!.names[0];
  }

  #isTaken = (name: Ref): boolean => this.#parts.some((part) => part.ref === name);

  #newName(prefix: string): Ref {
    for (let number = 1; ; number += 1) {
      const name = ref(`${prefix}${number}`);
      if (!this.#isTaken(name) && !this.#reserved.has(name)) return name;
    }
  }

  /** Points of parts that do not exist, or legs that their part does not have. */
  #joinsToNothing(): ReadonlySet<PointName> {
    return new Set(
      this.#nodes.points().filter((point) => {
        const [owner, leg] = splitPoint(point);
        if (owner === BOARD_REF) return false;
        const part = this.#parts.find((candidate) => candidate.ref === owner);
        return !part || !kindOf(part.kind).legs.some((known) => known.name === leg);
      }),
    );
  }

  /** Says of a battery or supply that its plus goes to no part yet. */
  #withFreePole(line: StatedLine): StatedLine {
    const source = this.#parts.find((part) => line.refs.includes(part.ref) && isPowerSource(part));
    const { plus } = (source && kindOf(source.kind).poles) ?? {};
    if (!source || plus === undefined || line.troubles.length > 0) return line;
    const point = legPoint(source.ref, plus);
    const isJoined = this.#nodes.groups().some((points) => points.length > 1 && points.includes(point));
    if (isJoined) return line;
    const message = `Plus of ${source.ref} goes to no part yet; its minus is joined to ground.`;
    const whole = { from: 0, to: line.text.length };
    return { ...line, troubles: [{ weight: 'warns', ...whole, message, offers: [] }] };
  }

  #nets(missing: ReadonlySet<PointName>): readonly StatedNet[] {
    const supplies = this.#context.board.supplies;
    return this.#nodes
      .groups()
      .map((points) => points.filter((point) => !missing.has(point)))
      .filter((points) => points.length > 1)
      .map((points) => {
        const sorted = [...points].sort((a, b) => rank(a) - rank(b));
        const sockets = sorted
          .filter((point) => splitPoint(point)[0] === BOARD_REF)
          .map((point): string => splitPoint(point)[1]);
        const power = supplies.find((socket) => sockets.includes(socket.name));
        return { name: netName(sorted, sockets, power?.role), points: sorted };
      })
      .sort((a, b) => netRank(a.name) - netRank(b.name));
  }
}

const isOfChip = ({ statement }: ReadLine): boolean =>
  statement !== undefined && outputsOf(statement.kind).length > 0;

const isOfSource = ({ statement }: ReadLine): boolean =>
  statement !== undefined && isPowerSource({ kind: statement.kind.kind });

/** Where there is no board, what its battery gives stands for the board's volts. */
function onItsBattery(context: StatementContext, lines: readonly ReadLine[]): StatementContext {
  if (isBoard(context.board)) return context;
  const source = lines.find(isOfSource);
  const volts = source && valueOf(source.statement!).amount;
  return volts === undefined ? context : { ...context, board: { ...context.board, logicVolts: volts } };
}

/** Pins that other lines have, each with the line's part in words. */
export function takenPins(all: readonly ReadLine[], own: ReadLine | undefined): TakenPins {
  const taken = new Map<string, string>();
  for (const line of all) {
    const { statement } = line;
    if (line === own || !statement) continue;
    const { value, kind } = statement;
    // A value that is filled in later says nothing here.
    const name = kind.readValue(value).ok ? kind.describe(valueOf(statement)) : kind.title;
    for (const pin of statement.pins) taken.set(pin, `the ${name}`);
    for (const { to } of statement.joins) if (to.type === 'pin') taken.set(to.pin, `the ${name}`);
  }
  return taken;
}

function valueOf({ kind, value }: Statement): PartValue {
  const read = kind.readValue(value);
  return read.ok ? read.value : { text: value };
}

/** Signals first, then what lies between parts, supplies and ground last. */
const netRank = (name: string): number =>
  name === 'ground' || name.startsWith('minus')
    ? 3
    : name.startsWith('supply')
      ? 2
      : name.startsWith('pin')
        ? 0
        : 1;

const rank = (point: PointName): number => (splitPoint(point)[0] === BOARD_REF ? 0 : 1);

function netName(points: readonly PointName[], sockets: readonly string[], role: string | undefined): string {
  if (role === 'ground') return 'ground';
  if (role !== undefined) return `supply ${sockets[0]!}`;
  if (sockets.length > 0) return `pin ${sockets[0]!}`;
  const refs = [...new Set(points.map((point) => splitPoint(point)[0]))];
  const source = points.find((point) => /^G\d+\.plus$/.test(point));
  const minus = points.find((point) => /^G\d+\.minus$/.test(point));
  if (minus) return `minus ${splitPoint(minus)[0]}`;
  return source ? `supply ${splitPoint(source)[0]}` : `${refs[0]!} to ${refs[1] ?? refs[0]!}`;
}

const prefixOf = (name: string): string => name.replace(/\d+$/, '');

/** Says on each line which of its joins lead nowhere. */
function withMissing(line: StatedLine, missing: ReadonlySet<PointName>): StatedLine {
  const isOfLegs = line.statement?.pins.some(isLegPin) === true;
  const naming = line.pieces.filter(({ slot }) => slot === 'join' || (slot === 'pins' && isOfLegs));
  const found = naming.flatMap((piece) =>
    [...missing].flatMap((point) =>
      new RegExp(`\\b${splitPoint(point)[0]}\\b`, 'i').test(line.text.slice(piece.from, piece.to))
        ? [{ piece, point }]
        : [],
    ),
  );
  if (found.length === 0) return line;
  const [{ piece, point }] = found as [(typeof found)[number]];
  return {
    ...line,
    troubles: [
      ...line.troubles,
      {
        weight: 'warns',
        from: piece.from,
        to: piece.to,
        message: `There is no ${point.replace('.', ' ')} yet; the leg hangs free until there is.`,
        offers: [],
      },
    ],
  };
}

/** Points that have been joined, as disjoint sets. */
class Nodes {
  readonly #parent = new Map<PointName, PointName>();

  join(one: PointName, other: PointName): void {
    const [a, b] = [this.#root(one), this.#root(other)];
    if (a !== b) this.#parent.set(b, a);
  }

  points(): readonly PointName[] {
    return [...this.#parent.keys()];
  }

  /** The sets, each in the order in which its points were named. */
  groups(): readonly (readonly PointName[])[] {
    const groups = new Map<PointName, PointName[]>();
    for (const point of this.#parent.keys()) {
      const root = this.#root(point);
      groups.set(root, [...(groups.get(root) ?? []), point]);
    }
    return [...groups.values()];
  }

  #root(point: PointName): PointName {
    const parent = this.#parent.get(point);
    if (parent === undefined) {
      this.#parent.set(point, point);
      return point;
    }
    if (parent === point) return point;
    const root = this.#root(parent);
    this.#parent.set(point, root);
    return root;
  }
}
