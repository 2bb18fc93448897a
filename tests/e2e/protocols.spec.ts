import { expect, test, type Page } from '@playwright/test';
import { comeIn } from './people';

/** A drill of the shelf for every way to score. */
const drills = [
  'Five at one target',
  'Loosen up',
  'Chip to a towel',
  'Two pitches running',
  'Compass',
  'Climb the green',
  'Three zones',
  'For par, for birdie',
  'Wedge numbers',
  'Loose hands',
  'Read, then measure',
  'Driver window',
  'Two fades, two draws',
  'Out and close',
  'On the last green',
  'Box breathing',
];

const mostSteps = 120;

/** What the drill asks for now. */
type Asked = 'timer' | 'words' | 'number' | 'tapped' | 'over';

/** Taps the first answer where a tap is asked for (a middling one on the dial), in the page itself: there are many of them. */
const tapOrTell = (page: Page): Promise<Asked> =>
  page.evaluate(() => {
    const flow = document.querySelector('[data-testid="flow"]');
    if (!flow || flow.textContent?.includes('That is the whole of it.')) return 'over';
    if (flow.querySelector('[role="timer"]')) return 'timer';
    if (flow.querySelector('textarea')) return 'words';
    if (flow.querySelector('form')) return 'number';
    const buttons = [...flow.querySelectorAll('button')];
    (buttons.find((b) => b.textContent === '5') ?? buttons[0])?.click();
    return 'tapped';
  });

/** Answers whatever the drill asks; false once it asks no more. */
async function answer(page: Page): Promise<boolean> {
  const flow = page.getByTestId('flow');
  switch (await tapOrTell(page)) {
    case 'over':
      return false;
    case 'timer': {
      const start = flow.getByRole('button', { name: 'Start', exact: true });
      if (await start.isVisible()) await start.click();
      await page.clock.runFor(48_500);
      return true;
    }
    case 'words':
      await flow.getByRole('textbox').fill('The last green, calm');
      await flow.getByRole('button', { name: 'That is it' }).click();
      return true;
    case 'number':
      await flow.getByRole('textbox').fill('8');
      await page.keyboard.press('Enter');
      return true;
    case 'tapped':
      return true;
  }
}

test('every way to score can be played to its end', async ({ page }) => {
  test.setTimeout(240_000);
  await page.clock.install();
  await comeIn(page, 'coach');
  for (const name of drills) {
    await page.goto('/drills');
    await page.getByRole('link', { name, exact: true }).click();
    if (name === 'Wedge numbers') await page.getByLabel('As', { exact: true }).selectOption({ label: 'Otto Lanevik' });
    await expect(page.getByTestId('flow').getByRole('button').first(), name).toBeVisible();
    let step = 0;
    while (step < mostSteps && (await answer(page))) step++;
    await expect(page.getByText('That is the whole of it.'), name).toBeVisible();
    await expect(page.getByTestId('trial-result'), name).not.toContainText('does not fit');
    await expect(page.getByTestId('trial-result'), name).not.toContainText('Nothing attempted');
  }
});
