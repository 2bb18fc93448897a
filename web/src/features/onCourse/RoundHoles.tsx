import Box from '@mui/material/Box';
import { useId } from 'react';
import { signed } from '../../ui/format';
import { cell, NumberCell, step } from '../../ui/tableCells';
import type { RoundHole } from './queries';

interface Props {
  holes: RoundHole[];
  errorAt: (path: string) => string | undefined;
  onChange: (holes: RoundHole[]) => void;
}

const fairways = { '': '–', hit: 'hit', missed: 'missed' } as const;
const fairwayOf = (hit: boolean | null | undefined) => (hit == null ? '' : hit ? 'hit' : 'missed');

/**
 * The holes of a round as a table that is typed through: a digit for the score goes on to the putts, a digit for those to the
 * next hole; Tab goes through everything.
 */
export function RoundHoles({ holes, errorAt, onChange }: Props) {
  const tableId = useId();
  const goTo = (row: number, column: string) =>
    document
      .getElementById(tableId)
      ?.querySelector<HTMLElement>(`[data-row="${row}"][data-column="${column}"]`)
      ?.focus();
  const change = (row: number, part: Partial<RoundHole>) =>
    onChange(holes.map((h, i) => (i === row ? { ...h, ...part } : h)));
  const score = holes.reduce((sum, h) => sum + h.score, 0);
  const toPar = holes.filter((h) => h.score > 0).reduce((sum, h) => sum + h.score - h.par, 0);
  return (
    <Box>
      <Box
        component="table"
        aria-label="Holes of the round"
        id={tableId}
        sx={{
          borderCollapse: 'collapse',
          '& td, & tbody th': { p: '2px' },
          '& th': { fontWeight: 500, fontSize: 14, textAlign: 'left', color: 'text.secondary' },
          '& tfoot td': { px: 1, py: 0.5, fontWeight: 650 },
        }}
      >
        <thead>
          <tr>
            <th scope="col">Hole</th>
            <th scope="col">Par</th>
            <th scope="col">Score</th>
            <th scope="col">Putts</th>
            <th scope="col">Fairway</th>
            <th scope="col">Penalties</th>
          </tr>
        </thead>
        <tbody>
          {holes.map((hole, i) => {
            const number = (
              column: string,
              label: string,
              value: number | null | undefined,
              path: string,
              to: (n: number | null) => void,
            ) => (
              <td>
                <NumberCell
                  {...{ column, value }}
                  row={i}
                  width={48}
                  label={`${label}, hole ${i + 1}`}
                  error={errorAt(`holes[${i}].${path}`)}
                  onChange={to}
                  onLast={() => undefined}
                />
              </td>
            );
            return (
              <tr key={i}>
                <th scope="row">
                  <Box component="span" sx={{ px: 0.75, color: 'text.primary' }}>
                    {i + 1}
                  </Box>
                </th>
                {number('par', 'Par', hole.par || null, 'par', (par) =>
                  change(i, { par: par ?? 0, ...(par === 3 ? { fairwayHit: null } : {}) }),
                )}
                {number('score', 'Score', hole.score || null, 'score', (n) => {
                  change(i, { score: Math.round(n ?? 0) });
                  // A one may begin a ten.
                  if (n !== null && n > 1) goTo(i, 'putts');
                })}
                {number('putts', 'Putts', hole.putts, 'putts', (n) => {
                  change(i, { putts: n === null ? null : Math.round(n) });
                  if (n !== null) goTo(i + 1, 'score');
                })}
                <td>
                  {hole.par !== 3 && (
                    <Box
                      component="select"
                      aria-label={`Fairway, hole ${i + 1}`}
                      data-row={i}
                      data-column="fairway"
                      value={fairwayOf(hole.fairwayHit)}
                      onChange={(e: React.ChangeEvent<HTMLSelectElement>) =>
                        change(i, { fairwayHit: e.target.value === '' ? null : e.target.value === 'hit' })
                      }
                      onKeyDown={(e: React.KeyboardEvent<HTMLElement>) => step(e, () => undefined)}
                      sx={{ ...cell, width: 80 }}
                    >
                      {Object.entries(fairways).map(([value, text]) => (
                        <option key={value} value={value}>
                          {text}
                        </option>
                      ))}
                    </Box>
                  )}
                </td>
                {number('penalties', 'Penalties', hole.penalties || null, 'penalties', (n) =>
                  change(i, { penalties: Math.round(n ?? 0) }),
                )}
              </tr>
            );
          })}
        </tbody>
        <tfoot>
          <tr>
            <td colSpan={2}>In all</td>
            <td colSpan={4}>
              {score > 0 && `${score}, ${toPar === 0 ? 'level' : signed(toPar, 0)} on the holes typed`}
            </td>
          </tr>
        </tfoot>
      </Box>
      {errorAt('holes') && <Box sx={{ color: 'error.main' }}>{errorAt('holes')}</Box>}
    </Box>
  );
}
