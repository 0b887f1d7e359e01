/** A word, number or mark of a line, with its columns. */
export interface Token {
  /** In lower case, with typographic signs replaced by plain ones. */
  readonly text: string;
  readonly from: number;
  readonly to: number;
}

/** Signs that stand for words. */
const SAID: Readonly<Record<string, string>> = {
  '→': 'to',
  '->': 'to',
  '&': 'and',
  '+': 'and',
  '@': 'at',
  '=': ':',
  'w/': 'with',
  'w/o': 'without',
};
/** Units of a resistance that stand behind a space, each as it is written at the number. */
const OHMS: Readonly<Record<string, string>> = {
  k: 'k',
  kω: 'k',
  kohm: 'k',
  kohms: 'k',
  'kilo-ohm': 'k',
  kiloohm: 'k',
  kilohm: 'k',
  kilohms: 'k',
  mω: 'M',
  megohm: 'M',
};
/** Units of a capacitance that stand behind a space. */
const FARADS = /^(?:[µμunp]f)$/;
/** The unit of a battery, a supply or a motor that stands behind a space. */
const VOLTS = /^(?:v|volts?)$/;
/** A resistance that no pin can be: `1k`, `220r`, `4k7`, `470ω`. */
const IS_OHMS = /^\d+(?:\.\d+)?(?:k\d*|r|ω|kω|m|mω|ohms?|kohms?)$/i;
/** What people call a part with a number of its own: `LED1`. */
const NUMBERED = /^(led|button|servo|buzzer|relay|motor|pot|potentiometer|knob|sensor)\d$/;

// `pin9` is two words.
const PIECES = /[(),:;]|[→@=]|\bpins?(?=[ad]?\d{1,2}\b)|[^\s(),:;→@=]+/giu;

/**
 * Splits a line at spaces, commas, colons and brackets. Dashes of every kind read as `-`, an arrow as
 * `to`, an ampersand as `and`; a dash between spaces joins its neighbours as in `2 - 11`.
 */
export function tokensOf(line: string): readonly Token[] {
  const joined = line
    .replace(/[–—−]/g, '-')
    .replace(/[’]/g, "'")
    // Boards print a wave before pins that pulse.
    .replace(/~(?=[ad]?\d)/gi, ' ')
    // `5/6/7` lists pins.
    .replace(/(?<=\b[ad]?\d{1,2})\/(?=[ad]?\d{1,2}\b)/gi, ',');
  const tokens: Token[] = [];
  for (const match of joined.matchAll(PIECES)) {
    const raw = match[0].toLowerCase();
    const from = match.index;
    tokens.push({ text: SAID[raw] ?? raw, from, to: from + raw.length });
  }
  const all = /\brgb\b/i.test(line) ? tokens.flatMap(legAndPin) : tokens;
  return inBrackets(withUnits(ranged(counted(/\brgb\b/i.test(line) ? all : resistances(all))))).map(
    (token, index) => ({
      ...token,
      text: (index === 0 && NUMBERED.exec(token.text)?.[1]) || token.text,
    }),
  );
}

/** `r9` of an RGB LED is two words. */
function legAndPin(token: Token): readonly Token[] {
  if (!/^[rgb]\d{1,2}$/.test(token.text)) return [token];
  const { text, from, to } = token;
  return [
    { text: text.slice(0, 1), from, to: from + 1 },
    { text: text.slice(1), from: from + 1, to },
  ];
}

/** `R=330` is `with 330`; `resistor: 1 to A0` is one of its legs. */
const resistances = (tokens: readonly Token[]): readonly Token[] =>
  tokens.flatMap((token, index) => {
    const isOf = (at: number): boolean =>
      /^r(?:esistor)?$/.test(tokens[at]?.text ?? '') &&
      tokens[at + 1]?.text === ':' &&
      /^\d/.test(tokens[at + 2]?.text ?? '') &&
      !(/^[12]$/.test(tokens[at + 2]!.text) && tokens[at + 3]?.text === 'to');
    if (isOf(index)) return [{ ...token, text: 'with' }];
    return isOf(index - 1) ? [] : [token];
  });

/** `3 x LED` is `3x LED`. */
const counted = (tokens: readonly Token[]): readonly Token[] =>
  tokens.flatMap((token, index) => {
    const isCount = (at: number): boolean =>
      at === 0 && /^\d{1,2}$/.test(tokens[at]!.text) && /^[x×*]$/.test(tokens[at + 1]?.text ?? '');
    if (isCount(index)) return [{ ...token, text: `${token.text}x`, to: tokens[index + 1]!.to }];
    return isCount(index - 1) ? [] : [token];
  });

/** `2 - 11` becomes one range at its first number; a dash behind a word only divides. */
const ranged = (tokens: readonly Token[]): readonly Token[] =>
  tokens.flatMap((token, index) => {
    const [previous, next] = [tokens[index - 1], tokens[index + 1]];
    if (token.text === '-' && previous && next) return [];
    const isRange = (from: Token, to: Token | undefined): boolean =>
      to !== undefined && (/\d$/.test(from.text) || !/^[ad]?\d/.test(to.text));
    if (next?.text === '-' && isRange(token, tokens[index + 2]))
      return [
        { text: `${token.text}-${tokens[index + 2]!.text}`, from: token.from, to: tokens[index + 2]!.to },
      ];
    if (previous?.text === '-' && tokens[index - 2] && isRange(tokens[index - 2]!, token)) return [];
    return [token];
  });

/** `1 kΩ` becomes `1k`. */
const withUnits = (tokens: readonly Token[]): readonly Token[] =>
  tokens.flatMap((token, index) => {
    const unitOf = (number: Token | undefined, unit: Token | undefined): string | undefined =>
      number && unit && /^\d+(?:\.\d+)?$/.test(number.text)
        ? Object.hasOwn(OHMS, unit.text)
          ? OHMS[unit.text]
          : VOLTS.test(unit.text)
            ? 'v'
            : FARADS.exec(unit.text)?.[0]
        : undefined;
    if (unitOf(tokens[index - 1], token) !== undefined) return [];
    const unit = unitOf(token, tokens[index + 1]);
    return unit === undefined ? [token] : [{ ...token, text: token.text + unit, to: tokens[index + 1]!.to }];
  });

/** A resistance in brackets behind a pin, `on 6 (220 ohm)`: what the part is with. Behind another one it is what will do too. */
function inBrackets(tokens: readonly Token[]): readonly Token[] {
  const opens = tokens.findIndex(({ text }, index) => {
    const inside = tokens[index + 1]?.text ?? '';
    const hasUnit = /^(?:ohms?|ω|r)$/.test(tokens[index + 2]?.text ?? '');
    const close = tokens[index + (hasUnit ? 3 : 2)]?.text;
    // No board has a pin of three figures.
    const isOhms =
      IS_OHMS.test(inside) || /^\d{3,6}$/.test(inside) || (hasUnit && /^\d+(?:\.\d+)?$/.test(inside));
    return (
      text === '(' &&
      close === ')' &&
      isOhms &&
      /^(?:[ad]?\d{1,2}|[a-z-]+)$/.test(tokens[index - 1]?.text ?? '')
    );
  });
  if (opens < 0) return tokens;
  const closes = tokens.findIndex(({ text }, index) => index > opens && text === ')');
  return tokens.flatMap((token, index) =>
    index === opens ? [{ ...token, text: 'with' }] : index === closes ? [] : [token],
  );
}
