import type { WordChoice } from '../words/terms';
import { inWords } from '../words/words';
import type { Block, Figure, Section } from './document';

/** Sections in the words that a course uses; programs and addresses stay as they are. */
export function sectionsInWords(sections: readonly Section[], choice: WordChoice): readonly Section[] {
  if (choice === 'technical') return sections;
  const say = (text: string): string => inWords(text, choice);
  return sections.map(({ title, blocks }) => ({
    title: say(title),
    blocks: blocks.map((block) => blockSaid(block, say)),
  }));
}

type Say = (text: string) => string;

const figureSaid = ({ drawing, title, ...rest }: Figure, say: Say): Figure => ({
  ...rest,
  title: say(title),
  drawing: { ...drawing, description: say(drawing.description) },
});

function blockSaid(block: Block, say: Say): Block {
  switch (block.type) {
    case 'text':
    case 'caution':
      return { ...block, text: say(block.text) };
    case 'list':
      return { ...block, items: block.items.map(say) };
    case 'table':
      return { ...block, head: block.head.map(say), rows: block.rows.map((row) => row.map(say)) };
    case 'figure':
      return {
        ...block,
        figure: figureSaid(block.figure, say),
        ...(block.caption === undefined ? {} : { caption: say(block.caption) }),
      };
    case 'pair': {
      const [right, wrong] = block.pair.map(({ figure, caption }) => ({
        figure: figureSaid(figure, say),
        caption: say(caption),
      }));
      return { ...block, pair: [right!, wrong!] };
    }
    case 'part':
      return {
        ...block,
        title: say(block.title),
        lines: block.lines.map(say),
        ...(block.figure ? { figure: figureSaid(block.figure, say) } : {}),
      };
    case 'step':
      return {
        ...block,
        text: say(block.text),
        checkpoint: say(block.checkpoint),
        cautions: block.cautions.map(say),
        figure: figureSaid(block.figure, say),
      };
    case 'program':
      return {
        ...block,
        lines: block.lines.map(({ text, says }) =>
          says === undefined ? { text } : { text, says: say(says) },
        ),
      };
    case 'cards':
      return {
        ...block,
        cards: block.cards.map(({ figure, ...card }) => ({
          ...card,
          title: say(card.title),
          lines: card.lines.map(say),
          ...(figure ? { figure: figureSaid(figure, say) } : {}),
        })),
      };
    case 'address':
      return { ...block, says: say(block.says) };
    case 'photo':
    case 'lines':
      return block;
  }
}
