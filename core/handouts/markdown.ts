import type { Handout, HandoutPart } from './handout';

/** What would be markup in a text is written out. */
const plain = (text: string): string => text.replace(/[\\`*_[\]<>#|]/g, '\\$&');
const cell = (text: string): string => plain(text).replace(/\s+/g, ' ');

function partOf(part: HandoutPart): string {
  switch (part.kind) {
    case 'heading':
      return `## ${plain(part.text)}`;
    case 'text':
      return plain(part.text);
    case 'table':
      return [
        part.head.map(cell),
        part.head.map(() => '---'),
        ...part.rows.map((row) => row.map(({ text }) => cell(text))),
      ]
        .map((row) => `| ${row.join(' | ')} |`)
        .join('\n');
    case 'block':
      return [
        `### ${part.clock} ${plain(part.title)} (${part.note})`,
        ...part.lines.map(({ label, text, said }) => {
          const words = said ? plain(text) : `*${plain(text)}*`;
          return label === '' ? words : `- ${label}: ${words}`;
        }),
      ].join('\n\n');
  }
}

/** A handout as Markdown. */
export const markdownOf = ({ title, about, parts }: Handout): string =>
  `${[`# ${plain(title)}`, plain(about), ...parts.map(partOf)].join('\n\n')}\n`;
