import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { Fragment, type KeyboardEvent } from 'react';
import { bends, lengthUnits, troubles } from '../../ui/format';
import { cell, NumberCell, step } from '../../ui/tableCells';
import type { Course, Hole } from './queries';

interface Props {
  course: Course;
  /** The hole in hand. */
  at: number;
  errorAt: (path: string) => string | undefined;
  onAt: (at: number) => void;
  onChange: (index: number, part: Partial<Hole>) => void;
  onAdd: () => void;
}

/** The holes of a course as a table that is typed through with the keyboard: Tab goes on, Enter and the arrows go down and up. */
export function HoleTable({ course, at, errorAt, onAt, onChange, onAdd }: Props) {
  const sign = lengthUnits[course.unit ?? 'yards'];
  const isFull = course.holes.length >= 18;
  const addOne = () => {
    if (!isFull) onAdd();
  };
  return (
    <Box sx={{ overflowX: 'auto' }}>
      <Box
        component="table"
        aria-label="Holes"
        sx={{
          borderCollapse: 'collapse',
          '& td, & tbody th': { p: '2px' },
          width: '100%',
          minWidth: 720,
          '& th': { fontWeight: 500, fontSize: 14, textAlign: 'left', color: 'text.secondary', whiteSpace: 'nowrap' },
        }}
      >
        <thead>
          <tr>
            <th scope="col">Hole</th>
            <th scope="col">Par</th>
            {course.tees.map((tee, i) => (
              <th key={i} scope="col">
                {tee || `Tee ${i + 1}`}, {sign}
              </th>
            ))}
            <th scope="col">Fairway</th>
            <th scope="col">Turns</th>
            <th scope="col">Left</th>
            <th scope="col">Right</th>
            <th scope="col">Across</th>
            <th scope="col">from</th>
            <th scope="col">carry</th>
          </tr>
        </thead>
        <tbody>
          {course.holes.map((hole, i) => (
            <Row
              key={i}
              {...{ hole, i }}
              isInHand={i === at}
              onIn={() => onAt(i)}
              errorAt={(path) => errorAt(`holes[${i}].${path}`)}
              onChange={(part) => onChange(i, part)}
              onLast={addOne}
            />
          ))}
        </tbody>
      </Box>
      <Button onClick={addOne} disabled={isFull} sx={{ mt: 0.5 }}>
        Another hole
      </Button>
    </Box>
  );
}

function Row({
  hole,
  i,
  isInHand,
  onIn,
  errorAt,
  onChange,
  onLast,
}: {
  hole: Hole;
  i: number;
  isInHand: boolean;
  onIn: () => void;
  errorAt: (path: string) => string | undefined;
  onChange: (part: Partial<Hole>) => void;
  onLast: () => void;
}) {
  const number = (
    column: string,
    label: string,
    value: number | null | undefined,
    to: (n: number | null) => void,
    path: string,
  ) => (
    <td>
      <NumberCell
        {...{ column, value }}
        row={i}
        label={`${label}, hole ${i + 1}`}
        error={errorAt(path)}
        onChange={to}
        onLast={onLast}
      />
    </td>
  );
  const choice = (
    column: string,
    label: string,
    value: string,
    names: Record<string, string>,
    to: (value: string) => void,
    isOptional = true,
  ) => (
    <td>
      <Box
        component="select"
        aria-label={`${label}, hole ${i + 1}`}
        data-row={i}
        data-column={column}
        value={value}
        onChange={(e: React.ChangeEvent<HTMLSelectElement>) => to(e.target.value)}
        onKeyDown={(e: KeyboardEvent<HTMLElement>) => step(e, onLast)}
        sx={cell}
      >
        {isOptional && <option value="">–</option>}
        {Object.entries(names).map(([name, text]) => (
          <option key={name} value={name}>
            {text}
          </option>
        ))}
      </Box>
    </td>
  );
  const trouble = (value: string) => (value === '' ? null : (value as keyof typeof troubles));
  const across = hole.across;
  const acrossKinds = { water: troubles.water, sand: troubles.sand };
  return (
    <Box component="tr" onFocus={onIn} sx={{ '& > *': { bgcolor: isInHand ? 'background.paper' : undefined } }}>
      <th scope="row">
        <Box component="span" sx={{ px: 0.75, fontWeight: isInHand ? 650 : 500, color: 'text.primary' }}>
          {i + 1}
        </Box>
      </th>
      {number(
        'par',
        'Par',
        hole.par,
        (par) =>
          onChange({
            par: par ?? 0,
            ...(par === 3 ? { fairwayWidth: null } : hole.fairwayWidth ? {} : { fairwayWidth: 32 }),
          }),
        'par',
      )}
      {hole.lengths.map((length, tee) => (
        <Fragment key={tee}>
          {number(
            `length${tee}`,
            `Length from tee ${tee + 1}`,
            length,
            (n) => onChange({ lengths: hole.lengths.map((l, t) => (t === tee ? (n ?? 0) : l)) }),
            `lengths[${tee}]`,
          )}
        </Fragment>
      ))}
      {number('width', 'Fairway width', hole.fairwayWidth, (n) => onChange({ fairwayWidth: n }), 'fairwayWidth')}
      {choice(
        'bend',
        'Turns',
        hole.bend ?? 'straight',
        bends,
        (v) => onChange({ bend: v as keyof typeof bends }),
        false,
      )}
      {choice('left', 'Left', hole.left ?? '', troubles, (v) => onChange({ left: trouble(v) }))}
      {choice('right', 'Right', hole.right ?? '', troubles, (v) => onChange({ right: trouble(v) }))}
      {choice('across', 'Across', across?.kind ?? '', acrossKinds, (v) =>
        onChange({
          across: v === '' ? null : { from: 180, to: 200, ...across, kind: v as keyof typeof troubles },
        }),
      )}
      {across
        ? number(
            'from',
            'Across, from',
            across.from,
            (n) => onChange({ across: { ...across, from: n ?? 0 } }),
            'across.from',
          )
        : empty}
      {across
        ? number('to', 'To carry', across.to, (n) => onChange({ across: { ...across, to: n ?? 0 } }), 'across.to')
        : empty}
    </Box>
  );
}

const empty = <td />;
