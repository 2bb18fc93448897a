// Calls a running server as one person's browser does, and tells how long an answer took and how large it was.
import { Agent, request } from 'node:http';

const agent = new Agent({ keepAlive: true, maxSockets: Infinity });

export class Caller {
  #base;
  #cookie;

  /** @param cookie That of somebody who has come in already, in another process. */
  constructor(base, cookie) {
    this.#base = base;
    this.#cookie = cookie;
  }

  get cookie() {
    return this.#cookie;
  }

  /** An answer, whatever it is; status 0 where there was none. */
  call(method, path, body, headers = {}) {
    const from = performance.now();
    const sent = body === undefined ? undefined : JSON.stringify(body);
    return new Promise((done) => {
      const failed = (error) => done({ status: 0, error, took: performance.now() - from, bytes: 0 });
      const asked = request(
        new URL(path, this.#base),
        {
          method,
          agent,
          headers: {
            Origin: this.#base,
            ...(sent && { 'content-type': 'application/json', 'content-length': Buffer.byteLength(sent) }),
            ...(this.#cookie && { cookie: this.#cookie }),
            ...(method === 'PUT' && { 'if-none-match': '*' }),
            ...headers,
          },
        },
        (answer) => {
          const parts = [];
          answer.on('data', (part) => parts.push(part));
          answer.on('error', failed);
          answer.on('end', () => {
            const cookie = answer.headers['set-cookie']?.map((c) => c.split(';')[0]).join('; ');
            if (cookie) this.#cookie = cookie;
            const bytes = Buffer.concat(parts);
            const text = answer.headers['content-encoding'] ? '' : bytes.toString();
            done({
              status: answer.statusCode,
              retryAfter: answer.headers['retry-after'],
              // Read only by whoever looks at it: reading a large answer takes the processors from the server.
              get json() {
                return text.startsWith('{') || text.startsWith('[') ? JSON.parse(text) : undefined;
              },
              bytes: bytes.length,
              took: performance.now() - from,
            });
          });
        },
      );
      asked.on('error', failed);
      asked.end(sent);
    });
  }

  /** The body of an answer that has to be a good one. */
  async must(method, path, body) {
    const answer = await this.call(method, path, body);
    if (answer.status >= 200 && answer.status < 300) return answer.json;
    throw new Error(`${method} ${path}: ${answer.status} ${JSON.stringify(answer.json ?? String(answer.error))}`);
  }
}

export const sorted = (numbers) => numbers.toSorted((a, b) => a - b);

/** The value below which such a share of the numbers lies. */
export const at = (numbers, share) => sorted(numbers)[Math.min(numbers.length - 1, Math.floor(numbers.length * share))];

export const median = (numbers) => at(numbers, 0.5);
