import { editDistance } from '../../../program/names';
import type { Form } from './form';
import { written, type Guess } from './guess';

const COST = 1.66;
/** Letters by which two texts may differ and be meant as one: a share of them, and so many at most. */
const [SHARE_OFF, MOST_OFF] = [0.25, 4];

/** Texts that only this program has, each as the exercise's own program spells one that is nearly the same. */
export function textsAsAsked(form: Form, asked: Form): readonly Guess[] {
  const [own, wanted] = [form, asked].map(({ tokens }) => tokens.filter(({ kind }) => kind === 'text'));
  const has = new Set(own!.map(({ text }) => text));
  const wants = new Set(wanted!.map(({ text }) => text));
  return own!
    .filter(({ text }) => !wants.has(text))
    .flatMap((token) =>
      [...wants]
        .filter((text) => {
          const most = Math.min(MOST_OFF, Math.max(1, Math.floor(text.length * SHARE_OFF)));
          return !has.has(text) && editDistance(token.text, text, most) <= most;
        })
        .map((text) => written(token, text, COST)),
    );
}
