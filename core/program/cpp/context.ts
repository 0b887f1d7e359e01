import type { BoardProfile } from '../../boards';
import type { ProgramProblem } from '../problem';
import { ProblemLog } from '../problem-log';
import { namedChildren, spanOf, type ParseWith, type Span, type SyntaxNode } from '../syntax';
import { libraryConstants, libraryFunctions, type LibraryFunction } from './library';
import { MOST_UNKNOWN, nearest, unknownName, type Elsewhere } from '../names';
import { otherName } from './other-names';
import { Layout, Scope, type Variable } from './scope';
import type { Expression, Place } from './tree';
import { asType, byItsUse } from './unknown-uses';
import {
  conversionTo,
  integer,
  typeWords,
  type CType,
  type ScalarType,
  type StructType,
  type TypeWidths,
} from './types';

export interface FunctionSignature {
  readonly index: number;
  readonly name: string;
  readonly result: CType;
  readonly parameters: readonly {
    readonly name: string;
    readonly type: ScalarType | StructType;
    /** Handed over by where it is, not by its value. */
    readonly refers: boolean;
    /** What it is where a call gives nothing. */
    readonly preset?: SyntaxNode;
  }[];
  /** Where a struct that it gives is put. */
  readonly resultPlace?: Place;
  /** The class that it is a method of. */
  readonly owner?: StructType;
  /** Whether only methods of its class may call it. */
  readonly isPrivate?: boolean;
  /** Whether it is an interrupt's own routine, which nobody else may call. */
  readonly interrupts?: boolean;
  readonly span: Span;
}

/** A method as its class declares it. */
export interface MethodHead {
  readonly owner: StructType;
  readonly isPrivate: boolean;
  /** The function where it stands in the class itself, or its declaration alone. */
  readonly node: SyntaxNode;
}

/** A `#define` of a name to a text that stands for a value. */
export interface Definition {
  readonly text: string;
  readonly span: Span;
}

/** A `#define` with parameters. */
export interface Macro {
  readonly parameters: readonly string[];
  readonly text: string;
}

/** What the board's library defines as text, since it changes what it is given. */
const libraryMacros: readonly (readonly [string, Macro])[] = [
  // Keeps a text out of the working memory; what is printed is the same.
  ['F', { parameters: ['text'], text: 'text' }],
  ['_BV', { parameters: ['n'], text: '(1 << (n))' }],
  ['bit_is_set', { parameters: ['x', 'n'], text: '((x) & (1 << (n)))' }],
  ['bit_is_clear', { parameters: ['x', 'n'], text: '(!((x) & (1 << (n))))' }],
  // Tables that stay in the program's own memory are read like any other.
  ...['byte', 'word', 'dword', 'float'].map(
    (what) => [`pgm_read_${what}`, { parameters: ['where'], text: '(*(where))' }] as const,
  ),
  ['radians', { parameters: ['degrees'], text: '((degrees) * DEG_TO_RAD)' }],
  ['degrees', { parameters: ['radians'], text: '((radians) * RAD_TO_DEG)' }],
  ['bitSet', { parameters: ['x', 'n'], text: '(x) |= (1UL << (n))' }],
  ['bitClear', { parameters: ['x', 'n'], text: '(x) &= ~(1UL << (n))' }],
  ['bitWrite', { parameters: ['x', 'n', 'b'], text: '(b) ? ((x) |= (1UL << (n))) : ((x) &= ~(1UL << (n)))' }],
];

/** What a name is used as, which decides what it may have been meant to be. */
export type NameUse = 'value' | 'function' | 'type' | 'object';

/** Deepest nesting of statements and expressions that is followed; no person writes deeper. */
const DEEPEST = 400;

/** Times that a definition is put in the place of its name, and the longest text that comes of it. */
export const MOST_EXPANSIONS = 1000;
export const LONGEST_TEXT = 4000;

/** Registers of eight-bit chips, and their bits, that programs set instead of calling the library. */
const REGISTER =
  /^(?:(?:DDR|PORT|PIN)[A-L]|P[A-L][0-7]|TCCR\d[ABC]?|TCNT\d|OCR\d[ABC]?|ICR\d|TIMSK\d?|TIFR\d?|ADC[HLW]?|ADCSR[AB]|ADMUX|EICRA|EIMSK|PCICR|PCMSK\d|SREG|UCSR\d[ABC]|UBRR\d[HL]?|UDR\d|WDTCSR|WGM\d\d|CS\d\d|COM\d[AB]\d|OCIE\d[AB]|TOIE\d|PCIE\d|PCINT\d+|ADEN|ADSC|ADPS\d|REFS\d|INT\d)$/;

/** Functions that the language's own library has and that are not followed here. */
const NOT_FOLLOWED: ReadonlySet<string> = new Set([
  ...['strtok', 'strtol', 'strtoul', 'strtod', 'sscanf', 'strstr', 'strncpy', 'strncat', 'memmove', 'memcmp'],
  ...['malloc', 'calloc', 'realloc', 'free', 'qsort', 'bsearch', 'setjmp', 'longjmp', 'printf', 'puts'],
]);

/** What is known while a program is resolved: names, types, and the problems found so far. */
export class Context extends ProblemLog {
  private readonly unknown = new Map<string, Span[]>();
  private readonly pending: (() => ProgramProblem)[] = [];
  readonly widths: TypeWidths;
  readonly library: ReadonlyMap<string, LibraryFunction>;
  readonly constants: ReturnType<typeof libraryConstants>;
  readonly definitions = new Map<string, Definition>();
  readonly macros = new Map(libraryMacros);
  readonly functions = new Map<string, FunctionSignature>();
  /** Functions of a name that several have, which take different values. */
  readonly overloads = new Map<string, readonly FunctionSignature[]>();
  readonly globals: Layout;
  /** Every variable that was declared. */
  readonly variables: Variable[] = [];
  /** Functions that something calls by itself: interrupts. */
  readonly routines = new Set<string>();
  /** Counting loops that a semicolon ends, with the block that was to be theirs. */
  readonly cutOff: { readonly semicolon: Span; readonly block: Span }[] = [];
  /** Names of the language or the library that the program gives to variables, which is told already. */
  readonly taken = new Set<string>();
  /** Headers that the program includes and that are known here, without their ending. */
  readonly headers = new Set<string>();
  /** Headers that the program includes and that are not known here. */
  readonly strangeHeaders: SyntaxNode[] = [];
  /** Structs, enumerations and other types that the program names. */
  readonly types = new Map<string, CType>();
  /** Methods that classes of the program declare, by `Class::method`. */
  readonly methods = new Map<string, MethodHead>();
  /** What is put into memory before the program begins: texts, and locals that remember. */
  readonly initial: Expression[] = [];
  private readonly texts = new Map<string, number>();
  private expansions = 0;
  /** Whether the program was told that registers are not followed. */
  private setsRegisters = false;
  scope = new Scope();
  /** Frame of the function being resolved. */
  frame: Layout;
  /** Loops around the place being resolved, within its function. */
  loopDepth = 0;
  /** The same of switches. */
  switchDepth = 0;
  /** Names that the function assigns after their declaration. */
  reassigned: ReadonlySet<string> = new Set();
  result: CType = { kind: 'void' };
  /** Where the function being resolved puts a struct that it gives. */
  resultPlace: Place | undefined;
  /** The class of the method being resolved, and where the address of its object stands. */
  owner: { readonly type: StructType; readonly self: Place } | undefined;

  constructor(
    readonly board: BoardProfile,
    readonly parse: ParseWith,
    readonly root: SyntaxNode,
  ) {
    super(DEEPEST);
    this.widths = board.language;
    this.library = libraryFunctions(board.language);
    this.constants = libraryConstants(board);
    this.globals = new Layout('global', board.language);
    this.frame = new Layout('frame', board.language);
  }

  /** Whether one more text may be read in the place of a name; definitions in definitions multiply. */
  mayExpand(text: string): boolean {
    this.expansions += 1;
    return this.expansions <= MOST_EXPANSIONS && text.length <= LONGEST_TEXT;
  }

  /** Runs `read` in a scope of its own. */
  scoped<T>(read: () => T): T {
    const { scope } = this;
    this.scope = new Scope(scope);
    const value = read();
    this.scope = scope;
    return value;
  }

  /** The address of a text that stands in the program; the same text stands there once. */
  storeText(text: string, span: Span): number {
    const earlier = this.texts.get(text);
    if (earlier !== undefined) return earlier;
    const char = integer(8, this.widths.charSigned);
    const fit = conversionTo(char);
    const place = this.globals.take('a text', { kind: 'array', of: char, length: text.length + 1 });
    const base = { type: char, span, clock: 'fixed' as const };
    for (let at = 0; at <= text.length; at += 1)
      this.initial.push({
        ...base,
        node: 'store',
        place: { ...place, address: place.address + at },
        value: { ...base, node: 'constant', value: fit(text.charCodeAt(at) || 0) },
      });
    this.texts.set(text, place.address);
    return place.address;
  }

  /** Whether it is said already why a name is not known. */
  isToldOf(name: string): boolean {
    return this.unknown.has(name);
  }

  /** Says nothing of a name from here on: why it is not known is told already. */
  silence(name: string): void {
    if (!this.unknown.has(name)) this.unknown.set(name, []);
  }

  /** Reports a name that is not known; each name once, with a repair of all its uses. */
  reportUnknown(name: string, node: SyntaxNode, use: NameUse): void {
    if (REGISTER.test(name)) {
      // One of them stands for all: a program that sets one sets several.
      if (!this.setsRegisters) this.unsupported(`${name}, a register of the chip itself,`, node);
      this.setsRegisters = true;
      return;
    }
    if (NOT_FOLLOWED.has(name)) {
      this.unsupported(name, node);
      return;
    }
    const earlier = this.unknown.get(name);
    if (earlier) {
      earlier.push(spanOf(node));
      return;
    }
    if (this.unknown.size >= MOST_UNKNOWN) return;
    const uses = [spanOf(node)];
    this.unknown.set(name, uses);
    const mine = [...this.scope.visible(), ...this.definitions.keys(), ...this.functions.keys()];
    const values = [...this.scope.visible(), ...this.definitions.keys(), ...this.constants.keys()];
    const builtins = [...this.library.keys()];
    const functions = [
      ...this.functions.keys(),
      ...this.macros.keys(),
      ...builtins.filter((builtin) => !builtin.includes('.')),
    ];
    const known: Readonly<Record<NameUse, readonly string[]>> = {
      value: values,
      function: functions,
      type: [...typeWords, ...this.types.keys()],
      object: ['Serial'],
    };
    const all = Object.values(known).flat();
    this.pending.push(() => {
      const elsewhere = declaredElsewhere(this.root, name);
      const isNear = nearest(name, known[use]) !== undefined || elsewhere !== undefined;
      const isFunction = use === 'value' && functions.includes(name);
      const own =
        use === 'type'
          ? asType(name, node, this.root, functions.includes(name))
          : use === 'value' && (isFunction || !isNear)
            ? byItsUse(name, this.root, isFunction)
            : undefined;
      // A name of the program's own is nearer than one of another language.
      const isOwn = elsewhere !== undefined || nearest(name, mine) !== undefined;
      const other = isOwn
        ? undefined
        : otherName(name, uses, (pin) => this.board.pins.some((one) => one.name === pin));
      return other ?? own ?? unknownName(name, uses, { likely: known[use], all, elsewhere, language: 'cpp' });
    });
  }

  /** All problems, in the order of the text, once every use of every name has been seen. */
  finish(): readonly ProgramProblem[] {
    return [...this.problems, ...this.pending.map((make) => make())].sort(
      (a, b) => a.line - b.line || a.column - b.column,
    );
  }
}

/** Finds a declaration of the name inside any function. */
function declaredElsewhere(root: SyntaxNode, name: string): Elsewhere | undefined {
  for (const definition of namedChildren(root)) {
    if (definition.type !== 'function_definition') continue;
    const owner =
      definition.childForFieldName('declarator')?.childForFieldName('declarator')?.text ?? 'a function';
    const open: { readonly node: SyntaxNode; readonly parent: string }[] = [{ node: definition, parent: '' }];
    for (let next = open.pop(); next; next = open.pop()) {
      const { node, parent } = next;
      const declarator = node.type === 'declaration' ? node.childForFieldName('declarator') : null;
      const declared =
        declarator?.type === 'init_declarator' ? declarator.childForFieldName('declarator') : declarator;
      if (declared?.text === name) {
        const isLine = parent === 'compound_statement' && !node.text.includes('\n');
        return {
          region: `inside ${owner}`,
          span: spanOf(declared),
          ...(isLine ? { declaration: { text: node.text, span: spanOf(node) } } : {}),
        };
      }
      open.push(...namedChildren(node).map((child) => ({ node: child, parent: node.type })));
    }
  }
  return undefined;
}

/** A stand-in for an expression that could not be read, so that reading goes on. */
export const unreadable = (node: SyntaxNode): Expression => ({
  node: 'constant',
  value: 0,
  type: { kind: 'integer', bits: 32, signed: true },
  span: spanOf(node),
  clock: 'fixed',
});
