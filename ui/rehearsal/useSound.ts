'use client';

import { useEffect } from 'react';
import type { Playing } from './useRehearsal';

/** Loudness of one tone, 0 to 1: soft, in a room with many tablets. */
const SOFT = 0.04;
/** Seconds within which a tone comes and goes, so that it does not click. */
const FADE = 0.01;

/** Lets what sounds in the first run be heard while the run goes on. */
export function useSound(rehearsal: Playing, isOn: boolean): void {
  useEffect(() => {
    if (!isOn) return undefined;
    const audio = new AudioContext();
    const voices = new Map<string, { readonly tone: OscillatorNode; readonly loudness: GainNode }>();
    const voiceOf = (ref: string) => {
      let voice = voices.get(ref);
      if (!voice) {
        const [tone, loudness] = [audio.createOscillator(), audio.createGain()];
        tone.type = 'triangle';
        loudness.gain.value = 0;
        tone.connect(loudness).connect(audio.destination);
        tone.start();
        voice = { tone, loudness };
        voices.set(ref, voice);
      }
      return voice;
    };
    const end = rehearsal.subscribe(({ play, runs }) => {
      const replay = runs?.runs[0]?.replay;
      for (const [ref, hertz] of replay?.soundsAt(play.at) ?? []) {
        const { tone, loudness } = voiceOf(ref);
        const isHeard = play.going === 'on' && hertz > 0;
        if (isHeard) tone.frequency.setTargetAtTime(hertz, audio.currentTime, FADE);
        loudness.gain.setTargetAtTime(isHeard ? SOFT : 0, audio.currentTime, FADE);
      }
    });
    return () => {
      end();
      void audio.close();
    };
  }, [rehearsal, isOn]);
}
