import { notSupported, type ProgramProblem } from './problem';
import { spanOf, type SyntaxNode } from './syntax';
import { namesIn } from './unread';

/** Gathers the problems of a program while its tree is read, and keeps the reading from going too deep. */
export class ProblemLog {
  readonly problems: ProgramProblem[] = [];
  /** What of the program is not read, since it is not supported. */
  readonly unread: SyntaxNode[] = [];
  private depth = 0;

  /** `deepest`: nesting of statements and expressions that is followed. */
  constructor(private readonly deepest: number) {}

  report(problem: ProgramProblem): void {
    this.problems.push(problem);
  }

  /**
   * Says that something is not supported, once: not of what has all its names, or that of its member, from a thing of
   * which it was said.
   */
  unsupported(what: string, node: SyntaxNode): void {
    const isMember = /\.\s*\w+$/.test(node.text);
    const names = namesIn(node.text).slice(isMember ? -1 : 0);
    const isTold =
      names.length > 0 && this.unread.some(({ text }) => names.every((name) => namesIn(text).includes(name)));
    this.unread.push(node);
    if (!isTold) this.report(notSupported(what, spanOf(node)));
  }

  /** Whether a name stands in something that is not read, and so may be declared there. */
  isInUnread(name: string): boolean {
    return this.unread.some(({ text }) => namesIn(text).includes(name));
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
