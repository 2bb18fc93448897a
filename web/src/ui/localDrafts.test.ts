// @vitest-environment happy-dom
import { beforeEach, describe, expect, it } from 'vitest';
import { apiVersion } from '../api/version';
import { readLocalDraft, writeLocalDraft } from './localDrafts';

const sample = { title: '', segments: [] as string[] };

describe('A draft on this device', () => {
  beforeEach(() => localStorage.clear());

  it('comes back with the version it was begun from', () => {
    writeLocalDraft('x', { content: { title: 'A', segments: ['b'] }, version: 7 });
    expect(readLocalDraft('x', sample)).toEqual({
      draft: { content: { title: 'A', segments: ['b'] }, version: 7 },
      wasDropped: false,
    });
  });

  it.each([
    ['text that is no JSON', '{"api":'],
    ['nothing at all', 'null'],
    ['a number', '7'],
    ['another version of the API', JSON.stringify({ api: apiVersion + 1, version: 1, content: sample })],
    ['a part that is missing', JSON.stringify({ api: apiVersion, version: 1, content: { title: 'A' } })],
    ['a part of another kind', JSON.stringify({ api: apiVersion, version: 1, content: { title: 'A', segments: 'b' } })],
  ])('is dropped with a word where it is %s', (_, text) => {
    localStorage.setItem('x', text);
    expect(readLocalDraft('x', sample)).toEqual({ draft: undefined, wasDropped: true });
    expect(localStorage.getItem('x')).toBeNull();
    expect(readLocalDraft('x', sample).wasDropped).toBe(false);
  });
});
