import { expect, type Page } from '@playwright/test';

/** A phone upright, the same with a keyboard's row of suggestions or an old one, and a phone on its side. */
const sizes = [
  { width: 360, height: 740 },
  { width: 360, height: 620 },
  { width: 740, height: 360 },
];

/** Every answer to what is asked stands between the top of the screen and the bar with the way on, without scrolling. */
export async function answersStandAboveTheBar(phone: Page, what: string) {
  const before = phone.viewportSize();
  for (const size of sizes) {
    await phone.setViewportSize(size);
    const hidden = await phone.evaluate(async () => {
      await new Promise((shown) => requestAnimationFrame(() => requestAnimationFrame(shown)));
      window.scrollTo(0, 0);
      const bar = document.querySelector('[data-testid="way-on"]')?.getBoundingClientRect().top ?? 0;
      return [...document.querySelectorAll<HTMLElement>('[data-testid="answers"] :is(button, input, textarea)')]
        .filter((answer) => answer.checkVisibility() && answer.getBoundingClientRect().height > 0)
        .filter((answer) => answer.getBoundingClientRect().bottom > bar + 0.5)
        .map(
          (answer) =>
            `${answer.textContent} ends ${Math.round(answer.getBoundingClientRect().bottom - bar)} px below it`,
        );
    });
    expect.soft(hidden, `${what} at ${size.width} × ${size.height}`).toEqual([]);
  }
  if (before) await phone.setViewportSize(before);
}

/** What is offered to answer with: another question has other answers. */
export const answersOffered = (phone: Page): Promise<string> =>
  phone.evaluate(() =>
    [...document.querySelectorAll<HTMLElement>('[data-testid="answers"] :is(button, input, textarea)')]
      .map((answer) => answer.textContent || answer.tagName.toLowerCase())
      .join(' · '),
  );
