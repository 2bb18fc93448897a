import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useState, type ReactNode } from 'react';
import { NumberField } from '../../ui/NumberField';
import { ranges } from '../../api/ranges';
import type { Schemas } from '../../api/client';
import { Chips } from '../../ui/Chips';
import { Choice, Field, optionsOf } from '../../ui/Field';
import { areas, count, equipment, intents, minutes, places } from '../../ui/format';
import { PhaseSign, phaseOrder, phases } from '../../ui/phases';
import { Empty, Loading, ErrorNotice } from '../../ui/states';
import { SmallDrawing } from './DrillDrawing';
import { useProtocols, useShelf, type Search } from './queries';

type Summary = Schemas['DrillSummary'];

interface Props {
  search: Search;
  onSearch: (search: Search) => void;
  /** What a drill's name does: opens its page, or puts it into a plan. */
  action: (drill: Summary, name: string) => ReactNode;
}

/** How many are drawn at once: more is asked for. */
const page = 24;

const anything = { value: '', label: 'any' } as const;

/** The search over the shelf and what it finds. */
export function Shelf({ search, onSearch, action }: Props) {
  const found = useShelf(search);
  const protocols = useProtocols();
  const [showsEquipment, setShowsEquipment] = useState(search.atHand !== undefined);
  const [shown, setShown] = useState(page);
  const set = (part: Search) => {
    setShown(page);
    onSearch({ ...search, ...part });
  };
  return (
    <>
      <Box
        role="search"
        sx={{
          display: 'grid',
          gridTemplateColumns: {
            xs: '1fr 1fr',
            md: '2fr repeat(4, minmax(0, 1fr)) 110px minmax(0, 1.4fr)',
          },
          gap: 1.5,
          alignItems: 'end',
        }}
      >
        <Field
          label="Words"
          id="shelf-text"
          placeholder="gate, pace, carry …"
          value={search.text ?? ''}
          onChange={(e) => set({ text: e.target.value.slice(0, 80) || undefined })}
        />
        <Choice
          label="Area"
          value={search.area ?? ''}
          options={[anything, ...optionsOf(areas)]}
          onChange={(area) => set({ area: area || undefined })}
        />
        <Choice
          label="Phase"
          value={search.phase ?? ''}
          options={[anything, ...phaseOrder.map((p) => ({ value: p, label: phases[p].name }))]}
          onChange={(phase) => set({ phase: phase || undefined })}
        />
        <Choice
          label="Intent"
          value={search.intent ?? ''}
          options={[anything, ...optionsOf(intents)]}
          onChange={(intent) => set({ intent: intent || undefined })}
        />
        <Choice
          label="Place"
          value={search.place ?? ''}
          options={[anything, ...optionsOf(places)]}
          onChange={(place) => set({ place: place || undefined })}
        />
        <NumberField
          label="Duration"
          unit="min"
          optional
          whole
          range={ranges.segmentMinutes}
          value={search.minutes}
          onChange={(minutes) => set({ minutes: minutes ?? undefined })}
        />
        <Choice
          label="Scored as"
          value={search.protocol ?? ''}
          options={[anything, ...(protocols.data ?? []).map((p) => ({ value: p.kind, label: p.title }))]}
          onChange={(protocol) => set({ protocol: protocol || undefined })}
        />
      </Box>
      <Box sx={{ mt: 1, minHeight: 40 }}>
        {showsEquipment ? (
          <Box sx={{ display: 'flex', alignItems: 'end', gap: 1, flexWrap: 'wrap' }}>
            <Chips
              label="At hand"
              names={equipment}
              value={(search.atHand ?? '').split(',').filter(Boolean) as Schemas['Equipment'][]}
              onChange={(items) => set({ atHand: items.join(',') })}
            />
            <Button
              onClick={() => {
                setShowsEquipment(false);
                set({ atHand: undefined });
              }}
            >
              Never mind
            </Button>
          </Box>
        ) : (
          <Button
            onClick={() => {
              setShowsEquipment(true);
              set({ atHand: '' });
            }}
            sx={{ ml: -1.25 }}
          >
            Only what I have at hand
          </Button>
        )}
      </Box>
      {found.isPending && <Loading what="the shelf" />}
      {found.error && <ErrorNotice error={found.error} onRetry={() => void found.refetch()} />}
      {found.data?.length === 0 && (
        <Empty title="No drill fits all of that">Take something back above, or write a drill of your own.</Empty>
      )}
      {found.data && found.data.length > 0 && (
        <Typography role="status" sx={{ color: 'text.secondary', mt: 1 }}>
          {count(found.data.length, 'drill')}
        </Typography>
      )}
      <Box
        component="ul"
        sx={{
          listStyle: 'none',
          m: 0,
          mt: 1.5,
          p: 0,
          display: 'grid',
          gridTemplateColumns: 'repeat(auto-fill, minmax(min(100%, 240px), 1fr))',
          columnGap: 3,
          rowGap: 3.5,
        }}
      >
        {found.data?.slice(0, shown).map((drill) => (
          <DrillTile key={drill.id} drill={drill} action={action} />
        ))}
      </Box>
      {found.data && found.data.length > shown && (
        <Button variant="outlined" onClick={() => setShown((n) => n + page)} sx={{ mt: 3 }}>
          {count(Math.min(page, found.data.length - shown), 'more drill')}
        </Button>
      )}
    </>
  );
}

/** A drill as its set-up is drawn, and what a coach decides by. */
function DrillTile({ drill, action }: { drill: Summary; action: Props['action'] }) {
  return (
    <Box component="li" sx={{ display: 'flex', flexDirection: 'column', minWidth: 0 }}>
      <SmallDrawing drill={{ ...drill.picture, area: drill.area }} />
      <Box sx={{ mt: 1, display: 'flex', alignItems: 'baseline', gap: 1 }}>
        <Box sx={{ flex: 1, minWidth: 0 }}>{action(drill, drill.name)}</Box>
        <Box sx={{ display: 'flex', gap: 0.5 }}>
          {phaseOrder
            .filter((p) => drill.phases.includes(p))
            .map((p) => (
              <PhaseSign key={p} phase={p} named size={18} />
            ))}
        </Box>
      </Box>
      <Box sx={{ fontSize: 15 }}>{drill.purpose}</Box>
      <Box sx={{ color: 'text.secondary', fontSize: 14, mt: 0.25 }}>
        {areas[drill.area]}, {minutes(drill.usualMinutes)}
        {drill.usualBalls > 0 && `, ${count(drill.usualBalls, 'ball')}`}
        {drill.steps > 0 && `, ${count(drill.steps, 'step')}`}
      </Box>
    </Box>
  );
}
