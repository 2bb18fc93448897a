import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { ranges } from '../../api/ranges';
import type { Schemas } from '../../api/client';
import { Choice } from '../../ui/Field';
import { NumberField } from '../../ui/NumberField';
import type { Chosen } from './ProgrammeGrid';
import type { Change, Programme, Slot } from './queries';

interface Props {
  programme: Programme;
  drawing: Schemas['ProgrammeDrawing'] | undefined;
  chosen: Chosen | undefined;
  onChange: (slotId: string, part: Partial<Slot>) => void;
  onRemove: (slotId: string) => void;
}

const asBefore = { value: '', label: 'as before' } as const;

/** The session that is chosen: how it stands in the weeks, and what is different in it from a week on. */
export function ChangeFields({ programme, drawing, chosen, onChange, onRemove }: Props) {
  const slot = programme.slots.find((s) => s.id === chosen?.slotId);
  const drawn = drawing?.slots.find((s) => s.slotId === chosen?.slotId);
  if (!slot || !chosen)
    return (
      <Box sx={{ color: 'text.secondary' }}>
        Choose a session in a week to say what is different in it from then on. A week’s name makes it a lighter one.
      </Box>
    );
  const changes = slot.changes ?? [];
  const { week } = chosen;
  const at = (segmentId: string | null) =>
    changes.find((c) => c.fromWeek === week && (c.segmentId ?? null) === segmentId);
  const write = (segmentId: string | null, part: Partial<Change>) => {
    const next: Change = { ...(at(segmentId) ?? { fromWeek: week, segmentId }), ...part };
    const others = changes.filter((c) => c !== at(segmentId));
    const says = typeof next.rung === 'number' || next.goal || typeof next.minutes === 'number';
    onChange(slot.id, { changes: says ? [...others, next].sort((a, b) => a.fromWeek - b.fromWeek) : others });
  };
  return (
    <Box component="section" aria-label="The session in hand" sx={{ display: 'grid', gap: 2, alignContent: 'start' }}>
      <Box sx={{ display: 'flex', alignItems: 'baseline', gap: 1, flexWrap: 'wrap' }}>
        <Typography variant="h2">{drawn?.title || 'Session'}</Typography>
        <Button sx={{ ml: 'auto' }} onClick={() => onRemove(slot.id)}>
          Take it out of the programme
        </Button>
      </Box>
      <Box sx={{ display: 'grid', gridTemplateColumns: 'repeat(auto-fit, minmax(120px, 1fr))', gap: 1.5 }}>
        <Choice
          label="Counts as"
          value={slot.requirement ?? 'must'}
          options={[
            { value: 'must', label: 'must' },
            { value: 'extra', label: 'extra' },
          ]}
          onChange={(requirement) => onChange(slot.id, { requirement })}
        />
        <NumberField
          label="Order in the week"
          optional
          whole
          range={ranges.orderInWeek}
          value={slot.order}
          onChange={(n) => onChange(slot.id, { order: n })}
        />
        <NumberField
          label="From week"
          whole
          range={ranges.programmeWeeks}
          value={slot.fromWeek ?? 1}
          onChange={(n) => onChange(slot.id, { fromWeek: n ?? 1 })}
        />
        <NumberField
          label="To week"
          optional
          whole
          range={ranges.programmeWeeks}
          value={slot.toWeek}
          onChange={(n) => onChange(slot.id, { toWeek: n })}
        />
      </Box>
      <Typography variant="h3">From week {week} on</Typography>
      <NumberField
        label="Whole session"
        unit="min"
        optional
        whole
        range={ranges.segmentMinutes}
        value={at(null)?.minutes}
        onChange={(n) => write(null, { minutes: n })}
      />
      {drawn?.segments.map((segment) => {
        const change = at(segment.id);
        const measure = change?.goal?.measure ?? segment.goal?.measure ?? segment.measures[0]?.name;
        return (
          <Box
            key={segment.id}
            role="group"
            aria-label={segment.title}
            sx={{ display: 'grid', gridTemplateColumns: { sm: '1.2fr 90px 1fr 110px' }, gap: 1.5, alignItems: 'end' }}
          >
            <Box sx={{ pb: { sm: 1 } }}>{segment.title}</Box>
            <NumberField
              label="Duration"
              unit="min"
              optional
              whole
              range={ranges.segmentMinutes}
              value={change?.minutes}
              onChange={(n) => write(segment.id, { minutes: n })}
            />
            {segment.steps.length > 0 ? (
              <Choice
                label="Step"
                value={typeof change?.rung === 'number' ? String(change.rung) : ''}
                options={[asBefore, ...segment.steps.map((name, i) => ({ value: String(i), label: name }))]}
                onChange={(rung) => write(segment.id, { rung: rung === '' ? null : Number(rung) })}
              />
            ) : (
              <Box />
            )}
            {measure ? (
              <NumberField
                label={`Goal, ${segment.measures.find((m) => m.name === measure)?.label ?? measure}`}
                optional
                value={change?.goal?.limit}
                onChange={(limit) => write(segment.id, { goal: limit === null ? null : { measure, limit } })}
              />
            ) : (
              <Box />
            )}
          </Box>
        );
      })}
    </Box>
  );
}
