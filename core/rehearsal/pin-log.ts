import type { BoardPin } from '../boards';
import type { PinDrive } from '../electrics/bench';
import type { Machine } from '../program/machine';
import { Stop } from '../program/stop';
import { LookLog } from './look-log';
import type { BeyondPin, FloatingRead, PinChange, UndirectedWrite } from './trace';

/** Changes of pins that are kept of a run. */
const MOST_CHANGES = 20_000;

/** Writes down what a program does with the pins of its board. */
export class PinLog {
  readonly changes = new Map<string, PinChange[]>();
  /** Writes to pins that are no outputs, each pin and line once. */
  readonly undirected: UndirectedWrite[] = [];
  readonly unknown: { number: number; line: number }[] = [];
  readonly beyond: BeyondPin[] = [];
  readonly looks = new LookLog();
  private count = 0;

  constructor(private readonly most = MOST_CHANGES) {}

  /** @throws Stop when a run has changed its pins more often than is kept. */
  change(pin: string, at: number, drive: PinDrive, line: number): void {
    const changes = this.changes.get(pin) ?? [];
    changes.push({ at, drive, line });
    this.changes.set(pin, changes);
    this.count += 1;
    if (this.count > this.most) throw Stop.for('changes');
  }

  /** Lets go of every pin that does something. */
  release(at: number): void {
    for (const changes of this.changes.values())
      if (changes.at(-1)!.drive.mode !== 'input') changes.push({ at, drive: { mode: 'input' }, line: 0 });
  }

  writeWithoutDirection(pin: string, level: number, line: number): void {
    if (!this.undirected.some((write) => write.pin === pin && write.line === line))
      this.undirected.push({ pin, level: level !== 0 ? 'high' : 'low', line });
  }

  unknownNumber(number: number, line: number): void {
    if (!this.unknown.some((known) => known.number === number)) this.unknown.push({ number, line });
  }

  /** What a pin cannot do now. */
  beyondIt({ name, functions }: BoardPin, what: BeyondPin['what'], line: number): void {
    const isTaken = what === 'dim' && functions.includes('pwm');
    if (!this.beyond.some((one) => one.pin === name && one.line === line))
      this.beyond.push({ pin: name, what, line, isTaken });
  }

  look(pin: string, how: FloatingRead['how'], line: number, isFloating: boolean, machine: Machine): void {
    this.looks.note(pin, how, line, machine);
    if (isFloating) this.looks.noteFloating({ pin, how, line });
  }
}
