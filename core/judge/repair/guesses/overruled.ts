import { linesPut } from '../lines-put';
import { isInside, type Block, type Form, type Statement } from './form';
import type { Guess, Rule } from './guess';

const [COST, NOTHING_UNDONE] = [1.62, 1.68];

/** What a statement sets: a pin, a brightness, a tone, a variable, the value of an object. */
function setIn({ text }: Statement): string | undefined {
  const [, pin] = /^(?:digitalWrite|analogWrite|tone|noTone)\(\s*([^,()]+?)\s*[,)]/.exec(text) ?? [];
  if (pin !== undefined) return `pin ${pin}`;
  const [, object] = /^(\w+)\.write\(/.exec(text) ?? [];
  if (object !== undefined) return `write ${object}`;
  return /^(\w+(?:\.\w+)?(?:\[\w+\])?) ?= ?[^=]/.exec(text)?.[1];
}

/** What always runs right behind a question and undoes what its answer did: said for the other case only. */
function overruledElse(form: Form): readonly Guess[] {
  const { blocks, tokens, language, source } = form;
  return blocks.flatMap((block): readonly Guess[] => {
    const { head, closes } = block;
    if (head !== 'if' || !closes || /^(?:else|elif)$/.test(tokens[tokens.indexOf(closes) + 1]?.text ?? ''))
      return [];
    const set = new Set(block.statements.flatMap((one) => setIn(one) ?? []));
    const behind = statementsBehind(block, form);
    const undone = behind.findIndex((one) => !set.has(setIn(one) ?? ''));
    const others = undone < 0 ? behind : behind.slice(0, undone);
    const [first, last] = [others[0], others.at(-1)];
    if (!first || !last) return [];
    const early = block.statements.find((one) => setIn(one) === setIn(first));
    const lines = source.split('\n').slice(first.first.line - 1, last.last.line);
    const [from, to] = [first.first, last.last];
    const told = {
      why: `Line ${from.line} always runs, even right after line ${early!.first.line}, and undoes what that line did.`,
      ask: `When does line ${from.line} run: always, or only in the other case?`,
    };
    const which = others.length > 1 ? `lines ${from.line} to ${to.line}` : `line ${from.line}`;
    const text = `Put ${which} into an else.`;
    if (language === 'python') {
      const outer = ' '.repeat(from.column - 1);
      const by = [`${outer}else:`, ...lines.map((line) => `    ${line}`)];
      return [
        {
          edits: [linesPut(from.line, lines, by)],
          text,
          cost: COST,
          told,
        },
      ];
    }
    const [open, close] = others.length > 1 ? ['else { ', ' }'] : ['else ', ''];
    return [
      {
        edits: [
          ...(close === '' ? [] : [{ line: to.line, column: to.endColumn, length: 0, by: close }]),
          { line: from.line, column: from.column, length: 0, by: open },
        ],
        text,
        cost: COST,
        told,
      },
    ];
  });
}

/** What always runs right behind a question that has no other side, for the other case only. */
function elsePut(form: Form): readonly Guess[] {
  const { blocks, tokens, language } = form;
  if (language === 'python') return [];
  return blocks.flatMap((block): readonly Guess[] => {
    if (block.head !== 'if' || !block.closes || tokens[tokens.indexOf(block.closes) + 1]?.text === 'else')
      return [];
    const [first] = statementsBehind(block, form);
    if (!first || !/^[\w.]+\(/.test(first.text)) return [];
    const { line, column } = first.first;
    return [
      {
        edits: [{ line, column, length: 0, by: 'else ' }],
        text: `Put line ${line} into an else.`,
        cost: NOTHING_UNDONE,
        told: {
          why: `Line ${line} always runs, even when the question before it was met.`,
          ask: `When does line ${line} run: always, or only in the other case?`,
        },
      },
    ];
  });
}

/** Two statements of one answer that set the same: the second belongs to the other case. */
function overruledInside({ blocks, language, source }: Form): readonly Guess[] {
  const lines = source.split('\n');
  return blocks.flatMap((block): readonly Guess[] => {
    if (block.head !== 'if' || !block.opens) return [];
    return block.statements.slice(1).flatMap((second, index): readonly Guess[] => {
      const first = block.statements[index]!;
      const set = setIn(first);
      if (set === undefined || set !== setIn(second) || first.text === second.text) return [];
      if (second.first.line !== first.last.line + 1) return [];
      const { line, column } = second.first;
      const outer = /^ */.exec(lines[block.opens!.line - 1] ?? '')![0];
      return [
        {
          edits: [
            language === 'python'
              ? { line, column: 1, length: 0, by: `${outer}else:\n` }
              : { line, column, length: 0, by: '} else { ' },
          ],
          text: `Put else before line ${line}.`,
          cost: COST,
          told: {
            why: `Line ${line} undoes what line ${first.first.line} has just done.`,
            ask: `Which of lines ${first.first.line} and ${line} is for which case?`,
          },
        },
      ];
    });
  });
}

/** The statements right behind a block, in the one that it stands in, one after the other. */
function statementsBehind(block: Block, { blocks, tokens }: Form): readonly Statement[] {
  const next = tokens[tokens.indexOf(block.closes!) + 1];
  const outer = blocks
    .filter((other) => other !== block && (!other.opens || isInside(block.opens!.line, other)))
    .toSorted((one, other) => (other.opens?.line ?? 0) - (one.opens?.line ?? 0))[0];
  const from = outer?.statements.findIndex(({ first }) => first === next) ?? -1;
  if (!outer || from < 0) return [];
  const found: Statement[] = [];
  for (const statement of outer.statements.slice(from)) {
    const last = found.at(-1)?.last;
    if (last && tokens[tokens.indexOf(last) + 1] !== statement.first) break;
    found.push(statement);
  }
  return found;
}

/** The rules of this subject that something in a program speaks for. */
export const ofOverruled: readonly Rule[] = [elsePut, overruledElse, overruledInside];
