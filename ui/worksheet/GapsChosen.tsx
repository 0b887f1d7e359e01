'use client';

import { gapsOf, withGaps, withGapsOpen, type Stretch } from '@/core/formats/gaps';
import { capital, howMany } from '@/core/words/words';
import { Button } from '../design/Button';
import { ProgramListing } from './ProgramListing';
import { useHouseRules } from './useRested';
import { useDispatch, useWorksheet } from './useWorksheet';

/** What learners are to fill in, as they get it, and whether they get it so. */
export function GapsChosen({ places }: { readonly places: readonly Stretch[] }) {
  const { program, text, rules } = useWorksheet((state) => state.sync.sheet);
  const mayEdit = useWorksheet((state) => state.given.mayEdit);
  const dispatch = useDispatch();
  const { programGiven } = useHouseRules();
  const areGiven = programGiven === 'gaps';
  if (places.length === 0)
    return areGiven && mayEdit && program.trim() !== '' ? (
      <p className="mt-1 text-note text-soft">
        Learners get the pins and the setup with gaps. To choose the gaps yourself, select a piece of the
        program and make it one.
      </p>
    ) : null;
  return (
    <div className="mt-1 text-note">
      <p className="flex flex-wrap items-baseline gap-x-3">
        <span>
          <strong>{capital(howMany(places.length, 'gap'))}</strong> for learners to fill in.
          {!areGiven && ' As the rules stand, this exercise hands out another program.'}
        </span>
        {!areGiven && mayEdit && (
          <Button
            look="quiet"
            size="small"
            onClick={() => dispatch({ type: 'set', fields: { rules: { ...rules, programGiven: 'gaps' } } })}
          >
            Hand it out with these gaps
          </Button>
        )}
        {mayEdit && (
          <Button
            look="quiet"
            size="small"
            onClick={() => dispatch({ type: 'set', fields: { text: withGaps(text, []) } })}
          >
            Fill them all in
          </Button>
        )}
      </p>
      <details>
        <summary className="underline decoration-rule-strong underline-offset-3">What learners get</summary>
        <ProgramListing source={withGapsOpen(program, gapsOf({ text }))} label="The program with its gaps" />
      </details>
    </div>
  );
}
