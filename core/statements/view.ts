import { legName, ref, type LegName, type PointName, type Ref } from '../brand';
import { isBoard, type BoardProfile } from '../boards';
import { isPowerSource, isResistor, kindOf } from '../parts';
import { legPoint } from '../wiring/wiring';
import { BOARD_REF, splitPoint, type StatedNet, type StatedPart } from './stated';
import { pinList, supplySocket } from './pins';

/** Where a leg is, as a line says it. */
export type Place =
  | { readonly type: 'ground' }
  /** The board's logic supply. */
  | { readonly type: 'supply' }
  /** Another supply socket of the board. */
  | { readonly type: 'socket'; readonly name: string }
  /** A battery or bench supply; without a board, a contact that lets the current through. */
  | { readonly type: 'source'; readonly ref: Ref }
  | { readonly type: 'pin'; readonly pin: string }
  | { readonly type: 'inner' }
  | { readonly type: 'free' };

/** Looks at a circuit from its legs, to say it in lines. */
export class CircuitView {
  readonly #netAt = new Map<PointName, StatedNet>();
  readonly #parts: ReadonlyMap<Ref, StatedPart>;
  readonly board: BoardProfile;
  readonly freePins: Readonly<Record<string, string>>;

  constructor(
    parts: readonly StatedPart[],
    nets: readonly StatedNet[],
    board: BoardProfile,
    freePins: Readonly<Record<string, string>>,
  ) {
    this.#parts = new Map(parts.map((part) => [part.ref, part]));
    for (const net of nets) for (const point of net.points) this.#netAt.set(point, net);
    this.board = board;
    this.freePins = freePins;
  }

  place(part: StatedPart, leg: string): Place {
    const net = this.#netAt.get(legPoint(part.ref, legName(leg)));
    if (!net) return { type: 'free' };
    const sockets = net.points
      .filter((point) => splitPoint(point)[0] === BOARD_REF)
      .map((point) => splitPoint(point)[1] as string);
    const supplies = this.board.supplies.filter((socket) => sockets.includes(socket.name));
    if (supplies.some((socket) => socket.role === 'ground')) return { type: 'ground' };
    if (supplies.some((socket) => socket.name === supplySocket(this.board))) return { type: 'supply' };
    if (supplies[0]) return { type: 'socket', name: supplies[0].name };
    if (!isBoard(this.board)) {
      const poles = net.points.map(splitPoint).filter(([owner]) => this.#isSource(owner));
      if (poles.some(([, at]) => (at as string) === 'minus')) return { type: 'ground' };
      if (poles.length > 0) return { type: 'supply' };
      const contact = net.points.map(splitPoint).find(([owner, at]) => this.#givesAt(owner) === at);
      return contact && contact[0] !== part.ref ? { type: 'source', ref: contact[0] } : { type: 'inner' };
    }
    const source = net.points
      .map(splitPoint)
      .find(([owner, at]) => (at as string) === 'plus' && this.#isSource(owner) && owner !== part.ref);
    if (source) return { type: 'source', ref: source[0] };
    if (sockets[0] !== undefined) return { type: 'pin', pin: sockets[0] };
    return { type: 'inner' };
  }

  /**
   * How a line says that something is on the battery itself: with its name where there is one contact, through which it
   * would be taken to be otherwise.
   */
  fromBattery(part: StatedPart): string {
    const parts = [...this.#parts.values()];
    const leads = parts.filter((other) => other.ref !== part.ref && this.#givesAt(other.ref) !== undefined);
    const battery = parts.find(isPowerSource);
    return leads.length > 0 && battery ? ` from ${battery.ref}` : '';
  }

  /** The parts of its kind that hang one on the other behind a light, each alone on the one before. */
  inSeriesBehind(part: StatedPart): readonly StatedPart[] {
    const path = [part];
    for (;;) {
      const last = path.at(-1)!;
      const [next, more] = this.neighbours(last, 'cathode');
      const isAlone = !more && next?.leg === legName('anode') && this.place(last, 'cathode').type === 'inner';
      // A ring of them has no end.
      if (!isAlone || next.part.kind !== part.kind || path.includes(next.part)) return path.slice(1);
      path.push(next.part);
    }
  }

  #givesAt(owner: Ref): LegName | undefined {
    const part = this.#parts.get(owner);
    return part && kindOf(part.kind).givesAt;
  }

  /** The pin that a leg is on; `undefined` for every other place. */
  pin(part: StatedPart, leg: string): string | undefined {
    const place = this.place(part, leg);
    return place.type === 'pin' ? place.pin : undefined;
  }

  isGround = (part: StatedPart, leg: string): boolean => this.place(part, leg).type === 'ground';
  isSupply = (part: StatedPart, leg: string): boolean => this.place(part, leg).type === 'supply';

  /** Every other leg on the same net, in the net's order. */
  neighbours(part: StatedPart, leg: string): readonly { readonly part: StatedPart; readonly leg: LegName }[] {
    const own = legPoint(part.ref, legName(leg));
    return (this.#netAt.get(own)?.points ?? []).flatMap((point) => {
      const [owner, at] = splitPoint(point);
      const other = this.#parts.get(owner);
      return other && point !== own ? [{ part: other, leg: at }] : [];
    });
  }

  /** A resistor with one end on this leg, and the leg at its other end. */
  resistorAt(
    part: StatedPart,
    leg: string,
  ): { readonly resistor: StatedPart; readonly far: LegName } | undefined {
    const found = this.neighbours(part, leg).find((other) => isResistor(other.part));
    return found && { resistor: found.part, far: legName(found.leg === legName('1') ? '2' : '1') };
  }

  /** A pin as a line writes it, with those that may stand for it in brackets. */
  pinText(pin: string): string {
    const free = this.freePins[`${BOARD_REF}.${pin}`];
    return free === undefined ? pin : `${pin} (${free})`;
  }

  /** Several pins as a line writes them: `2-11` where they follow each other. */
  pins(texts: readonly string[]): string {
    return texts.some((text) => text.includes('(')) ? texts.join(', ') : pinList(texts);
  }

  #isSource = (owner: Ref): boolean => {
    const part = this.#parts.get(ref(owner));
    return part !== undefined && isPowerSource(part);
  };
}
