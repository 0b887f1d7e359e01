/** A map whose values are made when they are first asked for, in the order of its keys where all of them are. */
export class LazyMap<Key, Value> implements ReadonlyMap<Key, Value> {
  private readonly made = new Map<Key, Value>();

  constructor(private readonly makers: ReadonlyMap<Key, () => Value>) {}

  get size(): number {
    return this.makers.size;
  }

  has(key: Key): boolean {
    return this.makers.has(key);
  }

  get(key: Key): Value | undefined {
    const make = this.makers.get(key);
    if (!make) return undefined;
    if (!this.made.has(key)) this.made.set(key, make());
    return this.made.get(key);
  }

  keys(): MapIterator<Key> {
    return this.makers.keys();
  }

  values(): MapIterator<Value> {
    return this.whole().values();
  }

  entries(): MapIterator<[Key, Value]> {
    return this.whole().entries();
  }

  forEach(tell: (value: Value, key: Key, map: ReadonlyMap<Key, Value>) => void): void {
    this.whole().forEach((value, key) => tell(value, key, this));
  }

  [Symbol.iterator](): MapIterator<[Key, Value]> {
    return this.entries();
  }

  private whole(): Map<Key, Value> {
    return new Map([...this.keys()].map((key) => [key, this.get(key)!]));
  }
}
