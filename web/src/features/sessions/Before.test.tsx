// @vitest-environment happy-dom
import { screen, within } from '@testing-library/react';
import { describe, expect, it, vi, afterEach } from 'vitest';
import { renderInTheme } from '../../testing/renderInTheme';
import { emptyPlan, newSegment } from '../plans/benchState';
import { Before, type Trim } from './Before';
import type { Session } from './queries';

const [warmUp, block, random] = (['warmUp', 'block', 'random'] as const).map((phase) => ({
  ...newSegment(phase, 'range'),
  title: phase,
  minutes: 20,
}));
const segments = [warmUp, block, random].filter((s) => s !== undefined);
/** An hour and sixty balls, with what the server worked out of how it is made to fit: below 45 minutes the block falls out. */
const ids = segments.map((s) => s.id);
const trim: Session['trim'] = {
  minutes: 60,
  balls: 60,
  segments: ids.map((segmentId) => ({
    segmentId,
    staysWhole: false,
    minutes: 20,
    balls: 20,
    ballsAreBought: true,
    holes: null,
    attempts: null,
    attemptsEach: 1,
    exitRule: 'after {balls}',
    exitRuleWithoutBalls: 'after {minutes}',
  })),
  steps: [
    { from: 45, walkMinutes: 0, kept: ids, dropped: [] },
    {
      from: 3,
      walkMinutes: 0,
      kept: ids.filter((id) => id !== block?.id),
      dropped: [{ segmentId: block?.id ?? '', reason: 'Block falls out: it comes first.' }],
    },
  ],
};

const session = {
  card: { assignmentId: 'a' },
  plan: { ...emptyPlan, title: 'An hour', purpose: 'Start it on line', segments },
  totals: { minutes: 60, ballsBought: 60 },
  trim,
} as unknown as Session;

function before(dropped: string[] = [], openPain: Session['openPain'] = [], said: never[] = []) {
  const onBegin = vi.fn();
  const onFollowUp = vi.fn();
  const onLeave = vi.fn();
  const shown = renderInTheme(
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
    if (has.minutes) await shown.hands.type(screen.getByLabelText('Time available'), has.minutes);
    if (has.balls) await shown.hands.type(screen.getByLabelText('Balls available'), has.balls);
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
  text: 'lower back, 2 of 10',
  segmentIds: [],
  sessionsSince: 0,
  minutesSince: 0,
} satisfies Session['openPain'][number];

afterEach(() => sessionStorage.clear());

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
    [{ minutes: '50' }, 50, 51],
    [{ minutes: '30', balls: '40' }, 30, 30],
    [{ minutes: '59', balls: '100' }, 59, 60],
    [{ balls: '45' }, 60, 45],
    [{ balls: '3' }, 60, 3],
    [{ minutes: '7' }, 7, 7],
  ])('for %o takes exactly that', async (has, minutes, balls) => {
    const { comesWith, begun } = before();
    await comesWith(has);
    const [, taken] = await begun();
    expect(taken?.kept.reduce((sum, k) => sum + k.minutes, 0)).toBe(minutes);
    expect(Math.abs((taken?.kept.reduce((sum, k) => sum + k.balls, 0) ?? 0) - balls)).toBeLessThanOrEqual(1);
  });

  it('shows what falls out and why, and lets the session be left whole', async () => {
    const { comesWith, begun, hands } = before();
    await comesWith({ minutes: '30' });
    const fit = screen.getByRole('region', { name: 'Made to fit' });
    expect(within(fit).queryByText('Block falls out: it comes first.')).not.toBeNull();
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
    expect(screen.queryByText(/Warm up before full swings.*Stop when it hurts\./)).not.toBeNull();
  });
});
