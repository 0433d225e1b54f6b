import { chromium } from '@playwright/test';
import type { Bundle } from '@warm-ladder/core/formats';
import type { ClassPlan } from '@warm-ladder/core/plan';
import { demoBundle } from '../demo';
import { BROWSER, startStudio } from '../studio';
import { sixtyBlocks } from './sixty';
import { figureShown } from './untilShown';

/** A long series on its page: how long until an edit of it is judged anew and stands on the screen. */
const [EPISODES, BLOCKS] = [24, 30] as const;
const demo = demoBundle();
const sixty = sixtyBlocks(demo);
const classes = Array.from(
  { length: EPISODES },
  (_, i): ClassPlan => ({ ...sixty, id: `e${i}`, name: `Episode ${i + 1}`, blocks: sixty.blocks.slice(i, i + BLOCKS) }),
);
const long: Bundle = {
  ...demo,
  classes: [...(demo.classes ?? []), ...classes],
  series: [...(demo.series ?? []), { id: 'long', name: 'Long', episodes: classes.map(({ id }) => ({ class: id })) }],
};
const studio = await startStudio();
const answer = await fetch(`${studio.address}/api/bundle?mode=replace`, {
  method: 'POST',
  headers: { 'content-type': 'application/json' },
  body: JSON.stringify(long),
});
if (!answer.ok) throw new Error(await answer.text());
const browser = await chromium.launch(BROWSER);
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
await page.goto(`${studio.address}/series/long`);
await page.getByText('Who it is for, goals, dates and places').click();
const most = page.getByLabel('New ladders an episode at most');
await figureShown(
  `an edit of a series of ${EPISODES} × ${BLOCKS} shown`,
  50,
  page,
  (turn) => most.fill(String(turn % 2)),
  'main h2',
);
await browser.close();
await studio.end();
