import { namedChildren, nodesIn, type SyntaxNode } from '../syntax';

/** Names of one function, or of the program itself. */
export interface Names {
  readonly all: string[];
  /** Names that a function takes from the program. */
  readonly fromProgram: ReadonlySet<string>;
  /** Whether they are those of a class, which its methods do not see. */
  readonly isClass?: boolean;
}

/** What has names of its own inside, or none that matter outside. */
const opaque: ReadonlySet<string> = new Set([
  'function_definition',
  'class_definition',
  'lambda',
  'global_statement',
  'nonlocal_statement',
  'import_statement',
  'import_from_statement',
]);

/** The names that the statements of a program or function give a value, in their order; not those of functions inside. */
export function assignedNames(statements: readonly SyntaxNode[], parameters: readonly string[] = []): Names {
  const all: string[] = [...parameters];
  const fromProgram = new Set<string>();
  const fromOutside = new Set<string>();
  const add = (name: string): void => {
    if (!all.includes(name)) all.push(name);
  };
  const target = (node: SyntaxNode | null): void => {
    if (!node) return;
    if (node.type === 'identifier') add(node.text);
    else if (
      ['pattern_list', 'tuple_pattern', 'list_pattern', 'as_pattern_target', 'list_splat_pattern'].includes(
        node.type,
      )
    )
      namedChildren(node).forEach(target);
  };
  for (const statement of statements)
    for (const node of nodesIn(statement, ({ type }) => !opaque.has(type)))
      switch (node.type) {
        case 'function_definition':
        case 'class_definition':
          add(node.childForFieldName('name')?.text ?? '');
          break;
        case 'assignment':
        case 'augmented_assignment':
        case 'for_statement':
        case 'for_in_clause':
          target(node.childForFieldName('left'));
          break;
        case 'as_pattern_target':
          target(node);
          break;
        case 'named_expression':
          target(node.childForFieldName('name'));
          break;
        case 'global_statement':
          for (const { text } of namedChildren(node)) fromProgram.add(text);
          break;
        case 'nonlocal_statement':
          for (const { text } of namedChildren(node)) fromOutside.add(text);
          break;
        case 'import_statement':
        case 'import_from_statement':
          for (const { name } of importedNames(node)) add(name.split('.')[0]!);
          break;
      }
  return { all: all.filter((name) => !fromProgram.has(name) && !fromOutside.has(name)), fromProgram };
}

/** One thing that an import brings: what it is called there and here. */
export interface Imported {
  readonly original: SyntaxNode;
  readonly name: string;
}

/** What an import statement gives a name to; not the module that things are taken from. */
export function importedNames(node: SyntaxNode): readonly Imported[] {
  const module = node.childForFieldName('module_name');
  return namedChildren(node)
    .filter((child) => child.startIndex !== module?.startIndex)
    .flatMap((child): readonly Imported[] => {
      if (child.type === 'dotted_name') return [{ original: child, name: child.text }];
      if (child.type !== 'aliased_import') return [];
      const original = child.childForFieldName('name')!;
      return [{ original, name: child.childForFieldName('alias')?.text ?? original.text }];
    });
}
