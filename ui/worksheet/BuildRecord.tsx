'use client';

import { useState } from 'react';
import {
  assembliesText,
  calibrationsText,
  readAssemblies,
  readCalibrations,
} from '@/core/formats/assembly-text';
import { problemText, type Result } from '@/core/result';
import { howMany } from '@/core/words/words';
import { Problem } from '../design/Problem';
import { OwnPictures } from './OwnPictures';
import { useDispatch, useWorksheet } from './useWorksheet';

/** What a build of many parts has beyond its wiring: its pieces with fasteners, values of each bench, own pictures. */
export function BuildRecord() {
  const assemblies = useWorksheet((state) => state.sync.sheet.assemblies) ?? [];
  const calibrations = useWorksheet((state) => state.sync.sheet.calibrations) ?? [];
  const pictures = useWorksheet((state) => state.sync.sheet.pictures) ?? [];
  const dispatch = useDispatch();
  const said = [
    ...(assemblies.length > 0 ? [howMany(assemblies.length, 'piece')] : []),
    ...(calibrations.length > 0 ? [`${howMany(calibrations.length, 'value')} of each bench`] : []),
    ...(pictures.length > 0 ? [howMany(pictures.length, 'picture')] : []),
  ];
  return (
    <details className="mt-2">
      <summary className="cursor-default underline decoration-rule-strong underline-offset-4">
        Build record{said.length > 0 && `: ${said.join(', ')}`}
      </summary>
      <Lines
        label="Pieces, in their order"
        hint="A piece at the margin with its parts; under it, indented, its fasteners and steps."
        placeholder={'Gate: M1\n  2 × M2 × 8 screw\n  Screw the horn on at 90°.'}
        kept={assembliesText(assemblies)}
        read={readAssemblies}
        onRead={(is) =>
          dispatch({ type: 'set', fields: { assemblies: is.length > 0 ? [...is] : undefined } })
        }
      />
      <Lines
        label="Values of each bench"
        hint="What is found on the bench and kept for it, one to a line, with where it usually lies."
        placeholder="closed angle (M1): 80 to 100 °"
        kept={calibrationsText(calibrations)}
        read={readCalibrations}
        onRead={(is) =>
          dispatch({ type: 'set', fields: { calibrations: is.length > 0 ? [...is] : undefined } })
        }
      />
      <OwnPictures />
    </details>
  );
}

interface LinesProps<Value> {
  readonly label: string;
  readonly hint: string;
  readonly placeholder: string;
  readonly kept: string;
  readonly read: (text: string) => Result<Value>;
  readonly onRead: (value: Value) => void;
}

/** Lines that are taken over when the field is left; what cannot be read stays, with the reason. */
function Lines<Value>({ label, hint, placeholder, kept, read, onRead }: LinesProps<Value>) {
  const mayEdit = useWorksheet((state) => state.given.mayEdit);
  const [typed, setTyped] = useState<string>();
  const [problem, setProblem] = useState<string>();
  const take = (): void => {
    if (typed === undefined || typed === kept) return setTyped(undefined);
    const result = read(typed);
    setProblem(result.ok ? undefined : result.problems.map(problemText).join('; '));
    if (!result.ok) return undefined;
    onRead(result.value);
    return setTyped(undefined);
  };
  return (
    <label className="mt-2 block text-note text-soft">
      <span className="font-semibold text-ink">{label}</span> {hint}
      <textarea
        rows={Math.max(3, (typed ?? kept).split('\n').length)}
        readOnly={!mayEdit}
        value={typed ?? kept}
        placeholder={placeholder}
        spellCheck={false}
        onChange={({ target }) => setTyped(target.value)}
        onBlur={take}
        className="mono mt-0.5 block w-full border border-rule-strong bg-card p-2 text-note text-ink"
      />
      <Problem>{problem}</Problem>
    </label>
  );
}
