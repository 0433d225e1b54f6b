import PDFDocument from 'pdfkit';
import { type Face, fileFor } from './faces';

/** Paper a handout is made for. */
const PAPERS = { a4: 'A4', letter: 'LETTER' } as const;
export type Paper = keyof typeof PAPERS;

/** Points: the margin, the height of the foot. */
const [MARGIN, FOOT] = [32, 20];

/** The least type on any page, points: nothing that is handed out is smaller. Source: docs/voice.md. */
export const LEAST_TYPE = 10;

export interface Style {
  readonly face: Face;
  readonly size: number;
  readonly colour: string;
}

type Element = PDFKit.PDFStructureElement;
/** What a part is for who hears the page instead of seeing it (ISO 32000-1, 14.8.4). */
export type Role = 'H1' | 'H2' | 'H3' | 'P' | 'Sect' | 'Table' | 'TR' | 'TH' | 'TD' | 'Figure';

/**
 * The pages of a PDF as they are written: text, lines and pictures, each either a part that is read out in its order or,
 * for lines and feet, nothing to be read (PDF/UA-1). All measures in points from the top left.
 */
export class Sheet {
  readonly pdf: PDFKit.PDFDocument;
  private readonly whole: Element;
  private parent: Element;

  constructor(
    title: string,
    private readonly paper: Paper,
  ) {
    this.pdf = new PDFDocument({
      pdfVersion: '1.7',
      // The types of the library know its archive kinds only.
      subset: 'PDF/UA' as 'PDF/A-2a',
      tagged: true,
      lang: 'en',
      displayTitle: true,
      bufferPages: true,
      autoFirstPage: false,
      info: { Title: title, Producer: 'Warm Ladder' },
    });
    this.whole = this.pdf.struct('Document');
    this.pdf.addStructure(this.whole);
    this.parent = this.whole;
  }

  readonly left = MARGIN;
  readonly top = MARGIN;
  get width(): number {
    return this.pdf.page.width - 2 * MARGIN;
  }
  get right(): number {
    return MARGIN + this.width;
  }
  get bottom(): number {
    return this.pdf.page.height - MARGIN - FOOT;
  }
  /** Where the next part begins. */
  get y(): number {
    return this.pdf.y;
  }
  set y(y: number) {
    this.pdf.y = y;
  }
  get pages(): number {
    return this.pdf.bufferedPageRange().count;
  }

  /** @param across a page that lies on its side */
  newPage(across: boolean = this.pdf.page.width > this.pdf.page.height): void {
    const margins = { top: MARGIN, bottom: MARGIN + FOOT, left: MARGIN, right: MARGIN };
    this.pdf.addPage({ size: PAPERS[this.paper], layout: across ? 'landscape' : 'portrait', margins });
    this.y = MARGIN;
  }

  /** A new page where there is not as much room left; whether there was. */
  fit(height: number): boolean {
    if (this.y + height <= this.bottom) return true;
    this.newPage();
    return false;
  }

  heightOf(text: string, { face, size }: Style, width: number): number {
    return text === '' ? 0 : this.pdf.font(fileFor(face, text)).fontSize(size).heightOfString(text, { width });
  }

  widthOf(text: string, { face, size }: Style): number {
    return this.pdf.font(fileFor(face, text)).fontSize(size).widthOfString(text);
  }

  /** A part with parts of its own. */
  group(role: Role, content: () => void): void {
    const outer = this.parent;
    const own = this.pdf.struct(role);
    outer.add(own);
    this.parent = own;
    content();
    own.end();
    this.parent = outer;
  }

  /** A part that is read out. */
  part(role: Role, content: () => void, options: { alt?: string; scope?: 'Column' } = {}): void {
    const own = this.pdf.struct(role, options);
    this.parent.add(own);
    own.add(content);
    own.end();
  }

  /** What is only seen. */
  seen(content: () => void): void {
    this.pdf.markContent('Artifact', { type: 'Layout' });
    content();
    this.pdf.endMarkedContent();
  }

  /** Runs of text one after the other in one paragraph; call it within a part. */
  text(runs: ReadonlyArray<readonly [string, Style]>, x: number, y: number, options: PDFKit.Mixins.TextOptions): void {
    const shown = runs.filter(([text]) => text !== '');
    shown.forEach(([text, { face, size, colour }], i) => {
      const continued = i < shown.length - 1;
      this.pdf.font(fileFor(face, text)).fontSize(size).fillColor(colour);
      if (i === 0) this.pdf.text(text, x, y, { ...options, continued });
      else this.pdf.text(text, { continued });
    });
  }

  /** A line across the page. */
  rule(y: number, width: number, colour: string): void {
    this.seen(() => this.pdf.moveTo(this.left, y).lineTo(this.right, y).lineWidth(width).stroke(colour));
  }

  /** The feet of all pages, and the file. */
  async finish(feet: readonly string[], style: Style): Promise<Buffer> {
    const { pages, pdf } = this;
    for (let page = 0; page < pages; page++) {
      pdf.switchToPage(page);
      pdf.page.margins.bottom = 0;
      const y = pdf.page.height - MARGIN - style.size;
      this.seen(() => {
        this.text([[feet[page] ?? '', style]], this.left, y, { width: this.width - 70, lineBreak: false });
        this.text([[`${page + 1} of ${pages}`, style]], this.left, y, { width: this.width, align: 'right' });
      });
    }
    this.whole.end();
    const chunks: Buffer[] = [];
    const done = new Promise<Buffer>((resolve, reject) => {
      pdf.on('data', (chunk: Buffer) => chunks.push(chunk));
      pdf.on('end', () => resolve(Buffer.concat(chunks)));
      pdf.on('error', reject);
    });
    pdf.end();
    return done;
  }
}
