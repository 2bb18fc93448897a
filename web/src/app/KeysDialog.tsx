import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';

const keys: [string, [string, string][]][] = [
  [
    'Everywhere',
    [
      ['1', 'Tee line'],
      ['2', 'Plans'],
      ['3', 'Drill shelf'],
      ['4', 'Places'],
      ['5', 'Week sheet'],
      ['?', 'These keys'],
    ],
  ],
  [
    'Tee line',
    [
      ['← →', 'Walk along the bays'],
      ['Enter', 'Open the student'],
      ['w', 'Walk the line'],
    ],
  ],
  [
    'The walk',
    [
      ['↑ ↓', 'The suggestion before or after'],
      ['t  l  o  u', 'Take it, leave it, something else, undo'],
      ['w', 'Your word; Enter says it'],
      ['p', 'Publish the next week'],
      ['Enter or n', 'Seen, on to the next'],
      ['← →', 'Back, pass over'],
      ['s', 'Open the student'],
      ['Esc', 'Leave the walk'],
    ],
  ],
  [
    'Week sheet',
    [
      ['← → ↑ ↓', 'From cell to cell; with Shift, several'],
      ['Enter  Esc', 'One session of several in a cell, and all of them again'],
      ['Space', 'Pick up what is there; again, let it go'],
      ['c  v  x', 'Copy, put in, take out'],
      ['l', 'Copy last week'],
      ['g', 'Place for me'],
      ['p', 'Publish'],
      ['d', 'Plans to put in'],
      ['[  ]', 'The week before, the week after'],
      ['Ctrl Z', 'Undo'],
    ],
  ],
  ['Plans', [['n', 'New plan']]],
  [
    'Drill shelf and places',
    [
      ['n', 'New drill, new place'],
      ['/', 'Look for words'],
    ],
  ],
  [
    'Planning bench',
    [
      ['w b r o p', 'Add warm-up, block, random, on-course, pause'],
      ['d', 'Add a drill from the shelf'],
      ['↑ ↓', 'Select the segment before or after'],
      ['Enter  Esc', 'Into the segment in hand, and out of it again'],
      ['Alt ↑  Alt ↓', 'Move the segment'],
      ['Alt ←  Alt →', 'A minute shorter, a minute longer'],
      ['Delete', 'Take the segment out'],
      ['Alt D  Alt S', 'Duplicate the segment, part it in two'],
      ['f', 'Apply the first fix the check offers'],
      ['g', 'Draft one'],
      ['Ctrl Z  Ctrl Y', 'Undo, redo'],
      ['Ctrl S', 'Save'],
    ],
  ],
];

/** All keys in one place. */
export function KeysDialog({ open, onClose }: { open: boolean; onClose: () => void }) {
  return (
    <Dialog open={open} onClose={onClose} maxWidth="sm" fullWidth aria-labelledby="keys-title">
      <DialogTitle id="keys-title">Keys</DialogTitle>
      <DialogContent tabIndex={0} role="region" aria-label="All keys">
        {keys.map(([place, list]) => (
          <Box key={place} sx={{ mb: 2 }}>
            <Box component="h3" sx={{ m: 0, mb: 0.5, fontSize: 15 }}>
              {place}
            </Box>
            <Box component="dl" sx={{ display: 'grid', gridTemplateColumns: '150px 1fr', gap: 0.5, m: 0 }}>
              {list.map(([key, what]) => (
                <Box key={key} sx={{ display: 'contents' }}>
                  <Box component="dt" sx={{ fontWeight: 620 }}>
                    {key}
                  </Box>
                  <Box component="dd" sx={{ m: 0 }}>
                    {what}
                  </Box>
                </Box>
              ))}
            </Box>
          </Box>
        ))}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose} variant="outlined">
          Close
        </Button>
      </DialogActions>
    </Dialog>
  );
}
