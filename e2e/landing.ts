import type { BrowserContext, Page } from '@playwright/test';

/** A class of the demo that several hands change. */
export const LANDING = '/class/night-landing';
export const name = (page: Page) => page.getByLabel('Name of the class');
export const WRITES = '**/api/**';
/** Nothing that this page writes arrives. */
export const cutOff = (page: Page) =>
  page.route(WRITES, (route) => (route.request().method() === 'GET' ? route.continue() : route.abort()));
/** Tabs that hear nothing of one another: a clash is no matter of luck then. */
export const deaf = (context: BrowserContext) => context.route('**/api/feed*', (route) => route.abort());
/** What a page asks. */
export const question = (page: Page) => page.getByRole('dialog');
