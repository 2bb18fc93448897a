// @vitest-environment happy-dom
import { screen, within } from '@testing-library/react';
import { describe, expect, it, vi } from 'vitest';
import { drawn } from '../../testing/drawn';
import { emptyPlan, newSegment } from '../plans/draft';
import { Before, type Trim } from './Before';
import type { Session } from './queries';

const [warmUp, block, random] = (['warmUp', 'block', 'random'] as const).map((phase) => ({
  ...newSegment(phase, 'range'),
  title: phase,
  minutes: 20,
}));
const segments = [warmUp, block, random].filter((s) => s !== undefined);
const kept = (...minutes: number[]) =>
  minutes.flatMap((m, i) => (m > 0 ? [{ segmentId: segments[i]?.id ?? '', minutes: m, balls: m }] : []));
const trim = (minutes: number, balls: number | null, part: Partial<Trim> = {}): Trim => ({
  minutes,
  balls,
  kept: kept(minutes / 2, 0, minutes / 2),
  dropped: [block?.id ?? ''],
  reasons: ['Block falls out: it comes first.'],
  exitRules: [],
  ...part,
});

/** An hour and sixty balls, with the trims that the server worked out for it. */
const session = {
  card: { assignmentId: 'a' },
  plan: { ...emptyPlan, title: 'An hour', purpose: 'Start it on line', segments },
  totals: { minutes: 60, ballsBought: 60 },
  trims: [trim(15, null), trim(30, null), trim(45, null), trim(30, 20), trim(30, 40), trim(45, 40)],
} as unknown as Session;

function before(dropped: string[] = [], openPain: Session['openPain'] = [], said: never[] = []) {
  const onBegin = vi.fn();
  const onFollowUp = vi.fn();
  const onLeave = vi.fn();
  const shown = drawn(
    <Before
      session={{ ...session, openPain }}
      isLesson={false}
      dropped={new Set(dropped)}
      said={said}
      reported={[]}
      onFollowUp={onFollowUp}
      onBegin={onBegin}
      onHurt={vi.fn()}
      onLeave={onLeave}
    />,
  );
  const comesWith = async (has: { minutes?: string; balls?: string }) => {
    await shown.hands.click(screen.getByRole('button', { name: 'How do you come today?' }));
    if (has.minutes) await shown.hands.type(screen.getByLabelText('Minutes I have'), has.minutes);
    if (has.balls) await shown.hands.type(screen.getByLabelText('Balls I have'), has.balls);
  };
  const begun = async () => {
    await shown.hands.click(screen.getByRole('button', { name: 'Begin' }));
    return onBegin.mock.calls[0] as [unknown, Trim | undefined];
  };
  return { ...shown, onLeave, onFollowUp, comesWith, begun };
}

const sore = {
  part: 'lowerBack',
  side: null,
  where: '',
  level: 2,
  sharp: false,
  since: '2026-05-01',
  lastOn: '2026-05-04',
  needsClearing: false,
  words: 'lower back, 2 of 10',
  segmentIds: [],
  sessionsSince: 0,
  minutesSince: 0,
} satisfies Session['openPain'][number];

describe('a session before it begins', () => {
  it('asks first how pain of an earlier session is', async () => {
    const { hands, onFollowUp } = before([], [sore]);
    expect(screen.getByRole('button', { name: 'Say first how it is today' })).toHaveProperty('disabled', true);
    await hands.click(screen.getByRole('button', { name: 'Still there' }));
    expect(onFollowUp).toHaveBeenCalledWith({
      kind: 'painFollowedUp',
      part: 'lowerBack',
      side: null,
      level: 2,
      needsClearing: false,
    });
  });

  it('asks nothing that has to be answered', async () => {
    const { begun } = before();
    expect(await begun()).toEqual([{}, undefined]);
    expect(screen.queryByRole('region', { name: 'Made to fit' })).toBeNull();
  });

  it('stays whole for whoever has the time and the balls', async () => {
    const { comesWith, begun } = before();
    await comesWith({ minutes: '60', balls: '60' });
    expect((await begun())[1]).toBeUndefined();
  });

  it.each([
    [{ minutes: '50' }, 45, null],
    [{ minutes: '30', balls: '40' }, 30, 40],
    [{ minutes: '59', balls: '100' }, 45, null],
    [{ balls: '45' }, 45, 40],
    [{ minutes: '5' }, 15, null],
  ])('for %o takes the longest that fits', async (has, minutes, balls) => {
    const { comesWith, begun } = before();
    await comesWith(has);
    const [, taken] = await begun();
    expect(taken).toMatchObject({ minutes, balls });
  });

  it('shows what falls out and why, and lets the session be left whole', async () => {
    const { comesWith, begun, hands } = before();
    await comesWith({ minutes: '30' });
    const fit = screen.getByRole('region', { name: 'Made to fit' });
    expect(within(fit).getByText('Block falls out: it comes first.')).toBeTruthy();
    await hands.click(within(fit).getByRole('button', { name: 'Leave it whole' }));
    expect((await begun())[1]).toBeUndefined();
  });

  it('needs less once what hurts has fallen out', async () => {
    const { comesWith, begun } = before([random?.id ?? '']);
    await comesWith({ minutes: '40' });
    expect((await begun())[1]).toBeUndefined();
  });

  it('is left for today where everything in it loads what hurts', async () => {
    const { hands, onLeave } = before(segments.map((s) => s.id));
    expect(screen.queryByRole('button', { name: 'Begin' })).toBeNull();
    await hands.click(screen.getByRole('button', { name: 'Leave it for today' }));
    expect(onLeave).toHaveBeenCalledOnce();
  });

  it('says the cautions before anybody swings', () => {
    before();
    expect(screen.getByText(/Warm up before full swings.*Stop when it hurts\./)).toBeTruthy();
  });
});
