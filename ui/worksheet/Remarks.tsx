import type { Remark } from '@/core/worksheet/read-out';
import { useTold, useWords } from '../words/Words';
import { useRested } from './useRested';
import { useDispatch } from './useWorksheet';

const looks: Readonly<Record<Remark['severity'], string>> = {
  fault: 'border-fault text-fault',
  risk: 'border-risk text-risk',
  advice: 'border-rule-strong text-soft',
};

/** What the checker says of the reference itself. */
export function Remarks() {
  const { remarks: found, figures } = useRested();
  const dispatch = useDispatch();
  const remarks = useTold(found);
  const say = useWords();
  if (!figures || figures.connections.length === 0) return null;
  if (!remarks) return <p className="mb-2 text-soft">Checking it …</p>;
  if (remarks.length === 0)
    return (
      <p className="mb-2">
        The circuit was checked with every button and switch in every position: nothing to report.
      </p>
    );
  return (
    <ul className="mb-3">
      {remarks.map((remark) => (
        <li
          key={`${remark.code} ${remark.message}`}
          onMouseEnter={() => dispatch({ type: 'point at', refs: remark.refs })}
          onMouseLeave={() => dispatch({ type: 'point at', refs: [] })}
          className={`border-l-4 py-1 pl-3 ${looks[remark.severity]}`}
        >
          <strong>{say(remark.title)}.</strong> <span className="text-ink">{remark.message}</span>
        </li>
      ))}
    </ul>
  );
}
