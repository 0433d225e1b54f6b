// The words on each page of a PDF, as a list in JSON: `node pdfText.mjs FILE`. For the tests.
import { readFileSync } from 'node:fs';
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';

const document = await getDocument({ data: new Uint8Array(readFileSync(process.argv[2])), verbosity: 0 }).promise;
const pages = [];
for (let number = 1; number <= document.numPages; number++) {
  const page = await document.getPage(number);
  const { items } = await page.getTextContent();
  pages.push(items.map((item) => item.str).join(' '));
}
console.log(JSON.stringify(pages));
