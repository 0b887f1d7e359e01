'use client';

import { useRef, type KeyboardEvent } from 'react';
import { useStore } from 'zustand';
import { kindOf } from '@/core/parts';
import { capital } from '@/core/words/words';
import { Keys } from '../design/Button';
import { useWords } from '../words/Words';
import { handId, type Hand } from './useHands';
import type { Playing } from './useRehearsal';

interface HandListProps {
  readonly rehearsal: Playing;
  readonly hands: readonly Hand[];
}

/** Everything that can be done to the parts, for who uses keys or does not see the drawing. */
export function HandList({ rehearsal, hands }: HandListProps) {
  if (hands.length === 0) return null;
  return (
    <ul aria-label="What you can do" className="flex flex-wrap items-center gap-x-4 gap-y-2">
      {hands.map((hand) => (
        <li key={hand.ref} className="flex items-center">
          {hand.how === 'press' || hand.how === 'motion' || hand.isLatching ? (
            <Held hand={hand} rehearsal={rehearsal} />
          ) : (
            <Brought hand={hand} rehearsal={rehearsal} />
          )}
        </li>
      ))}
    </ul>
  );
}

interface HandProps {
  readonly hand: Hand;
  readonly rehearsal: Playing;
}

/** Milliseconds for which something is held that is clicked by whoever neither has a pointer nor a key. */
const ONE_CLICK = 300;

function Held({ hand, rehearsal }: HandProps) {
  const words = useWords();
  const isOn = useStore(rehearsal, ({ play }) => hand.isOn(play.at));
  const isUsed = useRef(false);
  const key = (event: KeyboardEvent): boolean => event.key === ' ' || event.key === 'Enter';
  return (
    <button
      type="button"
      id={handId(hand.ref)}
      aria-pressed={isOn}
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId);
        isUsed.current = true;
        hand.down();
      }}
      onPointerUp={hand.up}
      onPointerCancel={hand.up}
      onKeyDown={(event) => {
        if (!key(event) || event.repeat) return;
        isUsed.current = true;
        hand.down();
      }}
      onKeyUp={(event) => {
        if (key(event)) hand.up();
      }}
      onClick={() => {
        if (!isUsed.current) {
          hand.down();
          setTimeout(hand.up, ONE_CLICK);
        }
        isUsed.current = false;
      }}
      className="inline-flex min-h-11 touch-none items-center gap-2 rounded-edge border border-rule-strong bg-card px-3 font-semibold select-none hover:border-ink aria-pressed:border-ink aria-pressed:bg-ink aria-pressed:text-card"
    >
      <span className="mono">{hand.ref}</span>
      {words(`${isOn ? onWords[hand.how] : offWords(hand)}`)}
      {hand.key && <Keys>{hand.key}</Keys>}
    </button>
  );
}

const onWords: Readonly<Record<string, string>> = { press: 'held', motion: 'moving', turn: 'switched over' };
const offWords = ({ how, isLatching }: Hand): string =>
  isLatching ? 'switch over' : how === 'motion' ? 'move before it' : 'hold';

const aims: Readonly<Record<string, string>> = {
  turn: 'turned',
  light: 'light on it',
  warm: 'how warm',
  distance: 'how far away',
};

function Brought({ hand, rehearsal }: HandProps) {
  const words = useWords();
  const share = useStore(rehearsal, ({ play }) => hand.share(play.at));
  const title = words(kindOf(hand.kind).title);
  return (
    <label className="flex min-h-11 items-center gap-2">
      <span className="mono font-semibold">{hand.ref}</span>
      <span className="text-note text-soft">{aims[hand.how]}</span>
      <input
        id={handId(hand.ref)}
        type="range"
        min={0}
        max={1}
        step={0.02}
        value={Math.round(share * 50) / 50}
        aria-label={`${capital(title)} ${hand.ref}, ${aims[hand.how]}`}
        aria-valuetext={`${Math.round(share * 100)} %`}
        onChange={({ target }) => hand.bring(Number(target.value))}
        className="h-11 w-32 accent-[var(--ink)]"
      />
      <span className="mono w-12 text-note whitespace-nowrap">{Math.round(share * 100)} %</span>
      {hand.key && <Keys>{hand.key}</Keys>}
    </label>
  );
}
