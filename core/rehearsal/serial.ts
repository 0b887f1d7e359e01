/** Characters that the board keeps while they wait to be sent. */
const BUFFER = 64;
/** Most text that is kept of one run, in characters. */
const KEPT = 65_536;
/** Bits on the line for one character: start, eight, stop. */
const FRAME_BITS = 10;

/** A letter of a text that is sent to the board from a moment on. */
interface Incoming {
  readonly at: number;
  readonly place: number;
  readonly code: number;
}

/** The board's serial line: what was printed and when, how long printing waits, what was typed to it. */
export class SerialPort {
  readonly printed: { at: number; text: string }[] = [];
  started = false;
  rate = 9600;
  /** Moment at which everything printed so far has left the board. */
  private sentAt = 0;
  private length = 0;
  private taken = 0;
  private readonly incoming: readonly Incoming[];

  constructor(typed: readonly { readonly at: number; readonly text: string }[]) {
    this.incoming = typed.flatMap(({ at, text }) =>
      [...text].map((letter, place) => ({ at, place, code: letter.charCodeAt(0) })),
    );
  }

  /** Starts the line; returns whether that changed anything. */
  begin(rate: number): boolean {
    const changed = !this.started || this.rate !== rate;
    this.started = true;
    this.rate = rate > 0 ? rate : 9600;
    return changed;
  }

  /** Prints at a moment; returns the seconds that the program waits because the buffer is full. */
  print(text: string, at: number): number {
    if (!this.started || text === '') return 0;
    this.printed.push({ at, text });
    this.length += text.length;
    const perCharacter = FRAME_BITS / this.rate;
    this.sentAt = Math.max(this.sentAt, at) + text.length * perCharacter;
    return Math.max(0, this.sentAt - BUFFER * perCharacter - at);
  }

  get isFull(): boolean {
    return this.length > KEPT;
  }

  available(now: number): number {
    let count = 0;
    while (this.hasCome(this.incoming[this.taken + count], now)) count += 1;
    return count;
  }

  /** When the next letter comes of a text that is on its way already; `undefined` when none is. */
  nextAfter(now: number): number | undefined {
    const next = this.incoming.find((letter) => letter.at <= now && this.arrivalOf(letter) > now);
    return next && this.arrivalOf(next);
  }

  /** The computer sends a text letter by letter, as fast as the line takes them; through USB alone it is there at once. */
  private arrivalOf({ at, place }: Incoming): number {
    return this.started ? at + (place * FRAME_BITS) / this.rate : at;
  }

  private hasCome(letter: Incoming | undefined, now: number): letter is Incoming {
    return letter !== undefined && this.arrivalOf(letter) <= now;
  }

  /** The next character that has come, -1 when there is none. */
  read(now: number, way: 'take' | 'peek'): number {
    const next = this.incoming[this.taken];
    if (!this.hasCome(next, now)) return -1;
    if (way === 'take') this.taken += 1;
    return next.code;
  }
}
