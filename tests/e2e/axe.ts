/** What axe finds wrong on a page. It is put into the page once; views that are visited without loading the app anew keep it. */
import { expect, type Page } from '@playwright/test';
import axe, { type AxeResults, type RunOptions } from 'axe-core';

const TAGS = ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa', 'best-practice'];

type Where = { include: string[][] };
type WithAxe = { axe?: { run: (context: Where, options: RunOptions) => Promise<AxeResults> } };
type Found = { faults: string[]; looked: number };

async function look(page: Page, context: Where, options: RunOptions): Promise<Found> {
  if (!(await page.evaluate(() => 'axe' in window))) await page.evaluate(axe.source);
  return page.evaluate(
    async ([where, how]) => {
      const results = await (window as unknown as WithAxe).axe?.run(where, how);
      if (!results) throw new Error('axe is not in the page');
      return {
        faults: results.violations.map((v) => `${v.id}: ${v.nodes.map((n) => n.target.join(' ')).join(', ')}`),
        looked: results.passes.reduce((count, p) => count + p.nodes.length, 0),
      };
    },
    [context, options] as const,
  );
}

async function expectNothingFound(page: Page, what: string, context: Where, how: RunOptions): Promise<void> {
  const { faults, looked } = await look(page, context, how);
  expect(looked, `${what}: axe looked at something`).toBeGreaterThan(2);
  expect(faults, what).toEqual([]);
}

/** The view without the frame around it, where there is one. */
const viewOf = async (page: Page): Promise<Where> =>
  (await page.locator('.bench').count()) > 0 ? { include: [['.bench']] } : { include: [['html']] };

/** Every rule, on the whole page; or within the view alone where the frame around it was looked at already. */
export async function expectNoFaults(
  page: Page,
  what: string,
  part: 'page' | 'view' = 'page',
  leaveOut: readonly string[] = [],
): Promise<void> {
  const context = part === 'view' ? await viewOf(page) : { include: [['html']] };
  const rules = Object.fromEntries(leaveOut.map((rule) => [rule, { enabled: false }]));
  await expectNothingFound(page, what, context, { runOnly: { type: 'tag', values: TAGS }, rules });
}

/** Contrast alone, within the view itself: for a page that was looked at whole in another light. */
export async function expectContrast(page: Page, what: string): Promise<void> {
  await expectNothingFound(page, what, await viewOf(page), { runOnly: { type: 'rule', values: ['color-contrast'] } });
}
