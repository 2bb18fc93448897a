import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { Link } from 'react-router';
import { ranges } from '../../api/ranges';
import type { Schemas } from '../../api/client';
import { Choice, optionsOf } from '../../ui/Field';
import { handsOnClub, stances, swingSizes } from '../../ui/format';
import { NumberField } from '../../ui/NumberField';
import { Checkbox } from '../../ui/Checkbox';
import { useCheck } from '../drills/queries';

type Planned = Schemas['PlannedDrill'];

interface Props {
  planned: Planned;
  errorAt: (field: string) => string | undefined;
  onChange: (planned: Planned | null) => void;
}

const none = { value: '', label: 'nothing' } as const;

/** How a drill stands in the plan: its step, what is laid over it, what is asked of it. */
export function PlannedDrillFields({ planned, errorAt, onChange }: Props) {
  const { drill, modifiers = {}, goal } = planned;
  const rung = planned.rung ?? 0;
  const ladder = drill.ladder ?? [];
  const check = useCheck({
    drill: { ...drill, protocol: ladder[rung]?.protocol ?? drill.protocol, ladder: [] },
    rung: 0,
    seed: 1,
  });
  const measures = (check.data?.analysis.measures ?? []).filter((m) => m.better !== 'none');
  const set = (part: Partial<Planned>) => onChange({ ...planned, ...part });
  const modify = (part: Partial<Schemas['Modifiers']>) => set({ modifiers: { ...modifiers, ...part } });
  return (
    <Box role="group" aria-label="Drill" sx={{ display: 'grid', gap: 1 }}>
      <Box sx={{ display: 'grid', gridTemplateColumns: 'repeat(auto-fit, minmax(130px, 1fr))', gap: 1.5 }}>
        {ladder.length > 0 && (
          <Choice
            label="Step"
            value={String(rung)}
            options={ladder.map((r, i) => ({ value: String(i), label: r.name }))}
            error={errorAt('rung')}
            onChange={(i) => set({ rung: Number(i), goal: ladder[Number(i)]?.goal ?? goal ?? null })}
          />
        )}
        {measures.length > 0 && (
          <Choice
            label="Goal in"
            value={goal?.measure ?? ''}
            options={[none, ...measures.map((m) => ({ value: m.name, label: m.label }))]}
            error={errorAt('goal.measure')}
            onChange={(measure) => set({ goal: measure === '' ? null : { measure, limit: goal?.limit ?? 0 } })}
          />
        )}
        {goal && (
          <NumberField
            label={measures.find((m) => m.name === goal.measure)?.better === 'lower' ? 'At most' : 'At least'}
            value={goal.limit}
            error={errorAt('goal.limit')}
            onChange={(limit) => set({ goal: { ...goal, limit: limit ?? 0 } })}
          />
        )}
        <Choice
          label="Hands"
          value={modifiers.hands ?? 'both'}
          options={optionsOf(handsOnClub)}
          onChange={(hands) => modify({ hands })}
        />
        <Choice
          label="Stance"
          value={modifiers.stance ?? 'normal'}
          options={optionsOf(stances)}
          onChange={(stance) => modify({ stance })}
        />
        <Choice
          label="Swing"
          value={modifiers.swing ?? ''}
          options={[{ value: '', label: 'the drill’s own' } as const, ...optionsOf(swingSizes)]}
          onChange={(swing) => modify({ swing: swing || null })}
        />
        <NumberField
          label="Effort"
          unit="%"
          whole
          range={ranges.effortPercent}
          value={modifiers.effortPercent ?? 100}
          error={errorAt('modifiers.effortPercent')}
          onChange={(n) => modify({ effortPercent: n ?? 100 })}
        />
        <Checkbox
          label="Without the aid"
          checked={modifiers.withoutAid ?? false}
          onChange={(withoutAid) => modify({ withoutAid })}
        />
      </Box>
      <Box sx={{ display: 'flex', gap: 1, alignItems: 'baseline' }}>
        <Box sx={{ mr: 'auto' }}>
          Drill: <Link to={`/drills/${planned.drillId}`}>{drill.name}</Link>,{' '}
          {check.data?.analysis.scoring.toLowerCase()}
        </Box>
        <Button onClick={() => onChange(null)}>Without the drill</Button>
      </Box>
    </Box>
  );
}
