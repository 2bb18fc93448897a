export type Mishap = 'unreachable' | 'answer lost' | 'signed out' | 'refused' | 'busy';

interface Body {
  accountId: string;
  entries: { sequence: number }[];
  continues: { logId: string; sequence: number } | null;
}

/** A server that keeps entries as the real one does: in order, each number once, a branch from where it leaves its log. */
export class FakeServer {
  readonly logs = new Map<string, unknown[]>();
  /** How many entries of a log are those of the log it goes on from. */
  readonly shared = new Map<string, number>();
  readonly authors = new Set<string>();
  /** What to do to the next calls before, or after, they are kept. */
  readonly mishaps: Mishap[] = [];
  calls = 0;
  /** Told of every call and whether it was answered as the caller wished. */
  onCall: (wentWell: boolean) => void = () => undefined;

  readonly fetch = async (input: RequestInfo | URL) => {
    this.calls++;
    const mishap = this.mishaps.shift();
    try {
      const answer = await this.answerTo(input as Request, mishap);
      this.onCall(answer.ok || answer.status === 409);
      return answer;
    } catch (e) {
      this.onCall(false);
      throw e;
    }
  };

  private async answerTo(request: Request, mishap: Mishap | undefined): Promise<Response> {
    if (mishap === 'unreachable') throw new TypeError('fetch failed');
    if (mishap === 'signed out') return this.answer(401, { title: 'Please sign in.' });
    if (mishap === 'refused') return this.answer(422, { title: 'Some of this needs another look.' });
    if (mishap === 'busy') return this.answer(503, { title: 'The server is busy.' }, { 'Retry-After': '5' });
    const logId = request.url.split('/').at(-2) ?? '';
    const body = (await request.json()) as Body;
    this.authors.add(body.accountId);
    const start = body.continues ? (this.logs.get(body.continues.logId) ?? []).slice(0, body.continues.sequence) : [];
    const kept = [...(this.logs.get(logId) ?? start)];
    const number = kept.length;
    for (const entry of body.entries) {
      const before = kept[entry.sequence - 1];
      if (before && JSON.stringify(before) !== JSON.stringify(entry))
        return this.answer(409, {
          title: 'Continued somewhere else.',
          errors: { 'entries[0].sequence': ['Taken.'] },
          current: { lastSequence: number, agreesUpTo: entry.sequence - 1 },
        });
      if (!before && entry.sequence !== kept.length + 1)
        return this.answer(409, {
          title: 'Entries are missing.',
          errors: { entries: ['Missing.'] },
          current: { lastSequence: number, agreesUpTo: number },
        });
      if (!before) kept.push(entry);
    }
    if (!this.logs.has(logId)) this.shared.set(logId, start.length);
    this.logs.set(logId, kept);
    if (mishap === 'answer lost') throw new TypeError('fetch failed');
    const view = { lastSequence: kept.length, log: {}, keptAfterTakenOut: false, fromTwoDevices: start.length > 0 };
    return this.answer(200, view);
  }

  private answer(status: number, body: unknown, headers: Record<string, string> = {}) {
    return new Response(JSON.stringify(body), { status, headers: { 'Content-Type': 'application/json', ...headers } });
  }
}
