// Takes the pictures in docs/screenshots from a running demo: node screenshots.mjs http://127.0.0.1:PORT
import { chromium } from '@playwright/test';
import { fileURLToPath } from 'node:url';
import { launchOptions } from './browser.mjs';

const base = process.argv[2];
const folder = fileURLToPath(new URL('../../docs/screenshots/', import.meta.url));
const browser = await chromium.launch(launchOptions);

async function open(size, as) {
  const context = await browser.newContext({ viewport: size, reducedMotion: 'reduce', locale: 'en-GB', baseURL: base });
  const page = await context.newPage();
  await page.goto('/sign-in');
  const button = page.getByRole('button', { name: as === 'student' ? 'Come in as a student' : 'Come in as the coach' });
  await button.waitFor();
  const shoot = async (name, top) => {
    await page.evaluate(() => document.fonts.ready);
    await page.waitForLoadState('networkidle');
    await page
      .getByText(/^(sending|Getting .*) …$/)
      .first()
      .waitFor({ state: 'hidden' });
    if (top) await top.evaluate((e) => e.scrollIntoView());
    else await page.evaluate(() => window.scrollTo(0, 0));
    // Nothing is pointed at.
    await page.mouse.move(0, 0);
    await page.screenshot({ path: `${folder}${name}.png` });
  };
  return { page, shoot, comeIn: () => button.click() };
}

const coach = await open({ width: 1280, height: 800 }, 'coach');
await coach.comeIn();
await coach.page.getByRole('heading', { name: 'Tee line' }).waitFor();
await coach.shoot('tee-line');
await coach.page.getByRole('link', { name: 'Otto Lanevik' }).click();
await coach.page.getByRole('img', { name: /^Completion by week/ }).waitFor();
await coach.shoot('student');
await coach.page.goto('/walk');
await coach.page.getByRole('group', { name: /^Bays/ }).getByTitle('Otto Lanevik').click();
await coach.page.getByText('On Thursday I only have forty minutes.').waitFor();
await coach.shoot('walk');
await coach.page.goto('/tee-line');
await coach.page.getByRole('link', { name: 'Henrik Solmar' }).click();
// The one that pain ended, wherever it stands in the list.
const last = coach.page
  .getByRole('region', { name: 'Last sessions' })
  .getByRole('link', { name: 'Line first, then four holes' });
for (let i = 0; ; i++) {
  await last.nth(i).click();
  await coach.page.getByTestId('done').waitFor();
  if ((await coach.page.getByText('Pain ended this session').count()) > 0) break;
  await coach.page.goBack();
}
await coach.shoot('session');
await coach.page.goto('/tee-line');
await coach.page.getByRole('link', { name: 'Otto Lanevik' }).click();
await coach.page.getByRole('link', { name: 'File' }).click();
await coach.page.getByRole('heading', { name: 'Care notes' }).waitFor();
await coach.shoot('student-file');
await coach.page.goto('/drills');
await coach.page.getByText(/^\d+.drills$/).waitFor();
await coach.shoot('drill-shelf');
await coach.page.getByRole('link', { name: 'Round the hole' }).click();
await coach.page.getByTestId('flow').waitFor();
await coach.shoot('drill');
await coach.page.goto('/tee-line');
await coach.page.getByRole('heading', { level: 1, name: 'Tee line' }).waitFor();
await coach.page.keyboard.press('5');
await coach.page.getByRole('grid').waitFor();
await coach.page.keyboard.press(']');
await coach.page.getByRole('heading', { name: /^Next week/ }).waitFor();
await coach.page.locator('.chip').first().waitFor();
await coach.page
  .getByRole('row', { name: /^Bram Keelstra/ })
  .locator('.chip')
  .nth(2)
  .click();
await coach.page
  .getByRole('region', { name: 'In hand' })
  .getByText(/^Friday/)
  .waitFor();
await coach.shoot('week-sheet');
await coach.page.goto('/places');
await coach.page.getByRole('button', { name: /River range/ }).click();
await coach.page.getByLabel('Lay a hole here').selectOption({ label: 'Osier Island 3, par 5' });
await coach.page.getByLabel('For', { exact: true }).selectOption({ label: 'Otto Lanevik' });
await coach.page.getByText(/^Between .* wide/).waitFor();
await coach.shoot('places');
await coach.page.goto('/courses');
await coach.page.getByLabel('Par, hole 3').focus();
await coach.shoot('courses');
await coach.page.goto('/tee-line');
await coach.page.getByRole('link', { name: 'Carla Vintholm' }).click();
await coach.page.getByRole('link', { name: 'Island Open' }).click();
await coach.page.getByRole('region', { name: 'Until then' }).waitFor();
await coach.shoot('competition');
await coach.page.goto('/test-days');
await coach.page.getByRole('link', { name: 'Saturday on Poplar green' }).click();
await coach.page.getByRole('region', { name: 'Tilda Brockhus' }).waitFor();
await coach.shoot('test-day');
await coach.page.goto('/plans');
await coach.page.getByRole('link', { name: 'Line first, then four holes' }).waitFor();
await coach.page.getByRole('link', { name: 'Line first, then four holes' }).click();
await coach.page.getByRole('region', { name: 'Totals' }).waitFor();
await coach.page.getByRole('button', { name: 'Words and frame' }).click();
await coach.page.getByLabel('For', { exact: true }).selectOption({ label: 'Otto Lanevik' });
await coach.page.getByTestId('plan-context').waitFor();
await coach.page.reload();
await coach.page.getByTestId('plan-context').waitFor();
await coach.page.getByTestId('segment-row').getByText('Start it between two').click();
await coach.shoot('bench');

/** Closes the part under way, and says that all of it was done where that is asked. */
async function closePart(page) {
  const part = await page.getByRole('heading', { level: 1 }).innerText();
  await page.getByRole('button', { name: 'Next', exact: true }).click();
  const asked = page.getByRole('group', { name: 'How much did you do?' }).getByRole('button', { name: 'All' });
  await asked.waitFor({ timeout: 1000 }).then(
    () => asked.click(),
    () => undefined,
  );
  await page.waitForFunction((before) => document.querySelector('h1')?.innerText !== before, part);
}

const student = await open({ width: 360, height: 740 }, 'student');
await student.comeIn();
await student.page.getByRole('heading', { level: 1, name: 'My week' }).waitFor();
await student.shoot('my-week');
await student.page.goto('/warm-up');
await student.page.getByRole('heading', { level: 2 }).first().waitFor();
await student.shoot('warm-up');
await student.page.getByRole('link', { name: 'My progress' }).click();
await student.page.getByRole('img', { name: /^Completion by week/ }).waitFor();
await student.shoot('my-progress');
await student.page.getByRole('link', { name: 'My week' }).click();
await student.page.getByRole('link', { name: 'Practise' }).first().click();
await student.page.getByRole('button', { name: 'Begin' }).waitFor();
await student.page.getByRole('button', { name: 'Begin' }).click();
await closePart(student.page);
await closePart(student.page);
for (const answer of ['Made', 'Missed', 'Made'])
  await student.page.getByRole('button', { name: answer, exact: true }).click();
await student.shoot('practice');
await student.page.getByRole('button', { name: 'It hurts' }).click();
await student.page.getByRole('button', { name: 'Wrist or hand' }).click();
await student.shoot('pain');
await student.page.getByRole('button', { name: 'Nothing is wrong' }).click();
await student.page.getByRole('dialog').waitFor({ state: 'detached' });
// On to the holes, the last thing of the session.
while ((await student.page.getByText(/^Hole 1, par/).count()) === 0) await closePart(student.page);
await student.shoot('hole', student.page.getByTestId('flow'));
await browser.close();
