import { Pencil } from 'lucide-react';
import { useState } from 'react';
import type { LineExplanation } from '@/core/generated/explain';
import { Button } from '../design/Button';
import { useTold } from '../words/Words';

interface ExplainedProps {
  readonly source: string;
  readonly explanation: readonly LineExplanation[];
  /** Says a line in other words, or as usual when they are empty; nobody but an author does. */
  readonly onSay?: ((line: number, says: string) => void) | undefined;
}

/** The program with what each line does written under it, in the author's words where there are any. */
export function Explained({ source, explanation: given, onSay }: ExplainedProps) {
  const explanation = useTold(given);
  const says = new Map(explanation.map((one) => [one.line, one.says]));
  const lines = source.replace(/\s+$/, '').split('\n');
  return (
    <details className="mt-2">
      <summary className="cursor-pointer text-note">
        <span className="border-b border-rule-strong">The program explained line by line</span>
      </summary>
      <ol className="mt-2 border border-rule bg-card py-2" aria-label="The program explained line by line">
        {lines.map((line, index) => (
          <Line
            key={`${index} ${line}`}
            number={index + 1}
            line={line}
            says={says.get(index + 1)}
            onSay={line.trim() === '' ? undefined : onSay}
          />
        ))}
      </ol>
    </details>
  );
}

interface LineProps {
  readonly number: number;
  readonly line: string;
  readonly says: string | undefined;
  readonly onSay: ExplainedProps['onSay'];
}

function Line({ number, line, says, onSay }: LineProps) {
  const [written, setWritten] = useState<string>();
  const keep = (): void => {
    if (written !== undefined && written.trim() !== (says ?? '')) onSay?.(number, written);
    setWritten(undefined);
  };
  return (
    <li className={`group flex ${says ? 'pb-1.5' : ''}`}>
      <span className="mono w-9 shrink-0 pr-3 text-right text-note text-soft select-none">{number}</span>
      <div className="min-w-0 flex-1 pr-3">
        <code className={`mono block text-note whitespace-pre-wrap ${says ? 'font-semibold' : 'text-soft'}`}>
          {line || ' '}
        </code>
        {written !== undefined ? (
          <textarea
            // Whoever asks for it wants to write.
            ref={(field) => field?.focus()}
            aria-label={`What line ${number} does, in your words`}
            rows={2}
            maxLength={600}
            value={written}
            placeholder="Empty: as usual"
            onChange={({ target }) => setWritten(target.value)}
            onBlur={keep}
            onKeyDown={(event) => {
              if (event.key === 'Enter' && !event.shiftKey) {
                event.preventDefault();
                keep();
              }
              if (event.key === 'Escape') setWritten(undefined);
            }}
            className="w-full border border-rule-strong bg-paper px-2 py-1 placeholder:text-soft"
          />
        ) : (
          says && (
            <div className="mono text-note" style={{ paddingLeft: `${indentOf(line)}ch` }}>
              <p className="font-text text-body">{says}</p>
            </div>
          )
        )}
      </div>
      {onSay && written === undefined && (
        <Button
          look="tool"
          size="small"
          aria-label={`Say line ${number} in your words`}
          className="self-start"
          onClick={() => setWritten(says ?? '')}
        >
          <Pencil size={14} aria-hidden="true" />
        </Button>
      )}
    </li>
  );
}

/** Letters by which a line is moved in; its words stand under it. */
const indentOf = (line: string): number => Math.min(MOST_INDENT, /^[ \t]*/.exec(line)![0].length);
const MOST_INDENT = 12;
