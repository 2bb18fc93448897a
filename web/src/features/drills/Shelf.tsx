import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useState, type ReactNode } from 'react';
import type { Schemas } from '../../api/client';
import { Chips } from '../../ui/Chips';
import { Choice, Field, optionsOf } from '../../ui/Field';
import { areas, count, equipment, intents, minutes, places } from '../../ui/format';
import { PhaseSign, phaseOrder, phases } from '../../ui/phases';
import { Empty, Loading, ErrorNotice } from '../../ui/states';
import { useProtocols, useShelf, type Search } from './queries';

type Summary = Schemas['DrillSummary'];

interface Props {
  search: Search;
  onSearch: (search: Search) => void;
  /** What a drill's name does: opens its page, or puts it into a plan. */
  action: (drill: Summary, name: string) => ReactNode;
}

const anything = { value: '', label: 'any' } as const;

/** The search over the shelf and what it finds. */
export function Shelf({ search, onSearch, action }: Props) {
  const found = useShelf(search);
  const protocols = useProtocols();
  const [showsEquipment, setShowsEquipment] = useState(search.atHand !== undefined);
  const set = (part: Search) => onSearch({ ...search, ...part });
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
        <Field
          label="Minutes"
          value={search.minutes === undefined ? '' : String(search.minutes)}
          inputProps={{ inputMode: 'numeric' }}
          placeholder="any"
          onChange={(e) => {
            const typed = e.target.value.replace(/\D/g, '').slice(0, 3);
            set({ minutes: typed === '' ? undefined : Number(typed) });
          }}
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
      <Box component="ul" sx={{ listStyle: 'none', m: 0, p: 0 }}>
        {found.data?.map((drill) => (
          <DrillLine key={drill.id} drill={drill} action={action} />
        ))}
      </Box>
    </>
  );
}

function DrillLine({ drill, action }: { drill: Summary; action: Props['action'] }) {
  return (
    <Box
      component="li"
      sx={{
        display: 'grid',
        gridTemplateColumns: { xs: '1fr', md: '110px minmax(0, 2.2fr) 110px minmax(0, 1fr) 130px' },
        columnGap: 3,
        py: 1.25,
        alignItems: 'baseline',
        borderBottom: '1px solid',
        borderColor: 'line',
      }}
    >
      <Box sx={{ color: 'text.secondary' }}>{areas[drill.area]}</Box>
      <Box>
        {action(drill, drill.name)}
        <Box sx={{ color: 'text.secondary' }}>{drill.purpose}</Box>
      </Box>
      <Box sx={{ display: 'flex', gap: 0.75 }}>
        {phaseOrder
          .filter((p) => drill.phases.includes(p))
          .map((p) => (
            <PhaseSign key={p} phase={p} named size={20} />
          ))}
      </Box>
      <Box>
        {drill.scoring}
        {drill.steps > 0 && (
          <Box component="span" sx={{ color: 'text.secondary' }}>
            , {count(drill.steps, 'step')}
          </Box>
        )}
      </Box>
      <Box sx={{ whiteSpace: 'nowrap' }}>
        {minutes(drill.usualMinutes)}
        {drill.usualBalls > 0 && (
          <Box component="span" sx={{ color: 'text.secondary' }}>
            , {count(drill.usualBalls, 'ball')}
          </Box>
        )}
      </Box>
    </Box>
  );
}
