import { Clock } from '../design/Clock';
import { Link } from '../shell/Link';

export interface TrailProps {
  readonly lines: readonly {
    readonly id: string;
    readonly at: string;
    readonly actor: string;
    readonly did: string;
    readonly subject: string;
    readonly detail: string;
  }[];
  /** Where the lines before these are; nothing when these are the first. */
  readonly older: string | undefined;
}

/** Who did what to whom, newest first. */
export function Trail({ lines, older }: TrailProps) {
  return (
    <div className="px-6 py-5">
      <p className="max-w-[56ch] text-soft">
        What was done to accounts, classes and learners, by whom. Nothing in it was written by a learner;
        whoever has been erased stands here as a number.
      </p>
      <div className="mt-3 overflow-x-auto">
        <table className="w-full min-w-[44rem]">
          <thead className="text-left text-note text-soft">
            <tr>
              <th className="w-36 py-1.5 font-normal">when</th>
              <th className="font-normal">who</th>
              <th className="font-normal">did what</th>
              <th className="font-normal">to whom or what</th>
            </tr>
          </thead>
          <tbody>
            {lines.map(({ id, at, actor, did, subject, detail }) => (
              <tr key={id} className="border-t border-rule align-baseline">
                <td className="py-1.5">
                  <Clock at={at} />
                </td>
                <td className="break-words">{actor}</td>
                <td className="pr-3">{did}</td>
                <td className="break-words">
                  {subject === actor ? '' : subject}{' '}
                  <span className="mono text-note text-soft">{detail}</span>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      {older !== undefined && (
        <p className="mt-3">
          <Link href={older} className="inline-flex min-h-9 items-center underline">
            What was before
          </Link>
        </p>
      )}
    </div>
  );
}
