import AxeBuilder from '@axe-core/playwright';
import { expect, type Page } from '@playwright/test';

/**
 * WCAG 2.2 AA, as far as a program can tell; nothing that scrolls sideways, is cut or lies over something; a title of
 * its own; and, where a thumb presses, links and
 * buttons of at least 44 pixels.
 */
export async function isClean(page: Page, name: string, of: 'all' | 'colours' | 'allButColours' | 'size' = 'all') {
  // A screen half drawn, or in letters that are about to change, is no screen anybody reads.
  await expect(page.locator('[data-loading]'), `${name} is there`).toHaveCount(0);
  await page.evaluate(() => document.fonts.ready);
  // What is half behind a bar that stays in sight is not too small: it is scrolled.
  await page.evaluate(() => {
    window.scrollTo(0, 0);
    for (const e of document.querySelectorAll<HTMLElement>('body *'))
      if (getComputedStyle(e).position === 'sticky') e.style.position = 'static';
  });
  // There is no frame within a page, for which alone it would open a second one and gather what it found there.
  const axe = new AxeBuilder({ page }).setLegacyMode().options({ preload: false, resultTypes: ['violations'] });
  // The outdoor look changes colours and nothing else. Another size of screen shows the same elements otherwise: what is small,
  // scrolls or is hidden there.
  if (of === 'colours') axe.withRules(['color-contrast', 'target-size']);
  else if (of === 'size')
    axe.withRules([
      'target-size',
      'scrollable-region-focusable',
      'link-in-text-block',
      'aria-hidden-focus',
      'tabindex',
    ]);
  else axe.withTags(['wcag2a', 'wcag2aa', 'wcag21aa', 'wcag22aa', 'best-practice']);
  if (of === 'allButColours') axe.disableRules(['color-contrast']);
  const { violations } = await axe.analyze();
  await page.evaluate(() => {
    for (const e of document.querySelectorAll<HTMLElement>('body *'))
      if (e.style.position === 'static') e.style.position = '';
  });
  expect(violations.map((v) => `${name}: ${v.id}: ${v.nodes.map((n) => n.target.join(' ')).join(', ')}`)).toEqual([]);
  expect(await misfits(page), `${name} fits`).toEqual([]);
  await expect(page, `${name} has a title`).toHaveTitle(/.+ · Morning Round$/);
  const small = await page.evaluate(() =>
    window.matchMedia('(pointer: coarse)').matches
      ? [...document.querySelectorAll<HTMLElement>('a[href], button')]
          .filter((e) => e.checkVisibility() && e.getAttribute('href') !== '#content')
          .filter((e) => e.getBoundingClientRect().height < 43.5)
          .map((e) => `${e.tagName} ${e.ariaLabel ?? e.textContent}, ${e.getBoundingClientRect().height}`)
      : [],
  );
  expect.soft(small, `${name} has nothing too small for a thumb`).toEqual([]);
}

/** What does not fit a screen of this size: a page or a list that scrolls sideways, fields over one another, a cut choice. */
export const misfits = (page: Page) =>
  page.evaluate(() => {
    const found = new Set<string>();
    if (document.documentElement.scrollWidth > window.innerWidth) found.add('the page scrolls sideways');
    // A dialog lies over the page, and means to.
    const within = document.querySelector('[role=dialog]') ?? document.body;
    const shown = [...within.querySelectorAll<HTMLElement>('*')].filter((e) => e.checkVisibility());
    for (const e of shown) {
      const style = getComputedStyle(e);
      if (/auto|scroll/.test(style.overflowX) && e.scrollWidth > e.clientWidth + 1)
        found.add(`scrolls sideways: ${e.ariaLabel ?? e.textContent.slice(0, 40)}`);
      if (e instanceof HTMLSelectElement) {
        const drawn = document.createElement('canvas').getContext('2d');
        if (!drawn) continue;
        // The shorthand is empty where figures are tabular.
        drawn.font = `${style.fontWeight} ${style.fontSize} ${style.fontFamily}`;
        const text = e.selectedOptions[0]?.text ?? '';
        if (drawn.measureText(text).width > e.clientWidth - parseFloat(style.paddingLeft) - 16)
          found.add(`cut: ${text}`);
      }
    }
    const fields = shown
      .filter((e) => e.matches('select, textarea:not([aria-hidden]), input:not([type=radio], [type=file])'))
      .map((e) => ({ name: e.ariaLabel ?? e.id, at: e.getBoundingClientRect() }));
    for (const [i, a] of fields.entries())
      for (const b of fields.slice(i + 1))
        if (
          a.at.left < b.at.right - 1 &&
          b.at.left < a.at.right - 1 &&
          a.at.top < b.at.bottom - 1 &&
          b.at.top < a.at.bottom - 1
        )
          found.add(`over one another: ${a.name}, ${b.name}`);
    return [...found];
  });
