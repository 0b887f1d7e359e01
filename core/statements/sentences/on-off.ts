import { findKind } from '../../parts';
import type { Named } from './plain';

/** Whether words say that something is on or off. */
export function stateOf(words: string): 'on' | 'off' | undefined {
  const said = words.trim().toLowerCase();
  const denied = /^(?:(is|are) (?:not|never)|(?:does|do) not|never)(?: (.+))?$/.exec(said);
  if (denied) {
    const of = stateOf(`${denied[1] ? 'is ' : ''}${denied[2] ?? ''}`);
    return of && (of === 'on' ? 'off' : 'on');
  }
  if (
    /^(?:is |stays? |remains? |be |keeps? )?(?:on|lit|shining|burning|pulled in|closed|sounding|turning|running)$/.test(
      said,
    ) ||
    /^(?:(?:turns?|goe?s?|comes?|clicks?|switch(?:es)?|is switched|is turned) on|lights?(?: up)?|shines?|burns?|glows?|sounds?|turns?|moves?|runs?|starts?|closes?|pulls? in|picks up|energi[sz]es|is energi[sz]ed)$/.test(
      said,
    )
  )
    return 'on';
  if (
    /^(?:is |stays? |remains? |be |keeps? )?(?:off|dark|out|silent|quiet|still|let go|open)$/.test(said) ||
    /^(?:(?:turns?|goe?s?|clicks?|falls?|becomes?|gets?|switch(?:es)?|is switched|is turned) (?:off|out|dark|quiet|silent|still)|(?:stands?|stays?|comes?) (?:still|to (?:a )?(?:rest|stop|standstill))|rests?|pauses?|stops?|opens?|lets? go|drops? out|is released|is de-?energi[sz]ed|does nothing)$/.test(
      said,
    )
  )
    return 'off';
  return undefined;
}

/** What is observed of a part over time; `undefined` of one that is not known. */
export const observedOf = (name: string, parts: readonly Named[]): string | undefined => {
  const part = parts.find(({ ref }) => ref === name.toUpperCase());
  return part && findKind(part.kind)?.observed;
};

/** That something is on or off, in the words of its part. */
export function stated(
  name: string,
  state: 'on' | 'off',
  { parts }: { readonly parts: readonly Named[] },
): string {
  const words: Readonly<Record<string, readonly [on: string, off: string]>> = {
    sound: ['sounds', 'is silent'],
    click: ['is pulled in', 'is let go'],
    turning: ['turns', 'stands still'],
  };
  const [on, off] = words[observedOf(name, parts) ?? ''] ?? ['is on', 'is off'];
  return `${name} ${state === 'on' ? on : off}`;
}
