// @vitest-environment happy-dom
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { screen } from '@testing-library/react';
import { describe, expect, it, vi } from 'vitest';
import { Problem, type Schemas } from '../../api/client';
import { renderInTheme } from '../../testing/renderInTheme';
import { studentKeys } from '../../api/queryKeys';
import { DraftDialog } from './DraftDialog';

function dialog(constraints: Schemas['PlanConstraints'] = {}, error: Error | null = null) {
  const onDraft = vi.fn();
  const queries = new QueryClient({ defaultOptions: { queries: { staleTime: Infinity } } });
  queries.setQueryData(studentKeys.all, [
    { id: 'a', name: 'Ada Quill' },
    { id: 'b', name: 'Ben Moss' },
  ]);
  const shown = renderInTheme(
    <QueryClientProvider client={queries}>
      <DraftDialog
        constraints={constraints}
        error={error}
        isDrafting={false}
        studentId={null}
        onDraft={onDraft}
        onClose={vi.fn()}
      />
    </QueryClientProvider>,
  );
  return { ...shown, onDraft, draft: () => shown.hands.click(screen.getByRole('button', { name: 'Draft' })) };
}

describe('a few answers for a draft', () => {
  it('begins with an hour and a hundred balls on the range, and leaves the rest to the student’s file', async () => {
    const { draft, onDraft } = dialog();
    await draft();
    expect(onDraft).toHaveBeenCalledWith(
      {
        minutes: 60,
        balls: 100,
        places: ['range'],
        area: null,
        approach: null,
        warmUp: null,
        hot: false,
        windFromDegrees: null,
        warmedUpBefore: false,
        variant: 0,
      },
      [],
    );
  });

  it('may be for several at once, and begin with another warm-up', async () => {
    const { draft, onDraft, hands } = dialog();
    await hands.click(screen.getByRole('button', { name: 'Ada Quill' }));
    await hands.click(screen.getByRole('button', { name: 'Ben Moss' }));
    await hands.selectOptions(screen.getByLabelText('Warm-up'), 'untilCentred');
    await draft();
    expect(onDraft).toHaveBeenCalledWith(expect.objectContaining({ warmUp: 'untilCentred' }), ['a', 'b']);
  });

  it('takes over what the bench already knows', async () => {
    const { draft, onDraft } = dialog({ minutes: 45, balls: 30, approach: 'sharpen', hot: true, windFromDegrees: 90 });
    await draft();
    expect(onDraft.mock.calls[0]?.[0]).toMatchObject({
      minutes: 45,
      balls: 30,
      approach: 'sharpen',
      hot: true,
      windFromDegrees: 90,
    });
  });

  it('may draw on several places', async () => {
    const { draft, onDraft, hands } = dialog();
    await hands.click(screen.getByRole('button', { name: 'Putting green' }));
    await draft();
    expect((onDraft.mock.calls[0]?.[0] as Schemas['DraftRequest']).places).toEqual(['range', 'puttingGreen']);
  });

  it('says at the field what the server would not take, and keeps the answers', () => {
    const refused = new Problem(400, 'Not possible', { 'request.minutes': ['Between 5 and 480.'] });
    dialog({ minutes: 2 }, refused);
    expect(screen.queryByText('Between 5 and 480.')).not.toBeNull();
    expect(screen.getByLabelText('Duration')).toHaveProperty('value', '2');
  });

  it.each([new Problem(500, 'The server could not do that.'), new TypeError('No connection')])(
    'says so when it did not work for another reason: %s',
    (error) => {
      dialog({}, error);
      expect(screen.getByRole('alert').textContent).toContain(error.message);
    },
  );
});
