/**
 * Items with all that are inside them, outer ones first, in their order. The stack is its own: trees of hostile texts
 * are deeper than calls can be.
 */
export function withInner<Item>(
  items: readonly Item[],
  inside: (item: Item) => readonly Item[],
): readonly Item[] {
  const found: Item[] = [];
  const open = items.toReversed();
  for (let item = open.pop(); item !== undefined; item = open.pop()) {
    found.push(item);
    const inner = inside(item);
    for (let index = inner.length - 1; index >= 0; index -= 1) open.push(inner[index]!);
  }
  return found;
}
