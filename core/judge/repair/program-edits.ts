import type { BoardProfile } from '../../boards';
import type { TextEdit } from '../../findings/finding';
import type { Program } from '../../program';
import { tokenize } from '../../program/cpp/tokens';
import type { Token } from '../../program/token';
import { applyTextEdit } from '../../program/problem';
import { howMany } from '../../words/words';
import type { Candidate } from './candidate';
import { askedNumbers } from './asked-numbers';
import { begunAnew } from './begun-anew';
import { chainsOf } from './chained-questions';
import { definitionsIn } from './definitions';
import { countingSteps } from './counting-steps';
import { endlessRounds } from './endless-rounds';
import { pythonCandidates, pythonPins } from './python-edits';
import { pinsSetUp } from './python-setup';
import { listEnds } from './list-ends';
import { listEntries } from './list-entries';
import { mappedEnds } from './mapped-ends';
import { momentsKept } from './moments-kept';
import { movedLines } from './moved-lines';
import { pressCandidates } from './press-edits';
import { negationsIn } from './negations';
import { onceAndOver } from './once-and-over';
import { oppositeSigns } from './opposite-signs';
import { othersOff } from './others-off';
import {
  exchangesOf,
  fitsItsCall,
  isCountedTo,
  nameOfPin,
  pinsEverywhere,
  pinsGiven,
} from './pins-in-programs';
import { pausesInUnits } from './pauses-in-units';
import { placesAsPins } from './places-as-pins';
import { programSpokenFor } from './program-guesses';
import { printedTexts } from './printed-texts';
import { exchangeText } from './exchange-text';
import { exchangedWords } from './exchanged-words';
import { forgetfulIn } from './forgetful-variables';
import { BREAK, inOtherUnits, STATIC } from './put-in';
import { readingsAnew } from './readings-anew';
import { refusedEdits } from './refused-edits';
import { referenceCandidates } from './reference-edits';
import { scaledNumbers } from './scaled-numbers';
import { scaledPrints } from './scaled-prints';
import {
  bodyStart,
  isAsked,
  isInLoopHead,
  isOfPinRead,
  listAround,
  listsIn,
  loopsAt,
  openCases,
} from './token-places';
import { turnedLevels } from './turned-levels';
import { callsOfUncalled } from './uncalled-functions';
import { switchesLeftOut } from './switches-left-out';
import { widenings } from './wide-numbers';
import { cost, type ProgramWishes } from './wishes';

/** Words that beginners exchange, each with what is tried instead. */
const exchanges: Readonly<Record<string, string>> = {
  HIGH: 'LOW',
  LOW: 'HIGH',
  INPUT: 'OUTPUT',
  INPUT_PULLUP: 'OUTPUT',
  true: 'false',
  false: 'true',
};
/** Milliseconds that nobody waits for to see something. */
const SOON = 20;
/** Numbers that stand for yes and no. */
const truths: Readonly<Record<string, string>> = { 0: '1', 1: '0' };

/** Every change of one token, and every line put in, that could matter. */
export function programCandidates(
  program: Program,
  board: BoardProfile,
  compile: (source: string) => Program,
  wishes: ProgramWishes,
): readonly Candidate[] {
  const makeAll = (edits: readonly TextEdit[], amount: number, text: string): Candidate => ({
    edits: edits.map((replace) => ({ replace })),
    cost: amount,
    text,
    domain: 'program',
    apply: (build) => ({
      ...build,
      program: compile(edits.reduce(applyTextEdit, build.program.source)),
    }),
  });
  const make = (edit: TextEdit, amount: number, text: string): Candidate => makeAll([edit], amount, text);
  const replace = (token: Token, by: string): TextEdit => ({
    line: token.line,
    column: token.column,
    length: token.text.length,
    by,
  });
  const write = (token: Token, by: string, amount: number): Candidate =>
    make(replace(token, by), amount, `Write ${by} instead of ${token.text} in line ${token.line}.`);
  const found: Candidate[] = [];
  for (const { repair } of program.problems) {
    const edits = (repair?.edits ?? []).flatMap((edit) => ('replace' in edit ? [edit.replace] : []));
    if (repair && edits.length > 0) found.push(makeAll(edits, cost.repair, repair.text));
  }
  const made = new Set(found.map(({ edits }) => resultOf(edits, program)));
  const asked = referenceCandidates(program.source, wishes.asked, program.language, make)
    .filter(({ edits }) => !made.has(resultOf(edits, program)))
    .map((candidate) => ({ ...candidate, isAsAsked: true }));
  const isPin = (word: string): boolean =>
    board.pins.some(
      ({ name, number }) => name === word || (String(number) === word && wishes.used.includes(number)),
    );
  const exchanged = exchangedWords(asked, program.source, isPin).map(([first, second]) => ({
    ...makeAll(
      // From the end, so that the place before stays what it is.
      [second, first].map(({ line, column, length, by }) => ({ line, column, length, by })),
      cost.asAsked,
      exchangeText(first.word, first.line, second.word, second.line),
    ),
    isAsAsked: true,
  }));
  const moved = movedLines(program.source, wishes.asked, program.language).map(
    ({ edit, line, beside, isBefore, spaces }) => ({
      ...make(
        edit,
        cost.asAskedButThis,
        `Move line ${line} ${isBefore ? 'before' : 'behind'} line ${beside}${setIn(spaces)}.`,
      ),
      isAsAsked: true,
    }),
  );
  found.push(...moved, ...exchanged, ...asked);
  for (const { edits, text, cost: amount, isOneOfMany } of refusedEdits(program, board, wishes))
    found.push({ ...makeAll(edits, amount, text), ...(isOneOfMany && { isOneOfMany }) });
  if (!program.compiled) return found;
  found.push(...callsOfUncalled(program).map(({ edit, text }) => make(edit, cost.insert, text)));
  found.push(...pressCandidates(program, wishes, makeAll));
  for (const { edit, text, endsLoop } of countingSteps(program.source, program.language))
    found.push(make(edit, endsLoop ? cost.repair : cost.insert, text));
  for (const { edit, text } of turnedLevels(program.source, program.language))
    found.push(make(edit, cost.insert, text));
  for (const { edits, text } of printedTexts(program.source, program.language, wishes.printed))
    found.push(makeAll(edits, cost.insert, text));
  if (wishes.isOver)
    for (const { edits, text } of endlessRounds(program.source, program.language))
      found.push(makeAll(edits, cost.word, text));
  for (const { edit, text } of begunAnew(program.source, program.language))
    found.push(make(edit, cost.again, text));
  if (program.language === 'cpp')
    for (const { edits, text } of onceAndOver(program.source)) found.push(makeAll(edits, cost.loop, text));
  for (const { edit, text } of scaledPrints(program.source, wishes.asked, program.language))
    found.push(make(edit, cost.insert, text));
  for (const { edits, text } of momentsKept(program.source, program.language, wishes.milliseconds))
    found.push(makeAll(edits, cost.again, text));
  const alone = (candidate: Candidate): Candidate => ({ ...candidate, isAlone: true });
  for (const { edits, text, cost: amount, told } of programSpokenFor(program, wishes))
    found.push(alone({ ...makeAll(edits, amount, text), ...(told && { told }) }));
  for (const { token, by } of listEntries(program.source, program.language))
    found.push(alone(write(token, by, cost.entry)));
  for (const { token, by } of askedNumbers(program.source, wishes.asked, program.language))
    found.push(alone(write(token, by, cost.askedNumber)));
  for (const { token, by } of scaledNumbers(program.source, program.language, wishes.timesTooSmall))
    found.push(alone(write(token, by, cost.scaled)));
  for (const { token, by } of pausesInUnits(program.source, program.language))
    found.push(alone(write(token, by, cost.units)));
  for (const { token, by } of listEnds(program.source, program.language))
    found.push(write(token, by, cost.number));
  const others = wishes.unlike.length > 0 ? othersOff(program.source, program.language) : undefined;
  if (others) found.push(makeAll(others.edits, cost.loop, others.text));
  found.push(
    ...negationsIn(program.source, program.language).map(({ edit, text, isUsual }) =>
      make(edit, isUsual ? cost.negation : cost.unusualNegation, text),
    ),
  );
  for (const line of wishes.onceLines)
    for (const { edits, text } of readingsAnew(program.source, program.language, line))
      found.push(makeAll(edits, cost.again, text));
  found.push(
    ...chainsOf(program.source, program.language).map(({ edits, text }) =>
      // What becomes one chain as a whole is likelier than a piece of it.
      makeAll(edits, cost.chain + 0.1 / edits.length, text),
    ),
  );
  if (program.language === 'python') {
    const pins = wishes.isWiredAsAsked ? pythonPins(program.source, board, wishes) : [];
    for (const { edits, text } of pinsSetUp(program.source)) found.push(makeAll(edits, cost.repair, text));
    return [
      ...found,
      ...pythonCandidates(program.source, board, wishes, make),
      ...exchangesOf(pins, makeAll, replace),
    ];
  }
  const { tokens } = tokenize(program.source);
  // Where all pins are used that the wiring needs, and no other one, it is less likely a pin that is wrong.
  const isEachUsed =
    wishes.pins.every((pin) => wishes.used.includes(pin)) &&
    wishes.used.every((pin) => wishes.pins.includes(pin));
  const ofPin = isEachUsed ? cost.pinOfAll : cost.pinNumber;
  tokens.forEach((token, index) => {
    const say = (by: string): string => `Write ${by} instead of ${token.text} in line ${token.line}.`;
    if (token.text === '=' && isAsked(tokens, index))
      found.push(make(replace(token, '=='), cost.word, say('==')));
    const exchange = exchanges[token.text];
    if (exchange !== undefined) found.push(make(replace(token, exchange), cost.word, say(exchange)));
    if (token.text === 'INPUT' || (token.text === 'OUTPUT' && isOfPinRead(tokens, index)))
      found.push(make(replace(token, 'INPUT_PULLUP'), cost.repair, say('INPUT_PULLUP')));
    const opposite = token.kind === 'punctuation' ? oppositeSigns[token.text] : undefined;
    if (opposite !== undefined && !isInLoopHead(tokens, index))
      found.push(make(replace(token, opposite), cost.word, say(opposite)));
    // A pin that a program calls by its name, such as A0.
    if (token.kind === 'word' && board.pins.some(({ name }) => name === token.text))
      for (const pin of board.pins)
        if (pin.name !== token.text && pin.number !== undefined && wishes.pins.includes(pin.number))
          found.push(make(replace(token, pin.name), ofPin, say(pin.name)));
    if (
      token.kind === 'word' &&
      tokens[index - 2]?.text === 'delay' &&
      tokens[index + 1]?.text === ')' &&
      wishes.milliseconds.length > 0
    ) {
      const by = inOtherUnits(token.text, false);
      found.push(make(replace(token, by), cost.units, say(by)));
    }
    if (token.kind !== 'number') return;
    const truth = truths[token.text];
    if (truth !== undefined) found.push(make(replace(token, truth), cost.number, say(truth)));
    const beside = listAround(tokens, index);
    // How many entries a list has, or which of them is meant, is no pin either.
    const isCount = isCountedTo(tokens, index) || tokens[index - 1]?.text === '[';
    for (const pin of isCount ? [] : wishes.pins)
      if (
        String(pin) !== token.text &&
        wishes.used.includes(Number(token.text)) &&
        // What is read is no pin of what is seen, and what is set is one.
        fitsItsCall(tokens, index, pin, wishes.seen) &&
        // A pin that is in the same list already would be there twice.
        !beside.some(({ text }) => text === String(pin))
      )
        found.push(make(replace(token, String(pin)), ofPin, say(String(pin))));
    for (const time of isCount && Number(token.text) < SOON ? [] : wishes.milliseconds)
      if (String(time) !== token.text)
        found.push(
          make(
            replace(token, String(time)),
            Number(token.text) < SOON ? cost.number + 0.5 : cost.number,
            say(String(time)),
          ),
        );
  });
  const defined = definitionsIn(program.source).map(({ value }) => value);
  for (const token of defined) {
    if (token.kind === 'word') {
      for (const pin of board.pins)
        if (pin.name !== token.text && pin.number !== undefined && wishes.pins.includes(pin.number))
          found.push(write(token, pin.name, ofPin));
      continue;
    }
    const number = Number(token.text);
    // Each name is that of another part: a pin that has one already is none for a second one.
    for (const pin of wishes.used.includes(number) ? wishes.pins : [])
      if (!wishes.used.includes(pin)) found.push(write(token, String(pin), cost.pinNumber));
    for (const time of number < SOON ? [] : wishes.milliseconds)
      if (time !== number) found.push(write(token, String(time), cost.number));
  }
  for (const { token, by } of [...placesAsPins(tokens), ...widenings(tokens, wishes.overflowingLines)])
    found.push(write(token, by, cost.repair));
  for (const { token, by } of mappedEnds(tokens, wishes.asked)) found.push(write(token, by, cost.number));
  found.push(...pinsEverywhere(tokens, board, wishes, makeAll, replace));
  const ofDefined = defined.filter(
    ({ kind, text }) => kind === 'number' && wishes.used.includes(Number(text)),
  );
  if (wishes.isWiredAsAsked)
    found.push(...exchangesOf([...pinsGiven(tokens, wishes), ...ofDefined], makeAll, replace));
  for (const end of openCases(tokens))
    found.push(
      make(
        { line: end.line, column: end.endColumn, length: 0, by: BREAK },
        cost.openCase,
        `Add break; at the end of line ${end.line}.`,
      ),
    );
  for (const list of listsIn(tokens)) {
    const [first, last] = [list[0]!, list.at(-1)!];
    if (first.line !== last.line) continue;
    const by = list
      .map(({ text }) => text)
      .reverse()
      .join(', ');
    const length = last.endColumn - first.column;
    found.push(
      make(
        { line: first.line, column: first.column, length, by },
        cost.word,
        `Reverse the list in line ${first.line}: ${by}.`,
      ),
    );
  }
  for (const loop of wishes.endlessLine === undefined
    ? []
    : loopsAt(program.source, tokens, wishes.endlessLine)) {
    found.push(make({ ...loop, by: '' }, cost.loop, `Remove the loop in line ${loop.line}.`));
    for (const time of wishes.milliseconds)
      found.push(
        make(
          { ...loop, by: `delay(${time});` },
          cost.loop,
          `Write delay(${time}); instead of the loop in line ${loop.line}.`,
        ),
      );
  }
  for (const type of forgetfulIn(tokens))
    found.push(
      make(
        { line: type.line, column: type.column, length: 0, by: STATIC },
        cost.word,
        `Write static at the beginning of line ${type.line}, so that its variable is made once only.`,
      ),
    );
  const setup = bodyStart(tokens, 'setup');
  for (const pin of wishes.undirected)
    if (setup) {
      const argument = nameOfPin(program.source, pin);
      const place = { line: setup.line, column: setup.endColumn, length: 0 };
      found.push(
        make(
          { ...place, by: ` pinMode(${argument}, OUTPUT);` },
          cost.repair,
          `Add pinMode(${argument}, OUTPUT); to setup.`,
        ),
      );
    }
  for (const pin of wishes.floating)
    if (setup) {
      const argument = nameOfPin(program.source, pin);
      const place = { line: setup.line, column: setup.endColumn, length: 0 };
      const by = ` pinMode(${argument}, INPUT_PULLUP);`;
      found.push(make({ ...place, by }, cost.repair, `Add${by} to setup.`));
    }
  const ends = statementEnds(tokens, 'digitalWrite');
  const [unlike, seen] = [wishes.unlike, wishes.seen].map((pins) =>
    pins.map((pin) => nameOfPin(program.source, pin)),
  ) as [string[], string[]];
  for (const { edit, line, call } of switchesLeftOut(tokens, ends, unlike, seen))
    found.push(make(edit, cost.insert, `Add ${call} after line ${line}.`));
  const prints = wishes.isPrintedInTime ? statementEnds(tokens, 'println') : [];
  for (const end of [...ends, ...prints])
    for (const time of wishes.milliseconds)
      found.push(
        make(
          { line: end.line, column: end.endColumn, length: 0, by: ` delay(${time});` },
          cost.insert,
          `Add delay(${time}); after line ${end.line}.`,
        ),
      );
  return found;
}

/** What a program is after some edits; spaces count only where they mean something. */
function resultOf(edits: Candidate['edits'], { source, language }: Program): string {
  const result = edits.reduce(
    (text, edit) => ('replace' in edit ? applyTextEdit(text, edit.replace) : text),
    source,
  );
  return language === 'python' ? result : result.replace(/\s+/g, '');
}

/** The semicolons that end statements which begin with a call of that name. */
function statementEnds(tokens: readonly Token[], call: string): readonly Token[] {
  return tokens.flatMap((token, index) => {
    if (token.text !== call) return [];
    const end = tokens.slice(index).find((candidate) => candidate.text === ';');
    return end ? [end] : [];
  });
}

/** How a line that is moved begins there, where that is otherwise than now. */
const setIn = (spaces: number | undefined): string =>
  spaces === undefined
    ? ''
    : spaces === 0
      ? ', without any space before it'
      : `, and begin it with ${howMany(spaces, 'space')}`;
