'use client';

import { Download, Upload } from 'lucide-react';
import { Dialog } from 'radix-ui';
import { useState } from 'react';
import { prepareBench } from '@/core/electrics/bench';
import { Circuit } from '@/core/wiring/circuit';
import { drawBench } from '@/core/drawing/bench';
import { writeSvg } from '@/core/drawing/svg';
import { boardsOf } from '@/core/formats/exercise';
import { titleOf, writeSpice } from '@/core/formats/spice';
import { problemText } from '@/core/result';
import { readWiring } from '@/core/wiring/read';
import type { Wiring } from '@/core/wiring/wiring';
import type { Sheet } from '@/core/worksheet/sheet';
import { Button } from '../design/Button';
import { Problem } from '../design/Problem';
import { useWorksheet, useWorksheetAround } from './useWorksheet';

const NO_WIRING: Wiring = { breadboards: [], parts: [] };

/** Hands a text over as a file. */
function save(name: string, text: string, type: string): void {
  const address = URL.createObjectURL(new Blob([text], { type }));
  const link = document.createElement('a');
  link.href = address;
  link.download = name;
  link.click();
  URL.revokeObjectURL(address);
}

interface FileKind {
  readonly label: string;
  readonly ending: string;
  readonly type: string;
  readonly write: (sheet: Sheet, wiring: Wiring) => string;
}

const exerciseFile: FileKind = {
  label: 'Exercise',
  ending: 'json',
  type: 'application/json',
  write: (sheet) => `${JSON.stringify(sheet, null, 2)}\n`,
};
const layoutFiles: readonly FileKind[] = [
  { label: 'Wiring table', ending: 'csv', type: 'text/csv', write: (sheet) => sheet.layout ?? '' },
  {
    label: 'Drawing',
    ending: 'svg',
    type: 'image/svg+xml',
    write: (sheet, wiring) => writeSvg(drawBench(wiring, { crop: 'used' }), sheet.title),
  },
  {
    label: 'Circuit netlist',
    ending: 'cir',
    type: 'text/plain',
    write: (_, wiring) => writeSpice(prepareBench(new Circuit(wiring)), new Map(), titleOf(wiring)),
  },
];

/** The exercise as files, and a wiring table back in. */
export function Exchange() {
  const hasLayout = useWorksheet((state) => state.derived.wiring !== undefined);
  const mayEdit = useWorksheet((state) => state.given.mayEdit);
  const { getState } = useWorksheetAround();
  const files = hasLayout ? [exerciseFile, ...layoutFiles] : [exerciseFile];
  const hand = ({ ending, type, write }: FileKind): void => {
    const { sync, derived } = getState();
    const { sheet } = sync;
    const { wiring = NO_WIRING } = derived;
    save(`${sheet.id}.${ending}`, write(sheet, wiring), type);
  };
  return (
    <div className="mt-2 flex flex-wrap items-center gap-1.5">
      {files.map((file) => (
        <Button key={file.label} onClick={() => hand(file)}>
          <Download size={15} aria-hidden="true" /> {file.label}
        </Button>
      ))}
      {mayEdit && <TakeTable />}
    </div>
  );
}

function TakeTable() {
  const { dispatch, getState } = useWorksheetAround();
  const [isOpen, setOpen] = useState(false);
  const [text, setText] = useState('');
  const [problem, setProblem] = useState<string>();
  const take = (): void => {
    const read = readWiring(text, { boards: boardsOf(getState().sync.sheet) });
    if (read.ok) dispatch({ type: 'take table', wiring: read.value });
    const { refusal } = getState();
    const trouble = read.ok
      ? refusal?.at === 'table'
        ? refusal.message
        : undefined
      : problemText(read.problems[0]!);
    setProblem(trouble);
    if (trouble === undefined) {
      setOpen(false);
      setText('');
    }
  };
  return (
    <Dialog.Root open={isOpen} onOpenChange={setOpen}>
      <Dialog.Trigger asChild>
        <Button>
          <Upload size={15} aria-hidden="true" /> Import a wiring table
        </Button>
      </Dialog.Trigger>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-30 bg-ink/40" />
        <Dialog.Content className="fixed top-[10vh] left-1/2 z-40 w-[min(44rem,94vw)] -translate-x-1/2 border border-ink bg-card p-5">
          <Dialog.Title className="text-lead">Import a wiring table</Dialog.Title>
          <Dialog.Description className="mt-1 text-soft">
            Paste rows of <span className="mono">ref, kind, value, leg, at</span>, also from a spreadsheet.
            Its circuit and its places replace those of this exercise; undo brings them back.
          </Dialog.Description>
          <textarea
            aria-label="Wiring table"
            value={text}
            onChange={(event) => setText(event.target.value)}
            rows={12}
            spellCheck={false}
            className="mono mt-3 w-full border border-rule-strong bg-paper p-2 text-note"
          />
          <label className="text-note underline decoration-rule-strong underline-offset-3">
            or choose a file
            <input
              type="file"
              accept=".csv,text/csv,text/plain"
              className="sr-only"
              onChange={(event) => void event.target.files?.[0]?.text().then(setText)}
            />
          </label>
          <Problem className="mt-2">{problem}</Problem>
          <div className="mt-3 flex gap-2">
            <Button look="main" disabled={text.trim() === ''} onClick={take}>
              Take it
            </Button>
            <Dialog.Close asChild>
              <Button look="quiet">Leave it</Button>
            </Dialog.Close>
          </div>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
