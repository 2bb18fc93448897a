import { createServer, request, type Server } from 'node:http';
import type { AddressInfo, Socket } from 'node:net';

/**
 * Stands between a phone and the server, and can do to their connection what a bad network does: be gone like a killed server,
 * or lose an answer after the server has acted on it.
 */
export class Middleman {
  private server: Server | undefined;
  private readonly sockets = new Set<Socket>();
  private port = 0;
  /** How many answers to posted log entries are lost from now on. */
  answersToLose = 0;
  lost = 0;

  constructor(private readonly target: string) {}

  get address() {
    return `http://127.0.0.1:${this.port}`;
  }

  async open() {
    const { hostname, port } = new URL(this.target);
    this.server = createServer((incoming, outgoing) => {
      const forward = request(
        { hostname, port, path: incoming.url, method: incoming.method, headers: incoming.headers },
        (answer) => {
          const isEntries = incoming.method === 'POST' && incoming.url?.endsWith('/entries');
          if (isEntries && this.answersToLose > 0) {
            // The server has stored the entries by the time it answers; nobody will hear of it.
            this.answersToLose--;
            this.lost++;
            answer.resume();
            answer.on('end', () => outgoing.destroy());
            return;
          }
          outgoing.writeHead(answer.statusCode ?? 502, answer.headers);
          answer.pipe(outgoing);
        },
      );
      forward.on('error', () => outgoing.destroy());
      incoming.pipe(forward);
    });
    this.server.on('connection', (socket) => {
      this.sockets.add(socket);
      socket.on('close', () => this.sockets.delete(socket));
    });
    await new Promise<void>((resolve) => this.server?.listen(this.port, '127.0.0.1', resolve));
    this.port = (this.server.address() as AddressInfo).port;
  }

  /** Gone in the middle of whatever was under way. */
  async kill() {
    const { server } = this;
    const closed = new Promise<void>((resolve) => server?.close(() => resolve()));
    for (const socket of this.sockets) socket.destroy();
    await closed;
  }
}
