import type { Node } from 'web-tree-sitter';
import type { SyntaxNode } from '@/core/program/syntax';
import type { SourceText } from './source-text';

/** The shapes of a tree, by the parser's own number of their nodes. */
export type Shapes = ReadonlyMap<number, Shape>;

/** Where a shape stands inside another. */
interface Inside {
  readonly shape: Shape;
  /** Characters from the beginning of the one to the beginning of the other. */
  readonly offset: number;
}

/**
 * What a node of the parser is, wherever it stands. Each thing is asked once: every question crosses into WebAssembly
 * and back, a program is read from many sides, and much of the next program is what it was in the one before.
 */
export class Shape {
  private readonly fields = new Map<string, Inside | undefined>();
  private knownType: string | undefined;
  private knownLength: number | undefined;
  private knownNamed: boolean | undefined;
  private knownChildren: readonly (Inside | undefined)[] | undefined;
  private knownNamedChildren: readonly (Inside | undefined)[] | undefined;

  private constructor(
    private readonly node: Node,
    private readonly shapes: Map<number, Shape>,
    private readonly earlier: Shapes,
  ) {}

  /** The shape of a tree's node, with those of the tree and those of the one that it was made from. */
  static of(node: Node, shapes: Map<number, Shape>, earlier: Shapes = new Map()): Shape {
    const there = shapes.get(node.id) ?? earlier.get(node.id);
    if (there) return there;
    const shape = new Shape(node, shapes, earlier);
    shapes.set(node.id, shape);
    return shape;
  }

  get type(): string {
    return (this.knownType ??= this.node.type);
  }

  /** In characters. */
  get length(): number {
    return (this.knownLength ??= this.node.endIndex - this.node.startIndex);
  }

  get isNamed(): boolean {
    return (this.knownNamed ??= this.node.isNamed);
  }

  get isMissing(): boolean {
    return this.node.isMissing;
  }

  get isError(): boolean {
    return this.node.isError;
  }

  get hasError(): boolean {
    return this.node.hasError;
  }

  get children(): readonly (Inside | undefined)[] {
    return (this.knownChildren ??= this.node.children.map((child) => this.inside(child)));
  }

  get namedChildren(): readonly (Inside | undefined)[] {
    return (this.knownNamedChildren ??= this.node.namedChildren.map((child) => this.inside(child)));
  }

  field(name: string): Inside | undefined {
    if (!this.fields.has(name)) this.fields.set(name, this.inside(this.node.childForFieldName(name)));
    return this.fields.get(name);
  }

  private inside(node: Node | null): Inside | undefined {
    return node
      ? { shape: Shape.of(node, this.shapes, this.earlier), offset: node.startIndex - this.node.startIndex }
      : undefined;
  }
}

/** A node of a program: a shape at its place in the text. */
export class KnownNode implements SyntaxNode {
  private knownChildren: readonly (KnownNode | null)[] | undefined;
  private knownNamedChildren: readonly (KnownNode | null)[] | undefined;

  constructor(
    private readonly shape: Shape,
    private readonly source: SourceText,
    readonly startIndex: number,
    private readonly parent?: KnownNode,
  ) {}

  get type(): string {
    return this.shape.type;
  }

  get text(): string {
    return this.source.text.slice(this.startIndex, this.endIndex);
  }

  get endIndex(): number {
    return this.startIndex + this.shape.length;
  }

  get startPosition(): SyntaxNode['startPosition'] {
    return this.source.positionOf(this.startIndex);
  }

  get endPosition(): SyntaxNode['endPosition'] {
    return this.source.positionOf(this.endIndex);
  }

  get isNamed(): boolean {
    return this.shape.isNamed;
  }

  get isMissing(): boolean {
    return this.shape.isMissing;
  }

  get isError(): boolean {
    return this.shape.isError;
  }

  get hasError(): boolean {
    return this.shape.hasError;
  }

  /** Of a node that has a name itself; of others it is not asked. */
  get nextNamedSibling(): SyntaxNode | null {
    const siblings = this.parent?.namedChildren ?? [];
    const own = siblings.findIndex((node) => node?.shape === this.shape);
    return (own >= 0 && siblings[own + 1]) || null;
  }

  get children(): readonly (KnownNode | null)[] {
    return (this.knownChildren ??= this.shape.children.map((inside) => this.nodeOf(inside)));
  }

  get namedChildren(): readonly (KnownNode | null)[] {
    return (this.knownNamedChildren ??= this.shape.namedChildren.map((inside) => this.nodeOf(inside)));
  }

  childForFieldName(name: string): SyntaxNode | null {
    return this.nodeOf(this.shape.field(name));
  }

  private nodeOf(inside: Inside | undefined): KnownNode | null {
    return inside ? new KnownNode(inside.shape, this.source, this.startIndex + inside.offset, this) : null;
  }
}
