import type { Decision } from '@/core/messages/decision';
import { plainNumber } from '@/core/units';
import { Clock } from '../design/Clock';

/** What an instructor has written and decided of a hand-in, last first; nothing when they have not. */
export function FromInstructor({ decisions }: { readonly decisions: readonly Decision[] }) {
  if (decisions.length === 0) return null;
  return (
    <section aria-label="From your instructor" className="border-b border-ink bg-wash px-5 py-3">
      <ul className="grid gap-2">
        {decisions.toReversed().map((decision) => (
          <li key={decision.id} className="max-w-[60ch]">
            <span className="font-semibold">{inWords(decision)}</span>{' '}
            <span className="text-note text-soft">
              {decision.by}, <Clock at={decision.at} />
            </span>
            {decision.remark !== '' && <p className="text-bench whitespace-pre-line">{decision.remark}</p>}
          </li>
        ))}
      </ul>
    </section>
  );
}

/** A decision as its learner is told of it. */
function inWords({ outcome, marks, reason }: Decision): string {
  if (marks !== null) return `Your marks are ${plainNumber(marks)}: ${reason}`;
  if (outcome === 'returned') return 'Sent back for another try.';
  return outcome === 'accepted' ? 'Accepted.' : 'A remark.';
}
