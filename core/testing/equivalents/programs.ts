import { languageOf, type Exercise } from '../../formats/exercise';
import { tokenize } from '../../program/cpp/tokens';
import type { Equivalent } from './equivalent';

/** A way to write a program anew that does the same; `undefined` where it does not apply. */
interface Rewriting {
  readonly sort: string;
  readonly write: (source: string) => string;
}

/** Other programs for an exercise that do the same. */
export function* otherPrograms(exercise: Exercise): Generator<Equivalent> {
  const { data, reference: wiring } = exercise;
  const rewritings = languageOf(exercise) === 'python' ? inPython : inCpp;
  for (const { sort, write } of rewritings) {
    const program = write(data.program);
    if (program !== data.program) yield { sort, wiring, program };
  }
  // Two at once.
  for (const [index, one] of rewritings.entries())
    for (const other of rewritings.slice(index + 1)) {
      const first = one.write(data.program);
      const program = other.write(first);
      if (first !== data.program && program !== first)
        yield { sort: 'two rewritings at once', wiring, program };
    }
}

/** A statement's text from `start` (just behind its opening brace) to the closing one that belongs to it. */
function blockEnd(source: string, start: number): number {
  let depth = 1;
  for (let at = start; at < source.length; at += 1) {
    if (source[at] === '{') depth += 1;
    if (source[at] === '}' && (depth -= 1) === 0) return at;
  }
  return source.length;
}

/** The body of a function, and where it stands. */
function bodyOf(source: string, name: string): { start: number; end: number } | undefined {
  const head = new RegExp(`void ${name}\\(\\) \\{`).exec(source);
  if (!head) return undefined;
  const start = head.index + head[0].length;
  return { start, end: blockEnd(source, start) };
}

/** What comes before everything but the lines that include a library. */
function atTop(source: string, text: string): string {
  const lines = source.split('\n');
  const last = lines.findLastIndex((line) => /^\s*#include/.test(line));
  return [...lines.slice(0, last + 1), text, ...lines.slice(last + 1)].join('\n');
}

/** The names that a program gives itself: of constants, variables and functions, but for those the board calls. */
function ownNames(source: string): readonly string[] {
  const { tokens } = tokenize(source);
  const found = new Set<string>();
  tokens.forEach((token, index) => {
    const [before, after] = [tokens[index - 1], tokens[index + 1]];
    const isDeclared =
      /^(?:int|byte|long|bool|float|char|void|define|Servo)$/.test(before?.text ?? '') &&
      token.kind === 'word' &&
      /^(?:[=;,()[]|\d.*)$/.test(after?.text ?? '');
    if (isDeclared && !/^(?:setup|loop|ISR)$/.test(token.text)) found.add(token.text);
  });
  // Members of a structure are said behind a dot.
  return [...found].filter((name) => !source.includes(`.${name}`));
}

const inCpp: readonly Rewriting[] = [
  {
    sort: 'other names for everything',
    write: (source) =>
      ownNames(source).reduce(
        (text, name, index) =>
          text.replace(new RegExp(`(?<![.\\w"])${name}\\b`, 'g'), `own_${name.toLowerCase()}${index}`),
        source,
      ),
  },
  {
    sort: 'constants written out',
    write: (source) => {
      let text = source;
      for (const [line, name, value] of source.matchAll(/^const (?:int|byte) (\w+) = (\d+|A\d);.*\n/gm))
        text = text.replace(line, '').replace(new RegExp(`\\b${name}\\b`, 'g'), value!);
      return text;
    },
  },
  {
    sort: 'constants by the preprocessor',
    write: (source) => source.replace(/^const (?:int|byte) (\w+) = (\w+);/gm, '#define $1 $2'),
  },
  {
    sort: 'remarks everywhere',
    write: (source) =>
      source
        .replace(/;$/gm, ';  // as it should be')
        .replace(/^void /m, '/* what the board does;\n   twice { */\nvoid '),
  },
  {
    sort: 'braces in lines of their own',
    write: (source) => source.replace(/^(\s*)(.*\)) \{$/gm, '$1$2\n$1{'),
  },
  {
    sort: 'pauses in two',
    write: (source) =>
      source.replace(/^(\s*)delay\((\d+)\);/gm, (_, space: string, time: string) => {
        const half = Math.floor(Number(time) / 2);
        return `${space}delay(${half});\n${space}delay(${Number(time) - half});`;
      }),
  },
  {
    sort: 'waiting by the clock',
    write: (source) =>
      /\bdelay\(\d+\);/.test(source)
        ? atTop(
            source.replace(/\bdelay\((\d+)\);/g, 'holdOn($1);'),
            'void holdOn(unsigned long time) {\n  unsigned long began = millis();\n  while (millis() - began < time) {\n  }\n}',
          )
        : source,
  },
  {
    sort: 'the loop in a function of its own',
    write: (source) => {
      const body = bodyOf(source, 'loop');
      if (!body) return source;
      const inside = source.slice(body.start, body.end);
      return `${source.slice(0, body.start)}\n  onceRound();\n${source.slice(body.end)}\n\nvoid onceRound() {${inside}}\n`;
    },
  },
  {
    sort: 'the loop twice over',
    write: (source) => {
      const body = bodyOf(source, 'loop');
      if (!body || /\breturn\b/.test(source)) return source;
      const inside = source.slice(body.start, body.end);
      return `${source.slice(0, body.start)}\n  {${inside}}\n  {${inside}}\n${source.slice(body.end)}`;
    },
  },
  {
    sort: 'everything in setup, for ever',
    write: (source) => {
      const [setup, loop] = ['setup', 'loop'].map((name) => bodyOf(source, name));
      if (!setup || !loop || setup.start > loop.start || /\breturn\b/.test(source)) return source;
      const inside = source.slice(loop.start, loop.end);
      return `${source.slice(0, setup.end)}  while (true) {${inside}}\n${source.slice(setup.end, loop.start)}\n${source.slice(loop.end)}`;
    },
  },
  {
    sort: 'levels as numbers',
    write: (source) => source.replace(/\bHIGH\b/g, '1').replace(/\bLOW\b/g, '0'),
  },
  {
    sort: 'levels as truths',
    write: (source) =>
      source.replace(/(?<=digitalWrite\(\w+, )(HIGH|LOW)(?=\))/g, (level) => String(level === 'HIGH')),
  },
  {
    sort: 'questions asked twice over',
    write: (source) => source.replace(/\bif \((.*)\) \{$/gm, 'if (!(!($1))) {'),
  },
  {
    sort: 'questions the other way about',
    write: (source) => source.replace(/(digitalRead\(\w+\)) == (HIGH|LOW)/g, '$2 == $1'),
  },
  {
    sort: 'loops with while',
    write: (source) => {
      let text = source;
      for (;;) {
        const head = /\bfor \((\w+ \w+ = [^;]+); ([^;]+); ([^)]+)\) \{/.exec(text);
        if (!head) return text;
        const start = head.index + head[0].length;
        const end = blockEnd(text, start);
        const inside = text.slice(start, end);
        if (/\bcontinue\b/.test(inside)) return text;
        text = `${text.slice(0, head.index)}{ ${head[1]}; while (${head[2]}) {${inside}${head[3]}; } }${text.slice(end + 1)}`;
      }
    },
  },
  {
    sort: 'a choice by switch',
    write: (source) => {
      const head = /\bif \(digitalRead\((\w+)\) == (HIGH|LOW)\) \{/.exec(source);
      if (!head) return source;
      const start = head.index + head[0].length;
      const end = blockEnd(source, start);
      const rest = /^\}\s*else \{/.exec(source.slice(end));
      if (!rest) return source;
      const otherEnd = blockEnd(source, end + rest[0].length);
      const [one, other] = [source.slice(start, end), source.slice(end + rest[0].length, otherEnd)];
      if (/\b(?:break|continue)\b/.test(one + other)) return source;
      return `${source.slice(0, head.index)}switch (digitalRead(${head[1]})) { case ${head[2]}: {${one}} break; default: {${other}} }${source.slice(otherEnd + 1)}`;
    },
  },
  {
    sort: 'longer types',
    write: (source) => source.replace(/\bint (?=\w+ = )/g, 'long '),
  },
  {
    sort: 'steps written out',
    write: (source) => source.replace(/\b(\w+)\+\+(?=[;)])/g, '$1 = $1 + 1'),
  },
];

const inPython: readonly Rewriting[] = [
  {
    sort: 'other names for everything',
    write: (source) =>
      [...new Set([...source.matchAll(/^(\w+) = /gm)].map(([, name]) => name!))].reduce(
        (text, name, index) =>
          text.replace(new RegExp(`(?<![.\\w])${name}\\b(?!\\s*\\()`, 'g'), `own_${name}${index}`),
        source,
      ),
  },
  {
    sort: 'remarks everywhere',
    write: (source) => source.replace(/(?<=[\w)])$/gm, '  # as it should be'),
  },
  {
    sort: 'pauses in two',
    write: (source) =>
      source.replace(/^(\s*)time\.sleep\(([\d.]+)\)$/gm, (_, space: string, time: string) => {
        const half = Number(time) / 2;
        return `${space}time.sleep(${half})\n${space}time.sleep(${half})`;
      }),
  },
  {
    sort: 'waiting by the clock',
    write: (source) =>
      source.replace(
        /^(\s*)time\.sleep\(([\d.]+)\)$/gm,
        '$1began = time.monotonic()\n$1while time.monotonic() - began < $2:\n$1    pass',
      ),
  },
  {
    sort: 'truths as questions',
    write: (source) =>
      source.replace(
        /\.value = (True|False)$/gm,
        (_, level: string) => `.value = not ${level === 'True' ? 'False' : 'True'}`,
      ),
  },
  {
    sort: 'the loop by a condition',
    write: (source) => source.replace(/^while True:$/m, 'running = 1\nwhile running == 1:'),
  },
  {
    sort: 'the loop in a function of its own',
    write: (source) => {
      const [before, inside] = source.split(/^while True:\n/m);
      return inside === undefined || /^ {4}\w+ (?:[-+]?=) /m.test(inside)
        ? source
        : `${before}def once_round():\n${inside.trimEnd()}\n\n\nwhile True:\n    once_round()\n`;
    },
  },
  {
    sort: 'indented by two',
    write: (source) => source.replace(/^(?: {4})+/gm, (space) => ' '.repeat(space.length / 2)),
  },
];
