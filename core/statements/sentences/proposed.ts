import { findKind, type Observed, type StimulusKind } from '../../parts';
import { lightsIn, onlyTouched, showsFigures, type Named } from './plain';

/** Sentences that are proposed at once. */
const MOST = 4;

/** What could be said of a circuit, as somebody would say it, the likeliest first; nothing where nothing is seen of its parts. */
export function proposedSentences(parts: readonly Named[]): readonly string[] {
  const touched = (how: StimulusKind): string | undefined =>
    parts.find(({ kind }) => findKind(kind)?.stimulus === how && findKind(kind)?.contact !== 'latching')?.ref;
  const observed = (what: Observed): string | undefined =>
    parts.find(({ kind }) => {
      const known = findKind(kind);
      return known?.observed === what && !showsFigures(known);
    })?.ref;
  const lights = lightsIn(parts);
  const [light, second, third] = lights;
  const [sound, servo, motor, text] = (['sound', 'angle', 'turning', 'text'] as const).map(observed);
  const figures = parts.find(({ kind }) => {
    const known = findKind(kind);
    return known !== undefined && showsFigures(known);
  })?.ref;
  const does = light ? `${light} is on` : sound ? `${sound} sounds` : motor ? `${motor} turns` : undefined;
  const follower = servo ?? light ?? motor;
  const [button, knob] = [touched('press'), touched('turn')];
  const proposed: readonly (string | false | undefined)[] = [
    button &&
      (light ?? sound) &&
      `pressing ${button} lights ${light ?? sound}`.replace(/lights (?=Z)/, 'starts '),
    knob && follower && `${follower} follows ${knob}`,
    onlyTouched('light', parts) && does && `${does} when it is dark`,
    onlyTouched('warm', parts) && does && `${does} when it is warmer than 25 °C`,
    onlyTouched('distance', parts) && does && `${does} when something is closer than 20 cm`,
    onlyTouched('motion', parts) && does && `${does} when something moves`,
    third && `${lights.slice(0, 3).join(', then ')}, over and over`,
    second && !third && `exactly one of ${light} and ${second} is on`,
    light && `${light} lit 0.5 s, dark 0.5 s`,
    sound && `${sound} beeps twice`,
    servo && `${servo} sweeps from 0° to 180° and back`,
    motor && !does?.startsWith(motor) && `${motor} turns`,
    figures && `${figures} counts from 0 to 9`,
    text && `${text} shows “Ready”`,
  ];
  return proposed.flatMap((sentence) => sentence || []).slice(0, MOST);
}
