/** What will happen in a run, in the order of time; what comes at the same moment keeps the order it was put in. */
export class Agenda<Event> {
  private readonly entries: { readonly at: number; readonly event: Event }[] = [];

  add(at: number, event: Event): void {
    let place = this.entries.length;
    while (place > 0 && this.entries[place - 1]!.at > at) place -= 1;
    this.entries.splice(place, 0, { at, event });
  }

  /** Moment of the next event; infinite when there is none. */
  get nextAt(): number {
    return this.entries[0]?.at ?? Number.POSITIVE_INFINITY;
  }

  /** Takes the next event when it has come by a moment. */
  take(by: number): { readonly at: number; readonly event: Event } | undefined {
    return this.nextAt <= by ? this.entries.shift() : undefined;
  }

  /** Takes everything out that `isGone` says so of. */
  drop(isGone: (event: Event) => boolean): void {
    for (let place = this.entries.length - 1; place >= 0; place -= 1)
      if (isGone(this.entries[place]!.event)) this.entries.splice(place, 1);
  }
}
