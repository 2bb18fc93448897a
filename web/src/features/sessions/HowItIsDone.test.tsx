// @vitest-environment happy-dom
import { screen } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import { renderInTheme } from '../../testing/renderInTheme';
import { newSegment, type PracticeSegment } from '../plans/benchState';
import { HowItIsDone } from './HowItIsDone';
import type { Session } from './queries';

const plain = { ...newSegment('random', 'range'), title: 'Called' } as PracticeSegment;
const session = { drills: [], hiding: [] } as unknown as Session;

/** What stands beside a name of the list; nothing where the name is not there. */
const beside = (name: string) =>
  screen.queryByText(name, { selector: 'dt' })?.parentElement?.querySelector('dd')?.textContent;

describe('how a segment is done', () => {
  it('says what was written of it, in words, and nothing that was not', () => {
    renderInTheme(
      <HowItIsDone
        session={session}
        segment={{
          ...plain,
          clubs: ['iron7', 'hybrid'],
          cue: 'Finish tall',
          criterion: 'Inside the two posts',
          aids: ['alignmentSticks'],
          declaredRun: 3,
          fullRoutine: true,
          fairwayYards: 28,
          parts: [{ label: 'Wedges first', balls: 6, clubs: ['sandWedge'] }],
        }}
      />,
    );
    expect(beside('Clubs')).toBe('7 iron, Hybrid');
    expect(beside('Think of')).toBe('Finish tall');
    expect(beside('It counts when')).toBe('Inside the two posts');
    expect(beside('In a row')).toContain('up to 3 times running');
    expect(beside('Every ball')).toBe('with the full routine');
    expect(beside('Fairway')).toContain('28');
    expect(screen.getByRole('list', { name: 'In parts' }).textContent).toBe('Wedges first, 6\u00a0balls: Sand wedge');
    for (const name of ['Focus', 'Hidden on purpose', 'When it is crowded']) expect(beside(name)).toBeUndefined();
  });

  it('says what is hidden, stage by stage', () => {
    const stages = [
      { from: 0, hide: ['numbers' as const] },
      { from: 0.5, hide: [] },
    ];
    renderInTheme(<HowItIsDone session={{ ...session, hiding: [{ segmentId: plain.id, stages }] }} segment={plain} />);
    expect(beside('Hidden on purpose')).toBe('the numbers, then nothing');
  });

  it('names the calls in their order, with their height', () => {
    renderInTheme(
      <HowItIsDone
        session={session}
        segment={{
          ...plain,
          calls: [
            { club: 'iron7', shape: 'straight', target: 'Willow', height: 'low' },
            { club: 'hybrid', shape: 'fade', target: 'Post', height: 'normal' },
          ],
        }}
      />,
    );
    const calls = screen.getAllByRole('listitem').map((li) => li.textContent);
    expect(calls).toHaveLength(2);
    expect(calls[0]).toMatch(/7 iron.*low/i);
    expect(calls[1]).toMatch(/hybrid.*fade/i);
  });
});
