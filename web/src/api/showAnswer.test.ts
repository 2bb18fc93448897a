import { QueryClient } from '@tanstack/react-query';
import { expect, it } from 'vitest';
import { showAnswer } from './showAnswer';

it('is not undone by an older answer that comes later', async () => {
  const queries = new QueryClient();
  const queryKey = ['stop'];
  await queries.query({ queryKey, queryFn: () => 'open' });
  let come: (what: string) => void = () => undefined;
  const asked = queries.query({ queryKey, queryFn: () => new Promise<string>((done) => (come = done)) });
  await showAnswer(queries, queryKey, 'taken');
  come('open');
  await asked.catch(() => undefined);
  expect(queries.getQueryData(queryKey)).toBe('taken');
  await showAnswer<string>(queries, queryKey, (shown) => shown && `${shown}, undone`);
  expect(queries.getQueryData(queryKey)).toBe('taken, undone');
});
