import { chromium } from '@playwright/test';
const base = process.env.BASE ?? 'http://127.0.0.1:5999';
const b = await chromium.launch({
  executablePath: '/usr/bin/chromium',
  args: [
    '--no-sandbox',
    '--disable-gpu',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
    '--no-first-run',
  ],
});
const [, , who, size, ...steps] = process.argv;
const vp = size === 'phone' ? { width: 360, height: 740 } : { width: 1280, height: 800 };
const ctx = await b.newContext({
  viewport: vp,
  deviceScaleFactor: size === 'phone' ? 2 : 1,
  hasTouch: size === 'phone',
  isMobile: size === 'phone',
});
const p = await ctx.newPage();
p.on('console', (m) => {
  if (m.type() === 'error' || m.type() === 'warning') console.log('CONSOLE', m.text().slice(0, 400));
});
p.on('pageerror', (e) => console.log('PAGEERROR', e.message.slice(0, 400)));
await p.goto(base + '/sign-in');
if (who !== 'none') {
  await p.getByRole('button', { name: who === 'coach' ? 'Come in as the coach' : 'Come in as a student' }).click();
  await p.waitForURL((u) => !u.pathname.includes('sign-in'));
  await p.waitForTimeout(500);
}
for (const s of steps) {
  const [op, ...rest] = s.split(':');
  const arg = rest.join(':');
  if (op === 'go') {
    await p.goto(base + arg);
    await p.waitForTimeout(900);
  } else if (op === 'click') {
    await p.getByRole('button', { name: arg }).first().click();
    await p.waitForTimeout(400);
  } else if (op === 'link') {
    await p.getByRole('link', { name: arg }).first().click();
    await p.waitForTimeout(900);
  } else if (op === 'text') {
    await p.getByText(arg).first().click();
    await p.waitForTimeout(500);
  } else if (op === 'key') {
    await p.keyboard.press(arg);
    await p.waitForTimeout(300);
  } else if (op === 'wait') await p.waitForTimeout(+arg);
  else if (op === 'shot') await p.screenshot({ path: `/tmp/shots/${arg}.png` });
  else if (op === 'full') await p.screenshot({ path: `/tmp/shots/${arg}.png`, fullPage: true });
}
await b.close();
