import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useEffect, useRef, useState } from 'react';
import { ranges } from '../../api/ranges';
import type { Schemas } from '../../api/client';
import { Choice, Field, optionsOf } from '../../ui/Field';
import { lengthUnits } from '../../ui/format';
import { NumberField } from '../../ui/NumberField';
import { bearingOptions } from './direction';
import type { Place } from './queries';
import { RangePlan, type Spot } from './RangePlan';

type Target = Schemas['RangeTarget'];

interface Props {
  place: Place;
  set: (part: Partial<Place>) => void;
  errorAt: (path: string) => string | undefined;
  today: string;
}

const markings = { yards: lengthUnits.yards, metres: lengthUnits.metres } as typeof lengthUnits;

/** What there is to aim at: pressed into the picture of the range, and written beside it. */
export function Targets({ place, set, errorAt, today }: Props) {
  const targets = place.targets ?? [];
  const [inHand, setInHand] = useState<number>();
  const [added, setAdded] = useState<number>();
  const rows = useRef<HTMLElement>(null);
  // Whoever put a target there names it next.
  useEffect(() => {
    if (added === undefined) return;
    rows.current?.querySelectorAll<HTMLElement>('[data-target]')[added]?.querySelector('input')?.focus();
  }, [added]);
  const change = (i: number, part: Partial<Target>) =>
    set({ targets: targets.map((t, j) => (j === i ? { ...t, ...part } : t)) });
  const add = (target: Omit<Target, 'name'>) => {
    set({ targets: [...targets, { name: '', ...target }] });
    setAdded(targets.length);
  };
  const standing = (spot: Spot) => ({
    distance: { value: spot.distance, unit: spot.unit },
    bearingDegrees: spot.bearing,
    measuredOn: null,
  });
  const held = inHand === undefined ? undefined : targets[inHand];
  return (
    <Box role="group" aria-label="Targets" ref={rows}>
      <Typography variant="h3">Targets</Typography>
      <Typography role="status" sx={{ mt: 0.5, mb: 1, color: 'text.secondary', fontSize: 15 }}>
        {held
          ? `Press where “${held.name || 'this one'}” stands, or press it again to let it be.`
          : 'Press the ground where a target stands; press a target to move it. The distance painted on it can be written below.'}
      </Typography>
      <RangePlan
        place={place}
        hand={{
          at: inHand,
          onGround: (spot) => {
            if (inHand === undefined) add(standing(spot));
            else change(inHand, standing(spot));
            setInHand(undefined);
          },
          onTarget: (i) => setInHand(i === inHand ? undefined : i),
        }}
      />
      {targets.map((t, i) => (
        <Box
          key={i}
          data-target
          sx={{
            display: 'grid',
            gridTemplateColumns: { xs: '1fr 1fr', lg: '1.6fr 84px 76px 1.6fr 1.6fr auto' },
            gap: 1,
            alignItems: 'end',
            mt: 1.5,
            pl: 1,
            borderLeft: '4px solid',
            borderColor: i === inHand ? 'text.primary' : 'transparent',
            // On a phone only distance and unit share a line.
            '& > *': { gridColumn: { xs: '1 / -1', lg: 'auto' } },
            '& > :nth-of-type(2), & > :nth-of-type(3)': { gridColumn: 'auto' },
          }}
        >
          <Field
            label="Name"
            value={t.name}
            error={errorAt(`targets[${i}].name`)}
            onChange={(e) => change(i, { name: e.target.value })}
          />
          <NumberField
            label="Distance"
            range={ranges.targetDistance}
            value={t.distance.value}
            error={errorAt(`targets[${i}].distance.value`)}
            onChange={(n) => change(i, { distance: { ...t.distance, value: n ?? 0 }, measuredOn: today })}
          />
          <Choice
            label="Unit"
            value={t.distance.unit}
            options={optionsOf(markings)}
            onChange={(unit) => change(i, { distance: { ...t.distance, unit } })}
          />
          <Choice
            label="Stands"
            value={String(t.bearingDegrees ?? 0)}
            options={bearingOptions(t.bearingDegrees ?? 0)}
            error={errorAt(`targets[${i}].bearingDegrees`)}
            onChange={(degrees) => change(i, { bearingDegrees: Number(degrees) })}
          />
          <Field
            label="Look"
            value={t.look ?? ''}
            error={errorAt(`targets[${i}].look`)}
            onChange={(e) => change(i, { look: e.target.value })}
          />
          <Button
            onClick={() => {
              set({ targets: targets.filter((_, j) => j !== i) });
              setInHand(undefined);
              setAdded(undefined);
            }}
            aria-label={`Take out ${t.name || `target ${i + 1}`}`}
            sx={{ justifySelf: 'start', ml: -1.25 }}
          >
            Take out
          </Button>
        </Box>
      ))}
      <Button
        size="small"
        variant="outlined"
        sx={{ mt: 1.5 }}
        onClick={() =>
          add({
            distance: { value: 100, unit: targets.at(-1)?.distance.unit ?? 'yards' },
            bearingDegrees: 0,
            measuredOn: today,
          })
        }
      >
        Another target
      </Button>
      {errorAt('targets') && (
        <Box role="alert" sx={{ color: 'error.main' }}>
          {errorAt('targets')}
        </Box>
      )}
    </Box>
  );
}
