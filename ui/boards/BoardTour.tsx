'use client';

import { useMemo, useState } from 'react';
import type { BoardPin, BoardProfile, BoardSocket } from '@/core/boards';
import { figure } from '@/core/units';
import { Button } from '../design/Button';
import { BoardFigure } from '../drawing/BoardFigure';

interface BoardTourProps {
  readonly profile: BoardProfile;
  readonly isOwn: boolean;
  /** Copies the board, or changes one's own; `undefined` for those who may not. */
  readonly onEdit: (() => void) | undefined;
}

const abilities = [
  ['pwm', 'can dim (PWM)'],
  ['analog', 'measures voltage'],
  ['interrupt', 'interrupts the program'],
  ['serial', 'talks to the computer'],
  ['bus-data', 'bus, data'],
  ['bus-clock', 'bus, clock'],
] as const;

/** A board from its sockets to its LEDs: what there is, where, and what it means. */
export function BoardTour({ profile, isOwn, onEdit }: BoardTourProps) {
  const [ability, setAbility] = useState<string>();
  const [chosen, setChosen] = useState<string>();
  const marked = useMemo(
    () =>
      new Set([
        ...(chosen === undefined ? [] : [chosen]),
        ...profile.pins
          .filter(({ functions }) => (functions as readonly string[]).includes(ability ?? ''))
          .map(({ name }) => name),
      ]),
    [profile, chosen, ability],
  );
  const { drive, input, supplies, pins, landmarks, bringUp } = profile;
  return (
    <div className="pb-10">
      <header className="flex flex-wrap items-baseline gap-x-4 gap-y-2 px-6 pt-5">
        <h2 className="text-title">{profile.title}</h2>
        {onEdit && (
          <Button onClick={onEdit} className="ml-auto">
            {isOwn ? 'Change it' : 'Copy it and change the copy'}
          </Button>
        )}
      </header>
      <div className="grid grid-cols-1 gap-x-4 lg:grid-cols-[21rem_minmax(0,1fr)]">
        <section aria-label="As it lies on the desk" className="px-6 pt-4">
          <BoardFigure board={profile} marked={marked} onChoose={setChosen} className="max-w-96" />
          <p className="mt-2 min-h-12" role="status">
            {chosen === undefined ? (
              <span className="text-soft">Its main plug points up. Tap a socket to see what it is for.</span>
            ) : (
              <>
                <strong className="mono">{chosen}</strong>: {socketWords(profile, chosen)}
              </>
            )}
          </p>
        </section>
        <div>
          <section aria-label="Pins" className="px-6 py-4">
            <h3 className="font-text text-body font-semibold">Pins</h3>
            <div className="mt-1 flex flex-wrap gap-1.5">
              {abilities
                .filter(([id]) => pins.some((pin) => pin.functions.includes(id)))
                .map(([id, words]) => (
                  <button
                    key={id}
                    type="button"
                    aria-pressed={ability === id}
                    onClick={() => setAbility(ability === id ? undefined : id)}
                    className="border border-rule-strong px-2 py-0.5 text-note aria-pressed:border-ink aria-pressed:bg-ink aria-pressed:text-card"
                  >
                    {words}
                  </button>
                ))}
            </div>
            <ul className="mt-3 grid grid-cols-[repeat(auto-fill,minmax(9.5rem,1fr))] border-t border-l border-rule">
              {pins.map((pin) => {
                const has = ability === undefined || (pin.functions as readonly string[]).includes(ability);
                return (
                  <li
                    key={pin.name}
                    className={`border-r border-b border-rule px-2 py-1 ${ability === undefined ? '' : has ? 'bg-card shadow-[inset_4px_0_0_var(--signal)]' : 'text-soft'}`}
                  >
                    <strong className="mono">{pin.name}</strong>
                    <span className="block text-note text-soft">{pinWords(profile, pin)}</span>
                  </li>
                );
              })}
            </ul>
          </section>
          <section aria-label="Sockets for power" className="border-t border-rule px-6 py-4">
            <h3 className="font-text text-body font-semibold">Sockets for power</h3>
            <ul className="mt-1">
              {supplies.map((socket) => (
                <li key={socket.name} className="flex items-baseline gap-3 py-0.5">
                  <strong className="mono w-12">{socket.name}</strong>
                  <span>
                    {powerWords(socket)}
                    <span className="text-note text-soft">
                      , {socket.sockets} socket{socket.sockets === 1 ? '' : 's'}
                    </span>
                  </span>
                </li>
              ))}
            </ul>
            <p className="mt-2 text-note text-soft">
              A pin should give {figure(drive.recommendedMa)} mA and stands {figure(drive.absoluteMa)} mA; all
              together {figure(drive.totalMa)} mA. Below {figure(input.lowBelowVolts)} V is read as low, above{' '}
              {figure(input.highAboveVolts)} V as high. The pull-up inside is about{' '}
              {figure(input.pullUpOhms / 1e3)} kΩ.
            </p>
          </section>
        </div>
      </div>
      <section aria-label="What to find on it" className="border-t border-rule px-6 py-4">
        <h3 className="font-text text-body font-semibold">What to find on it, its main plug pointing up</h3>
        <dl className="mt-1 grid grid-cols-1 gap-x-6 gap-y-2 md:grid-cols-2">
          {landmarks.map((landmark) => (
            <div key={landmark.name} className="border-t border-rule pt-1.5">
              <dt>
                <strong>{landmark.name}</strong> <span className="text-note text-soft">{landmark.kind}</span>
              </dt>
              <dd>
                {landmark.where}. {landmark.means}
                {landmark.patterns.map(({ shows, means }) => (
                  <span key={shows} className="block text-note">
                    <span className="font-semibold">{shows}:</span> {means}
                  </span>
                ))}
              </dd>
            </div>
          ))}
        </dl>
      </section>
      <section aria-label="Bring-up" className="border-t border-rule px-6 py-4">
        <h3 className="font-text text-body font-semibold">How a program gets on it</h3>
        <p>{bringUp.upload}</p>
        <p className="text-note text-soft">{bringUp.packages.join(' ')}</p>
        {bringUp.harmlessMessages.length > 0 && (
          <p className="text-note text-soft">Messages you can ignore: {bringUp.harmlessMessages.join(' ')}</p>
        )}
      </section>
    </div>
  );
}

/** What a pin can do, in a few words. */
function pinWords({ onBoard }: BoardProfile, pin: BoardPin): string {
  const notes = [
    ...abilities.filter(([id]) => pin.functions.includes(id)).map(([, words]) => words),
    ...(onBoard.some((led) => led.pin === pin.name) ? ['LED of its own'] : []),
    ...(pin.reserved === 'serial' ? ['better left free'] : []),
    ...(pin.reserved === 'start-up' ? [`decides the start: ${pin.startLevel ?? 'leave it'}`] : []),
  ];
  return notes.join(', ') || 'plain digital';
}

function powerWords(socket: BoardSocket): string {
  switch (socket.role) {
    case 'ground':
      return 'ground, where every current comes home';
    case 'supply':
      return `gives ${figure(socket.volts)} V${socket.limitMa ? `, up to ${figure(socket.limitMa)} mA` : ''}`;
    case 'input':
      return `takes ${socket.volts.classRoom.join(' to ')} V from outside; more than ${figure(socket.volts.absolute[1])} V breaks it`;
  }
}

/** What a socket is for, whatever it is. */
function socketWords(profile: BoardProfile, name: string): string {
  const pin = profile.pins.find((one) => one.name === name);
  const power = profile.supplies.find((one) => one.name === name);
  return pin ? pinWords(profile, pin) : power ? powerWords(power) : 'not known';
}
