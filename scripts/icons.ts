/** npm run icons: the app's icons for home screens, drawn from the mark; run it when the mark changes. */
import { chromium } from '@playwright/test';
import { join } from 'node:path';

const root = join(import.meta.dirname, '..');
/** The mark in the middle four fifths, so that a round mask cuts nothing of it. */
const svg = (
  size: number,
): string => `<svg xmlns="http://www.w3.org/2000/svg" width="${size}" height="${size}" viewBox="0 0 60 60">
  <rect width="60" height="60" fill="#151c26"/>
  <g transform="translate(12 18)">
    <g fill="none" stroke="#f4f1ea" stroke-width="2.4"><circle cx="10" cy="11" r="7.6"/><circle cx="26" cy="11" r="7.6"/></g>
    <circle cx="12" cy="11" r="2.8" fill="#e0a040"/><circle cx="24" cy="11" r="2.8" fill="#e0a040"/>
    <path d="M18 14l2.6 4-2.6 5-2.6-5z" fill="#f4f1ea"/>
  </g>
</svg>`;

const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox', '--disable-gpu'] });
for (const size of [192, 512]) {
  const page = await browser.newPage({ viewport: { width: size, height: size } });
  await page.setContent(`<body style="margin:0">${svg(size)}</body>`);
  await page.screenshot({ path: join(root, 'public', `icon-${size}.png`) });
  await page.close();
}
await browser.close();
