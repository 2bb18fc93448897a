import { describe, expect, it, vi } from 'vitest';

// The client asks for the address of its page when it is loaded.
globalThis.window = { location: { origin: 'http://127.0.0.1' } } as typeof window;
const { answer, api, longestCall, Problem } = await import('./client');

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

  it('is given up when it never comes, and says how long was waited', async () => {
    const patience = new AbortController();
    const limit = vi.spyOn(AbortSignal, 'timeout').mockReturnValue(patience.signal);
    globalThis.fetch = (input) =>
      new Promise((_, reject) => {
        const { signal } = input as Request;
        signal.addEventListener('abort', () => reject(signal.reason as Error));
      });
    const asked = answer(api.GET('/api/plans'));
    patience.abort(new DOMException('Too long.', 'TimeoutError'));
    await expect(asked).rejects.toMatchObject({ status: 0 });
    expect(limit).toHaveBeenCalledWith(longestCall);
    expect(longestCall).toBeLessThanOrEqual(30_000);
  });

  it('says when the server wants to be asked again', async () => {
    const busy = Promise.resolve({
      error: {},
      response: new Response(null, { status: 503, headers: { 'Retry-After': '5' } }),
    });
    await expect(answer(busy)).rejects.toMatchObject({ status: 503, retryAfter: 5 });
  });
});
