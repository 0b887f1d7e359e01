import type { Expectation, SingleExpectation, Stimulus } from './scenario';

/** A stimulus as a sentence: `press S1 at 2 s for 0.3 s`. `readStimulus` reads it again. */
export function stimulusSentence(stimulus: Stimulus): string {
  const at = `at ${stimulus.at} s`;
  if ('serial' in stimulus) {
    const line = stimulus.serial.endsWith('\n');
    return `type “${line ? stimulus.serial.slice(0, -1) : stimulus.serial}”${line ? ' and return' : ''} ${at}`;
  }
  const lasting = 'for' in stimulus && stimulus.for !== undefined ? ` for ${stimulus.for} s` : '';
  if ('press' in stimulus) return `press ${stimulus.press} ${at}${lasting}`;
  if ('motion' in stimulus) return `something moves before ${stimulus.motion} ${at}${lasting}`;
  if ('reset' in stimulus) return `press the board's reset ${at}`;
  if ('supply' in stimulus) return `supply ${stimulus.supply} ${at}`;
  const over = stimulus.over === undefined ? '' : ` over ${stimulus.over} s`;
  if ('turn' in stimulus) return `turn ${stimulus.turn} to ${stimulus.to} ${at}${over}`;
  if ('light' in stimulus) return `light on ${stimulus.light} to ${stimulus.to} ${at}${over}`;
  if ('warm' in stimulus) return `warm ${stimulus.warm} to ${stimulus.to} °C ${at}${over}`;
  return `something ${stimulus.to} m before ${stimulus.distance} ${at}${over}`;
}

/** An expectation as a sentence: `D1 lit 0.5 s, dark 2.5 s, over and over`. `readExpectation` reads it again. */
export function expectationSentence(expectation: Expectation): string {
  if ('one-of' in expectation) {
    const { from, variety, over } = expectation;
    const since = from === undefined ? '' : `, from ${from} s`;
    return `one of (${expectation['one-of'].map(expectationSentence).join('; ')}), ${variety} different ones in ${over} runs${since}`;
  }
  const { from } = expectation;
  const to = 'responds' in expectation ? undefined : expectation.to;
  const range =
    from === undefined && to === undefined
      ? ''
      : ` from ${from ?? 0} s${to === undefined ? '' : ` to ${to} s`}`;
  const tolerance =
    'responds' in expectation || expectation.tolerance === undefined
      ? ''
      : `, give or take ${Math.round(expectation.tolerance * 100)}\u00a0%`;
  return `${core(expectation)}${range}${tolerance}`;
}

function core(expectation: SingleExpectation): string {
  if ('responds' in expectation) {
    const then = expectation.then === 'changed' ? 'changes' : `goes ${expectation.then}`;
    return `${expectation.responds} ${then} within ${expectation.within} s of ${expectation.to}`;
  }
  if ('lamp' in expectation) return ofLamp(expectation);
  if ('never-together' in expectation)
    return `${expectation['never-together'].join(' and ')} never lit together`;
  if ('order' in expectation) return `${expectation.order.join(', then ')} in turn`;
  if ('servo' in expectation) return `${expectation.servo} stands at ${expectation.angle}°`;
  if ('buzzer' in expectation)
    return 'tone' in expectation
      ? `${expectation.buzzer} sounds at ${expectation.tone} Hz`
      : `${expectation.buzzer} ${expectation.is === 'on' ? 'sounds' : 'is silent'} all the time`;
  if ('panel' in expectation) return `${expectation.panel} shows ${expectation.picture.join('/')}`;
  if ('display' in expectation)
    return `${expectation.display} reads ${expectation.text.map((line) => `“${line}”`).join(' / ')}`;
  return `the serial text ${expectation.serial} “${expectation.text}”`;
}

function ofLamp(expectation: Extract<SingleExpectation, { lamp: string }>): string {
  const { lamp } = expectation;
  if ('is' in expectation) return `${lamp} is ${expectation.is} all the time`;
  if ('rhythm' in expectation)
    return `${lamp} ${expectation.rhythm.map((time, index) => `${index % 2 === 0 ? 'lit' : 'dark'} ${time} s`).join(', ')}, over and over`;
  if ('flashes' in expectation)
    return `${lamp} flashes ${expectation.flashes === 1 ? 'once' : `${expectation.flashes} times`}`;
  if ('brightness' in expectation) {
    const [least, most] = expectation.brightness.map((share) => Math.round(share * 100));
    return `${lamp} between ${least} and ${most} % bright`;
  }
  if ('colour' in expectation) return `${lamp} is ${expectation.colour}`;
  return `${lamp} gets ${'rises' in expectation ? 'brighter' : 'darker'}`;
}
