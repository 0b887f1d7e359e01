'use client';

import { Command } from 'cmdk';
import { VisuallyHidden } from 'radix-ui';
import { useOpen } from './opening-page';
import { setSingleKeys, useSingleKeys } from './single-keys';

/** A place that the palette leads to. */
export interface Destination {
  readonly label: string;
  readonly href: string;
  readonly group: string;
}

interface PaletteProps {
  readonly isOpen: boolean;
  readonly onOpenChange: (isOpen: boolean) => void;
  readonly destinations: readonly Destination[];
}

const HEADING =
  '[&_[cmdk-group-heading]]:px-3 [&_[cmdk-group-heading]]:pt-2 [&_[cmdk-group-heading]]:text-note [&_[cmdk-group-heading]]:text-soft';
const ITEM =
  'cursor-pointer px-3 py-2 font-semibold data-[selected=true]:bg-wash data-[selected=true]:shadow-[inset_3px_0_0_var(--focus)]';

/** Words may be typed in any order, and only their beginnings. */
function hasAllWords(value: string, search: string): number {
  const text = value.toLowerCase();
  return search
    .toLowerCase()
    .split(/\s+/)
    .every((word) => text.includes(word))
    ? 1
    : 0;
}

/** Goes anywhere by typing a few letters of its name. */
export function Palette({ isOpen, onOpenChange, destinations }: PaletteProps) {
  const open = useOpen();
  const areOn = useSingleKeys();
  const groups = [...new Set(destinations.map((destination) => destination.group))];
  return (
    <Command.Dialog
      open={isOpen}
      onOpenChange={onOpenChange}
      label="Go to"
      filter={hasAllWords}
      overlayClassName="fixed inset-0 z-30 bg-ink/40"
      contentClassName="fixed top-[14vh] left-1/2 z-40 w-[min(36rem,92vw)] -translate-x-1/2 border border-ink bg-card"
    >
      <VisuallyHidden.Root>
        <h2>Go to</h2>
      </VisuallyHidden.Root>
      <Command.Input
        placeholder="Where to?"
        className="w-full border-b border-ink bg-card px-4 py-3 text-lead outline-none placeholder:text-soft"
      />
      <Command.List className="max-h-[50vh] overflow-y-auto p-2">
        <Command.Empty className="px-3 py-4 text-soft">
          Nothing with that name. Try the name of an exercise or a class.
        </Command.Empty>
        {groups.map((group) => (
          <Command.Group key={group} heading={group} className={HEADING}>
            {destinations
              .filter((destination) => destination.group === group)
              .map(({ label, href }) => (
                <Command.Item
                  key={href}
                  value={`${label} ${group}`}
                  onSelect={() => {
                    onOpenChange(false);
                    open(href);
                  }}
                  className={ITEM}
                >
                  {label}
                </Command.Item>
              ))}
          </Command.Group>
        ))}
        <Command.Group heading="Keys" className={HEADING}>
          <Command.Item
            value="single keys on off letters shortcuts"
            onSelect={() => {
              setSingleKeys(!areOn);
              onOpenChange(false);
            }}
            className={ITEM}
          >
            {areOn ? 'Turn single-letter keys off' : 'Turn single-letter keys on'}
          </Command.Item>
        </Command.Group>
      </Command.List>
    </Command.Dialog>
  );
}
