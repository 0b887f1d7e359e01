import type { Token } from '../../../program/token';
import { closing } from '../token-places';
import { isNumber } from '../what-names-hold';
import { bodyOf, isInside, type Form } from './form';
import type { Guess, Rule } from './guess';
import { isRepeated } from './lines';
import { inEachPlace, keptIn } from './places';

const [MAPPED, SET_UP, SENT] = [1.6, 1.36, 1.66];
/** Statements that are tried. */
const MOST = 60;

/** What stands between the parentheses of a call, value by value, as it is written. */
function valuesOf(tokens: readonly Token[], open: number, source: string): readonly string[] | undefined {
  const close = closing(tokens, open, '(', ')');
  const [first, last] = [tokens[open + 1], close === undefined ? undefined : tokens[close]];
  if (!first || !last || first.line !== last.line) return undefined;
  const line = source.split('\n')[first.line - 1] ?? '';
  const values: string[] = [];
  let [depth, from] = [0, first.column];
  for (const { text, column } of tokens.slice(open + 1, close)) {
    if (/^[([{]$/.test(text)) depth += 1;
    if (/^[)\]}]$/.test(text)) depth -= 1;
    if (depth !== 0 || text !== ',') continue;
    values.push(line.slice(from - 1, column - 1).trim());
    from = column + 1;
  }
  return [...values, line.slice(from - 1, last.column - 1).trim()];
}

/** The one way in which the exercise's own program maps a reading, in the place of another, of one that lacks values, or of none. */
export function mapsAsAsked(form: Form, asked: Form): readonly Guess[] {
  const { tokens, blocks, holdings, source, language } = form;
  if (language === 'python') return [];
  const mapsIn = ({ tokens: all }: Form): readonly number[] =>
    all.flatMap(({ text }, index) => (text === 'map' && all[index + 1]?.text === '(' ? [index] : []));
  const wanted = mapsIn(asked).flatMap((at) => {
    const values = valuesOf(asked.tokens, at + 1, asked.source);
    return values?.length === 5 && values.slice(1).every((value) => /^-?\d+$/.test(value))
      ? [values.slice(1)]
      : [];
  });
  const [numbers] = wanted;
  if (!numbers || new Set(wanted.map((one) => one.join())).size > 1) return [];
  const own = mapsIn(form);
  const told = (line: number) => ({
    why: `Line ${line} does not turn what is read into the range that is wanted.`,
    ask: `From which range to which other is line ${line} to go?`,
  });
  if (own.length > 0)
    return own.flatMap((at): readonly Guess[] => {
      const values = valuesOf(tokens, at + 1, source);
      const close = closing(tokens, at + 1, '(', ')');
      const [first, last] = [tokens[at]!, close === undefined ? undefined : tokens[close]];
      if (!values || !last || values.slice(1).join() === numbers.join()) return [];
      // One number that is another one is mended by itself; what is in another order, or not there, is not.
      const isMixed = [...values.slice(1)].sort().join() === [...numbers].sort().join();
      if (values.length === 5 && !isMixed) return [];
      const by = `map(${[values[0]!, ...numbers].join(', ')})`;
      const was = (source.split('\n')[first.line - 1] ?? '').slice(first.column - 1, last.endColumn - 1);
      return [
        {
          edits: [{ line: first.line, column: first.column, length: was.length, by }],
          text: `Write ${by} instead of ${was} in line ${first.line}.`,
          cost: MAPPED,
          told: told(first.line),
        },
      ];
    });
  const readings = tokens.flatMap(({ text }, index) =>
    tokens[index + 1]?.text === '=' && tokens[index + 2]?.text === 'analogRead' ? [text] : [],
  );
  return readings.flatMap((reading) =>
    tokens.flatMap((token, index): readonly Guess[] => {
      const [before, after] = [tokens[index - 1]?.text ?? '', tokens[index + 1]?.text ?? ''];
      const isValue = token.kind === 'number' || token.text === reading;
      const isWhole =
        /^[=,(]$|^[<>]=?$/.test(before) &&
        /^[;,)]$/.test(after) &&
        blocks.some((block) => isRepeated(block) && isInside(token.line, block));
      if (!isValue || !isWhole || holdings.get(tokens[index - 2]?.text ?? '') === 'pin') return [];
      const by = `map(${[reading, ...numbers].join(', ')})`;
      return [
        {
          edits: [{ line: token.line, column: token.column, length: token.text.length, by }],
          text: `Write ${by} instead of ${token.text} in line ${token.line}.`,
          cost: MAPPED,
          told: told(token.line),
        },
      ];
    }),
  );
}

/** A loop over pins that are written to and that nothing makes outputs: the same loop in setup, with `pinMode`. */
function pinsSetUpInRounds(form: Form): readonly Guess[] {
  const { tokens, source, language } = form;
  const setup = bodyOf('setup', form);
  if (language === 'python' || !setup?.closes) return [];
  const lines = source.split('\n');
  return tokens.flatMap((token, index): readonly Guess[] => {
    const head = token.text === 'for' ? closing(tokens, index + 1, '(', ')') : undefined;
    const [open, last] = [
      head === undefined ? undefined : tokens[head + 1],
      head === undefined ? undefined : tokens[head],
    ];
    if (open?.text !== '{' || last?.line !== token.line || isInside(token.line, setup)) return [];
    const body = tokens.slice(head! + 2, closing(tokens, head! + 1, '{', '}'));
    const counter =
      tokens[index + 3]?.kind === 'word' ? tokens[index + 3]!.text : (tokens[index + 2]?.text ?? '');
    const written = body.flatMap(({ text }, at) => {
      if (!/^(?:digitalWrite|analogWrite)$/.test(text)) return [];
      const from = body[at + 2];
      const comma = body.slice(at).find((one) => one.text === ',');
      const pin =
        from && comma?.line === from.line
          ? (lines[from.line - 1] ?? '').slice(from.column - 1, comma.column - 1)
          : '';
      return new RegExp(`\\b${counter}\\b`).test(pin) ? [pin.trim()] : [];
    });
    const isSetUp = tokens.some(({ text }, at) => text === 'pinMode' && tokens[at + 3]?.text !== ',');
    if (isSetUp) return [];
    const text = (lines[token.line - 1] ?? '').slice(token.column - 1, last.endColumn - 1);
    const { closes, space } = setup;
    return [...new Set(written)].map((pin) => {
      const statement = `${text} pinMode(${pin}, OUTPUT);`;
      return {
        edits: [{ line: closes!.line, column: closes!.column, length: 0, by: `${space}${statement}\n` }],
        text: `Add ${statement} at the end of setup.`,
        cost: SET_UP,
      };
    });
  });
}

/** What the exercise's own program sends to a module, `shiftOut(…)`, and this one sends nowhere: with this one's own pins and values. */
function sentAsAsked(form: Form, asked: Form): readonly Guess[] {
  const { tokens, holdings } = form;
  if (form.language === 'python' || tokens.some(({ text }) => text === 'shiftOut')) return [];
  const at = asked.tokens.findIndex(({ text }) => text === 'shiftOut');
  const values = at < 0 ? undefined : valuesOf(asked.tokens, at + 1, asked.source);
  if (values?.length !== 4) return [];
  const numberOf = (name: string, { tokens: all }: Form): string | undefined => {
    const index = all.findIndex(({ text }, place) => text === name && all[place + 1]?.text === '=');
    return index < 0 ? undefined : all[index + 2]?.text;
  };
  const pins = [...holdings].flatMap(([name, held]) => (held === 'pin' ? [name] : []));
  const own = values.slice(0, 2).map((value) => {
    const number = numberOf(value, asked) ?? value;
    return pins.find((name) => numberOf(name, form) === number) ?? number;
  });
  const given = [...holdings].flatMap(([name, held]) => (isNumber(held) ? [name] : []));
  return [...new Set([...given, ...keptIn(form).filter((name) => holdings.get(name) === undefined)])]
    .flatMap((name) => inEachPlace(form, `shiftOut(${own.join(', ')}, ${values[2]!}, ${name});`, SENT))
    .slice(0, MOST);
}

/** The rules of this subject that something in a program speaks for. */
export const ofAsElsewhere: readonly Rule[] = [mapsAsAsked, pinsSetUpInRounds, sentAsAsked];
