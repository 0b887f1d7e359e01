import { refusal } from '../problem';
import { missing } from '../syntax-wording';
import { namedChildren, nodesIn, spanOf, type SyntaxNode } from '../syntax';
import { methodName, shownName } from './classes';
import type { Context, FunctionSignature, MethodHead } from './context';
import { functionHead, readDeclarator } from './declarators';
import { pinChangeRegisters } from './library';
import { parameterWithoutType, typeMissing } from './slips';
import { pointerTo, sameType, typeNamed, typeText, VOID, type CType } from './types';

/** Reads the head of a function and makes it known; `undefined` for one that cannot be, which is said. */
export function readSignature(node: SyntaxNode, context: Context): FunctionSignature | undefined {
  const whole = node.childForFieldName('declarator');
  const found = functionHead(whole);
  const declarator = found?.head ?? whole;
  const nameNode = declarator?.childForFieldName('declarator');
  const typeNode = node.childForFieldName('type');
  if (declarator?.type === 'identifier') {
    const { endLine, endColumn } = spanOf(declarator);
    const why = 'A function has parentheses after its name, even when nothing is in them.';
    context.report(missing('syntax-paren', { text: declarator.text, line: endLine, endColumn }, '()', why));
    return undefined;
  }
  if (declarator?.type === 'function_declarator' && nameNode?.text === 'ISR' && !typeNode)
    return readRoutineHead(node, declarator, context);
  if (declarator?.type === 'function_declarator' && nameNode?.type === 'identifier' && !typeNode) {
    context.report(typeMissing(spanOf(nameNode), nameNode.text, typeGiven(node)));
    return undefined;
  }
  if (declarator?.type === 'function_declarator' && nameNode?.type === 'qualified_identifier')
    return readMethodSignature(node, declarator, nameNode, context);
  if (declarator?.type !== 'function_declarator' || nameNode?.type !== 'identifier' || !typeNode) {
    context.unsupported(`“${node.text.split('\n')[0]!}”`, node);
    return undefined;
  }
  const result = resultOf(typeNode, found?.pointers ?? 0, context);
  if (!result) {
    context.reportUnknown(typeNode.text, typeNode, 'type');
    return undefined;
  }
  const parameters = readParameters(declarator, context);
  // With its head the whole function goes unread.
  if (!parameters) context.unread.push(node);
  return parameters && addSignature({ name: nameNode.text, nameNode, result, parameters }, context);
}

/** The word that says what a function gives, by what it returns. */
function typeGiven(definition: SyntaxNode): string {
  const returned = nodesIn(definition).flatMap((node) =>
    node.type === 'return_statement' ? namedChildren(node) : [],
  )[0];
  if (!returned) return 'void';
  const { text } = returned;
  if (/^(?:true|false|!)|[=!<>]=|&&|\|\||[<>]/.test(text)) return 'bool';
  if (text.includes('"')) return 'String';
  return /\d\.\d*|\.\d|\bfloat\b/.test(text) ? 'float' : 'int';
}

interface Head {
  /** The name under which it is kept. */
  readonly name: string;
  readonly nameNode: SyntaxNode;
  readonly result: CType;
  readonly parameters: FunctionSignature['parameters'];
  readonly method?: MethodHead;
}

/** Makes a function known by its head; `undefined` where there is another of its name. */
function addSignature(
  { name: known, nameNode, result, parameters, method }: Head,
  context: Context,
): FunctionSignature | undefined {
  const name = shownName(known);
  const earlier = context.functions.get(known);
  const span = spanOf(nameNode);
  const takesOthers =
    earlier &&
    (earlier.parameters.length !== parameters.length ||
      parameters.some(({ type }, index) => !sameType(type, earlier.parameters[index]!.type)));
  const kept = takesOthers ? `${known}(${parameters.map(({ type }) => typeText(type)).join()})` : known;
  const isOverload = takesOthers && !context.functions.has(kept);
  if (earlier && !isOverload) {
    context.report(
      refusal(
        'name-redeclared',
        span,
        `Line ${span.line}: there is a second ${name}; the first is on line ${earlier.span.line}.`,
        [
          `How many functions are called ${name}?`,
          `${name} is on line ${earlier.span.line} and again on line ${span.line}.`,
          `Put both bodies into one ${name}, or give the one in line ${span.line} another name.`,
        ],
      ),
    );
    return undefined;
  }
  const signature: FunctionSignature = {
    index: context.functions.size,
    name: kept,
    result,
    parameters,
    span,
    ...(result.kind === 'struct' ? { resultPlace: context.globals.take(name, result) } : {}),
    ...(method ? { owner: method.owner, isPrivate: method.isPrivate } : {}),
  };
  context.functions.set(kept, signature);
  if (isOverload) context.overloads.set(known, [...(context.overloads.get(known) ?? [earlier]), signature]);
  return signature;
}

/** What a function gives: what its type says, or a pointer to that. */
function resultOf(node: SyntaxNode, pointers: number, context: Context): CType | undefined {
  const type = typeNamed(node.text, context.widths, context.types);
  return type && Array.from({ length: pointers }).reduce<CType>((to) => pointerTo(to), type);
}

/** What a function takes; `undefined` where that cannot be read, which is said. */
function readParameters(
  declarator: SyntaxNode,
  context: Context,
): FunctionSignature['parameters'] | undefined {
  const parameters: FunctionSignature['parameters'][number][] = [];
  for (const parameter of namedChildren(declarator.childForFieldName('parameters')!)) {
    const base = typeNamed(parameter.childForFieldName('type')?.text ?? '', context.widths, context.types);
    const signs = parameter.childForFieldName('declarator');
    if (base?.kind === 'void' && !signs) continue;
    const declared = base && signs ? readDeclarator(signs, base, context) : undefined;
    // An array is handed over as a pointer to its first element.
    const type = declared?.type.kind === 'array' ? pointerTo(declared.type.of) : declared?.type;
    // What may not be changed can as well be handed over by its value.
    const isConstant = namedChildren(parameter).some(({ text }) => text === 'const');
    const refers = (declared?.refers ?? false) && !isConstant;
    if (!declared || !type || type.kind === 'void') {
      const untyped = base ? undefined : parameterWithoutType(parameter);
      if (untyped) context.report(untyped);
      else context.unsupported(`the parameter “${parameter.text}”`, parameter);
      return undefined;
    }
    const preset = parameter.childForFieldName('default_value');
    parameters.push({ name: declared.name.text, type, refers, ...(preset ? { preset } : {}) });
  }
  return parameters;
}

/** `void Led::on()`: a method whose body stands outside of its class. */
function readMethodSignature(
  node: SyntaxNode,
  declarator: SyntaxNode,
  nameNode: SyntaxNode,
  context: Context,
): FunctionSignature | undefined {
  const [owner, method] = [nameNode.childForFieldName('scope'), nameNode.childForFieldName('name')];
  const type = owner ? context.types.get(owner.text) : undefined;
  if (!owner || !method || type?.kind !== 'struct') {
    if (owner && !type) context.reportUnknown(owner.text, owner, 'type');
    else context.unsupported(`“${node.text.split('\n')[0]!}”`, node);
    return undefined;
  }
  if (method.type === 'destructor_name') return undefined;
  const head = context.methods.get(methodName(type, method.text));
  if (head) return readMethod(node, declarator, method, head, context);
  const span = spanOf(method);
  context.report(
    refusal('name-unknown', span, `Line ${span.line}: ${type.name} does not declare “${method.text}”.`, [
      `Which functions stand between the braces of ${type.name}?`,
      `Line ${span.line} gives ${type.name} a function ${method.text}, which its class does not name.`,
      `Declare ${method.text} in ${type.name} too, with what it takes.`,
    ]),
  );
  return undefined;
}

/** Reads a method, in its class or outside of it. What it takes where nothing is given stands in the class. */
function readMethod(
  node: SyntaxNode,
  declarator: SyntaxNode,
  nameNode: SyntaxNode,
  method: MethodHead,
  context: Context,
): FunctionSignature | undefined {
  const typeNode = node.childForFieldName('type');
  const isConstructor = nameNode.text === method.owner.name;
  const result = isConstructor
    ? VOID
    : typeNode
      ? resultOf(typeNode, functionHead(node.childForFieldName('declarator'))?.pointers ?? 0, context)
      : undefined;
  if (!typeNode && !isConstructor) {
    context.report(typeMissing(spanOf(nameNode), nameNode.text, typeGiven(node)));
    return undefined;
  }
  if (!result) {
    context.reportUnknown(typeNode!.text, typeNode!, 'type');
    return undefined;
  }
  const own = readParameters(declarator, context);
  const declared = functionHead(method.node.childForFieldName('declarator'))?.head.childForFieldName(
    'parameters',
  );
  const presets = declared
    ? namedChildren(declared).map((one) => one.childForFieldName('default_value'))
    : [];
  const parameters = own?.map((parameter, index) => ({
    ...parameter,
    ...(presets[index] ? { preset: presets[index] } : {}),
  }));
  const name = methodName(method.owner, nameNode.text);
  return parameters && addSignature({ name, nameNode, result, parameters, method }, context);
}

/** The methods whose bodies stand in their classes, with their heads made known. */
export function methodsInClasses(
  context: Context,
): readonly { readonly node: SyntaxNode; readonly signature: FunctionSignature }[] {
  return [...context.methods.values()].flatMap((method) => {
    const { node } = method;
    const found = functionHead(node.childForFieldName('declarator'));
    if (node.type !== 'function_definition' || !found) return [];
    const nameNode = found.head.childForFieldName('declarator')!;
    const signature = readMethod(node, found.head, nameNode, method, context);
    return signature ? [{ node, signature }] : [];
  });
}

/** `ISR(PCINT0_vect)`: the routine of an interrupt, which only the chip itself calls. */
function readRoutineHead(
  node: SyntaxNode,
  declarator: SyntaxNode,
  context: Context,
): FunctionSignature | undefined {
  const [vector] = namedChildren(declarator.childForFieldName('parameters')!);
  const hasPinChange = context.board.pins.some(({ functions }) => functions.includes('pin-change'));
  if (vector?.text !== pinChangeRegisters.routine || !hasPinChange) {
    context.unsupported(`the interrupt “${vector?.text ?? ''}”`, node);
    return undefined;
  }
  const name = vector.text;
  const signature: FunctionSignature = {
    index: context.functions.size,
    name,
    result: VOID,
    parameters: [],
    span: spanOf(vector),
  };
  context.functions.set(name, signature);
  context.routines.add(name);
  return signature;
}
