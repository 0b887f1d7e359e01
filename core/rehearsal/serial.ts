/** Characters that the board keeps while they wait to be sent. */
const BUFFER = 64;
/** Most text that is kept of one run, in characters. */
const KEPT = 65_536;
/** Bits on the line for one character: start, eight, stop. */
const FRAME_BITS = 10;

/** The board's serial line: what was printed and when, how long printing waits, what was typed to it. */
export class SerialPort {
  readonly printed: { at: number; text: string }[] = [];
  started = false;
  rate = 9600;
  /** Moment at which everything printed so far has left the board. */
  private sentAt = 0;
  private length = 0;
  private taken = 0;
  private readonly incoming: readonly { readonly at: number; readonly code: number }[];

  constructor(typed: readonly { readonly at: number; readonly text: string }[]) {
    this.incoming = typed.flatMap(({ at, text }) =>
      [...text].map((letter) => ({ at, code: letter.charCodeAt(0) })),
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
    return this.incoming.filter((letter, index) => index >= this.taken && letter.at <= now).length;
  }

  /** The next character that has come, -1 when there is none. */
  read(now: number, way: 'take' | 'peek'): number {
    const next = this.incoming[this.taken];
    if (!next || next.at > now) return -1;
    if (way === 'take') this.taken += 1;
    return next.code;
  }
}
