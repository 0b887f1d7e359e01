'use client';

import { useId } from 'react';
import { NO_RUBRIC, pointsInAll, rubricSentences, ruleWords, type Rubric } from '@/core/formats/rubric';
import { findingCodes, rowOf, type FindingCode } from '@/core/findings/table';
import { plainNumber } from '@/core/units';
import { Button } from '../design/Button';
import { useWords } from '../words/Words';
import { useDispatch, useWorksheet } from './useWorksheet';

/** Findings of a build by their titles; what only says something of the check earns nobody points. */
const rules = findingCodes
  .filter((code) => ['wiring', 'program'].includes(rowOf(code).domain) && rowOf(code).isRefused !== true)
  .sort((a, b) => rowOf(a).title.localeCompare(rowOf(b).title));

/** What an exercise starts from when something is to be taken off. */
const USUAL_LATE = { eachDay: 0.5, most: 2 };
const USUAL_TRIES = { free: 3, each: 0.5, most: 1 };

/** How a hand-in is marked beyond what the scenarios are worth: rules that it keeps, lateness, many tries. */
export function Marking() {
  const rubric = useWorksheet((state) => state.sync.sheet.rubric) ?? NO_RUBRIC;
  const scenarios = useWorksheet((state) => state.sync.sheet.scenarios);
  const mayEdit = useWorksheet((state) => state.given.mayEdit);
  const dispatch = useDispatch();
  const say = useWords();
  const total = plainNumber(pointsInAll({ scenarios, rubric }));
  const title = `Marks: ${total} in all`;
  if (!mayEdit)
    return (
      <section aria-label="Marks" className="mt-3">
        <h3 className="font-semibold">{title}</h3>
        {rubricSentences(rubric).map((sentence) => (
          <p key={sentence}>{say(sentence)}</p>
        ))}
      </section>
    );
  const set = (next: Partial<Rubric>, joins: 'joins' | 'stands alone' = 'stands alone'): void => {
    const { rules: kept, late, tries } = { ...rubric, ...next };
    const is =
      kept.length === 0 && !late && !tries
        ? undefined
        : { rules: kept, ...(late ? { late } : {}), ...(tries ? { tries } : {}) };
    dispatch({ type: 'set', fields: { rubric: is }, joins });
  };
  const setRule = (without: FindingCode, points: number | undefined): void =>
    set(
      {
        rules: rubric.rules.flatMap((rule) =>
          rule.without !== without ? [rule] : points === undefined ? [] : [{ without, points }],
        ),
      },
      points === undefined ? 'stands alone' : 'joins',
    );
  return (
    <details className="mt-3">
      <summary className="cursor-default underline decoration-rule-strong underline-offset-4">
        {title}
      </summary>
      <p className="mt-1 text-note text-soft">
        What each scenario is worth stands with it. Learners see what is said here with their task.
      </p>
      <ul>
        {rubric.rules.map(({ without, points }) => (
          <li key={without} className="flex flex-wrap items-baseline gap-x-1.5 border-t border-rule py-1">
            <Amount
              label={`Points when ${ruleWords(without)}`}
              value={points}
              onChange={(next) => setRule(without, next)}
            />
            <span className="min-w-0 flex-1">{say(`when ${ruleWords(without)}`)}</span>
            <Button
              look="quiet"
              size="small"
              aria-label={`No points when ${ruleWords(without)}`}
              onClick={() => setRule(without, undefined)}
            >
              Remove
            </Button>
          </li>
        ))}
      </ul>
      <label className="block border-t border-rule py-1 text-note text-soft">
        Points when the check doesn’t say
        <select
          value=""
          onChange={({ target }) =>
            set({ rules: [...rubric.rules, { without: target.value as FindingCode, points: 1 }] })
          }
          className="block w-full border-b border-rule-strong bg-transparent py-1.5 text-body text-ink"
        >
          <option value="" disabled>
            choose what
          </option>
          {rules
            .filter((code) => !rubric.rules.some(({ without }) => without === code))
            .map((code) => (
              <option key={code} value={code}>
                {say(rowOf(code).title)}
              </option>
            ))}
        </select>
      </label>
      <Option
        label="Less for a late one"
        isOn={rubric.late !== undefined}
        onToggle={(isOn) => set({ late: isOn ? USUAL_LATE : undefined })}
      >
        {rubric.late && (
          <>
            <Amount
              label="Points off for each day late"
              value={rubric.late.eachDay}
              onChange={(eachDay) => set({ late: { ...rubric.late!, eachDay } }, 'joins')}
            />{' '}
            off for each day after it was due,{' '}
            <Amount
              label="Most points off for lateness"
              value={rubric.late.most}
              onChange={(most) => set({ late: { ...rubric.late!, most } }, 'joins')}
            />{' '}
            at most. When it is due is set for each class under Publish.
          </>
        )}
      </Option>
      <Option
        label="Less for many tries"
        isOn={rubric.tries !== undefined}
        onToggle={(isOn) => set({ tries: isOn ? USUAL_TRIES : undefined })}
      >
        {rubric.tries && (
          <>
            <Amount
              label="Tries that take nothing off"
              value={rubric.tries.free}
              isWhole
              onChange={(free) => set({ tries: { ...rubric.tries!, free } }, 'joins')}
            />{' '}
            {rubric.tries.free === 1 ? 'try takes' : 'tries take'} nothing off; each one after that takes off{' '}
            <Amount
              label="Points off for each try after"
              value={rubric.tries.each}
              onChange={(each) => set({ tries: { ...rubric.tries!, each } }, 'joins')}
            />
            ,{' '}
            <Amount
              label="Most points off for tries"
              value={rubric.tries.most}
              onChange={(most) => set({ tries: { ...rubric.tries!, most } }, 'joins')}
            />{' '}
            at most.
          </>
        )}
      </Option>
    </details>
  );
}

interface OptionProps {
  readonly label: string;
  readonly isOn: boolean;
  readonly onToggle: (isOn: boolean) => void;
  readonly children: React.ReactNode;
}

function Option({ label, isOn, onToggle, children }: OptionProps) {
  const id = useId();
  return (
    <div className="border-t border-rule py-1">
      <label htmlFor={id} className="flex min-h-8 items-center gap-2">
        <input
          id={id}
          type="checkbox"
          className="size-4.5 accent-(--ink)"
          checked={isOn}
          onChange={({ target }) => onToggle(target.checked)}
        />
        {label}
      </label>
      {isOn && <p className="pl-6.5">{children}</p>}
    </div>
  );
}

interface AmountProps {
  readonly label: string;
  readonly value: number;
  readonly isWhole?: boolean;
  readonly onChange: (value: number) => void;
}

function Amount({ label, value, isWhole = false, onChange }: AmountProps) {
  return (
    <input
      type="number"
      aria-label={label}
      min={isWhole ? 1 : 0.25}
      max={isWhole ? 50 : 100}
      step={isWhole ? 1 : 'any'}
      value={value}
      onChange={({ target }) => {
        const next = Number(target.value);
        if (
          target.value !== '' &&
          next > 0 &&
          next <= 100 &&
          (!isWhole || (Number.isInteger(next) && next <= 50))
        )
          onChange(next);
      }}
      className="mono w-14 border-b border-rule-strong bg-transparent text-right"
    />
  );
}
