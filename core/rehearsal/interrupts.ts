import type { InterruptMode } from '../program/machine';

interface Attached {
  /** The pins that make it. */
  readonly pins: readonly string[];
  readonly routine: number;
  readonly mode: InterruptMode;
}

/** Which routines run when levels of pins change; what has happened and waits for its turn. */
export class Interrupts {
  private readonly attached = new Map<string, Attached>();
  private readonly levels = new Map<string, 0 | 1>();
  private readonly waiting = new Set<number>();
  /** Whether they come at once or wait. */
  allowed: 'now' | 'later' = 'now';

  /** `key`: what is attached under the same one replaces it. */
  attach(key: string, attached: Attached, levelOf: (pin: string) => 0 | 1): void {
    this.attached.set(key, attached);
    for (const pin of attached.pins) this.levels.set(pin, levelOf(pin));
  }

  detach(key: string): void {
    this.attached.delete(key);
  }

  /** Forgets everything, as a board that starts does. */
  clear(): void {
    this.attached.clear();
    this.levels.clear();
    this.waiting.clear();
    this.allowed = 'now';
  }

  get isUsed(): boolean {
    return this.attached.size > 0;
  }

  /** Takes note of the levels of the pins that are watched. */
  look(levelOf: (pin: string) => 0 | 1): void {
    for (const { pins, routine, mode } of this.attached.values())
      for (const pin of pins) {
        const [before, now] = [this.levels.get(pin) ?? 0, levelOf(pin)];
        if (before === now) continue;
        if (mode === 'change' || (mode === 'rising') === (now === 1)) this.waiting.add(routine);
      }
    for (const { pins } of this.attached.values()) for (const pin of pins) this.levels.set(pin, levelOf(pin));
  }

  /** The next routine that has to run. */
  take(): number | undefined {
    const [next] = this.waiting;
    if (next !== undefined) this.waiting.delete(next);
    return next;
  }
}
