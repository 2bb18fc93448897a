import { execFileSync } from 'node:child_process';
import { createServer } from 'node:net';
import { chmodSync, mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join as pathOf } from 'node:path';
import { expect } from '@playwright/test';
import { test } from './people';

const root = pathOf(import.meta.dirname, '../..');

/** What a command says that does not work; empty where it does. */
function refusal(command: string, ...args: string[]): string {
  try {
    execFileSync(pathOf(root, command), args, { stdio: 'pipe', timeout: 60_000 });
    return '';
  } catch (e) {
    return String((e as { stderr: Buffer }).stderr).trim();
  }
}

test('what keeps it from starting is said in one line, before anything is built', async () => {
  const data = mkdtempSync(pathOf(tmpdir(), 'morning-round-start-'));
  const taken = createServer().listen(0, '127.0.0.1');
  await new Promise((done) => taken.on('listening', done));
  const { port } = taken.address() as { port: number };
  const said = {
    'a taken port': refusal('start', '--data', data, '--port', String(port)),
    'port 0': refusal('start', '--data', data, '--port', '0'),
    'a port that is none': refusal('start', '--data', data, '--port', '99999'),
    'a folder in use': refusal('start', '--data', process.env.E2E_DATA ?? '', '--port', '9'),
    'a folder that cannot be': refusal('start', '--data', '/proc/nothing/here', '--port', '9'),
    'the demo for everybody': refusal('start', '--data', data, '--port', '9', '--bind', '0.0.0.0'),
  };
  taken.close();
  expect(said).toEqual({
    'a taken port': `Port ${port} is taken by another program. Choose another with --port.`,
    'port 0': "--port wants a number from 1 to 65535, not '0'.",
    'a port that is none': "--port wants a number from 1 to 65535, not '99999'.",
    'a folder in use': `Morning Round is already running on the data in ${process.env.E2E_DATA ?? ''}.`,
    'a folder that cannot be': 'The folder /proc/nothing/here cannot be made. Choose another with --data.',
    'the demo for everybody':
      'The demo lets anybody in and answers to this machine only. Begin your own with --empty, or add --demo-open.',
  });
  if (process.getuid?.() !== 0) {
    chmodSync(data, 0o500);
    expect(refusal('start', '--data', data, '--port', '9')).toBe(
      `Nothing can be written to ${data}. Choose another with --data.`,
    );
  }
});
