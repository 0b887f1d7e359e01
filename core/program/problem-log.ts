import { notSupported, type ProgramProblem } from './problem';
import { spanOf, type SyntaxNode } from './syntax';

/** Gathers the problems of a program while its tree is read, and keeps the reading from going too deep. */
export class ProblemLog {
  readonly problems: ProgramProblem[] = [];
  private depth = 0;

  /** `deepest`: nesting of statements and expressions that is followed. */
  constructor(private readonly deepest: number) {}

  report(problem: ProgramProblem): void {
    this.problems.push(problem);
  }

  unsupported(what: string, node: SyntaxNode): void {
    this.report(notSupported(what, spanOf(node)));
  }

  /** Runs `read` one level deeper; `undefined` and a problem when that is too deep. */
  nested<T>(node: SyntaxNode, read: () => T): T | undefined {
    if (this.depth >= this.deepest) {
      this.unsupported('a nesting this deep', node);
      return undefined;
    }
    this.depth += 1;
    const value = read();
    this.depth -= 1;
    return value;
  }
}
