import fc from 'fast-check';
import { expect, test } from 'vitest';
import { emptyExercise } from '@/core/course/new-exercise';
import { applyChanges, presentOf, type Change } from '@/core/worksheet/change';
import type { Edit, News } from '@/core/messages/sheet';
import type { Sheet } from '@/core/worksheet/sheet';
import { changed, heard, notSent, recovered, sent, startOf, type SyncState } from './sync';

/** The server as far as writers know it: it makes what nobody has overtaken, one message after the other. */
class Server {
  sheet: Sheet = {
    ...emptyExercise('test', 'Test', 'learner-5v'),
    lines: ['a', 'b', 'c'].map((id) => ({ id, text: `${id}0`, refs: [] })),
  };
  readonly log: Edit[] = [];

  get version(): number {
    return this.log.length;
  }

  since(version: number): readonly Edit[] {
    return this.log.slice(version);
  }

  take(author: string, base: number, changes: readonly Change[]): News {
    const edits = this.since(base);
    const { sheet, made, overtaken } = applyChanges(this.sheet, changes);
    this.sheet = sheet;
    const lost = overtaken.map((change) => ({ change, present: presentOf(sheet, change), by: 'other' }));
    if (made.length > 0)
      this.log.push({ version: this.version + 1, author, authorId: author, at: '', changes: [...made] });
    return { version: this.version, edits, overtaken: lost };
  }
}

/** A browser with its place in the talk: what is on its way, and what was answered and not heard yet. */
class Writer {
  state: SyncState;
  /** Every text that it wrote, and those that it read and wrote over. */
  readonly written: string[] = [];
  readonly replaced: unknown[] = [];
  /** The texts of its clashes, which it was shown. */
  readonly shown: unknown[] = [];
  private letters = 0;

  constructor(
    readonly name: string,
    private readonly server: Server,
  ) {
    this.state = startOf(server.sheet, server.version);
  }

  write(line: string, deed: 'write' | 'remove' | 'insert'): void {
    this.letters += 1;
    const text = `${this.name}${this.letters}`;
    const lines = this.state.sheet.lines;
    const id = deed === 'insert' ? `${this.name}-${this.letters}` : line;
    const was = lines.find((one) => one.id === id)?.text ?? null;
    if (deed !== 'insert' && was === null) return;
    const at = lines.findIndex((one) => one.id === line);
    const after = (deed === 'insert' ? lines[at] : lines[at - 1])?.id ?? null;
    const change: Change = { type: 'line', id, was, is: deed === 'remove' ? null : text, after };
    this.make(change);
  }

  retitle(): void {
    this.letters += 1;
    const was = this.state.sheet.title;
    this.make({ type: 'field', field: 'title', was, is: `${this.name}${this.letters}` });
  }

  private make(change: Change): void {
    if (change.is !== null) this.written.push(String(change.is));
    this.replaced.push(change.was);
    this.state = changed(this.state, [change], 'joins');
  }

  private hear(news: News): void {
    this.state = heard(this.state, news);
    this.shown.push(...(news.overtaken ?? []).map(({ change }) => change.is));
  }

  /** Sends what waits; the answer comes, or is lost on the way there or on the way back. */
  send(fate: 'arrives' | 'lost there' | 'lost back'): void {
    if (this.state.unsent.length === 0) return;
    const { version, unsent } = this.state;
    this.state = sent(this.state);
    if (fate === 'lost there') this.state = notSent(this.state);
    else {
      const news = this.server.take(this.name, version, unsent);
      if (fate === 'arrives') this.hear(news);
      else this.state = notSent(this.state);
    }
  }

  ask(): void {
    const edits = this.server.since(this.state.version);
    this.hear({ version: this.server.version, edits });
  }

  /** The page is loaded anew: the sheet of the server, and what waited in the browser. */
  reload(): void {
    const { unsent } = this.state;
    this.state = startOf(this.server.sheet, this.server.version);
    this.state = recovered(this.state, unsent);
  }
}

const step = fc.record({
  who: fc.constantFrom(0, 1),
  line: fc.constantFrom('a', 'b', 'c'),
  deed: fc.constantFrom(
    'write',
    'write',
    'insert',
    'remove',
    'title',
    'send',
    'send',
    'lost there',
    'lost back',
    'ask',
    'reload',
  ),
});

test('two writers come to the same sheet, whatever is delayed, lost or loaded anew, and nothing written is lost unseen', () => {
  fc.assert(
    fc.property(fc.array(step, { maxLength: 40 }), (steps) => {
      const server = new Server();
      const writers = ['m', 't'].map((name) => new Writer(name, server));
      for (const { who, line, deed } of steps) {
        const writer = writers[who]!;
        if (deed === 'write' || deed === 'insert' || deed === 'remove') writer.write(line, deed);
        else if (deed === 'title') writer.retitle();
        else if (deed === 'ask') writer.ask();
        else if (deed === 'reload') writer.reload();
        else writer.send(deed === 'send' ? 'arrives' : deed);
      }
      for (const writer of [...writers, ...writers]) {
        writer.send('arrives');
        writer.ask();
      }
      const seen = ({ lines, title }: Sheet): unknown => [title, lines.map(({ id, text }) => [id, text])];
      for (const { state } of writers) {
        expect(state.unsent).toEqual([]);
        expect(seen(state.sheet)).toEqual(seen(server.sheet));
      }
      const accounted = new Set([
        ...writers.flatMap(({ replaced, shown }) => [...replaced, ...shown]),
        ...server.sheet.lines.map(({ text }) => text),
        server.sheet.title,
      ]);
      expect(writers.flatMap(({ written }) => written).filter((text) => !accounted.has(text))).toEqual([]);
    }),
    { numRuns: 12_000 },
  );
});
