/** Locals that are followed at once; where more are changed, a pass is taken to change something. */
const MOST_CELLS = 128;

/**
 * The locals that the passes of loops have changed, with what they held before, so that a pass that leaves each as it was is
 * known for one that changes nothing: `while (true) { for (int pin = 2; pin < 5; pin++) … }`. Each loop has a stretch of
 * the list for its pass; when that is over, what it has changed counts as changed by the pass of the loop around it.
 */
export class ChangedLocals {
  private readonly cells = new Int32Array(MOST_CELLS);
  private readonly before = new Float64Array(MOST_CELLS);
  private count = 0;
  private isFull = false;
  /** Where the pass of each loop begins in the list, the innermost last. */
  private readonly marks: number[] = [];
  private depth = 0;
  private mark = 0;

  constructor(private readonly memory: { readonly cells: Float64Array }) {}

  clear(): void {
    this.depth = 0;
    this.forget();
  }

  enterLoop(): void {
    this.marks[this.depth] = this.count;
    this.mark = this.count;
    this.depth += 1;
  }

  beginPass(): void {
    this.handOn();
    this.mark = this.count;
    this.marks[this.depth - 1] = this.count;
  }

  leaveLoop(): void {
    this.handOn();
    this.depth -= 1;
    this.mark = this.depth > 0 ? this.marks[this.depth - 1]! : 0;
  }

  note(cell: number, before: number): void {
    if (this.depth === 0) return;
    for (let at = this.count - 1; at >= this.mark; at -= 1) if (this.cells[at] === cell) return;
    if (this.count === MOST_CELLS) {
      this.isFull = true;
      return;
    }
    this.cells[this.count] = cell;
    this.before[this.count] = before;
    this.count += 1;
  }

  /** Whether each that the pass has changed holds again what it held when that began. */
  areAsBefore(): boolean {
    if (this.isFull) return false;
    for (let at = this.mark; at < this.count; at += 1)
      if (this.memory.cells[this.cells[at]!] !== this.before[at]) return false;
    return true;
  }

  /** Leaves to the loop around the innermost one what that does not have yet of what the last pass has changed. */
  private handOn(): void {
    if (this.depth <= 1) {
      this.forget();
      return;
    }
    const around = this.marks[this.depth - 2]!;
    const end = this.count;
    this.count = this.mark;
    for (let at = this.mark; at < end; at += 1) {
      let known = around;
      while (known < this.count && this.cells[known] !== this.cells[at]) known += 1;
      if (known < this.count) continue;
      this.cells[this.count] = this.cells[at]!;
      this.before[this.count] = this.before[at]!;
      this.count += 1;
    }
  }

  private forget(): void {
    this.count = 0;
    this.mark = 0;
    this.isFull = false;
  }
}
