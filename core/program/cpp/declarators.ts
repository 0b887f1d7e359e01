import { namedChildren, type SyntaxNode } from '../syntax';
import type { Context } from './context';
import { readExpression } from './expressions';
import { pointerTo, type CType } from './types';

/** A declared name with the type that the signs round it make of the words before it. */
export interface Declared {
  readonly name: SyntaxNode;
  /** An array without a size has the length 0 until its first values are known. */
  readonly type: CType;
  /** Declared with `&`: another name for a value that is there. */
  readonly refers: boolean;
}

/** The head of a function inside of what stands before its name: `*first()` gives a pointer. */
export interface FunctionHead {
  readonly head: SyntaxNode;
  /** Signs before it, each of which makes what it gives a pointer to that. */
  readonly pointers: number;
}

/** Finds the head of a function in a declarator; `undefined` where it declares something else. */
export function functionHead(node: SyntaxNode | null): FunctionHead | undefined {
  let pointers = 0;
  let head = node;
  while (head?.type === 'pointer_declarator') {
    pointers += 1;
    head = head.childForFieldName('declarator');
  }
  return head?.type === 'function_declarator' ? { head, pointers } : undefined;
}

/** Longest array that is read. */
const LONGEST_ARRAY = 10_000;

/** Reads `*p`, `list[5]`, `&same` and the like; `undefined` for what is not supported. */
export function readDeclarator(node: SyntaxNode, type: CType, context: Context): Declared | undefined {
  switch (node.type) {
    case 'identifier':
    case 'field_identifier':
    case 'type_identifier':
      return { name: node, type, refers: false };
    case 'pointer_declarator': {
      const inner = node.childForFieldName('declarator');
      return inner ? readDeclarator(inner, pointerTo(type), context) : undefined;
    }
    case 'reference_declarator': {
      const [inner] = namedChildren(node);
      const declared = inner && readDeclarator(inner, type, context);
      return declared && { ...declared, refers: true };
    }
    case 'array_declarator': {
      const inner = node.childForFieldName('declarator');
      const sizeNode = node.childForFieldName('size');
      const size = sizeNode ? readExpression(sizeNode, context) : undefined;
      const length = size ? (size.node === 'constant' ? size.value : -1) : 0;
      if (!inner || type.kind === 'void' || length < 0 || length > LONGEST_ARRAY || (size && length === 0))
        return undefined;
      return readDeclarator(inner, { kind: 'array', of: type, length }, context);
    }
    default:
      return undefined;
  }
}
