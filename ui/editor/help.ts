import {
  autocompletion,
  completionKeymap,
  type CompletionContext,
  type CompletionResult,
} from '@codemirror/autocomplete';
import { forEachDiagnostic, forceLinting, linter, lintKeymap, type Diagnostic } from '@codemirror/lint';
import { StateEffect, StateField, type EditorState, type Extension } from '@codemirror/state';
import {
  Decoration,
  EditorView,
  hoverTooltip,
  keymap,
  MatchDecorator,
  showTooltip,
  ViewPlugin,
  type Tooltip,
} from '@codemirror/view';
import type { BoardProfile } from '@/core/boards';
import type { Language, ProgramProblem } from '@/core/program';
import { completionsAt, wordAt, wordsOf, type Word, type WordSort } from '@/core/program/vocabulary';
import type { LookedOver, LookOver } from '@/workers/web/messages';
import { programWorker } from '../connection/workers';

/** Milliseconds of rest after which mistakes are shown: nobody is corrected in the middle of a word. */
const REST = 1200;

/** What is offered while a program is typed, what its words mean, and where it would not be taken. */
export function help(board: BoardProfile, language: Language): Extension {
  return [
    autocompletion({
      override: [(context) => offered(context, board, language)],
      icons: false,
      maxRenderedOptions: 8,
    }),
    hoverTooltip((view, place) => explained(view.state, place, board, language), { hoverTime: 500 }),
    asked,
    knownWords(board, language),
    mistakes(board, language),
    keymap.of([
      { key: 'Mod-.', run: repairHere },
      { key: 'F1', run: (view) => askHere(view, board, language) },
      ...completionKeymap,
      ...lintKeymap,
    ]),
    look,
  ];
}

const ranks: Readonly<Record<WordSort, number>> = {
  own: 3,
  function: 2,
  constant: 1,
  module: 1,
  type: 0,
  keyword: 0,
};

function offered(
  context: CompletionContext,
  board: BoardProfile,
  language: Language,
): CompletionResult | null {
  const found = completionsAt(context.state.doc.toString(), context.pos, board, language);
  if (!found) return null;
  return {
    from: found.from,
    options: found.words.map((word) => ({
      label: word.name,
      detail: word.form.startsWith(word.name) ? word.form.slice(word.name.length) : '',
      info: word.says,
      boost: ranks[word.sort],
    })),
    validFor: /^[#\w]*$/,
  };
}

function cardOf({ form, says }: Word): HTMLElement {
  const card = document.createElement('div');
  card.className = 'cm-word';
  const [head, sentence] = [document.createElement('code'), document.createElement('p')];
  head.textContent = form;
  sentence.textContent = says;
  card.append(head, sentence);
  return card;
}

function explained(
  state: EditorState,
  place: number,
  board: BoardProfile,
  language: Language,
): Tooltip | null {
  const found = wordAt(state.doc.toString(), place, board, language);
  return (
    (found && {
      pos: found.from,
      end: found.to,
      above: true,
      create: () => ({ dom: cardOf(found.word) }),
    }) ??
    null
  );
}

/** The card of a word that was asked for by a key, until the caret goes on. */
const setAsked = StateEffect.define<Tooltip | null>();
const asked = StateField.define<Tooltip | null>({
  create: () => null,
  update: (tooltip, transaction) => {
    for (const effect of transaction.effects) if (effect.is(setAsked)) return effect.value;
    return transaction.docChanged || transaction.selection ? null : tooltip;
  },
  provide: (field) => showTooltip.from(field),
});

/** Says what the word at the caret does; whether there is something to be said of it. */
export function askHere(view: EditorView, board: BoardProfile, language: Language): boolean {
  const tooltip = explained(view.state, view.state.selection.main.head, board, language);
  view.dispatch({ effects: setAsked.of(tooltip) });
  return tooltip !== null;
}

/** Sets the words of the library and the board apart while they are typed: one that is not has a letter wrong. */
function knownWords(board: BoardProfile, language: Language): Extension {
  const names = new Set(
    wordsOf(board, language)
      .filter(({ sort }) => sort === 'function' || sort === 'constant' || sort === 'module')
      .flatMap(({ name }) => name.split('.')),
  );
  const known = Decoration.mark({ class: 'cm-known' });
  const matcher = new MatchDecorator({
    regexp: /[A-Za-z_]\w*/g,
    decorate: (add, from, to, [name]) => {
      if (names.has(name)) add(from, to, known);
    },
  });
  return ViewPlugin.define(
    (view) => ({
      decorations: matcher.createDeco(view),
      update(update) {
        this.decorations = matcher.updateDeco(update, this.decorations);
      },
    }),
    { decorations: ({ decorations }) => decorations },
  );
}

/** Marks of what a compiler would not take, each with its repair, looked for beside the page when the typing rests. */
function mistakes(board: BoardProfile, language: Language): Extension {
  let worker: Worker | undefined;
  let seq = 0;
  // A program that is only shown needs no compiler beside it, which is much to load.
  let isAtWork = false;
  const lookOver = (source: string): Promise<readonly ProgramProblem[]> =>
    new Promise((resolve) => {
      worker ??= programWorker();
      seq += 1;
      const mine = seq;
      const one = worker;
      const hear = ({ data }: MessageEvent<LookedOver>): void => {
        if (data.seq !== mine) return;
        one.removeEventListener('message', hear);
        resolve(data.problems);
      };
      one.addEventListener('message', hear);
      one.addEventListener('error', () => resolve([]), { once: true });
      one.postMessage({ seq: mine, source, board, language } satisfies LookOver);
    });
  return [
    linter(
      async ({ state, hasFocus }) => {
        const source = state.doc.toString();
        isAtWork ||= hasFocus;
        if (!isAtWork || source.trim() === '') return [];
        const problems = await lookOver(source);
        return problems.flatMap((problem) => diagnosticOf(problem, state));
      },
      {
        delay: REST,
        needsRefresh: ({ focusChanged }) => focusChanged && !isAtWork,
      },
    ),
    ViewPlugin.define(() => ({ destroy: () => worker?.terminate() })),
    EditorView.domEventHandlers({
      // Whoever leaves the editor is not in the middle of a word.
      blur: (_, view) => {
        forceLinting(view);
      },
    }),
  ];
}

const severities = { fault: 'error', risk: 'warning', advice: 'info' } as const;

function diagnosticOf(problem: ProgramProblem, { doc }: EditorState): readonly Diagnostic[] {
  if (problem.line < 1 || problem.line > doc.lines) return [];
  const line = doc.line(problem.line);
  // What is missing at the end of a line is marked at its last letter.
  const from = Math.max(line.from, Math.min(line.to - 1, line.from + problem.column - 1));
  const [word = ''] = /^\w+/.exec(doc.sliceString(from, line.to)) ?? [];
  const { repair } = problem;
  const edits = (repair?.edits ?? []).flatMap((edit) => ('replace' in edit ? [edit.replace] : []));
  return [
    {
      from,
      to: Math.min(line.to, from + Math.max(1, word.length)),
      severity: severities[problem.severity],
      message: problem.message,
      ...(repair && edits.length > 0
        ? {
            actions: [
              {
                name: repair.text,
                apply: (view) => {
                  view.dispatch({
                    changes: edits.flatMap((edit) => {
                      if (edit.line > view.state.doc.lines) return [];
                      const at = view.state.doc.line(edit.line).from + edit.column - 1;
                      return { from: at, to: at + edit.length, insert: edit.by };
                    }),
                  });
                  forceLinting(view);
                },
              },
            ],
          }
        : {}),
    },
  ];
}

/** Makes the repair of the first mistake in the line of the caret; whether there was one. */
export function repairHere(view: EditorView): boolean {
  const { doc, selection } = view.state;
  const line = doc.lineAt(selection.main.head);
  let isDone = false;
  forEachDiagnostic(view.state, (diagnostic, from, to) => {
    const [action] = diagnostic.actions ?? [];
    if (isDone || !action || from < line.from || from > line.to) return;
    isDone = true;
    action.apply(view, from, to);
  });
  return isDone;
}

const look = EditorView.theme({
  '.cm-tooltip': {
    backgroundColor: 'var(--card)',
    color: 'var(--ink)',
    border: '1px solid var(--ink)',
    borderRadius: '0',
    fontSize: '14px',
  },
  '.cm-tooltip.cm-tooltip-autocomplete > ul': { fontFamily: 'var(--font-mono)', maxHeight: '14em' },
  '.cm-tooltip.cm-tooltip-autocomplete > ul > li': { padding: '5px 10px', minHeight: '28px' },
  '.cm-tooltip-autocomplete ul li[aria-selected]': {
    backgroundColor: 'var(--ink)',
    color: 'var(--card)',
  },
  '.cm-completionDetail': { fontStyle: 'normal', opacity: '0.75', marginLeft: '0.3em' },
  '.cm-completionMatchedText': { textDecoration: 'none', fontWeight: '700' },
  '.cm-completionInfo': { maxWidth: '20rem', padding: '6px 10px', fontFamily: 'var(--font-text)' },
  '.cm-known': { textDecoration: 'underline solid var(--rule-strong)', textUnderlineOffset: '4px' },
  '.cm-word': { maxWidth: '24rem', padding: '6px 10px' },
  '.cm-word code': { fontWeight: '700' },
  '.cm-diagnostic': {
    borderLeft: '4px solid var(--fault)',
    padding: '6px 10px',
    maxWidth: '30rem',
    fontFamily: 'var(--font-text)',
  },
  '.cm-diagnostic-warning': { borderLeftColor: 'var(--risk)' },
  '.cm-diagnostic-info': { borderLeftColor: 'var(--rule-strong)' },
  '.cm-diagnosticAction': {
    display: 'block',
    margin: '6px 0 0',
    padding: '6px 10px',
    backgroundColor: 'var(--ink)',
    color: 'var(--card)',
    borderRadius: '0',
    minHeight: '36px',
  },
  '.cm-lintRange-error': {
    backgroundImage: 'none',
    textDecoration: 'underline wavy var(--fault)',
    textDecorationSkipInk: 'none',
  },
  '.cm-lintRange-warning': {
    backgroundImage: 'none',
    textDecoration: 'underline dashed var(--risk)',
  },
  '.cm-lintRange-info': { backgroundImage: 'none', textDecoration: 'underline dotted var(--soft)' },
});
