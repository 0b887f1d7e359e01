import type { Block, Card, Figure } from '@/core/handout/document';
import { BenchFigure } from '../drawing/BenchFigure';

interface BlocksProps {
  readonly blocks: readonly Block[];
  /** Where the author's own pictures are. */
  readonly pictures: string;
}

/** The blocks of a handout as they are read on a screen. */
export function Blocks({ blocks, pictures }: BlocksProps) {
  return (
    <>
      {blocks.map((block, index) => (
        <BlockView key={index} block={block} pictures={pictures} />
      ))}
    </>
  );
}

const Drawn = ({ figure, className }: { readonly figure: Figure; readonly className: string }) => (
  <BenchFigure
    drawing={figure.drawing}
    title={figure.title}
    className={className}
    {...(figure.emphasis ? { emphasis: new Set(figure.emphasis) } : {})}
  />
);

const CautionLine = ({ children }: { readonly children: string }) => (
  <p className="my-1 border-l-4 border-ink pl-3 font-semibold">Take care: {children}</p>
);

function BlockView({ block, pictures }: { readonly block: Block; readonly pictures: string }) {
  switch (block.type) {
    case 'text':
      return (
        <p
          className={`my-1.5 ${block.look === 'lead' ? 'text-lead' : block.look === 'note' ? 'text-note text-soft' : ''}`}
        >
          {block.text}
        </p>
      );
    case 'caution':
      return <CautionLine>{block.text}</CautionLine>;
    case 'list':
      return <ListView {...block} />;
    case 'table':
      return <TableView {...block} />;
    case 'figure':
      return (
        <figure className="my-2">
          <Drawn figure={block.figure} className="block max-h-80 max-w-full" />
          {block.caption !== undefined && (
            <figcaption className="text-note text-soft">{block.caption}</figcaption>
          )}
        </figure>
      );
    case 'pair':
      return (
        <div className="my-2 grid grid-cols-2 gap-5">
          {block.pair.map(({ figure, caption }, index) => (
            <figure key={caption}>
              <div className="relative">
                <Drawn figure={figure} className="block max-h-52 w-full" />
                {index === 1 && (
                  <svg
                    viewBox="0 0 100 100"
                    preserveAspectRatio="none"
                    aria-hidden="true"
                    className="absolute inset-0 h-full w-full stroke-ink"
                  >
                    <path d="M0 0 100 100M100 0 0 100" strokeWidth="1.5" vectorEffect="non-scaling-stroke" />
                  </svg>
                )}
              </div>
              <figcaption className={index === 1 ? 'font-semibold' : ''}>{caption}</figcaption>
            </figure>
          ))}
        </div>
      );
    case 'part':
      return (
        <div className="my-2 flex gap-4">
          {block.figure && <Drawn figure={block.figure} className="block h-20 w-28 shrink-0" />}
          <div>
            <p className="font-semibold">{block.title}</p>
            {block.lines.map((line) => (
              <p key={line}>{line}</p>
            ))}
          </div>
        </div>
      );
    case 'step':
      return (
        <div className="my-1.5 grid grid-cols-[minmax(0,1fr)_46%] gap-4 border-b border-rule-strong pb-2">
          <div>
            <p className="font-semibold">
              {block.number}. {block.text}
            </p>
            {block.cautions.map((caution) => (
              <CautionLine key={caution}>{caution}</CautionLine>
            ))}
            <p className="text-soft">Look: {block.checkpoint}</p>
          </div>
          <Drawn figure={block.figure} className="block max-h-48 w-full" />
        </div>
      );
    case 'program':
      return <ProgramView {...block} />;
    case 'cards':
      return (
        <div className={`my-2 grid ${block.size === 'card' ? 'grid-cols-2' : 'grid-cols-3'}`}>
          {block.cards.map((card) => (
            <CardView key={card.title} card={card} size={block.size} />
          ))}
        </div>
      );
    case 'photo':
      return (
        <figure className="my-2">
          {/* The server has it as it was taken in; there is nothing to optimise. */}
          <img src={`${pictures}/${block.id}`} alt={block.caption} className="max-h-72 max-w-full" />
          <figcaption className="text-note text-soft">{block.caption}</figcaption>
        </figure>
      );
    case 'lines':
      return (
        <div aria-label="lines to write on" role="img">
          {Array.from({ length: block.count }, (_, index) => (
            <div key={index} className="h-7 border-b border-rule-strong" />
          ))}
        </div>
      );
    case 'address':
      return (
        <p className="my-2">
          <span className="font-semibold">{block.says}</span>{' '}
          <span className="mono text-note break-all">{block.address}</span>{' '}
          <span className="text-note text-soft">Printed as a code to be scanned.</span>
        </p>
      );
  }
}

const MARKS = { dots: 'list-disc', numbers: 'list-decimal', boxes: 'list-none' } as const;

function ListView({ items, marks }: Extract<Block, { type: 'list' }>) {
  return (
    <ul className={`my-1.5 pl-6 ${MARKS[marks]}`}>
      {items.map((item, index) => (
        <li key={index} className="relative max-w-[58ch]">
          {marks === 'boxes' && (
            <span aria-hidden="true" className="absolute top-1 -left-5 size-3 border border-ink" />
          )}
          {item}
        </li>
      ))}
    </ul>
  );
}

function TableView({ head, rows }: Extract<Block, { type: 'table' }>) {
  return (
    <table className="my-2 w-full border-collapse">
      <thead>
        <tr className="border-b border-ink text-left text-note text-soft">
          {head.map((cell, index) =>
            cell === '' ? (
              <td key={index} />
            ) : (
              <th key={index} className="py-0.5 pr-3 font-normal">
                {cell}
              </th>
            ),
          )}
        </tr>
      </thead>
      <tbody>
        {rows.map((row, index) => (
          <tr key={index} className="border-b border-rule align-top">
            {row.map((cell, at) => (
              <td key={at} className="py-0.5 pr-3">
                {cell}
              </td>
            ))}
          </tr>
        ))}
      </tbody>
    </table>
  );
}

function ProgramView({ lines }: Extract<Block, { type: 'program' }>) {
  return (
    <div className="my-2">
      {lines.map(({ text, says }, index) => (
        <div key={index} className="grid grid-cols-[2rem_minmax(0,1fr)_minmax(0,1fr)]">
          <span aria-hidden="true" className="mono text-note text-soft">
            {index + 1}
          </span>
          <code className={`mono text-note whitespace-pre-wrap ${says === undefined ? 'col-span-2' : ''}`}>
            {text || ' '}
          </code>
          {says !== undefined && <span className="text-note text-soft">{says}</span>}
        </div>
      ))}
    </div>
  );
}

function CardView({ card, size }: { readonly card: Card; readonly size: 'card' | 'label' }) {
  const { title, lines, figure, blanks = 0 } = card;
  return (
    <div className="min-h-32 border border-dashed border-rule-strong p-3">
      <div className={size === 'card' ? 'flex gap-3' : ''}>
        <div className="min-w-0 flex-1">
          <p className={size === 'card' ? 'text-lead font-semibold' : 'font-semibold'}>{title}</p>
          {lines.map((line, index) => (
            <p key={index} className={size === 'card' ? '' : 'text-note'}>
              {line}
            </p>
          ))}
        </div>
        {figure && (
          <Drawn figure={figure} className={size === 'card' ? 'block w-1/3' : 'mt-1 block h-14 w-full'} />
        )}
      </div>
      {Array.from({ length: blanks }, (_, index) => (
        <div key={index} className="h-6 border-b border-rule-strong" />
      ))}
    </div>
  );
}
