import Box from '@mui/material/Box';
import type { Schemas } from '../../api/client';
import { NumberField } from '../../ui/NumberField';

type Totals = Schemas['RoundTotals'];

interface Props {
  noted: Totals;
  errorAt: (path: string) => string | undefined;
  onChange: (noted: Totals) => void;
}

/** What a round came to, where nobody noted its holes. Everything but par and score may be left empty. */
export function TotalsFields({ noted, errorAt, onChange }: Props) {
  const number = (label: string, name: 'greens' | 'putts' | 'puttsOnGreensHit' | 'penalties') => (
    <NumberField
      optional
      whole
      label={label}
      value={noted[name]}
      error={errorAt(`noted.${name}`)}
      onChange={(n) => onChange({ ...noted, [name]: n })}
    />
  );
  const share = (label: string, ofLabel: string, name: 'fairways' | 'upAndDowns') => {
    const now = noted[name];
    const set = (part: Partial<Schemas['CountOf']>) =>
      onChange({ ...noted, [name]: { count: 0, of: 0, ...now, ...part } });
    return (
      <>
        <NumberField
          optional
          whole
          label={label}
          value={now?.count}
          error={errorAt(`noted.${name}`)}
          onChange={(n) => (n === null ? onChange({ ...noted, [name]: null }) : set({ count: n }))}
        />
        <NumberField
          optional
          whole
          label={ofLabel}
          value={now?.of}
          onChange={(n) => (n === null ? onChange({ ...noted, [name]: null }) : set({ of: n }))}
        />
      </>
    );
  };
  return (
    <Box
      role="group"
      aria-label="What it came to"
      sx={{ display: 'grid', gridTemplateColumns: { xs: '1fr 1fr', sm: 'repeat(4, 1fr)' }, gap: 1.5 }}
    >
      <NumberField
        label="Par"
        whole
        value={noted.par}
        error={errorAt('noted.par')}
        onChange={(n) => onChange({ ...noted, par: n ?? 0 })}
      />
      <NumberField
        label="Score"
        whole
        value={noted.score}
        error={errorAt('noted.score')}
        onChange={(n) => onChange({ ...noted, score: n ?? 0 })}
      />
      {number('Greens hit', 'greens')}
      {number('Putts', 'putts')}
      {number('Putts on greens hit', 'puttsOnGreensHit')}
      {number('Penalty strokes', 'penalties')}
      {share('Fairways hit', 'of fairways', 'fairways')}
      {share('Missed greens saved', 'of missed', 'upAndDowns')}
    </Box>
  );
}
