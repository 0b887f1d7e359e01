import { linesPut } from '../lines-put';
import type { Token } from '../../../program/token';
import { closing } from '../token-places';
import { bodyOf, isInside, outerOf, type Form, type Statement } from './form';
import { putIn, written, type Guess, type Rule } from './guess';
import { isNoDeclaration, isRepeated } from './lines';

const [ASKED_ONCE, AS_ELSEWHERE, AT_THE_START, AS_BESIDE] = [1.45, 1.6, 1.65, 1.66];
/** Statements that are tried. */
const MOST = 24;

/** What one of several questions beside each other has done and another has not: `draw(points);` behind both counts. */
function doneAsBeside(form: Form): readonly Guess[] {
  const asked = form.blocks.filter(({ head, opens, isEmpty }) => head === 'if' && opens && !isEmpty);
  return asked
    .flatMap((block) => {
      const there = new Set(block.statements.map(({ text }) => text));
      const last = block.statements.at(-1);
      const beside = asked.filter(
        (other) =>
          other !== block && other.head === block.head && outerOf(other, form) === outerOf(block, form),
      );
      const lacking = new Set(
        beside.flatMap(({ statements }) =>
          statements.flatMap(({ text }) => (/^[\w.]+\(.*\);?$/.test(text) && !there.has(text) ? [text] : [])),
        ),
      );
      return last ? [...lacking].map((text) => putIn(form, last, text, AS_BESIDE)) : [];
    })
    .slice(0, MOST);
}

/** `draw(0)` where every other call of the function gives it a variable. */
function givenAsElsewhere({ tokens, blocks }: Form): readonly Guess[] {
  const own = blocks.flatMap(({ head, headTokens }) =>
    head === 'function' ? headTokens.filter(({ kind }) => kind === 'word').slice(0, 2) : [],
  );
  return [...new Set(own.map(({ text }) => text))].flatMap((name) => {
    const given = tokens.flatMap((token, index): readonly Token[] =>
      token.text === name &&
      !own.includes(token) &&
      tokens[index + 1]?.text === '(' &&
      tokens[index + 3]?.text === ')'
        ? [tokens[index + 2]!]
        : [],
    );
    const names = [...new Set(given.flatMap(({ kind, text }) => (kind === 'word' ? [text] : [])))];
    const fixed = given.filter(({ kind }) => kind === 'number');
    return names.length !== 1 || fixed.length === 0
      ? []
      : fixed.map((token) => written(token, names[0]!, AS_ELSEWHERE));
  });
}

/** What is done over and over by a function of the program, and not once at the start, done there too. */
function doneAtTheStart(form: Form): readonly Guess[] {
  const isPython = form.language === 'python';
  const loop = form.blocks.find(({ head, headTokens }) => head === 'loop' && headTokens[0]?.text === 'while');
  // What Python does once stands before its loop, outside of everything.
  const setup = isPython ? form.blocks.find(({ opens }) => !opens) : bodyOf('setup', form);
  const last = isPython
    ? setup?.statements.findLast(({ first }) => loop?.opens && first.line < loop.opens.line)
    : setup?.statements.at(-1);
  if (!setup || !last) return [];
  const names = form.blocks.flatMap(({ head, headTokens }) => {
    const name = headTokens[isPython ? 1 : 0];
    return head === 'function' && name ? [name.text] : [];
  });
  const texts = new Set(
    form.blocks
      .filter(isRepeated)
      .flatMap(({ statements }) => statements.filter(isNoDeclaration).map(({ text }) => text))
      .filter((text) => names.includes(/^(\w+)\(/.exec(text)?.[1] ?? '')),
  );
  const there = new Set(setup.statements.map(({ text }) => text));
  const { closes, space } = setup;
  return [...texts]
    .filter((text) => !there.has(text))
    .map((text) =>
      isPython || !closes
        ? putIn(form, last, text, AT_THE_START)
        : {
            edits: [
              {
                line: closes.line,
                column: closes.column,
                length: 0,
                by: `${space.slice(closes.column - 1)}${text}\n`,
              },
            ],
            text: `Add ${text} at the end of setup.`,
            cost: AT_THE_START,
          },
    );
}

/** A block that is the last thing in another one and belongs behind it: its lines put behind the brace that closes that. */
function blocksMovedOut(form: Form): readonly Guess[] {
  const { blocks, source, language } = form;
  const lines = source.split('\n');
  const indentOf = (line: number): number => /^ */.exec(lines[line - 1] ?? '')![0].length;
  return blocks.flatMap((inner): readonly Guess[] => {
    const outer = outerOf(inner, form);
    const isPlain = /^(?:if|loop)$/.test(inner.head) && inner.opens && inner.closes;
    if (!outer?.opens || !outer.closes || !isPlain || !/^(?:if|else|loop)$/.test(outer.head)) return [];
    if (outer.statements.length === 0) return [];
    const [first, last] = [inner.headTokens[0]!.line, inner.closes!.line];
    if (language === 'python') {
      if (outer.closes.line !== last) return [];
      const by = indentOf(inner.opens!.line) - indentOf(outer.opens.line);
      const texts = lines.slice(first - 1, last);
      return [
        {
          edits: [
            linesPut(
              first,
              texts,
              texts.map((text) => (text.trim() === '' ? text : text.slice(by))),
            ),
          ],
          text: `Take ${by} spaces away before lines ${first} to ${last}.`,
          cost: AS_BESIDE,
        },
      ];
    }
    const end = outer.closes.line;
    if (lines[last - 1]?.trim() !== '}' || lines[end - 1]?.trim() !== '}' || end !== last + 1) return [];
    const texts = lines.slice(first - 1, end);
    return [
      {
        edits: [linesPut(first, texts, [texts.at(-1)!, ...texts.slice(0, -1)])],
        text: `Move the } of line ${end} before line ${first}.`,
        cost: AS_BESIDE,
      },
    ];
  });
}

/** `mode = next;` left out of a function that is given what the program remembers under another name. */
function keptFromGiven(form: Form): readonly Guess[] {
  const { tokens, blocks, language } = form;
  if (language === 'python') return [];
  const typed = tokens.flatMap((type, index) => {
    const [name, after] = [tokens[index + 1], tokens[index + 2]?.text ?? ''];
    return type.kind === 'word' &&
      name?.kind === 'word' &&
      /^[=;,)]$/.test(after) &&
      !/^(?:return|else|case)$/.test(type.text)
      ? [{ type: type.text, name: name.text, isTaken: /^[,)]$/.test(after), line: name.line }]
      : [];
  });
  const isSet = (name: string): boolean =>
    tokens.some(
      ({ text }, index) =>
        text === name &&
        /^(?:[-+*/]?=|\+\+|--)$/.test(tokens[index + 1]?.text ?? '') &&
        tokens[index - 1]?.kind !== 'word',
    );
  const still = typed.filter(
    ({ name, isTaken, line }) => !isTaken && !isSet(name) && !blocks.some((block) => isInside(line, block)),
  );
  return blocks
    .filter(({ head, opens }) => head === 'function' && opens)
    .flatMap((block) => {
      const taken = typed.filter(({ isTaken, line }) => isTaken && line === block.opens!.line);
      return taken.flatMap(({ type, name }) =>
        still
          .filter((one) => one.type === type)
          .map((one) => ({
            ...putIn(form, block, `${one.name} = ${name};`, AS_ELSEWHERE),
            told: {
              why: `No line sets ${one.name} to another value, though ${block.headTokens[0]!.text} is told which.`,
              ask: `What becomes of ${one.name} when ${block.headTokens[0]!.text} is called?`,
            },
          })),
      );
    });
}

/** Several statements that remember something, one below the other, moved to the end of their block together. */
function rememberedLast({ blocks, source, language }: Form): readonly Guess[] {
  const lines = source.split('\n');
  return blocks.filter(isRepeated).flatMap(({ opens, closes, statements }): readonly Guess[] => {
    const last = language === 'python' ? closes!.line : closes!.line - 1;
    const runs = statements.reduce<Statement[][]>((all, one) => {
      const run = all.at(-1);
      if (!/^\w+ ?= ?[A-Za-z_]\w*;?$/.test(one.text)) return all;
      if (run && run.at(-1)!.first.line === one.first.line - 1) run.push(one);
      else all.push([one]);
      return all;
    }, []);
    return runs.flatMap((run): readonly Guess[] => {
      const [from, to] = [run[0]!.first.line, run.at(-1)!.first.line];
      if (run.length < 2 || to >= last || from <= opens!.line) return [];
      const moved = lines.slice(from - 1, to);
      const texts = lines.slice(from - 1, last);
      return [
        {
          edits: [linesPut(from, texts, [...texts.slice(moved.length), ...moved])],
          text: `Move lines ${from} ${run.length > 2 ? 'to' : 'and'} ${to} behind line ${last}.`,
          cost: AS_BESIDE,
          told: {
            why: `Lines ${from} ${run.length > 2 ? 'to' : 'and'} ${to} remember what is now before anything asks what was.`,
            ask: `When does the program remember something, and when does it ask for it?`,
          },
        },
      ];
    });
  });
}

/** `if (count > 0) { count--; … }`: what is counted in the answer is to be asked again and again. */
const questionsAskedOver = ({ blocks, language }: Form): readonly Guess[] =>
  blocks.flatMap(({ head, headTokens, statements }): readonly Guess[] => {
    const [word] = headTokens;
    if (head !== 'if' || word?.text !== 'if') return [];
    const isCounted = statements.some(({ text }) => {
      const [, name] = /^(\w+) ?(?:\+\+|--|[-+]= ?\d+|= ?\1 ?[-+])/.exec(text) ?? [];
      return headTokens.some((token) => token.text === name);
    });
    return isCounted && language === 'cpp'
      ? [
          {
            ...written(word, 'while', AS_BESIDE),
            told: {
              why: `Line ${word.line} asks only once, so what it counts changes by one and no further.`,
              ask: `How often does line ${word.line} ask?`,
            },
          },
        ]
      : [];
  });

/** `while (motion) { … }` of which nothing in the loop changes what it asks: asked once. */
function loopsAskedOnce({ tokens, language }: Form): readonly Guess[] {
  return tokens.flatMap((token, index): readonly Guess[] => {
    if (token.text !== 'while') return [];
    const isPython = language === 'python';
    const close = isPython
      ? tokens.findIndex(({ text }, at) => at > index && text === ':')
      : (closing(tokens, index + 1, '(', ')') ?? -1);
    const asked = tokens.slice(index + 1, close).filter(({ text }) => !/^[()]$/.test(text));
    const isName = asked.every(({ text, kind }) => kind === 'word' || /^(?:!|&&|\|\|)$/.test(text));
    const isConstant = asked.every(({ text }) => /^(?:true|True|1)$/.test(text));
    if (close < 0 || !isName || isConstant || tokens[close + 1]?.text === ';') return [];
    return [
      {
        ...written(token, 'if', ASKED_ONCE),
        told: {
          why: `Line ${token.line} goes on for as long as ${asked.map(({ text }) => text).join(' ')} is true, and no line in the loop changes that.`,
          ask: `How often is what belongs to line ${token.line} to happen: once, or over and over?`,
        },
      },
    ];
  });
}

/** Two questions one below the other, each with all that belongs to it, in each other’s places: the wider one takes what the narrower is for. */
function questionsExchanged(form: Form): readonly Guess[] {
  const { blocks, source, language } = form;
  const lines = source.split('\n');
  const asked = blocks.filter(
    ({ head, headTokens, closes }) => head === 'if' && closes && /^(?:if)$/.test(headTokens[0]?.text ?? ''),
  );
  return asked.flatMap((block): readonly Guess[] => {
    const [from, to] = [block.headTokens[0]!.line, block.closes!.line];
    const next = asked.find(({ headTokens }) => headTokens[0]!.line === to + 1);
    const isReturned =
      block.statements.length === 0 &&
      /^\s*(?:return|break|continue)\b/.test(lines[to - (language === 'python' ? 1 : 2)] ?? '');
    const name = block.headTokens.find(({ kind, text }) => kind === 'word' && text !== 'if')?.text;
    if (!next || !isReturned || !next.headTokens.some(({ text }) => text === name)) return [];
    if (language === 'cpp' && (lines[to - 1]?.trim() !== '}' || lines[next.closes!.line - 1]?.trim() !== '}'))
      return [];
    const [first, second] = [lines.slice(from - 1, to), lines.slice(to, next.closes!.line)];
    return [
      {
        edits: [linesPut(from, [...first, ...second], [...second, ...first])],
        text: `Move lines ${to + 1} to ${next.closes!.line} before line ${from}.`,
        cost: AS_ELSEWHERE,
        told: {
          why: `Line ${from} is asked first, and takes what line ${to + 1} is for.`,
          ask: `For which values of ${name} is each of the questions in lines ${from} and ${to + 1} met?`,
        },
      },
    ];
  });
}

/** The rules of this subject that something in a program speaks for. */
export const ofSiblings: readonly Rule[] = [
  loopsAskedOnce,
  questionsAskedOver,
  keptFromGiven,
  givenAsElsewhere,
  doneAsBeside,
  rememberedLast,
  blocksMovedOut,
  doneAtTheStart,
  questionsExchanged,
];
