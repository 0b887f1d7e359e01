import { FolderOpen, PackageOpen } from 'lucide-react';
import { useRef, useState } from 'react';
import { Button } from '../design/Button';
import { Problem } from '../design/Problem';

interface DropZoneProps {
  readonly isReading: boolean;
  readonly problem: string | undefined;
  /** Called with what the browser tells of files that were chosen or dropped. */
  readonly onTake: (event: unknown) => void;
}

/** Where files are chosen or dropped. */
export function DropZone({ isReading, problem, onTake }: DropZoneProps) {
  const [isOver, setOver] = useState(false);
  const archive = useRef<HTMLInputElement>(null);
  const folder = useRef<HTMLInputElement>(null);
  return (
    <section
      aria-label="Choose hand-ins"
      aria-busy={isReading}
      className={`mx-auto mt-6 grid max-w-3xl justify-items-center gap-5 border-2 border-dashed px-8 py-12 text-center ${isOver ? 'border-focus bg-wash' : 'border-rule-strong'}`}
      onDragOver={(event) => {
        event.preventDefault();
        setOver(true);
      }}
      onDragLeave={() => setOver(false)}
      onDrop={(event) => {
        event.preventDefault();
        setOver(false);
        onTake(event);
      }}
    >
      <h2 className="max-w-[34ch] text-title">
        {isReading ? 'Reading the files …' : 'Drop a ZIP, a folder or files here'}
      </h2>
      <div className="flex flex-wrap justify-center gap-3">
        <Button look="main" size="roomy" disabled={isReading} onClick={() => archive.current?.click()}>
          <PackageOpen size={20} aria-hidden="true" /> Choose a ZIP or files
        </Button>
        <Button size="roomy" disabled={isReading} onClick={() => folder.current?.click()}>
          <FolderOpen size={20} aria-hidden="true" /> Choose a folder
        </Button>
      </div>
      <Problem>{problem}</Problem>
      <p className="max-w-[58ch] text-left text-soft">
        Wiring tables and programs as learners send them, under any names. Whose they are is read from the
        names of files and folders, or from a remark at the head of a program; you can put that right before
        anything is taken. Nothing leaves this computer until then.
      </p>
      <input
        ref={archive}
        type="file"
        multiple
        hidden
        aria-label="A ZIP or files"
        onChange={(event) => event.target.files?.length && onTake(event)}
      />
      <input
        ref={folder}
        type="file"
        hidden
        aria-label="A folder"
        // Not in the types of React; all browsers have it.
        {...{ webkitdirectory: '' }}
        onChange={(event) => event.target.files?.length && onTake(event)}
      />
    </section>
  );
}
