import { namedChildren, type SyntaxNode } from '../../program/syntax';

/** A call's last name, `DigitalInOut` of `digitalio.DigitalInOut(…)`, and what it is given. */
export interface PythonCall {
  readonly name: string;
  /** What stands before the last dot. */
  readonly owner: string | undefined;
  readonly values: readonly SyntaxNode[];
  readonly named: ReadonlyMap<string, SyntaxNode>;
}

export function calledIn(call: SyntaxNode): PythonCall {
  const callee = call.childForFieldName('function')!;
  const given = namedChildren(call.childForFieldName('arguments')!);
  const isAttribute = callee.type === 'attribute';
  return {
    name: isAttribute ? callee.childForFieldName('attribute')!.text : callee.text,
    owner: isAttribute ? callee.childForFieldName('object')!.text : undefined,
    values: given.filter(({ type }) => type !== 'keyword_argument'),
    named: new Map(
      given
        .filter(({ type }) => type === 'keyword_argument')
        .map((one) => [one.childForFieldName('name')!.text, one.childForFieldName('value')!]),
    ),
  };
}
