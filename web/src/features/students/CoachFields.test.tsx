// @vitest-environment happy-dom
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { screen } from '@testing-library/react';
import { useState } from 'react';
import { describe, expect, it } from 'vitest';
import type { Schemas } from '../../api/client';
import { drillKeys } from '../../api/queryKeys';
import { PersonContext, type Person } from '../../app/signIn';
import { renderInTheme } from '../../testing/renderInTheme';
import { CoachFields } from './CoachFields';

type Coach = Schemas['CoachSection'];

/** The fields with what is written in them kept, and what it comes to. */
function fields(begin: Coach, errors: Record<string, string> = {}) {
  let kept = begin;
  const queries = new QueryClient({ defaultOptions: { queries: { staleTime: Infinity } } });
  queries.setQueryData(drillKeys.shelf({}), [{ id: 'one', name: 'Through the gate' }]);
  function Kept() {
    const [coach, setCoach] = useState(begin);
    return (
      <PersonContext value={{ today: '2026-05-06' } as Person}>
        <CoachFields
          unit="yards"
          studentId="one"
          coach={coach}
          bodyParts={[]}
          gaps={[]}
          errorAt={(path) => errors[path]}
          onChange={(next) => {
            kept = next;
            setCoach(next);
          }}
        />
      </PersonContext>
    );
  }
  const page = (
    <QueryClientProvider client={queries}>
      <Kept />
    </QueryClientProvider>
  );
  return { ...renderInTheme(page), focus: () => kept.focus };
}

describe('the focus', () => {
  it('gains a number with its unit, start and band once it is about one', async () => {
    const { hands, focus } = fields({ focus: { fault: 'Starts left' } });
    expect(screen.queryByLabelText('Band from')).toBeNull();
    await hands.selectOptions(screen.getByLabelText('Area'), 'iron');
    await hands.type(screen.getByLabelText('Number it is about'), 'start direction');
    await hands.type(screen.getByLabelText('Unit'), '°');
    await hands.type(screen.getByLabelText('Where it began'), '-4.1');
    await hands.type(screen.getByLabelText('Band from'), '-1.5');
    await hands.type(screen.getByLabelText('Band to'), '1.5');
    await hands.tab();
    expect(focus()).toEqual({
      fault: 'Starts left',
      area: 'iron',
      quantity: { what: 'start direction', unit: '°', start: -4.1, least: -1.5, most: 1.5 },
    });
  });

  it('is about no number again when everything of it is taken out', async () => {
    const { hands, focus } = fields({ focus: { quantity: { what: 'path' } } });
    await hands.clear(screen.getByLabelText('Number it is about'));
    expect(focus()).toEqual({ quantity: null });
    expect(screen.queryByLabelText('Band from')).toBeNull();
  });

  it('shows at each field what is wrong with it', () => {
    fields(
      { focus: { quantity: { what: 'path', least: 3, most: 1 } } },
      { 'coach.focus.quantity.most': 'Lower end first.' },
    );
    screen.getByText('Lower end first.');
  });
});
