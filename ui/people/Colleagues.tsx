'use client';

import { useState } from 'react';
import { Button } from '../design/Button';
import { Problem } from '../design/Problem';
import { Link } from '../shell/Link';
import type { PeopleActions } from './actions';
import { useAct } from './useAct';

/** Somebody who teaches here, as an owner sees them. */
export interface ColleagueLine {
  readonly id: string;
  readonly login: string;
  readonly name: string;
  readonly role: string;
  readonly hasLeft: boolean;
  readonly classes: readonly string[];
}

const ROLES: readonly (readonly [role: string, note: string])[] = [
  ['assistant', 'Helps in the room: sees hand-ins, gives slips.'],
  ['instructor', 'Prepares and publishes exercises, keeps classes.'],
  ['owner', 'Does all that, and keeps the accounts.'],
];

interface ColleaguesProps {
  readonly colleagues: readonly ColleagueLine[];
  readonly viewerId: string;
  readonly actions: PeopleActions;
}

/** Everybody with an account, what they are, and links that let others in. */
export function Colleagues({ colleagues, viewerId, actions }: ColleaguesProps) {
  const { act, problem, isBusy } = useAct();
  const [role, setRole] = useState('instructor');
  const [link, setLink] = useState<{ readonly address: string; readonly what: string }>();
  const ask = (
    work: () => Promise<{ readonly address: string } | { readonly message: string }>,
    what: string,
  ): void =>
    act(async () => {
      const made = await work();
      if ('message' in made) return made.message;
      setLink({ address: made.address, what });
      return undefined;
    });
  return (
    <section aria-labelledby="colleagues-title">
      <h2 id="colleagues-title" className="text-lead">
        Who teaches here
      </h2>
      <Problem className="mt-1">{problem}</Problem>
      <ul className="mt-1 border-t border-rule">
        {colleagues.map(({ id, login, name, role: is, hasLeft, classes }) => (
          <li key={id} className="border-b border-rule py-2.5">
            <p className={hasLeft ? 'text-soft' : ''}>
              <strong>{name}</strong> <span className="mono text-note text-soft">{login}</span>
              {id === viewerId && <span className="text-note text-soft"> · you</span>}
            </p>
            <p className="text-note text-soft">
              {hasLeft ? 'has left; cannot sign in' : classes.join(', ') || 'no class'}
            </p>
            <span className="mt-1 flex flex-wrap items-center gap-1">
              {!hasLeft && (
                <select
                  aria-label={`What ${name} is`}
                  value={is}
                  disabled={isBusy}
                  onChange={({ target }) => act(() => actions.changeColleague(id, { role: target.value }))}
                  className="min-h-8 border border-rule-strong bg-card px-1"
                >
                  {ROLES.map(([value]) => (
                    <option key={value}>{value}</option>
                  ))}
                </select>
              )}
              {!hasLeft && id !== viewerId && (
                <Button
                  look="tool"
                  size="small"
                  disabled={isBusy}
                  onClick={() => ask(() => actions.newPassword(id), `${name} sets a new password`)}
                >
                  New password
                </Button>
              )}
              {id !== viewerId && (
                <Button
                  look="tool"
                  size="small"
                  disabled={isBusy}
                  onClick={() =>
                    act(() => actions.changeColleague(id, { has: hasLeft ? 'come back' : 'left' }))
                  }
                >
                  {hasLeft ? 'Has come back' : 'Has left'}
                </Button>
              )}
            </span>
          </li>
        ))}
      </ul>
      <form
        aria-label="Invite a colleague"
        className="mt-4"
        onSubmit={(event) => {
          event.preventDefault();
          ask(() => actions.invite(role), `your colleague makes an account as ${role}`);
        }}
      >
        <label className="block font-semibold">
          Invite a colleague as
          <select
            value={role}
            onChange={({ target }) => setRole(target.value)}
            className="mt-1 block min-h-9 w-full border border-rule-strong bg-card px-2 font-normal"
          >
            {ROLES.map(([value]) => (
              <option key={value}>{value}</option>
            ))}
          </select>
        </label>
        <p className="mt-1 text-note text-soft">{ROLES.find(([value]) => value === role)?.[1]}</p>
        <Button type="submit" className="mt-2" disabled={isBusy}>
          Make a link
        </Button>
      </form>
      <div role="status">{link && <LinkOnce {...link} />}</div>
      <p className="mt-5 text-note">
        <Link href="/trail" className="inline-flex min-h-6 items-center underline">
          Who did what: the trail
        </Link>
      </p>
    </section>
  );
}

/** A link that is shown here and nowhere else. */
function LinkOnce({ address, what }: { readonly address: string; readonly what: string }) {
  const [isCopied, setCopied] = useState(false);
  return (
    <div className="mt-3 border-l-4 border-focus bg-wash p-3">
      <p>
        With this link {what}. It works once, for a week. Pass it on to nobody else; it is shown only here.
      </p>
      <p className="mono mt-1 text-note break-all select-all">{address}</p>
      <Button
        className="mt-2"
        onClick={() =>
          void navigator.clipboard.writeText(address).then(
            () => setCopied(true),
            () => setCopied(false),
          )
        }
      >
        {isCopied ? 'Copied' : 'Copy the link'}
      </Button>
    </div>
  );
}
