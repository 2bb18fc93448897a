import AxeBuilder from '@axe-core/playwright';
import { expect, type Page } from '@playwright/test';

/**
 * WCAG 2.2 AA, as far as a program can tell; no sideways scrolling; a title of its own; and, where a thumb presses, links and
 * buttons of at least 44 pixels.
 */
export async function isClean(page: Page, name: string, onlyContrast = false) {
  const axe = new AxeBuilder({ page }).options({ preload: false, resultTypes: ['violations'] });
  // The outdoor look changes colours and nothing else.
  if (onlyContrast) axe.withRules(['color-contrast', 'target-size']);
  else axe.withTags(['wcag2a', 'wcag2aa', 'wcag21aa', 'wcag22aa', 'best-practice']);
  const { violations } = await axe.analyze();
  expect(violations.map((v) => `${name}: ${v.id}: ${v.nodes.map((n) => n.target.join(' ')).join(', ')}`)).toEqual([]);
  expect(
    await page.evaluate(() => document.documentElement.scrollWidth <= window.innerWidth),
    `${name} scrolls sideways`,
  ).toBe(true);
  await expect(page, `${name} has a title`).toHaveTitle(/.+ · Morning Round$/);
  const small = await page.evaluate(() =>
    window.matchMedia('(pointer: coarse)').matches
      ? [...document.querySelectorAll<HTMLElement>('a[href], button')]
          .filter((e) => e.checkVisibility() && e.getAttribute('href') !== '#content' && e.tabIndex >= 0)
          .filter((e) => e.getBoundingClientRect().height < 43.5)
          .map((e) => `${e.tagName} ${e.ariaLabel ?? e.textContent}, ${e.getBoundingClientRect().height}`)
      : [],
  );
  expect.soft(small, `${name} has nothing too small for a thumb`).toEqual([]);
}
