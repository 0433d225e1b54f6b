import { scriptHandout, spokenClass } from '@warm-ladder/core/handouts';
import { applyEdit } from '@warm-ladder/core/plan';
import { Catalog } from '@warm-ladder/core/repertoire';
import { measureClass } from '@warm-ladder/core/review';
import { reviewVoice } from '@warm-ladder/core/voice';
import { docxOf } from '../../server/src/handouts/docx';
import { pdfOf } from '../../server/src/handouts/paper/pdf';
import { demoBundle } from '../demo';
import { figure, quantile } from './report';
import { sixtyBlocks } from './sixty';

const bundle = demoBundle();
const catalog = new Catalog({ ...bundle, exercises: bundle.exercises ?? [] });
const sixty = sixtyBlocks(bundle);
const forty = { ...sixty, blocks: sixty.blocks.slice(0, 40) };
const [demo] = (bundle.classes ?? []).filter(({ id }) => id === 'choir-first-draft');
if (!demo) throw new Error('the demo has no class of forty-five minutes');

const timed = (work: (turn: number) => unknown): number => {
  const took = Array.from({ length: 100 }, (_, i) => {
    const start = performance.now();
    work(i);
    return performance.now() - start;
  });
  return quantile(took, 0.5);
};

/** A word typed in the middle of a class: another text each time. */
const typed = (turn: number) =>
  applyEdit(catalog, forty, {
    kind: 'set',
    id: forty.blocks[20]?.id ?? '',
    change: { lines: [{ id: 'l1', kind: 'alignment', text: `Keep still ${turn}.` }] },
  });
const reviewed = (plan: typeof forty) => {
  measureClass(catalog, plan);
  return reviewVoice(spokenClass(catalog, plan).voice);
};
await figure('review with voice of a 40-block class, median', 'ms', 4, () => timed(() => reviewed(forty)));
await figure('the same after a typed word, median', 'ms', 16, () => timed((turn) => reviewed(typed(turn))));

const sheet = scriptHandout(spokenClass(catalog, demo));
for (const [name, bound, make] of [
  ['PDF of a 45-minute script', 1500, () => pdfOf([sheet], 'a4')],
  ['text document of a 45-minute script', 1000, () => docxOf(sheet)],
] as const) {
  await make();
  await figure(name, 'ms', bound, async () => {
    const start = performance.now();
    await make();
    return performance.now() - start;
  });
}
