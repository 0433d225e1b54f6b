// The pages of a PDF as JSON, for the tests: `node readPdf.mjs FILE`. Of each its words, its smallest type in points, how
// far down its words go as a share of its height, and what it is for who hears it (role and, of pictures, the words).
import { readFileSync } from 'node:fs';
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';

// A part that goes over several pages is told with each of them; what of it stands on another is left out.
const isHere = ({ role, children = [] }) => role === undefined || children.some(isHere);
const heard = ({ role, alt, children = [] }) =>
  role === undefined ? [] : [...(role === 'Root' ? [] : [{ role, alt }]), ...children.filter(isHere).flatMap(heard)];

const document = await getDocument({ data: new Uint8Array(readFileSync(process.argv[2])), verbosity: 0 }).promise;
const pages = [];
for (let number = 1; number <= document.numPages; number++) {
  const page = await document.getPage(number);
  const [, , , height] = page.view;
  const items = (await page.getTextContent()).items.filter(({ str }) => str.trim() !== '');
  const types = items.map(({ transform: [a, b] }) => Math.hypot(a, b));
  pages.push({
    words: items.map(({ str }) => str).join(' '),
    leastType: Math.min(...types),
    lowest: 1 - Math.min(...items.map(({ transform }) => transform[5])) / height,
    heard: heard((await page.getStructTree()) ?? {}),
  });
}
console.log(JSON.stringify(pages));
