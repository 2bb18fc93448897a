import { expect, type Page } from '@playwright/test';
import { isClean } from './clean';
import { comeIn, onPhone, test, toDemoStudent } from './people';

const cup = 'c0ffee00-0000-7000-8000-000000000001';

interface FileView {
  version: number;
  file: { own: { competitions: object[] } };
}

/** Writes a competition of last weekend into the signed-in student's file. */
async function played(phone: Page) {
  const session = (await (await phone.request.get('/api/accounts/session')).json()) as {
    person: { studentId: string };
  };
  const path = `/api/students/${session.person.studentId}/file`;
  const { version, file } = (await (await phone.request.get(path)).json()) as FileView;
  const competition = { id: cup, name: 'Willow Medal', firstDay: '2026-05-02', lastDay: '2026-05-03' };
  const data = { ...file, own: { ...file.own, competitions: [...file.own.competitions, competition] } };
  const saved = await phone.request.put(path, { data, headers: { 'If-Match': `"${version}"` } });
  expect(saved.status()).toBe(200);
  return { path, studentId: session.person.studentId };
}

test('what held is said on the phone, survives a failed save and another one’s words, and stands in the file', async ({
  browser,
  page: coach,
}) => {
  const phone = await onPhone(browser);
  await comeIn(phone, 'student');
  const { path } = await played(phone);
  await phone.goto('/my-progress');
  await phone.getByRole('link', { name: 'Willow Medal' }).click();
  await expect(phone.getByText('It was over 3 days ago.')).toBeVisible();
  await isClean(phone, 'a competition that is over');
  const held = phone.getByRole('group', { name: 'This held' });
  const gave = phone.getByRole('group', { name: 'This did not hold' });
  await held.getByRole('button', { name: 'Iron' }).click();
  await gave.getByRole('button', { name: 'Putting' }).click();
  // What held cannot also not have held.
  await gave.getByRole('button', { name: 'Iron' }).click();
  await expect(held.getByRole('button', { name: 'Iron' })).toHaveAttribute('aria-pressed', 'false');
  await phone.getByLabel('In a few words').fill('The greens were twice as fast.');

  // A write that fails once loses nothing.
  await phone.route('**/file', (route) => (route.request().method() === 'PUT' ? route.abort() : route.continue()), {
    times: 2,
  });
  await phone.getByRole('button', { name: 'Keep it' }).click();
  await expect(phone.getByRole('alert')).toContainText('No connection');
  await phone.reload();
  await expect(phone.getByText('Changes you had not saved are back.')).toBeVisible();
  await expect(phone.getByLabel('In a few words')).toHaveValue('The greens were twice as fast.');

  // Meanwhile the coach writes about it too: that is not written over unseen.
  await comeIn(coach, 'coach');
  const { version, file } = (await (await coach.request.get(path)).json()) as FileView;
  const theirs = file.own.competitions.map((c) =>
    'id' in c && c.id === cup ? { ...c, debrief: 'Seen from the ferry.' } : c,
  );
  const written = await coach.request.put(path, {
    data: { ...file, own: { ...file.own, competitions: theirs } },
    headers: { 'If-Match': `"${version}"` },
  });
  expect(written.status()).toBe(200);
  await phone.getByRole('button', { name: 'Keep it' }).click();
  await expect(phone.getByText('Somebody saved a newer version in the meantime.')).toBeVisible();
  await phone.getByRole('button', { name: 'Save mine over it' }).click();
  await expect(phone.getByText('saved', { exact: true })).toBeVisible();
  const kept = (await (await phone.request.get(path)).json()) as FileView;
  expect(kept.file.own.competitions.at(-1)).toMatchObject({
    debrief: 'The greens were twice as fast.',
    held: [],
    didNotHold: ['putting', 'iron'],
  });
});

test('the list for the day of arrival goes into the week', async ({ page: coach }) => {
  await comeIn(coach, 'coach');
  await toDemoStudent(coach, 'Carla Vintholm');
  await coach.getByRole('link', { name: 'Island Open' }).click();
  const list = coach.getByRole('region', { name: 'On getting there' });
  await expect(list.getByRole('listitem').nth(1)).toContainText(
    'How fast these greens are is the first thing to know.',
  );
  await list.getByRole('button', { name: 'Put it into the week as a draft' }).click();
  await expect(list.getByText('It stands in the week of Thu 14 May.')).toBeVisible();
  await expect(coach.getByRole('region', { name: 'Until then' })).toContainText('Arriving at Island Open, 30');
});
