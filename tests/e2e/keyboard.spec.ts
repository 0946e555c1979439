/** A whole evening by keys alone, from an empty database: what the hand reaches is what the Tab key reaches. */
import { expect, test, type Page } from '@playwright/test';
import { expectNoFaults } from './axe.ts';
import { NOW } from './support.ts';

/** What has the focus, as somebody who cannot see the page hears it. */
const focused = (page: Page): Promise<string> =>
  page.evaluate(() => {
    const it = document.activeElement;
    if (!it || it === document.body) return '';
    const labels = it instanceof HTMLInputElement || it instanceof HTMLSelectElement ? [...(it.labels ?? [])] : [];
    const label = labels.map((one) => one.textContent).join(' ');
    const value = it instanceof HTMLInputElement && it.type === 'radio' ? it.value : '';
    return [it.getAttribute('aria-label') ?? '', label, value, it.textContent].join(' ').trim();
  });

/** Empty where the focus is drawn: an outline or a shadow that is not there otherwise. */
const unseenFocus = (page: Page): Promise<string> =>
  page.evaluate(() => {
    const it = document.activeElement;
    if (!it || it === document.body) return 'the focus fell off the page';
    // A hidden choice of a file is seen at its label.
    const label = it instanceof HTMLInputElement && it.type === 'file' ? it.labels?.[0] : undefined;
    const { outlineStyle, outlineWidth, boxShadow } = getComputedStyle(label ?? it.closest('.pick') ?? it);
    const isDrawn = (outlineStyle !== 'none' && outlineWidth !== '0px') || boxShadow !== 'none';
    return isDrawn ? '' : `no focus to be seen on ${it.outerHTML.slice(0, 120)}`;
  });

/** What a press takes away hands the focus on a frame or two later. */
const expectSeen = (page: Page): Promise<void> => expect.poll(() => unseenFocus(page)).toBe('');

async function press(page: Page, key: string): Promise<void> {
  await page.keyboard.press(key);
}

/** The Tab key until something of that name has the focus. */
async function tabTo(page: Page, name: RegExp, most = 90): Promise<void> {
  for (let i = 0; i < most; i += 1) {
    await press(page, 'Tab');
    await expectSeen(page);
    if (name.test(await focused(page))) return;
  }
  throw new Error(`the Tab key never reached ${String(name)}`);
}

async function type(page: Page, text: string): Promise<void> {
  await press(page, 'ControlOrMeta+a');
  await page.keyboard.type(text);
}

const heading = (page: Page) => page.getByRole('heading', { level: 1 });

/** Opens a station or tab by a few letters. */
async function find(page: Page, letters: string): Promise<void> {
  await press(page, '/');
  await expect(page.getByRole('searchbox', { name: 'Find by name' })).toBeFocused();
  await page.keyboard.type(letters);
  await press(page, 'Enter');
  await expect(page.getByRole('dialog')).toBeHidden();
}

async function startOwnNight(page: Page): Promise<void> {
  await page.goto(`/start?now=${NOW}`);
  await expect(heading(page)).toHaveText('Your own night');
  await tabTo(page, /nearest town/i);
  await page.keyboard.type('covilha');
  await expect(page.getByRole('button', { name: /^Covilhã/ })).toBeVisible();
  await tabTo(page, /^Covilhã/);
  await press(page, 'Enter');
  // The list of towns is gone: the focus stands where one goes on.
  await expect.poll(() => focused(page)).toBe('Next');
  await press(page, 'Enter');
  await expect.poll(() => focused(page)).toMatch(/^Choose what carries it/);
  await tabTo(page, /German mount|trackerBallHead|Small tracker/);
  while (!/germanEquatorial/.test(await focused(page))) await press(page, 'ArrowRight');
  await press(page, ' ');
  await tabTo(page, /^Next/);
  await press(page, 'Enter');
  await expect.poll(() => focused(page)).toMatch(/^Say what looks/);
  await tabTo(page, /Focal length/);
  await type(page, '135');
  await tabTo(page, /Show my night/);
  await press(page, 'Enter');
  await expect(heading(page)).toHaveText('Tonight');
  await expect.poll(() => focused(page)).toBe('Tonight');
}

test('an evening by keys alone: own night, level, star on the dial, plan, flip, log, undo', async ({ page }) => {
  await startOwnNight(page);
  await expectSeen(page);
  await expectNoFaults(page, 'Tonight by keys');

  // A tab is found by its name, and level is recorded.
  await find(page, 'level level');
  await expect(page.getByRole('tab', { name: 'Level', exact: true })).toHaveAttribute('aria-selected', 'true');
  await press(page, 'm');
  await expect.poll(() => focused(page)).toBe('Tilt');
  await type(page, '0.3');
  await press(page, 'Enter');
  await expect(page.getByText('Record this tilt')).toBeVisible();
  await expect(page.locator('.toast')).toContainText('recorded');
  await expectSeen(page);

  // Arrows, Home and End go through the tabs; they are one stop.
  // In a field a figure is a figure; beside it, it is the key of a station.
  await tabTo(page, /^Record this tilt/);
  await press(page, '6');
  await expect(heading(page)).toHaveText('Polar alignment');
  await tabTo(page, /^Finder dial$/);
  await press(page, 'ArrowRight');
  await expect.poll(() => focused(page)).toBe('Find the pole');
  await press(page, 'End');
  await expect.poll(() => focused(page)).toBe('Error and knobs');
  await expect(page.getByRole('tab', { name: 'Error and knobs' })).toHaveAttribute('aria-selected', 'true');
  await press(page, 'Home');
  await expect.poll(() => focused(page)).toBe('Finder dial');
  await tabTo(page, /^The star is there/);
  await press(page, 'Enter');
  await expect(page.locator('.toast').last()).toContainText(/recorded|set/i);
  await expectSeen(page);

  // The plan.
  await find(page, 'plan');
  await expect(page.getByRole('tab', { name: 'Plan' })).toHaveAttribute('aria-selected', 'true');
  await tabTo(page, /^Sub length/);
  await type(page, '45');
  await press(page, 'Enter');
  await expect(page.locator('.margin')).toContainText('45 s at');
  await expectSeen(page);

  // The flip, step by step.
  await tabTo(page, /^Save the plan/);
  await find(page, 'the flip');
  await tabTo(page, /^Start flip/);
  await press(page, 'Enter');
  const done = page.getByRole('button', { name: /^Flip done/ });
  for (let step = 1; !(await done.isVisible()); step += 1) {
    await expect(page.getByText(`Step ${step} of`).or(done)).toBeVisible();
    if (await done.isVisible()) break;
    if ((await focused(page)) !== 'Done') await tabTo(page, /^Done$/);
    await press(page, 'Enter');
  }
  await expect.poll(() => focused(page)).not.toBe('');

  // Undo takes back the last press.
  await press(page, 'u');
  await expect(page.locator('.toast').last()).toContainText(/undone|taken back/i);
});

test('a log is read by keys alone, from the address bar on', async ({ page }) => {
  await page.goto(`/n/demo-tonight-heron/tracking?now=${NOW}`);
  await expect(heading(page)).toHaveText('Tracking');
  await tabTo(page, /^To the bench$/, 2);
  await press(page, 'Enter');
  await expect.poll(() => focused(page)).toBe('Tracking');
  await tabTo(page, /^Usable subs$/, 3);
  await press(page, 'ArrowRight');
  await expect.poll(() => focused(page)).toBe('A log');
  await expect(page.locator('#log-file')).toBeAttached();
  await tabTo(page, /^Choose (a|another) log/);
  // Enter opens the system's own window, which no page sees: what it would hand over is handed over.
  await page.locator('#log-file').setInputFiles('tests/fixtures/logs/log02.csv');
  await expect(page.getByText(/peak to peak/i).first()).toBeVisible();
  await expect.poll(() => focused(page)).not.toBe('');
});
