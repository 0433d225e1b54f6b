import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { type Browser, chromium } from '@playwright/test';
import { expect, kept, test } from '../../fixtures';
import { BROWSER } from '../../studio';

/** What a page of another site does to a studio at an address, as soon as it is opened. */
const ATTACKS: Readonly<Record<string, (studio: string) => string>> = {
  form: (studio) => `<form method="post" enctype="text/plain" action="${studio}/api/bundle?mode=replace">
    <input name='{"format":"warm-ladder/bundle","version":1,"x":"' value='"}'></form>
    <script>document.forms[0].submit()</script>`,
  plain: (studio) => `<script>fetch('${studio}/api/bundle?mode=replace', { method: 'POST', mode: 'no-cors',
    body: '{"format":"warm-ladder/bundle","version":1}' }).finally(() => document.title = 'done')</script>`,
  json: (studio) => `<script>fetch('${studio}/api/bundle?mode=replace', { method: 'POST',
    headers: { 'content-type': 'application/json' }, body: '{"format":"warm-ladder/bundle","version":1}' })
    .catch(() => undefined).finally(() => document.title = 'done')</script>`,
  read: (studio) => `<script>fetch('${studio}/api/studio').then((r) => r.text()).catch(() => 'nothing')
    .then((text) => document.title = 'read ' + text.slice(0, 40))</script>`,
};

let evil: Server;
let browser: Browser;

test.beforeAll(async () => {
  evil = createServer((request, response) => {
    const url = new URL(request.url ?? '/', 'http://evil.test');
    const attack = ATTACKS[url.pathname.slice(1)];
    response.setHeader('content-type', 'text/html');
    response.end(attack ? attack(url.searchParams.get('studio') ?? '') : '');
  }).listen(0, '127.0.0.1');
  // Names of the attacker's own that lead to this machine, as a name server of theirs would answer.
  browser = await chromium.launch({
    ...BROWSER,
    args: [...BROWSER.args, '--host-resolver-rules=MAP evil.test 127.0.0.1, MAP rebound.test 127.0.0.1'],
  });
});
test.afterAll(async () => {
  await browser.close();
  evil.close();
});

test('a page of another site neither changes nor reads the studio, and the app itself goes on', {
  tag: '@long',
}, async ({ studio }) => {
  const page = await browser.newPage();
  const before = await kept(studio.address);
  const { port } = evil.address() as AddressInfo;
  for (const host of ['evil.test', 'localhost']) {
    for (const attack of Object.keys(ATTACKS)) {
      await page.goto(`http://${host}:${port}/${attack}?studio=${encodeURIComponent(studio.address)}`);
      if (attack === 'form') await page.waitForURL(/\/api\/bundle/);
      else await expect(page).toHaveTitle(attack === 'read' ? 'read nothing' : 'done');
    }
  }
  expect(await kept(studio.address)).toEqual(before);
  await page.goto(`${studio.address}/class/night-landing`);
  await page.getByLabel('Name of the class').fill('Still ours');
  await expect(page.getByRole('status').filter({ hasText: /^Saved$/ })).toBeVisible();
});

test('a name that another site points at this machine is not answered', async ({ studio }) => {
  const page = await browser.newPage();
  const { port } = new URL(studio.address);
  const answer = await page.goto(`http://rebound.test:${port}/api/studio`);
  expect(answer?.status()).toBe(421);
  expect(await page.textContent('body')).not.toContain('audiences');
  expect((await page.goto(`http://rebound.test:${port}/`))?.status()).toBe(421);
  expect((await page.goto(`http://localhost:${port}/api/studio`))?.status()).toBe(200);
});
