import type { Block, Form } from './form';

/** A function or method of the program itself, with the names that it takes, but for that of its object. */
export interface OwnFunction {
  readonly name: string;
  readonly takes: readonly string[];
  readonly block: Block;
}

/** The functions and methods of a program, in their order. */
export function functionsIn({ blocks, language }: Form): readonly OwnFunction[] {
  return blocks.flatMap((block): readonly OwnFunction[] => {
    if (block.head !== 'function' || !block.opens) return [];
    const head = language === 'python' ? block.headTokens.slice(1) : block.headTokens;
    const [name, open] = head;
    if (!name || open?.text !== '(') return [];
    const inside = head.slice(2);
    const takes = inside.filter(
      ({ kind, text }, index) =>
        kind === 'word' && text !== 'self' && /^[,)=]$/.test(inside[index + 1]?.text ?? ')'),
    );
    return [{ name: name.text, takes: takes.map(({ text }) => text), block }];
  });
}

/** The functions that no line calls or hands on, but for those that the board calls. */
export const uncalledIn = (form: Form): readonly OwnFunction[] =>
  functionsIn(form).filter(
    ({ name }) =>
      !/^(?:setup|loop|main|__\w+__)$/.test(name) &&
      form.tokens.filter(({ text }) => text === name).length === 1,
  );
