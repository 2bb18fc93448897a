import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { useParams } from 'react-router';
import type { Schemas } from '../../api/client';
import { usePerson } from '../../app/signIn';
import { Choice, optionsOf } from '../../ui/Field';
import { clubs, count, dayName, heardAt, minutes, places, warmUpSchools } from '../../ui/format';
import { PageHeading } from '../../ui/PageHeading';
import { ErrorNotice, Loading } from '../../ui/states';
import { withoutLastAttempt, type DrillInput } from '../drills/flow';
import { onDemand } from '../../ui/onDemand';
import { useWarmUps } from './queries';

const FlowRun = onDemand(() => import('../drills/FlowRun').then((m) => m.FlowRun));

const before = { round: 'a round', block: 'practice' } as const;

/** A warm-up for the minutes there are, without a plan; there without a signal too, for today and six days on. */
export function WarmUpPage() {
  const person = usePerson();
  const params = useParams();
  const id = params.id ?? person.studentId ?? '';
  const view = useWarmUps(id);
  const [length, setLength] = useState(15);
  const [purpose, setPurpose] = useState<Schemas['WarmUpBefore']>('round');
  const [school, setSchool] = useState<Schemas['WarmUpSchool']>('twoAClub');
  const [day, setDay] = useState(person.today);
  if (view.isPending) return <Loading what="the warm-ups" />;
  if (!view.data)
    return (
      <ErrorNotice
        error={view.error ?? new Error('The warm-ups are not on this phone yet.')}
        onRetry={() => void view.refetch()}
      />
    );
  const { days, sets } = view.data;
  // What is kept may be days old; its last day then stands for later ones.
  const chosen = days.find((d) => d.day === day) ?? days.at(-1);
  const warmUps = sets[chosen?.set ?? 0]?.warmUps ?? [];
  const warmUp = warmUps.find((w) => w.minutes === length && w.before === purpose && w.school === school);
  const lengths = [...new Set(warmUps.map((w) => w.minutes))];
  return (
    <>
      <PageHeading sx={{ mt: 2 }}>Warm-up</PageHeading>
      {view.asOf !== undefined && (
        <Typography role="status" sx={{ fontSize: 15 }}>
          No connection. This is as it was on {heardAt(view.asOf)}.
        </Typography>
      )}
      <Box
        sx={{
          display: 'grid',
          gridTemplateColumns: { xs: '1fr 1fr', sm: 'repeat(4, 1fr)' },
          gap: 1.5,
          mt: 1.5,
          maxWidth: 760,
        }}
      >
        <Choice
          label="Minutes there are"
          value={String(length)}
          options={lengths.map((n) => ({ value: String(n), label: minutes(n) }))}
          onChange={(n) => setLength(Number(n))}
        />
        <Choice label="Before" value={purpose} options={optionsOf(before)} onChange={setPurpose} />
        <Choice label="Up the bag" value={school} options={optionsOf(warmUpSchools)} onChange={setSchool} />
        <Choice
          label="Day"
          value={chosen?.day ?? day}
          options={days.map((d) => ({ value: d.day, label: d.day === person.today ? 'Today' : dayName(d.day) }))}
          onChange={setDay}
        />
      </Box>
      {warmUp && <Parts warmUp={warmUp} aim={view.data.aim} />}
      <Typography sx={{ mt: 3, fontSize: 15, color: 'text.secondary' }}>
        Nothing in it should hurt. If something does, stop, and ask a doctor or a physiotherapist before the next time.
        The range’s own rules come first.
      </Typography>
    </>
  );
}

function Parts({ warmUp, aim }: { warmUp: Schemas['WarmUpView']; aim: Schemas['WarmUpAim'] }) {
  return (
    <>
      <Typography sx={{ mt: 2, maxWidth: 640 }}>{warmUp.why}</Typography>
      <Box component="ol" aria-label="The warm-up" sx={{ listStyle: 'none', m: 0, p: 0, mt: 1, maxWidth: 640 }}>
        {warmUp.parts.map((part) => (
          <Box component="li" key={part.title} sx={{ py: 2, borderBottom: '1px solid', borderColor: 'line' }}>
            <Box sx={{ display: 'flex', gap: 2, alignItems: 'baseline' }}>
              <Typography variant="h2">{part.title}</Typography>
              <Box component="span" sx={{ ml: 'auto', whiteSpace: 'nowrap', fontWeight: 650 }}>
                {minutes(part.minutes)}
              </Box>
            </Box>
            <Typography sx={{ color: 'text.secondary', fontSize: 15 }}>
              {[
                places[part.place],
                part.balls > 0 && count(part.balls, 'ball'),
                part.clubs.map((c) => clubs[c]).join(', '),
              ]
                .filter(Boolean)
                .join(' · ')}
            </Typography>
            <Typography sx={{ mt: 0.5 }}>{part.text}</Typography>
            {part.ends && (
              <Typography sx={{ mt: 0.5, fontSize: 15 }}>
                <b>Over:</b> {part.ends}
              </Typography>
            )}
            {part.isAimCheck && <Aim aim={aim} />}
          </Box>
        ))}
      </Box>
    </>
  );
}

/** Five balls, what they say of the day's aim, and five more. Nothing of it is kept but what is carried to the first tee. */
function Aim({ aim }: { aim: Schemas['WarmUpAim'] }) {
  const [inputs, setInputs] = useState<DrillInput[] | undefined>();
  if (!inputs)
    return (
      <Button variant="outlined" onClick={() => setInputs([])} sx={{ mt: 1, minHeight: 56 }}>
        Say where the five go
      </Button>
    );
  return (
    <FlowRun
      flow={aim.flow}
      inputs={inputs}
      protocol={aim.protocol}
      calls={[]}
      isLeftHanded={false}
      hidesCounts
      onInput={(input) => setInputs([...inputs, input])}
      onUndo={() => setInputs(withoutLastAttempt(inputs))}
    />
  );
}
