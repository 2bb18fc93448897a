import { readFileSync } from 'node:fs';
import { expect, it } from 'vitest';
import { walk, type Entry, type SegmentState } from './log';

interface SharedLog {
  entries: Entry[];
  segments: Record<string, SegmentState>;
}

const file = new URL('../../../../tests/fixtures/session-logs.json', import.meta.url);
const logs = JSON.parse(readFileSync(file, 'utf8')) as SharedLog[];

it('reads every shared log as the core does', () => {
  expect(logs).toHaveLength(40);
  for (const { entries, segments } of logs) {
    const walked = walk(entries).segments;
    expect(Object.keys(walked).sort()).toEqual(Object.keys(segments).sort());
    expect(walked).toMatchObject(segments);
  }
});
