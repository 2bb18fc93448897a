import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { Link } from 'react-router';
import { count } from '../../ui/format';
import { PageHeading } from '../../ui/PageHeading';
import { Key } from '../../ui/states';
import { WhoseButton, WhoseButtons } from '../students/WhoseButtons';
import { DeskActs } from './DeskParts';
import { titleOf } from './sheet';
import { SheetSaid } from './SheetSaid';
import type { Desk } from './useDesk';

interface Props {
  desk: Desk;
  squad: string;
  /** Whether the week asked for is not there yet. */
  isOld: boolean;
  onGo: (next: { week?: string; squad?: string }) => void;
  onSquads: () => void;
}

/** Which week and squad, what is done for all of them at once, and what was done last. */
export function SheetHead({ desk, squad, isOld, onGo, onSquads }: Props) {
  const { sheet, week, actions, whom } = desk;
  return (
    <>
      <Box sx={{ display: 'flex', alignItems: 'center', gap: 1, mt: 1, flexWrap: 'wrap' }}>
        <PageHeading sx={{ fontSize: { md: 28 } }}>{titleOf(sheet)}</PageHeading>
        <Button onClick={() => onGo({ week: sheet.previous })} disabled={isOld}>
          Before<Key>[</Key>
        </Button>
        <Button onClick={() => onGo({ week: sheet.next })} disabled={isOld}>
          After<Key>]</Key>
        </Button>
        <DeskActs desk={desk} />
      </Box>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', alignItems: 'center', columnGap: 2 }}>
        <Box sx={{ display: 'flex', gap: 0.5, flexWrap: 'wrap', ml: -1.25 }} role="group" aria-label="Squads">
          <WhoseButtons counted={sheet.counted} chosen={squad} onChoose={(next) => onGo({ squad: next })} />
          {sheet.squads.map((s) => (
            <WhoseButton
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
            desk.isOne
              ? 'The buttons act for everybody shown.'
              : `The buttons act for ${count(desk.chosen.length, 'student')} selected.`
          }
        />
      </Box>
    </>
  );
}
