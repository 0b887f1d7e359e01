/** What stands for one value in a sentence: how it is written, what it may look like, how it is read. */
export interface Slot<Value> {
  readonly write: (value: Value) => string;
  /** A regular expression without capturing groups, read in any letter case. */
  readonly pattern: string;
  /** The value of a text that fits the pattern; `undefined` when it is none after all. */
  readonly read: (text: string) => Value | undefined;
  /** Whether what comes after it may follow without a space, as a unit does. */
  readonly closed?: boolean;
}

/** A sentence that is written from values and read back into them. */
export interface Sentence<Values> {
  readonly say: (values: Values) => string;
  /** The values of a text; `undefined` when it is another sentence. */
  readonly read: (text: string) => Partial<Values> | undefined;
}

type Slots<Values> = { readonly [Name in keyof Values]?: Slot<NonNullable<Values[Name]>> };

type Piece =
  | { readonly type: 'text'; readonly text: string; readonly mayBeLeftOut: boolean }
  | { readonly type: 'slot'; readonly name: string }
  | { readonly type: 'choice'; readonly ways: readonly (readonly Piece[])[] };

/**
 * A sentence by its form, so that what is said and what is read cannot drift apart. `{name}` stands for a value,
 * `(one|other|)` is the first way whose values are all there, and what stands in `<…>` is always said and may be
 * left out when it is read. Spaces, a comma before a choice and a full stop at the end are taken as they come.
 * @throws Error when a form names a slot that is not there.
 */
export function sentence<Values extends object>(form: string, slots: Slots<Values>): Sentence<Values> {
  const pieces = piecesOf(form);
  const slotOf = (name: string): Slot<unknown> => {
    const slot = (slots as Readonly<Record<string, Slot<unknown> | undefined>>)[name];
    if (!slot) throw new Error(`“${form}” has no slot ${name}`);
    return slot;
  };
  const order: string[] = [];
  const source = patternOf(pieces, slotOf, order);
  const pattern = new RegExp(`^\\s*${source}\\s*\\.?\\s*$`, 'is');
  return {
    say: (values) => written(pieces, values as Readonly<Record<string, unknown>>, slotOf),
    read: (text) => {
      const match = pattern.exec(text);
      if (!match) return undefined;
      const values: Record<string, unknown> = {};
      for (const [index, name] of order.entries()) {
        const found = match[index + 1];
        if (found === undefined) continue;
        const value = slotOf(name).read(found);
        if (value === undefined) return undefined;
        values[name] = value;
      }
      return values as Partial<Values>;
    },
  };
}

function written(
  pieces: readonly Piece[],
  values: Readonly<Record<string, unknown>>,
  slotOf: (name: string) => Slot<unknown>,
): string {
  return pieces
    .map((piece) => {
      if (piece.type === 'text') return piece.text;
      if (piece.type === 'slot') return slotOf(piece.name).write(values[piece.name]);
      const way = piece.ways.find((pieces) => slotsIn(pieces).every((name) => values[name] !== undefined));
      return way ? written(way, values, slotOf) : '';
    })
    .join('');
}

const slotsIn = (pieces: readonly Piece[]): readonly string[] =>
  pieces.flatMap((piece) => (piece.type === 'slot' ? [piece.name] : []));

/** The pattern of the pieces; the names of their slots are put into `order`, a capturing group each. */
function patternOf(
  pieces: readonly Piece[],
  slotOf: (name: string) => Slot<unknown>,
  order: string[],
): string {
  let follows: Slot<unknown> | undefined;
  return pieces
    .map((piece) => {
      const before = follows;
      follows = undefined;
      if (piece.type === 'slot') {
        order.push(piece.name);
        follows = slotOf(piece.name);
        return `(${follows.pattern})`;
      }
      if (piece.type === 'text') {
        const text = literal(piece.text, before?.closed ?? false);
        return piece.mayBeLeftOut ? `(?:${text})?` : text;
      }
      const ways = piece.ways.map((way) => patternOf(way, slotOf, order));
      return `(?:${ways.map((way) => (way === '' ? '' : `,?${way}`)).join('|')})`;
    })
    .join('');
}

const SPACE = '[ \\u00a0]';
const literal = (text: string, closed: boolean): string =>
  text
    .replace(/[.*+?^${}()|[\]\\]/g, '\\$&')
    .replace(/['’]/g, "['’]")
    .replaceAll(',', ',?')
    .replace(/^[ \u00a0]/, closed ? '\u0000' : '\u0001')
    .replace(/[ \u00a0]+/g, '\u0001')
    .replaceAll('\u0000', `${SPACE}*`)
    .replaceAll('\u0001', `${SPACE}+`);

function piecesOf(form: string): readonly Piece[] {
  const tokens = form.match(/\{[a-z-]+\}|[()|<>]|[^{}()|<>]+/g) ?? [];
  let at = 0;
  const sequence = (): readonly Piece[] => {
    const pieces: Piece[] = [];
    let mayBeLeftOut = false;
    for (; at < tokens.length && tokens[at] !== '|' && tokens[at] !== ')'; at += 1) {
      const token = tokens[at]!;
      if (token === '<' || token === '>') mayBeLeftOut = token === '<';
      else if (token === '(') pieces.push(choice());
      else if (token.startsWith('{')) pieces.push({ type: 'slot', name: token.slice(1, -1) });
      else pieces.push({ type: 'text', text: token, mayBeLeftOut });
    }
    return pieces;
  };
  const choice = (): Piece => {
    const ways: (readonly Piece[])[] = [];
    while (tokens[at] !== ')') {
      if (at >= tokens.length) throw new Error(`“${form}” has a choice without an end`);
      at += 1;
      ways.push(sequence());
    }
    return { type: 'choice', ways };
  };
  return sequence();
}
