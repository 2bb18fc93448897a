// @vitest-environment happy-dom
import { screen } from '@testing-library/react';
import { describe, expect, it, vi } from 'vitest';
import type { Schemas } from '../../api/client';
import { renderInTheme } from '../../testing/renderInTheme';
import { CheckPanel } from './CheckPanel';
import { emptyPlan, newSegment } from './benchState';

const block = { ...newSegment('block', 'range'), title: 'Start line' };
const plan = { ...emptyPlan, segments: [block] };
const noPurpose: Schemas['Finding'] = {
  id: 'noPurpose',
  level: 'stop',
  segmentId: null,
  message: { id: 'check.any', arguments: [] },
  why: 'The plan has no purpose.',
  fix: null,
  overruledBecause: null,
};
const tooFast: Schemas['Finding'] = {
  id: 'paceFast',
  level: 'advice',
  segmentId: block.id,
  message: { id: 'check.any', arguments: [] },
  why: 'Four balls a minute leave no time to look.',
  fix: 'Take 20 balls',
  overruledBecause: null,
};

function panel(findings: Schemas['Finding'][], shares: Schemas['ShareView'][] = []) {
  const told = { onSelect: vi.fn(), onFix: vi.fn(), onOverrule: vi.fn() };
  const check = {
    isChecked: true,
    findings,
    shares,
    areas: [],
    approach: 'evenSplit',
  } as unknown as Schemas['PlanCheckView'];
  return { told, ...renderInTheme(<CheckPanel check={check} plan={plan} isFixing={false} {...told} />) };
}

describe('what the check says beside the plan', () => {
  it('says so when nothing stands against it', () => {
    panel([]);
    expect(screen.queryByText('Nothing stands against it')).not.toBeNull();
  });

  it('says nothing of a plan that was not looked over yet', () => {
    const told = { onSelect: vi.fn(), onFix: vi.fn(), onOverrule: vi.fn() };
    renderInTheme(<CheckPanel check={undefined} plan={plan} isFixing={false} {...told} />);
    expect(screen.queryByText('Nothing stands against it')).toBeNull();
    expect(screen.getByRole('heading', { level: 2 }).textContent).toBe('Looking it over …');
  });

  it('says so where it was not checked', () => {
    const check = { isChecked: false, findings: [], shares: [], areas: [] } as unknown as Schemas['PlanCheckView'];
    renderInTheme(
      <CheckPanel check={check} plan={plan} isFixing={false} onSelect={vi.fn()} onFix={vi.fn()} onOverrule={vi.fn()} />,
    );
    expect(screen.queryByText('Not checked yet')).not.toBeNull();
  });

  it('shows what the last answer found and no more, also of one rule twice', () => {
    const twice = [tooFast, { ...tooFast, segmentId: null, why: 'One.' }, { ...tooFast, segmentId: null, why: 'Two.' }];
    const { again } = panel(twice);
    expect(screen.getAllByTestId('finding')).toHaveLength(3);
    const check = {
      isChecked: true,
      findings: [twice[2]],
      shares: [],
      areas: [],
    } as unknown as Schemas['PlanCheckView'];
    again(
      <CheckPanel check={check} plan={plan} isFixing={false} onSelect={vi.fn()} onFix={vi.fn()} onOverrule={vi.fn()} />,
    );
    expect(screen.getAllByTestId('finding').map((f) => f.textContent)).toEqual([expect.stringContaining('Two.')]);
  });

  it('points at the segment, and its fix is one click away', async () => {
    const { hands, told } = panel([noPurpose, tooFast]);
    expect(screen.queryByText('2 to look at')).not.toBeNull();
    await hands.click(screen.getByRole('button', { name: 'Start line' }));
    expect(told.onSelect).toHaveBeenCalledWith(block.id);
    await hands.click(screen.getByRole('button', { name: /^Take 20 balls/ }));
    expect(told.onFix).toHaveBeenCalledWith(tooFast);
  });

  it('offers no way around a stop', () => {
    panel([noPurpose]);
    expect(screen.queryByRole('button', { name: 'Keep it like this' })).toBeNull();
  });

  it('wants a reason before a finding is lived with', async () => {
    const { hands, told } = panel([tooFast]);
    await hands.click(screen.getByRole('button', { name: 'Keep it like this' }));
    const why = screen.getByLabelText('Why');
    await hands.type(why, '   ');
    expect(screen.getByRole('button', { name: 'Keep' })).toHaveProperty('disabled', true);
    await hands.type(why, 'It is a rhythm drill{Enter}');
    expect(told.onOverrule).toHaveBeenCalledWith(tooFast, 'It is a rhythm drill');
  });

  it('keeps what was overruled in sight, with its reason and the way back', async () => {
    const kept = { ...tooFast, overruledBecause: 'It is a rhythm drill' };
    const { hands, told } = panel([kept]);
    expect(screen.queryByText('Nothing stands against it')).not.toBeNull();
    expect(screen.queryByText(/Kept, because: It is a rhythm drill/)).not.toBeNull();
    await hands.click(screen.getByRole('button', { name: 'Take back' }));
    expect(told.onOverrule).toHaveBeenCalledWith(kept, undefined);
  });

  it('names a band by the ends it has', () => {
    panel([], [
      { text: 'block', percent: 50, least: 45, most: 55 },
      { text: 'skill', percent: 30, least: 25, most: 100 },
      { text: 'technique', percent: 5, least: 0, most: 15 },
    ] as Schemas['ShareView'][]);
    for (const words of ['50 % of 45–55', '30 % of at least 25', '5 % of at most 15'])
      expect(document.body.textContent).toContain(words);
    expect(document.body.textContent).toContain('against “Even split”');
  });
});
