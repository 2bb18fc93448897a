import Box from '@mui/material/Box';
import { useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import { usePerson } from '../../app/signIn';
import { onDemand } from '../../ui/onDemand';
import { Empty, ErrorNotice, Loading } from '../../ui/states';
import { DeskDrawer, DeskPublishing } from './DeskParts';
import { InHand } from './InHand';
import { whoseOf, type Clip, type Sheet } from './sheet';
import { SheetGrid } from './SheetGrid';
import { SheetHead } from './SheetHead';
import { useDesk } from './useDesk';
import { useSheet } from './useSheet';

const SquadsDialog = onDemand(() => import('./SquadsDialog').then((m) => m.SquadsDialog));

/** The week of every student at once: one coach, twenty students, fifteen minutes. */
export function WeekSheetPage() {
  const person = usePerson();
  const [address, setAddress] = useSearchParams();
  const week = address.get('week') ?? person.week;
  const squad = address.get('squad') ?? '';
  const sheet = useSheet(week, whoseOf(squad));
  const [clips, setClips] = useState<readonly Clip[]>([]);
  const go = (next: { week?: string; squad?: string }) =>
    setAddress(
      (before) => {
        for (const [name, value] of Object.entries(next)) {
          if (value) before.set(name, value);
          else before.delete(name);
        }
        return before;
      },
      { replace: true },
    );

  if (sheet.isPending) return <Loading what="the week" />;
  if (!sheet.data) return <ErrorNotice error={sheet.error} onRetry={() => void sheet.refetch()} />;
  return (
    <SheetOf
      key={`${week} ${squad}`}
      sheet={sheet.data}
      week={week}
      squad={squad}
      isOld={sheet.isPlaceholderData}
      error={sheet.error}
      clips={clips}
      onCopy={setClips}
      onGo={go}
    />
  );
}

interface Props {
  sheet: Sheet;
  week: string;
  squad: string;
  /** Whether this is still another week, until the one asked for is there. */
  isOld: boolean;
  error: Error | null;
  /** What was copied, which stays at hand from one week to the next. */
  clips: readonly Clip[];
  onCopy: (clips: readonly Clip[]) => void;
  onGo: (next: { week?: string; squad?: string }) => void;
}

function SheetOf({ sheet, week, squad, isOld, error, clips, onCopy, onGo }: Props) {
  const desk = useDesk({
    sheet,
    week,
    whose: whoseOf(squad),
    isOld,
    clips,
    onCopy,
    onWeek: (next) => onGo({ week: next }),
  });
  const [showsSquads, setShowsSquads] = useState(false);
  return (
    // The sheet fills the window: what is in hand stands below it, always in sight.
    <Box
      sx={{ display: 'flex', flexDirection: 'column', height: { md: 'calc(100vh - 62px)' }, minHeight: { md: 560 } }}
    >
      <SheetHead desk={desk} squad={squad} isOld={isOld} onGo={onGo} onSquads={() => setShowsSquads(true)} />
      {error && <ErrorNotice error={error} />}
      {desk.rows.length === 0 ? (
        <NoRows hasStudents={sheet.counted.all > 0} />
      ) : (
        <Box sx={{ display: 'flex', flexWrap: { xs: 'wrap', md: 'nowrap' }, gap: 2, flex: 1, minHeight: 0 }}>
          <Box sx={{ flex: 1, minWidth: 0, overflow: 'auto', opacity: isOld ? 0.5 : 1, containerType: 'inline-size' }}>
            <SheetGrid desk={desk} />
          </Box>
          <DeskDrawer desk={desk} />
        </Box>
      )}
      <InHand desk={desk} />
      <DeskPublishing desk={desk} />
      {showsSquads && (
        <SquadsDialog
          squads={sheet.squads}
          onClose={() => setShowsSquads(false)}
          // Of a squad that is gone there is no sheet.
          onDeleted={(id) => {
            if (id === squad) onGo({ squad: '' });
          }}
        />
      )}
    </Box>
  );
}

function NoRows({ hasStudents }: { hasStudents: boolean }) {
  return hasStudents ? (
    <Empty title="Nobody is in this squad">Put students into it under Squads, or look at everybody.</Empty>
  ) : (
    <Empty title="No students yet">
      <Link to="/tee-line">Add your first student</Link> on the tee line.
    </Empty>
  );
}
