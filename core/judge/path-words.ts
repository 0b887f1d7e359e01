import type { PathStep } from '../electrics/paths';
import type { Ref } from '../brand';
import { kindOf } from '../parts';
import { findPart, shortNameOf, type Wiring } from '../wiring/wiring';
import { partTextOf, placeText, stripText } from '../wiring/words';

/** A step of a current's way as a sentence. */
export function stepText(step: PathStep, wiring: Wiring): string {
  switch (step.type) {
    case 'start':
      return `The current starts at ${placeText(step.at, wiring)}.`;
    case 'strip':
      return step.from.type === 'rail'
        ? `Along ${stripText(step.from, wiring)}, to ${shortNameOf(step.to)}.`
        : `Along ${stripText(step.from, wiring)}, from ${shortNameOf(step.from)} to ${shortNameOf(step.to)}.`;
    case 'wire':
      return `Through ${partTextOf(wiring, step.ref)} to ${placeText(step.to, wiring)}.`;
    case 'part':
      return `Through ${partTextOf(wiring, step.ref)}${step.from ? `, in at ${shortNameOf(step.from)}` : ''}${step.to ? `, out at ${shortNameOf(step.to)}` : ''}.`;
    case 'arrives':
      return `Back at the board: ${placeText(step.at, wiring)}. The circuit is complete.`;
    case 'stops':
      return step.because === 'nothing-there'
        ? `Here it stops${step.at ? `, at ${placeText(step.at, wiring)}` : ''}: nothing else is connected to it.`
        : `Here it stops: ${partTextOf(wiring, step.because.blockedBy)} ${blocks(wiring, step.because.blockedBy)}.`;
  }
}

function blocks(wiring: Wiring, ref: Ref): string {
  const part = findPart(wiring, ref);
  const kind = part && kindOf(part.kind);
  if (kind?.stimulus === 'press') return 'is open until somebody presses it';
  return `does not let it in through its ${kind?.legs[1]?.title ?? 'other leg'}`;
}
