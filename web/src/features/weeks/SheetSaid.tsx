import Box from '@mui/material/Box';
import type { Said } from './useSheetActions';

/** How many refusals are told in full. */
const most = 4;

interface Props {
  said: Said | undefined;
  isBusy: boolean;
  /** What is said while there is nothing else to say. */
  otherwise: string;
}

/** What the sheet did last, and what it could not do and why. */
export function SheetSaid({ said, isBusy, otherwise }: Props) {
  return (
    // What is said takes the room that is kept for it: a message must not push the sheet.
    <Box tabIndex={-1} sx={{ flex: 1, minWidth: 260, fontSize: 14.5, py: 0.5, height: 46, overflow: 'auto' }}>
      <Box role="status" sx={{ color: said?.text ? 'text.primary' : 'text.secondary' }}>
        {isBusy ? 'Working …' : said?.text || otherwise}
      </Box>
      {said && said.refused.length > 0 && (
        <Box role="alert" sx={{ pl: 1.5, borderLeft: '4px solid', borderColor: 'error.main' }}>
          {said.refused.slice(0, most).map((why) => (
            <div key={why}>{why}</div>
          ))}
          {said.refused.length > most && <div>And {said.refused.length - most} more.</div>}
        </Box>
      )}
    </Box>
  );
}
