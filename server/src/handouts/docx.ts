import { type Handout, type HandoutPart, type HandoutTable, withoutEmptyColumns } from '@warm-ladder/core/handouts';
import {
  AlignmentType,
  Document,
  Footer,
  HeadingLevel,
  Packer,
  PageNumber,
  Paragraph,
  Table,
  TableCell,
  TableRow,
  TextRun,
  WidthType,
} from 'docx';

/** A handout as a text document, to be changed in any office program: headings, the same words, page numbers. */
export async function docxOf({ title, about, parts, foot }: Handout): Promise<Buffer> {
  const document = new Document({
    title,
    creator: 'Warm Ladder',
    styles: { default: { document: { run: { font: 'Source Sans 3', size: 20 } } } },
    sections: [
      {
        footers: {
          default: new Footer({
            children: [
              new Paragraph({
                alignment: AlignmentType.LEFT,
                children: [
                  new TextRun(`${foot}   `),
                  new TextRun({ children: [PageNumber.CURRENT, ' of ', PageNumber.TOTAL_PAGES] }),
                ],
              }),
            ],
          }),
        },
        children: [
          new Paragraph({ text: title, heading: HeadingLevel.TITLE }),
          new Paragraph({ text: about }),
          ...parts.flatMap(partOf),
        ],
      },
    ],
  });
  return Packer.toBuffer(document);
}

function partOf(part: HandoutPart): Array<Paragraph | Table> {
  if (part.kind === 'heading') return [new Paragraph({ text: part.text, heading: HeadingLevel.HEADING_1 })];
  if (part.kind === 'text') return [new Paragraph({ text: part.text })];
  if (part.kind === 'table') {
    const page = part.page ? [new Paragraph({ pageBreakBefore: true })] : [];
    return [...page, tableOf(withoutEmptyColumns(part))];
  }
  return [
    new Paragraph({
      text: `${part.clock} ${part.title} (${part.note})`,
      heading: HeadingLevel.HEADING_2,
      keepNext: true,
    }),
    ...part.lines.map(
      ({ label, text, said }) =>
        new Paragraph({
          children: [
            ...(label === '' ? [] : [new TextRun({ text: `${label}: `, color: '69535F' })]),
            new TextRun({ text, italics: !said }),
          ],
        }),
    ),
  ];
}

const tableOf = ({ head, widths, rows }: HandoutTable): Table =>
  new Table({
    width: { size: 100, type: WidthType.PERCENTAGE },
    rows: [head.map((text) => ({ text })), ...rows].map(
      (row, i) =>
        new TableRow({
          tableHeader: i === 0,
          children: row.map(
            ({ text }, column) =>
              new TableCell({
                width: { size: Math.round(100 * (widths[column] ?? 0)), type: WidthType.PERCENTAGE },
                children: [new Paragraph({ children: [new TextRun({ text, bold: i === 0 })] })],
              }),
          ),
        }),
    ),
  });
