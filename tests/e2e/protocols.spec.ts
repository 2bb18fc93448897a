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

/** Answers whatever the drill asks: the first button, a middling number, a few words, or waits for the timer. */
async function answer(page: Page): Promise<void> {
  const flow = page.getByTestId('flow');
  const start = flow.getByRole('button', { name: 'Start', exact: true });
  const words = flow.getByRole('textbox', { name: 'In your words' });
  const enter = flow.getByRole('button', { name: 'Enter', exact: true });
  if (await flow.getByRole('timer').isVisible()) {
    if (await start.isVisible()) await start.click();
    await page.clock.runFor(48_500);
  } else if (await words.isVisible()) {
    await words.fill('The last green, calm');
    await flow.getByRole('button', { name: 'That is it' }).click();
  } else if (await enter.isVisible()) {
    await flow.getByRole('textbox').fill('8');
    await enter.click();
  } else if (await flow.getByRole('button', { name: '5', exact: true }).isVisible()) {
    await flow.getByRole('button', { name: '5', exact: true }).click();
  } else {
    await flow.getByRole('button').first().click();
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
    const isOver = page.getByTestId('flow').getByText('That is the whole of it.');
    await expect(page.getByTestId('flow').getByRole('button').first(), name).toBeVisible();
    for (let step = 0; step < mostSteps && !(await isOver.isVisible()); step++) await answer(page);
    await expect(isOver, name).toBeVisible();
    await expect(page.getByTestId('trial-result'), name).not.toContainText('does not fit');
    await expect(page.getByTestId('trial-result'), name).not.toContainText('Nothing attempted');
  }
});
