import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { Link } from 'react-router';
import { usePerson } from '../../app/signIn';
import { dayName, dueInWords, percent } from '../../ui/format';
import { OpenPainList } from '../../ui/OpenPainList';
import { ErrorNotice, Key, Loading } from '../../ui/states';
import { DeskActs, DeskDrawer, DeskPublishing } from './DeskParts';
import { InHand } from './InHand';
import { columnOf, titleOf, type Clip } from './sheet';
import { SheetSaid } from './SheetSaid';
import { useDesk, type DeskProps } from './useDesk';
import { useSheet } from './useSheet';
import { WeekBays } from './WeekBays';

/** A student's week on the coach's desk: the week sheet's parts and keys, drawn as the bays of a practice ground. */
export function StudentWeek({ studentId }: { studentId: string }) {
  const person = usePerson();
  const [week, setWeek] = useState(person.week);
  const whose = { student: studentId };
  const sheet = useSheet(week, whose);
  const [clips, setClips] = useState<readonly Clip[]>([]);
  return (
    <Box component="section" aria-label="Week" sx={{ mb: 4 }}>
      {sheet.isPending && <Loading what="the week" />}
      {sheet.error && <ErrorNotice error={sheet.error} onRetry={() => void sheet.refetch()} />}
      {sheet.data && (
        <OneWeek
          key={week}
          sheet={sheet.data}
          week={week}
          whose={whose}
          isOld={sheet.isPlaceholderData}
          clips={clips}
          onCopy={setClips}
          onWeek={setWeek}
        />
      )}
    </Box>
  );
}

function OneWeek(props: DeskProps) {
  const { sheet, week, isOld, onWeek } = props;
  const { week: thisWeek } = usePerson();
  const desk = useDesk({ ...props, startsAt: columnOf(sheet.monday, sheet.today) });
  const { one } = sheet;
  return (
    <>
      <Box sx={{ display: 'flex', alignItems: 'center', gap: 1.5, flexWrap: 'wrap', mb: 1 }}>
        <Typography variant="h2">{titleOf(sheet)}</Typography>
        {one && one.completion.fraction !== null && (
          <Typography data-testid="week-completion" sx={{ color: 'text.secondary' }}>
            {percent(one.completion.fraction)} done: {one.completion.text}
            {week === thisWeek && dueInWords(one.completion) && `. ${dueInWords(one.completion)}`}
          </Typography>
        )}
        <Box sx={{ display: 'flex', gap: 0.5, alignItems: 'center', flexWrap: 'wrap' }}>
          <Button onClick={() => onWeek(sheet.previous)} disabled={isOld}>
            Before<Key>[</Key>
          </Button>
          {week !== thisWeek && <Button onClick={() => onWeek(thisWeek)}>This week</Button>}
          <Button onClick={() => onWeek(sheet.next)} disabled={isOld}>
            After<Key>]</Key>
          </Button>
          <Button component={Link} to={`/print?week=${week}&students=${desk.whom.join(',')}`}>
            Print
          </Button>
        </Box>
        <DeskActs desk={desk} />
      </Box>
      {one?.checkpoint && (
        <Typography sx={{ mb: 1 }}>
          Look first at: <b>{one.checkpoint.text}</b> (agreed on {dayName(one.checkpoint.day)})
        </Typography>
      )}
      <OpenPainList pains={one?.openPain ?? []} />
      <SheetSaid
        said={desk.actions.said}
        isBusy={desk.actions.isBusy}
        otherwise={
          desk.row && !desk.row.mayBePublishedTo ? 'Nothing can be published before a guardian has consented.' : ''
        }
      />
      <Box
        sx={{
          display: 'grid',
          gap: 3,
          gridTemplateColumns: { xs: '1fr', md: desk.showsPlans ? '1.4fr 1fr 250px' : '1.7fr 1fr' },
          alignItems: 'start',
          '& > *': { minWidth: 0, maxHeight: { md: 'max(640px, 90vh)' } },
          opacity: isOld ? 0.5 : 1,
        }}
      >
        <WeekBays desk={desk} />
        <InHand desk={desk} isBeside />
        <DeskDrawer desk={desk} />
      </Box>
      <DeskPublishing desk={desk} />
    </>
  );
}
