import { expect, test } from '../../fixtures';

/** Every path that is filled on a canvas, as it is written, with the colour it is filled with. */
declare global {
  interface Window {
    painted: Array<{ readonly path: string; readonly colour: string }>;
  }
}

/** Body heights by which outlines may press into the floor: the nose of who lies on the front does by 2 cm of 1.70 m. */
const GIVES = 0.013;

test('a ladder’s moving figures never leave their floor, however they are painted', { tag: '@long' }, async ({
  page,
  studio,
}) => {
  await page.addInitScript(() => {
    window.painted = [];
    const written = new WeakMap<Path2D, string>();
    const Plain = window.Path2D;
    window.Path2D = class extends Plain {
      constructor(path?: Path2D | string) {
        super(path);
        if (typeof path === 'string') written.set(this, path);
      }
    };
    const { fill } = CanvasRenderingContext2D.prototype;
    CanvasRenderingContext2D.prototype.fill = function (this: CanvasRenderingContext2D, ...asked: unknown[]) {
      const path = asked[0] instanceof Plain ? written.get(asked[0]) : undefined;
      if (path) window.painted.push({ path, colour: String(this.fillStyle) });
      return Reflect.apply(fill, this, asked);
    } as typeof fill;
  });
  // Arms that swept half a metre through the floor, hands that bear, and a back that rocks over.
  for (const ladder of ['dart', 'knee-gather', 'rocker']) {
    await page.goto(`${studio.address}/repertoire/${ladder}`);
    await expect(page.locator('canvas').first()).toBeVisible();
    await expect
      .poll(() => page.evaluate(() => new Set(window.painted.map(({ path }) => path)).size))
      .toBeGreaterThan(200);
    const lowest = await page.evaluate(() => {
      const depths = window.painted.map(({ path }) => {
        // Outlines are written in thousandths of a height, downwards; an arc's last two numbers are where it ends.
        const ends = [
          ...path.matchAll(/[ML]\s*(-?[\d.]+)[ ,](-?[\d.]+)|A[^A-Z]*?(-?[\d.]+)[ ,](-?[\d.]+)\s*(?=[A-Z]|$)/g),
        ];
        return Math.max(...ends.map((each) => Number(each[2] ?? each[4])));
      });
      return Math.max(...depths) / 1_000;
    });
    expect(lowest, ladder).toBeGreaterThan(-0.2);
    expect(lowest, ladder).toBeLessThan(GIVES);
  }
});

/** Of the first rung of the draft. */
const SIGN = 'The wrong form: The back stays flat and folds at the hips.';
test('a fault that is drawn is crossed out beside the right form, in the script and in the rehearsal', async ({
  page,
  studio,
}) => {
  await page.goto(`${studio.address}/script/choir-first-draft`);
  const forms = page.getByRole('listitem').filter({ hasText: 'Not so' });
  await expect(forms).toHaveCount(18);
  await expect(forms.getByRole('img', { name: SIGN })).toBeVisible();
  await page.goto(`${studio.address}/rehearse/choir-first-draft`);
  const wrong = page.getByRole('img', { name: SIGN });
  await page.getByRole('button', { name: 'Begin' }).click();
  await expect(async () => {
    if (!(await wrong.isVisible())) await page.getByRole('button', { name: 'Next' }).click();
    await expect(wrong).toBeVisible({ timeout: 300 });
  }).toPass({ timeout: 40_000 });
});
