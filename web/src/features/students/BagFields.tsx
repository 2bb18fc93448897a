import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { ranges } from '../../api/ranges';
import { thumb } from '../../app/theme';
import type { Schemas } from '../../api/client';
import { usePerson } from '../../app/signIn';
import { NumberField } from '../../ui/NumberField';
import { ballKinds, clubs, dayName, hitFrom, keysOf, lengthUnits, swingLengths } from '../../ui/format';
import { type PartProps } from './coachSection';

/** The unit in which the student thinks of distances. */
export type CarryUnit = 'yards' | 'metres';

/** The range is stated in yards; a metre is 1/0.9144 of one. */
const carryRange = (unit: string) =>
  unit === 'metres'
    ? { least: ranges.carryYards.least, most: Math.floor(ranges.carryYards.most * 0.9144) }
    : ranges.carryYards;

/** The clubs carried, with their dated carries. */
export function Bag({ coach, set, errorAt, unit }: PartProps & { unit: CarryUnit }) {
  const { today } = usePerson();
  const bag = coach.bag ?? [];
  const change = (i: number, part: Partial<Schemas['BagClub']>) =>
    set({ bag: bag.map((b, j) => (j === i ? { ...b, ...part } : b)) });
  const missing = keysOf(clubs).filter((c) => !bag.some((b) => b.club === c));
  return (
    <Box role="group" aria-label="Bag" sx={{ containerType: 'inline-size' }}>
      <Typography variant="h3" sx={{ mb: 1 }}>
        Bag, with carries
      </Typography>
      {bag.map((b, i) => (
        <Box
          key={b.club}
          sx={{
            display: 'grid',
            gridTemplateColumns: 'minmax(0, 1fr) 84px 66px auto',
            '@container (max-width: 619px)': {
              '& > select:nth-of-type(2)': { gridColumn: '1 / 3' },
              '& > select:nth-of-type(3)': { gridColumn: '3 / 5' },
            },
            '@container (min-width: 620px)': { gridTemplateColumns: '110px 72px 66px 1fr 1fr 1fr auto' },
          }}
        >
          <Box sx={{ fontWeight: 620 }}>{clubs[b.club]}</Box>
          <NumberField
            isCell
            optional
            range={carryRange(b.carry?.unit ?? unit)}
            label={`${clubs[b.club]}: carry`}
            value={b.carry?.value ?? null}
            error={errorAt(`coach.bag[${i}].carry`)}
            onChange={(n) =>
              change(i, {
                carry: n === null ? null : { value: n, unit: b.carry?.unit ?? unit },
                measuredOn: n === null ? null : today,
              })
            }
          />
          <Pick
            label={`${clubs[b.club]}: unit`}
            value={b.carry?.unit ?? unit}
            names={{ yards: lengthUnits.yards, metres: lengthUnits.metres }}
            disabled={!b.carry}
            onChange={(unit) => b.carry && change(i, { carry: { ...b.carry, unit } })}
          />
          <Pick
            label={`${clubs[b.club]}: ball`}
            value={b.ball ?? ''}
            names={{ '': 'which ball', ...ballKinds }}
            onChange={(ball) => change(i, { ball: ball || null })}
          />
          <Pick
            label={`${clubs[b.club]}: from`}
            value={b.from ?? ''}
            names={{ '': 'from what', ...hitFrom }}
            onChange={(from) => change(i, { from: from || null })}
          />
          <Box sx={{ fontSize: 13.5, color: 'text.secondary', whiteSpace: 'nowrap' }}>
            {b.measuredOn ? dayName(b.measuredOn).slice(4) : ''}
          </Box>
          <Button
            aria-label={`Take out ${clubs[b.club]}`}
            onClick={() => set({ bag: bag.filter((_, j) => j !== i) })}
            sx={{ gridArea: '1 / 4', '@container (min-width: 620px)': { gridArea: 'auto' } }}
          >
            Out
          </Button>
        </Box>
      ))}
      {missing.length > 0 && (
        <Pick
          label="Put a club into the bag"
          value=""
          names={{ '': 'Put a club in …', ...Object.fromEntries(missing.map((c) => [c, clubs[c]])) }}
          onChange={(club: string) =>
            set({
              bag: keysOf(clubs).flatMap((c) => bag.find((b) => b.club === c) ?? (c === club ? [{ club: c }] : [])),
            })
          }
        />
      )}
    </Box>
  );
}

const wedgeClubs = ['pitchingWedge', 'gapWedge', 'sandWedge', 'lobWedge'] as const;

/** The wedge grid: clubs by swing lengths, and the distances no number covers. */
export function Wedges({
  coach,
  set,
  errorAt,
  gaps,
  unit: usual,
}: PartProps & { unit: CarryUnit; gaps: Schemas['GridGap'][] }) {
  const { today } = usePerson();
  const grid = coach.wedgeGrid ?? [];
  const unit = grid[0]?.carry.unit ?? usual;
  const put = (club: Schemas['Club'], swing: Schemas['SwingLength'], value: number | null) => {
    const others = grid.filter((n) => n.club !== club || n.swing !== swing);
    set({
      wedgeGrid: value === null ? others : [...others, { club, swing, carry: { value, unit }, measuredOn: today }],
    });
  };
  return (
    <Box role="group" aria-label="Wedge grid">
      <Box sx={{ display: 'flex', gap: 1, alignItems: 'baseline', mb: 1 }}>
        <Typography variant="h3">Wedge grid, in</Typography>
        <Pick
          label="Unit of the wedge grid"
          value={unit}
          names={{ yards: lengthUnits.yards, metres: lengthUnits.metres }}
          disabled={grid.length === 0}
          onChange={(to) => set({ wedgeGrid: grid.map((n) => ({ ...n, carry: { ...n.carry, unit: to } })) })}
        />
      </Box>
      <Box
        component="table"
        sx={{
          borderCollapse: 'collapse',
          '& th': { fontSize: 14, fontWeight: 620, textAlign: 'left', pr: 1 },
          '& td': { p: 0.25, width: 84 },
        }}
      >
        <thead>
          <tr>
            <th scope="col">Club</th>
            {keysOf(swingLengths).map((s) => (
              <th key={s} scope="col">
                {swingLengths[s]}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {wedgeClubs.map((club) => (
            <tr key={club}>
              <th scope="row">{clubs[club]}</th>
              {keysOf(swingLengths).map((swing) => {
                const i = grid.findIndex((n) => n.club === club && n.swing === swing);
                return (
                  <td key={swing}>
                    <NumberField
                      isCell
                      optional
                      range={carryRange(unit)}
                      label={`${clubs[club]}, ${swingLengths[swing]}`}
                      value={grid[i]?.carry.value ?? null}
                      error={i >= 0 ? errorAt(`coach.wedgeGrid[${i}].carry`) : undefined}
                      onChange={(n) => put(club, swing, n)}
                    />
                  </td>
                );
              })}
            </tr>
          ))}
        </tbody>
      </Box>
      {gaps.length > 0 && (
        <Typography sx={{ mt: 1, color: 'text.secondary' }} data-testid="grid-gaps">
          No number covers{' '}
          {gaps.map((g) => `${round(g.from.value)} to ${round(g.to.value)} ${lengthUnits[g.from.unit]}`).join(', ')}.
        </Typography>
      )}
    </Box>
  );
}

const round = (n: number) => Math.round(n * 10) / 10;

/** A choice in a table, whose name is only spoken. */
function Pick<K extends string>({
  label,
  value,
  names,
  onChange,
  disabled,
}: {
  label: string;
  value: K;
  names: Partial<Record<K, string>>;
  onChange: (value: K) => void;
  disabled?: boolean;
}) {
  return (
    <Box
      component="select"
      aria-label={label}
      value={value}
      disabled={disabled}
      onChange={(e: React.ChangeEvent<HTMLSelectElement>) => onChange(e.target.value as K)}
      sx={{
        minHeight: thumb(38),
        px: 0.75,
        font: 'inherit',
        color: 'text.primary',
        bgcolor: 'background.paper',
        border: '1px solid #8d9488',
        borderRadius: '8px',
        maxWidth: '100%',
      }}
    >
      {(Object.entries(names) as [K, string][]).map(([key, name]) => (
        <option key={key} value={key}>
          {name}
        </option>
      ))}
    </Box>
  );
}
