import { isBoard, type BoardProfile } from '@/core/boards';
import type { BudgetLine } from '@/core/plan/budget';
import { RESISTOR_RATING_MW, type LedFigures } from '@/core/plan/worksheet';
import { figure } from '@/core/units';
import { Figure, IntervalBar } from '../design/Figure';
import { refsText } from './refs';
import { useWorksheet } from './useWorksheet';
import { capital } from '@/core/words/words';

/** What the values come to: each LED's current and brightness, and what is used of the board's limits. */
export function Values({ board }: { readonly board: BoardProfile }) {
  const { recommendedMa } = board.drive;
  const figures = useWorksheet((state) => state.readOut.figures);
  const problem = useWorksheet((state) => state.readOut.problem);
  if (!figures) return <p>{problem}</p>;
  const [hottest] = [...figures.resistors].sort((a, b) => b.powerMw - a.powerMw);
  const groups = alike(figures.leds);
  const limits = figures.budget.filter(({ share }) => share >= LEAST_SHARE);
  if (groups.length === 0 && limits.length === 0)
    return <p className="text-soft">Nothing draws any current yet.</p>;
  return (
    <>
      {groups.map((leds) => {
        const [led] = leds;
        return (
          <div key={led.ref} className="not-first:mt-3">
            <p>
              <Figure amount={figure(led.currentMa)} unit="mA" /> through {leds.length > 1 && 'each of '}
              <span className="mono">{refsText(leds.map(({ ref }) => ref))}</span>
              {led.lights > 1 && `, the brightest of its ${led.lights} lights`},{' '}
              {Math.round(led.brightness * 100)} % bright to the eye.
              {led.worstMa && ` Worst case ${figure(led.worstMa[0])} to ${figure(led.worstMa[1])} mA.`}
            </p>
            <IntervalBar
              value={led.currentMa}
              from={led.worstMa?.[0] ?? led.currentMa}
              to={led.worstMa?.[1] ?? led.currentMa}
              limit={recommendedMa}
              unit="mA"
              limitName={isBoard(board) ? 'pin' : 'LED'}
            />
          </div>
        );
      })}
      <Budget lines={limits} />
      {hottest && hottest.powerMw >= 0.1 && (
        <p className="mt-2 text-note text-soft">
          {hottest.ref} warms most: {figure(hottest.powerMw)} mW of {RESISTOR_RATING_MW}.
        </p>
      )}
    </>
  );
}

/** LEDs of one sort with the same figures, together. */
function alike(leds: readonly LedFigures[]): readonly (readonly [LedFigures, ...LedFigures[]])[] {
  const groups = new Map<string, [LedFigures, ...LedFigures[]]>();
  for (const led of leds) {
    const key = [led.title, figure(led.currentMa), led.worstMa?.map(figure).join()].join('|');
    const group = groups.get(key);
    if (group) group.push(led);
    else groups.set(key, [led]);
  }
  return [...groups.values()];
}

/** Share of a limit below which it is not worth a line. */
const LEAST_SHARE = 0.01;

/** How much of the board's limits is used, the first to break on top. */
function Budget({ lines }: { readonly lines: readonly BudgetLine[] }) {
  const [busiest] = lines.filter(({ scope }) => scope === 'pin');
  const shown = lines.filter((line) => line.scope !== 'pin' || line === busiest).slice(0, 5);
  const [first] = shown;
  if (!first) return null;
  return (
    <div className="mt-4">
      <table className="w-full text-note">
        <caption className="pb-1 text-left text-body font-semibold">
          What is used of the board, everything on
        </caption>
        <thead className="sr-only">
          <tr>
            <th>Limit</th>
            <th>Share</th>
            <th>Used</th>
          </tr>
        </thead>
        <tbody>
          {shown.map((line) => (
            <tr key={line.what}>
              <th scope="row" className="w-26 py-0.5 text-left font-normal">
                {line.what}
              </th>
              <td className="px-2">
                <Bar line={line} />
              </td>
              <td className="w-56 text-right whitespace-nowrap">
                <Figure amount={figure(line.currentMa)} unit="mA" /> of {figure(line.limitMa)}
                {line.worstMa !== undefined && (
                  <span className="text-soft">, at most {figure(line.worstMa)}</span>
                )}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="mt-1 text-note text-soft">
        {first.share > 1
          ? `${capital(first.what)} is over its limit.`
          : `If everything grew equally, ${first.what} would pass its limit first, at ${figure(1 / first.share)} times this.`}
      </p>
    </div>
  );
}

function Bar({ line }: { readonly line: BudgetLine }) {
  const share = (amountMa: number): string => `${Math.min(100, (100 * amountMa) / line.limitMa)}%`;
  const isOver = line.share > 1;
  return (
    <div className="relative h-3 border border-rule-strong bg-card" aria-hidden="true">
      {line.worstMa !== undefined && (
        <span className="absolute inset-y-0 left-0 bg-signal/25" style={{ width: share(line.worstMa) }} />
      )}
      <span
        className={`absolute inset-y-0 left-0 ${isOver ? 'bg-fault' : 'bg-signal'}`}
        style={{ width: share(line.currentMa) }}
      />
    </div>
  );
}
