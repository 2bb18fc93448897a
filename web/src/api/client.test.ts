import { describe, expect, it } from 'vitest';

// The client asks for the address of its page when it is loaded.
globalThis.window = { location: { origin: 'http://127.0.0.1' } } as typeof window;
const { answer, Problem } = await import('./client');

const refused = (status: number, error: unknown) =>
  Promise.resolve({ error, response: new Response(null, { status }) });

describe('an answer of the server', () => {
  it('gives the data when all is well', async () => {
    expect(await answer(Promise.resolve({ data: 7, response: new Response() }))).toBe(7);
  });

  it('names the fields that were wrong', async () => {
    const problem = await answer(refused(422, { title: 'Look again.', errors: { name: ['Too long.'] } })).catch(
      (e: unknown) => e,
    );
    expect(problem).toBeInstanceOf(Problem);
    expect(problem).toMatchObject({ status: 422, message: 'Look again.' });
    expect((problem as InstanceType<typeof Problem>).fieldError('name')).toBe('Too long.');
    expect((problem as InstanceType<typeof Problem>).fieldError('hand')).toBeUndefined();
  });

  it('brings the newer text along when an edit was stale', async () => {
    await expect(answer(refused(412, { title: 'Newer.', current: { version: 3 } }))).rejects.toMatchObject({
      current: { version: 3 },
    });
  });

  it('says that there is no connection when nothing came back', async () => {
    await expect(answer(Promise.reject(new TypeError('fetch failed')))).rejects.toMatchObject({ status: 0 });
  });
});
