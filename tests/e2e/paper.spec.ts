import { expect, type Page } from '@playwright/test';
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';
import { comeIn, test } from './people';

interface Paper {
  name: string;
  sessions: {
    card: { assignmentId: string; title: string };
    plan: {
      purpose: string;
      segments: {
        id: string;
        kind: string;
        title: string;
        instruction: string;
        holes?: number | null;
        drill?: { drill: { setUp: string } } | null;
      }[];
    };
    drills: {
      segmentId: string;
      setUp: string;
      calls: { club: string }[];
      protocol: { kind: string };
    }[];
    boxes: { segmentId: string; boxes: number }[];
  }[];
}

/** The text of a PDF, page by page, without spaces: where lines break is the printer's business. */
async function read(pdf: Buffer): Promise<{ pages: string[]; sizes: number[][] }> {
  const document = await getDocument({ data: new Uint8Array(pdf), verbosity: 0 }).promise;
  const [pages, sizes]: [string[], number[][]] = [[], []];
  for (let n = 1; n <= document.numPages; n += 1) {
    const page = await document.getPage(n);
    const content = await page.getTextContent();
    pages.push(content.items.map((item) => ('str' in item ? item.str : '')).join(''));
    sizes.push(page.view.slice(2).map(Math.round));
  }
  return { pages: pages.map(bare), sizes };
}

const bare = (text: string) => text.replace(/\s+/g, '');

async function paperOf(page: Page, week: string, students: string[]): Promise<Paper[]> {
  const answer = await page.request.post(`/api/weeks/${week}/paper`, { data: { students } });
  expect(answer.status()).toBe(200);
  return (await answer.json()) as Paper[];
}

test('a squad’s sheets are printed in one go, and a reader of PDFs finds every call, instruction and box', async ({
  page,
}) => {
  await comeIn(page, 'coach');
  const week = '2026-W19';
  const sheet = (await (await page.request.get(`/api/weeks/${week}/sheet`)).json()) as {
    rows: { studentId: string; sessions: { isPublished: boolean; requirement: string }[] }[];
  };
  const students = sheet.rows
    .filter((r) => r.sessions.some((s) => s.isPublished && s.requirement !== 'own'))
    .map((r) => r.studentId)
    .slice(0, 12);
  expect(students.length).toBeGreaterThan(4);
  const papers = await paperOf(page, week, students);
  await page.goto(`/print?week=${week}&students=${students.join(',')}`);
  await expect(page.getByRole('region', { name: /^Week of/ })).toHaveCount(papers.length);

  for (const [format, points] of [
    ['A4', [595, 842]],
    ['Letter', [612, 792]],
  ] as const) {
    await page.getByLabel('Paper').selectOption({ label: format });
    const { pages, sizes } = await read(await page.pdf({ preferCSSPageSize: true }));
    for (const size of sizes)
      expect(size.map((s) => Math.round(s / 10))).toEqual(points.map((p) => Math.round(p / 10)));
    const text = pages.join('');
    const sessions = papers.flatMap((p) => p.sessions);
    for (const { card, plan, drills } of sessions) {
      expect(text).toContain(bare(card.title));
      expect(text).toContain(bare(plan.purpose));
      for (const segment of plan.segments) {
        expect(text, `${card.title}: ${segment.title}`).toContain(bare(segment.title));
        expect(text, `${card.title}: ${segment.title}`).toContain(bare(segment.instruction));
        const drill = drills.find((d) => d.segmentId === segment.id);
        if (drill) expect(text, `${card.title}: ${segment.title}`).toContain(bare(drill.setUp));
      }
    }
    // No sheet takes more than two pages.
    expect(pages.length).toBeLessThanOrEqual(papers.length + 2 * sessions.length);
  }
});

test('a sheet asks in the order in which it is typed in, with a box for every attempt and call', async ({ page }) => {
  await comeIn(page, 'student');
  const { person } = (await (await page.request.get('/api/accounts/session')).json()) as {
    person: { studentId: string; week: string };
  };
  const [paper] = await paperOf(page, person.week, [person.studentId]);
  for (const { card, plan, boxes, drills } of paper?.sessions ?? []) {
    await page.goto(`/print?session=${card.assignmentId}`);
    const sheet = page.getByTestId('paper');
    await expect(sheet.getByRole('heading', { name: card.title })).toBeVisible();
    const expected = plan.segments
      .filter((s) => s.kind === 'practice')
      .reduce((sum, s) => {
        const drill = drills.find((d) => d.segmentId === s.id);
        // Holes that are played have a line each for strokes and putts.
        if (drill?.protocol.kind === 'playedHoles') return sum;
        const calls = drill?.calls.length ?? 0;
        return sum + (s.holes ? s.holes : calls > 0 ? calls : (boxes.find((b) => b.segmentId === s.id)?.boxes ?? 0));
      }, 0);
    await expect(sheet.locator('.box')).toHaveCount(expected);
    const { pages } = await read(await page.pdf({ preferCSSPageSize: true }));
    // Up to five parts and forty boxes stand on one page.
    if (plan.segments.length <= 5 && expected <= 40) expect(pages, card.title).toHaveLength(1);
    const text = pages.join('');
    const order = [...plan.segments.map((s) => bare(s.title)), 'Quality', 'Confidence', 'Effort', 'Note'];
    const at = order.map((word, i) => text.indexOf(word, i === 0 ? text.indexOf(bare(plan.purpose)) : 0));
    expect(
      [...at].sort((a, b) => a - b),
      card.title,
    ).toEqual(at);
  }
});

test('paper is black and white', async ({ page }) => {
  await comeIn(page, 'student');
  await page.goto('/print');
  await expect(page.getByRole('region', { name: /^Week of/ })).toBeVisible();
  const tint = await page.evaluate(() => getComputedStyle(document.querySelector('pattern rect') as Element).fill);
  expect(tint).toBe('rgb(255, 255, 255)');
});
