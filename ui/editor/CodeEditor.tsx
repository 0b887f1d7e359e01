'use client';

import { defaultKeymap, history, historyKeymap } from '@codemirror/commands';
import { cpp } from '@codemirror/lang-cpp';
import { python } from '@codemirror/lang-python';
import { bracketMatching, HighlightStyle, indentUnit, syntaxHighlighting } from '@codemirror/language';
import { Annotation, Compartment, EditorState, RangeSetBuilder, type Extension } from '@codemirror/state';
import { Decoration, drawSelection, EditorView, keymap, lineNumbers } from '@codemirror/view';
import { tags } from '@lezer/highlight';
import { useEffect, useEffectEvent, useRef, useState } from 'react';
import type { Stretch } from '@/core/formats/gaps';
import type { Language } from '@/core/program';
import { useNonce } from '../shell/NonceProvider';
import { Button, Keys } from '../design/Button';
import { askHere, help, repairHere } from './help';
import type { ProgramEditorProps } from './props';

/** Marks what was put into the editor, which nobody typed: telling of it again would be a change of its own. */
const fromOutside = Annotation.define<boolean>();

const look = EditorView.theme({
  '&': { height: '100%', fontSize: '15px', backgroundColor: 'var(--card)' },
  '&.cm-focused': { outline: '3px solid var(--focus)', outlineOffset: '-3px' },
  '.cm-scroller': { fontFamily: 'var(--font-mono)', fontFeatureSettings: '"zero"', lineHeight: '1.6' },
  '.cm-content': { caretColor: 'var(--ink)', color: 'var(--ink)', padding: '10px 0' },
  '.cm-gutters': {
    backgroundColor: 'var(--paper)',
    color: 'var(--soft)',
    borderRight: '1px solid var(--rule)',
  },
  '.cm-cursor': { borderLeftColor: 'var(--ink)', borderLeftWidth: '2px' },
  '&.cm-focused .cm-selectionBackground, .cm-selectionBackground': {
    backgroundColor: 'var(--wash) !important',
  },
  '.cm-marked': { backgroundColor: 'var(--fault-wash)', boxShadow: 'inset 4px 0 0 var(--fault)' },
  '.cm-gap': { backgroundColor: 'var(--wash)', outline: '2px dashed var(--ink)', outlineOffset: '-1px' },
  '.cm-matchingBracket': { backgroundColor: 'var(--wash)', outline: '1px solid var(--rule-strong)' },
});

/** Quiet colours: shape and weight carry the difference, as on paper. */
const ink = HighlightStyle.define([
  { tag: [tags.keyword, tags.controlKeyword, tags.typeName, tags.modifier], fontWeight: '700' },
  { tag: [tags.comment, tags.lineComment, tags.blockComment], color: 'var(--soft)', fontStyle: 'italic' },
  { tag: [tags.number, tags.bool], color: 'var(--signal)' },
  { tag: [tags.string, tags.character], color: 'var(--sense)' },
]);

/** How each language is coloured and indented. */
const dialects: Readonly<Record<Language, () => readonly Extension[]>> = {
  cpp: () => [indentUnit.of('  '), cpp()],
  python: () => [indentUnit.of('    '), python()],
};

/** The editor itself, with all that it needs to read, colour and help: half of what a page weighs. */
export default function CodeEditor({
  source,
  language,
  board,
  onChange,
  marked,
  gaps,
  label = 'Your program',
}: ProgramEditorProps) {
  const nonce = useNonce();
  const host = useRef<HTMLDivElement>(null);
  const view = useRef<EditorView>(undefined);
  const [marks] = useState(() => new Compartment());
  const [open] = useState(() => new Compartment());
  const [said, setSaid] = useState('');
  const report = useEffectEvent(onChange);
  const first = useEffectEvent(() => source);
  const markHere = (editor: EditorView): boolean => markSelected(editor, gaps?.onMark);
  const markByKey = useEffectEvent(markHere);

  useEffect(() => {
    if (!host.current) return undefined;
    const made = new EditorView({
      parent: host.current,
      state: EditorState.create({
        doc: first(),
        extensions: [
          lineNumbers(),
          history(),
          drawSelection(),
          bracketMatching(),
          ...dialects[language](),
          help(board, language),
          syntaxHighlighting(ink),
          look,
          marks.of([]),
          open.of([]),
          keymap.of([{ key: 'Ctrl-g', run: (editor) => markByKey(editor) }]),
          keymap.of([...defaultKeymap, ...historyKeymap]),
          EditorView.cspNonce.of(nonce),
          EditorView.contentAttributes.of({
            'aria-label': label,
            autocapitalize: 'off',
            spellcheck: 'false',
          }),
          EditorView.updateListener.of((update) => {
            // Spaces pasted from a slide are often of the kind that no compiler takes.
            const isWritten = update.transactions.some(
              (one) => one.docChanged && one.annotation(fromOutside) !== true,
            );
            if (isWritten) report(update.state.doc.toString().replace(/\u00a0/g, ' '));
          }),
        ],
      }),
    });
    // What scrolls can be scrolled by the keys as well.
    made.scrollDOM.tabIndex = 0;
    view.current = made;
    return () => {
      made.destroy();
      view.current = undefined;
    };
  }, [nonce, marks, open, label, language, board]);

  // A draft that arrives from the tablet, or an undo, replaces what is shown.
  useEffect(() => {
    const editor = view.current;
    if (!editor) return;
    const shown = editor.state.doc.toString();
    if (shown !== source)
      editor.dispatch({
        changes: { from: 0, to: shown.length, insert: source },
        annotations: fromOutside.of(true),
      });
  }, [source]);

  useEffect(() => {
    const editor = view.current;
    if (!editor) return;
    const builder = new RangeSetBuilder<Decoration>();
    for (const line of [...marked].sort((a, b) => a - b))
      if (line >= 1 && line <= editor.state.doc.lines) {
        const { from } = editor.state.doc.line(line);
        builder.add(from, from, Decoration.line({ class: 'cm-marked' }));
      }
    editor.dispatch({ effects: marks.reconfigure(EditorView.decorations.of(builder.finish())) });
  }, [marked, marks, source]);

  const places = gaps?.places;
  useEffect(() => {
    const editor = view.current;
    if (!editor || !places) return;
    const { length } = editor.state.doc;
    const shown = places
      .filter(({ to }) => to <= length)
      .map(({ from, to }) => Decoration.mark({ class: 'cm-gap' }).range(from, to));
    editor.dispatch({ effects: open.reconfigure(EditorView.decorations.of(Decoration.set(shown))) });
  }, [places, open, source]);

  /** What a key does too, for who has none: the caret is where it was. */
  const act = (command: (editor: EditorView) => boolean, otherwise: string): void => {
    const editor = view.current;
    if (!editor) return;
    editor.focus();
    setSaid(command(editor) ? '' : otherwise);
  };
  return (
    <div className="flex h-full min-h-64 flex-col">
      <div ref={host} className="min-h-0 flex-1" />
      <div className="flex flex-wrap items-center gap-x-2 border-t border-rule px-2">
        <Button
          look="tool"
          size="small"
          className="min-h-10"
          onClick={() =>
            act(
              (editor) => askHere(editor, board, language),
              'Put the caret into a word of the language first.',
            )
          }
        >
          What does this word do?
          <Keys>F1</Keys>
        </Button>
        <Button
          look="tool"
          size="small"
          className="min-h-10"
          onClick={() => act(repairHere, 'Put the caret into a line with a mark first.')}
        >
          Mend this line
          <Keys>Ctrl .</Keys>
        </Button>
        {gaps && (
          <Button
            look="tool"
            size="small"
            className="min-h-10"
            onClick={() => act(markHere, 'Select what learners are to fill in first.')}
          >
            Gap
            <Keys>Ctrl G</Keys>
          </Button>
        )}
        <span role="status" className="text-note text-soft">
          {said}
        </span>
      </div>
    </div>
  );
}

/** Tells what is selected, and lays the selection down; `false` where nothing is. */
function markSelected(editor: EditorView, tell: ((marked: Stretch) => void) | undefined): boolean {
  const { from, to } = editor.state.selection.main;
  if (!tell || from === to) return false;
  tell({ from, to });
  editor.dispatch({ selection: { anchor: to } });
  return true;
}
