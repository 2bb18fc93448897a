import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useMutation, useQuery } from '@tanstack/react-query';
import { ranges } from '../../api/ranges';
import { answer, api, type Schemas } from '../../api/client';
import { drillKeys } from '../../api/queryKeys';
import { usePerson } from '../../app/signIn';
import { DayField } from '../../ui/DayField';
import { Choice, Field } from '../../ui/Field';
import { NumberField } from '../../ui/NumberField';
import { ErrorNotice } from '../../ui/states';
import { columns } from './coachSection';

type Quantity = Schemas['FocusQuantity'];

interface Props {
  studentId: string;
  quantity: Quantity;
  errorAt: (path: string) => string | undefined;
  onChange: (part: Partial<Quantity>) => void;
}

const anyDrill = { value: '', label: 'any that measures it' };

const groups = [
  { value: '', label: 'the newest result’s' },
  { value: 'block', label: 'block' },
  { value: 'randomOrOnCourse', label: 'random and holes' },
] as const;

const numbers = [
  ['start', 'Where it began'],
  ['startLow', 'Doubt from'],
  ['startHigh', 'Doubt to'],
  ['startCount', 'Balls'],
  ['least', 'Band from'],
  ['most', 'Band to'],
] as const;

/** A figure with the digits that a person would write down. */
const rounded = (n: number) => Math.round(n * 10) / 10;

/** The goal as a number: which results feed it, where it began and how surely, the band, and by when. */
export function GoalFields({ studentId, quantity, errorAt, onChange }: Props) {
  const { today } = usePerson();
  const shelf = useQuery({ queryKey: drillKeys.shelf({}), queryFn: () => answer(api.GET('/api/drills')) });
  const drillId = quantity.drillId ?? '';
  const drill = useQuery({
    queryKey: drillKeys.one(drillId),
    enabled: drillId !== '',
    queryFn: () => answer(api.GET('/api/drills/{id}', { params: { path: { id: drillId } } })),
  });
  const measures = drill.data?.analysis.measures ?? [];
  const ladder = drill.data?.drill.ladder ?? [];
  const start = useMutation({
    mutationFn: () =>
      answer(api.POST('/api/progress/{studentId}/start', { params: { path: { studentId } }, body: quantity })),
    onSuccess: ({ now }) => {
      if (now)
        onChange({
          start: rounded(now.value),
          startLow: now.doubt ? rounded(now.doubt.low) : null,
          startHigh: now.doubt ? rounded(now.doubt.high) : null,
          startCount: now.count,
          startedOn: today,
        });
    },
  });
  const at = (field: keyof Quantity) => errorAt(`coach.focus.quantity.${field}`);
  const chooseDrill = (id: string) => {
    const name = shelf.data?.find((d) => d.id === id)?.name;
    onChange(
      id === ''
        ? { drillId: null, rung: null, measure: '' }
        : { drillId: id, rung: 0, measure: '', ...(quantity.what === '' && name && { what: name }) },
    );
  };
  const chooseMeasure = (name: string) => {
    const measure = measures.find((m) => m.name === name);
    onChange({ measure: name, ...(measure && { unit: measure.unit }) });
  };
  return (
    <Box role="group" aria-label="The goal as a number" sx={{ mt: 1, display: 'grid', gap: 1.5 }}>
      {shelf.error && <ErrorNotice error={shelf.error} onRetry={() => void shelf.refetch()} />}
      <Box sx={columns}>
        <Choice
          label="Fed by"
          value={drillId}
          options={[anyDrill, ...(shelf.data ?? []).map((d) => ({ value: d.id, label: d.name }))]}
          onChange={chooseDrill}
        />
        {drillId !== '' && (
          <Choice
            label="What of it"
            value={quantity.measure ?? ''}
            error={at('measure')}
            options={[
              ...(measures.some((m) => m.name === quantity.measure)
                ? []
                : [{ value: quantity.measure ?? '', label: 'choose one' }]),
              ...measures.map((m) => ({ value: m.name, label: m.label })),
            ]}
            onChange={chooseMeasure}
          />
        )}
        {ladder.length > 0 && (
          <Choice
            label="On its step"
            value={String(quantity.rung ?? 0)}
            options={ladder.map((r, i) => ({ value: String(i), label: r.name }))}
            onChange={(rung) => onChange({ rung: Number(rung) })}
          />
        )}
        <Choice
          label="In"
          value={quantity.group ?? ''}
          options={[...groups]}
          onChange={(group) => onChange({ group: group || null })}
        />
        <Field
          label="Unit"
          value={quantity.unit ?? ''}
          error={at('unit')}
          onChange={(e) => onChange({ unit: e.target.value })}
        />
      </Box>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', columnGap: 1.5, alignItems: 'center' }}>
        <Button
          variant="outlined"
          disabled={start.isPending}
          onClick={() => start.mutate()}
          sx={{ '@media (pointer: coarse)': { minHeight: 56 } }}
        >
          Begin from the last results
        </Button>
        <Box role="status" sx={{ color: 'text.secondary' }}>
          {start.data && !start.data.now && 'Nothing that feeds this goal has been measured in twelve weeks.'}
        </Box>
      </Box>
      {start.error && <ErrorNotice error={start.error} />}
      <Box sx={{ ...columns, gridTemplateColumns: { xs: '1fr 1fr', sm: 'repeat(6, minmax(0, 1fr))' }, gap: 1 }}>
        {numbers.map(([key, label]) => (
          <NumberField
            key={key}
            label={label}
            optional
            whole={key === 'startCount'}
            {...(key === 'startCount' && { range: ranges.startingAttempts })}
            value={quantity[key]}
            error={at(key)}
            onChange={(n) => onChange({ [key]: n })}
          />
        ))}
      </Box>
      <Box sx={columns}>
        <DayField
          label="Results count from"
          value={quantity.startedOn ?? ''}
          error={at('startedOn')}
          onChange={(day) => onChange({ startedOn: day || null })}
        />
        <DayField
          label="There by"
          value={quantity.by ?? ''}
          error={at('by')}
          onChange={(day) => onChange({ by: day || null })}
        />
      </Box>
    </Box>
  );
}
