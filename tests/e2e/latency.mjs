// How soon an attempt shows after the finger, without a network and on a CPU slowed down four times:
// node latency.mjs http://127.0.0.1:PORT
import { chromium } from '@playwright/test';
import { launchOptions } from './browser.mjs';

const browser = await chromium.launch(launchOptions);
const context = await browser.newContext({
  viewport: { width: 360, height: 740 },
  isMobile: true,
  hasTouch: true,
  baseURL: process.argv[2],
});
const page = await context.newPage();
await page.goto('/sign-in');
await page.getByRole('button', { name: 'Come in as a student' }).click();
await page
  .getByRole('listitem')
  .filter({ hasText: 'Putts from both ends' })
  .getByRole('link', { name: 'Practise', exact: true })
  .first()
  .click();
await page.getByRole('button', { name: 'Begin' }).click();
await page.getByTestId('flow').waitFor();
await context.setOffline(true);
const cdp = await context.newCDPSession(page);
await cdp.send('Emulation.setCPUThrottlingRate', { rate: 4 });
const times = await page.evaluate(async () => {
  const flow = document.querySelector('[data-testid="flow"]');
  const painted = () => new Promise((resolve) => requestAnimationFrame(() => setTimeout(resolve)));
  const found = [];
  for (let i = 0; i < 8; i++) {
    const button = flow.querySelector('button');
    await painted();
    const before = performance.now();
    button.click();
    await painted();
    found.push(performance.now() - before);
    await new Promise((resolve) => setTimeout(resolve, 50));
  }
  return found.sort((a, b) => a - b);
});
console.log(
  `attempt to paint, 4× slower CPU, offline: median ${times[4].toFixed(1)} ms, worst ${times[7].toFixed(1)} ms`,
);
await browser.close();
