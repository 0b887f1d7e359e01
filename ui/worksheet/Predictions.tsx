import type { NumberQuestion } from '@/core/generated/questions';

/** Numbers to change: said first what will happen, then tried. The answer is from running the changed program. */
export function Predictions({ questions }: { readonly questions: readonly NumberQuestion[] }) {
  return (
    <ul>
      {questions.map(({ ask, answer }) => (
        <li key={ask} className="mb-1">
          <details>
            <summary>{ask}</summary>
            <ul className="mt-1 mb-2 ml-5">
              {answer.map((line) => (
                <li key={line} className="text-note">
                  {line}.
                </li>
              ))}
            </ul>
          </details>
        </li>
      ))}
    </ul>
  );
}
