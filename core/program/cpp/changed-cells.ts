/** Cells whose values are compared; a pass that changes more of them is taken to change something. */
const MOST_CELLS = 32;

/**
 * The cells that one pass of the function that repeats has changed, with what they held before it: `note = 0;` and then
 * `note = 262;` changes nothing where the pass before has ended with the same.
 */
export class ChangedCells {
  /** How often a cell has got another value. */
  times = 0;
  private readonly before = new Map<number, number>();

  constructor(private readonly memory: { readonly cells: Float64Array }) {}

  clear(): void {
    this.times = 0;
    this.before.clear();
  }

  /** Whether a cell has been changed in this pass. */
  has(cell: number): boolean {
    return this.before.size > 0 && this.before.has(cell);
  }

  note(cell: number, before: number): void {
    this.times += 1;
    if (this.before.size <= MOST_CELLS && !this.before.has(cell)) this.before.set(cell, before);
  }

  /** Whether all of them hold again what they held; what moves by itself does not. */
  areAsBefore(isMoving: (cell: number) => boolean): boolean {
    if (this.before.size > MOST_CELLS) return false;
    for (const [cell, value] of this.before)
      if (this.memory.cells[cell] !== value || isMoving(cell)) return false;
    return true;
  }
}
