import type { LineExplanation } from '@/core/generated/explain';
import { useTold } from '../words/Words';

interface ExplainedProps {
  readonly source: string;
  readonly explanation: readonly LineExplanation[];
}

/** The program with what each line does written under it. */
export function Explained({ source, explanation: given }: ExplainedProps) {
  const explanation = useTold(given);
  const says = new Map(explanation.map((one) => [one.line, one.says]));
  const lines = source.replace(/\s+$/, '').split('\n');
  return (
    <details className="mt-2">
      <summary className="cursor-pointer text-note">
        <span className="border-b border-rule-strong">The program explained line by line</span>
      </summary>
      <ol className="mt-2 border border-rule bg-card py-2" aria-label="The program explained line by line">
        {lines.map((line, index) => {
          const sentence = says.get(index + 1);
          return (
            <li key={index} className={`flex ${sentence ? 'pb-1.5' : ''}`}>
              <span className="mono w-9 shrink-0 pr-3 text-right text-note text-soft select-none">
                {index + 1}
              </span>
              <div className="min-w-0 flex-1 pr-3">
                <code
                  className={`mono block text-note whitespace-pre-wrap ${sentence ? 'font-semibold' : 'text-soft'}`}
                >
                  {line || ' '}
                </code>
                {sentence && (
                  <div className="mono text-note" style={{ paddingLeft: `${indentOf(line)}ch` }}>
                    <p className="font-text text-body">{sentence}</p>
                  </div>
                )}
              </div>
            </li>
          );
        })}
      </ol>
    </details>
  );
}

/** Letters by which a line is moved in; its words stand under it. */
const indentOf = (line: string): number => Math.min(MOST_INDENT, /^[ \t]*/.exec(line)![0].length);
const MOST_INDENT = 12;
