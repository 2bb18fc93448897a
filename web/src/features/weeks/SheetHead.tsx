import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { Link } from 'react-router';
import { count, dayName, plusDays } from '../../ui/format';
import { PageHeading } from '../../ui/PageHeading';
import { Key } from '../../ui/states';
import type { Row, Sheet } from './sheet';
import { SheetSaid } from './SheetSaid';
import type { useSheetActions } from './useSheetActions';
import { mondayOf } from '../../ui/weekdays';

interface Props {
  sheet: Sheet;
  week: string;
  squad: string;
  /** Whether the week asked for is not there yet. */
  isOld: boolean;
  rows: readonly Row[];
  /** The students of the lines that are selected; none where the buttons act for everybody shown. */
  chosen: readonly string[] | undefined;
  actions: ReturnType<typeof useSheetActions>;
  showsPlans: boolean;
  onGo: (next: { week?: string; squad?: string }) => void;
  onPlans: () => void;
  onPublish: () => void;
  onSquads: () => void;
}

/** Which week and squad, what is done for all of them at once, and what was done last. */
export function SheetHead(props: Props) {
  const { sheet, week, squad, isOld, rows, chosen, actions, showsPlans, onGo, onPlans, onPublish, onSquads } = props;
  const drafts = rows.flatMap((r) => r.sessions).filter((s) => !s.isPublished).length;
  const whom = chosen ?? rows.map((r) => r.studentId);
  return (
    <>
      <Box sx={{ display: 'flex', alignItems: 'center', gap: 1, mt: 1, flexWrap: 'wrap' }}>
        <PageHeading sx={{ fontSize: { md: 28 } }}>{titleOf(sheet, week)}</PageHeading>
        <Button onClick={() => onGo({ week: sheet.previous })} disabled={isOld}>
          Before<Key>[</Key>
        </Button>
        <Button onClick={() => onGo({ week: sheet.next })} disabled={isOld}>
          After<Key>]</Key>
        </Button>
        <Box sx={{ display: 'flex', gap: 1, ml: 'auto', flexWrap: 'wrap' }}>
          <Button variant="outlined" onClick={actions.undo} disabled={!actions.canUndo || actions.isBusy}>
            Undo<Key>Ctrl Z</Key>
          </Button>
          <Button variant="outlined" onClick={() => void actions.copyLastWeek(whom)} disabled={actions.isBusy}>
            Copy last week<Key>l</Key>
          </Button>
          {rows.some((r) => r.programmes.length > 0) && (
            <Button variant="outlined" onClick={() => void actions.fill(whom)} disabled={actions.isBusy}>
              Programmes<Key>f</Key>
            </Button>
          )}
          <Button variant="outlined" onClick={() => void actions.place(whom)} disabled={actions.isBusy}>
            Place for me<Key>g</Key>
          </Button>
          <Button variant="outlined" onClick={onPlans} aria-pressed={showsPlans}>
            Plans<Key>d</Key>
          </Button>
          <Button
            variant="contained"
            color={drafts > 0 ? 'secondary' : 'primary'}
            onClick={onPublish}
            disabled={actions.isBusy || rows.length === 0}
          >
            Publish{drafts > 0 ? ` ${drafts}` : ''}
            <Key>p</Key>
          </Button>
        </Box>
      </Box>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', alignItems: 'center', columnGap: 2 }}>
        <Box sx={{ display: 'flex', gap: 0.5, flexWrap: 'wrap', ml: -1.25 }} role="group" aria-label="Squads">
          <SquadButton
            name={`Everybody (${sheet.students})`}
            isChosen={squad === ''}
            onChoose={() => onGo({ squad: '' })}
          />
          {sheet.squads.map((s) => (
            <SquadButton
              key={s.id}
              name={`${s.name} (${s.members.length})`}
              isChosen={squad === s.id}
              onChoose={() => onGo({ squad: s.id })}
            />
          ))}
          <Button onClick={onSquads}>Squads</Button>
          <Button component={Link} to={`/print?week=${week}&students=${whom.slice(0, 50).join(',')}`}>
            Print
          </Button>
        </Box>
        <SheetSaid
          said={actions.said}
          isBusy={actions.isBusy}
          otherwise={
            chosen
              ? `The buttons act for ${count(chosen.length, 'student')} selected.`
              : 'The buttons act for everybody shown.'
          }
        />
      </Box>
    </>
  );
}

function titleOf(sheet: Sheet, week: string): string {
  const [first, last] = [dayName(sheet.monday).slice(4), dayName(plusDays(sheet.monday, 6)).slice(4)];
  // The month once where it is the same: "11 to 17 May".
  const isOneMonth = first.slice(first.indexOf(' ')) === last.slice(last.indexOf(' '));
  const span = `${isOneMonth ? first.slice(0, first.indexOf(' ')) : first} to ${last}`;
  const ahead = Math.round((Date.parse(sheet.monday) - Date.parse(mondayOf(sheet.today))) / 604_800_000);
  const name =
    ahead === 0
      ? 'This week'
      : ahead === 1
        ? 'Next week'
        : ahead === -1
          ? 'Last week'
          : `Week ${Number(week.slice(6))}`;
  return `${name}, ${span}`;
}

function SquadButton({ name, isChosen, onChoose }: { name: string; isChosen: boolean; onChoose: () => void }) {
  return (
    <Button
      onClick={onChoose}
      aria-pressed={isChosen}
      sx={{
        textDecoration: 'none',
        borderRadius: 0,
        borderBottom: '3px solid',
        borderColor: isChosen ? 'text.primary' : 'transparent',
      }}
    >
      {name}
    </Button>
  );
}
