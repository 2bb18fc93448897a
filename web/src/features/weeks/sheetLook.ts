/** Where name and sum no more fit beside the days, and where titles no more fit into a day. */
const narrow = '@container (max-width: 900px)';
const tiny = '@container (max-width: 560px)';

/** How a session is drawn on a day. */
export const chipLook = {
  p: '2px 4px 0',
  mb: '3px',
  borderRadius: '4px',
  bgcolor: 'background.paper',
  border: '1px solid transparent',
  userSelect: 'none',
  '& span': { display: 'block', overflow: 'hidden', whiteSpace: 'nowrap', textOverflow: 'ellipsis', fontSize: 12.5 },
  '& i': { fontStyle: 'normal', color: 'secondary.main', fontWeight: 640 },
  '&.loose': { cursor: 'grab' },
  '&.draft': { borderStyle: 'dashed', borderColor: 'text.secondary' },
  '&.excused': { opacity: 0.55 },
  '&.missed span': { textDecoration: 'underline', textDecorationStyle: 'wavy', textDecorationThickness: 1 },
  '&.in-hand': { outline: '2px solid', outlineColor: 'text.primary' },
  '&.carried': { opacity: 0.5, transform: 'translateY(-2px)' },
} as const;

/** How the sheet is drawn: one style for all of it, because it has hundreds of cells. */
export const sheetLook = {
  display: 'grid',
  gridTemplateColumns: '150px 108px repeat(7, minmax(0, 1fr)) 104px',
  fontSize: 13.5,
  lineHeight: 1.25,
  '& .head, & .line': { display: 'grid', gridTemplateColumns: 'subgrid', gridColumn: '1 / -1' },
  // Where there is little room, name and sum stand above the days.
  [narrow]: {
    gridTemplateColumns: 'repeat(8, minmax(0, 1fr))',
    '& .head span:first-of-type, & .head span:last-of-type': { display: 'none' },
    '& .name': { gridColumn: '1 / 6' },
    '& .sum': { gridColumn: '6 / -1', gridRow: 1 },
    '& .cell': { gridRow: 2, minHeight: 48 },
  },
  [tiny]: {
    '& .head span': { px: 0.25, fontSize: 12.5, overflowWrap: 'anywhere' },
    '& .chip span': { display: 'none' },
  },
  '& .head': {
    position: 'sticky',
    top: 0,
    zIndex: 3,
    bgcolor: 'background.default',
    borderBottom: '2px solid',
    borderColor: 'text.primary',
    fontWeight: 640,
    '& > span': { px: 1, py: 0.5, display: 'flex', alignItems: 'center' },
    '& small': { fontWeight: 400, color: 'text.secondary', fontSize: 13 },
    '& .today': { boxShadow: 'inset 0 3px 0 currentColor' },
  },
  '& .line': { borderBottom: '1px solid', borderColor: 'line', minHeight: 48 },
  '& .line.empty .name': { color: 'secondary.main' },
  '& .name': {
    position: 'sticky',
    left: 0,
    zIndex: 2,
    bgcolor: 'background.default',
    px: 1,
    py: 0.5,
    fontWeight: 620,
    overflowWrap: 'anywhere',
    '& em, & small': {
      display: 'block',
      fontWeight: 400,
      fontStyle: 'normal',
      fontSize: 12.5,
      color: 'text.secondary',
    },
    '& em': { color: 'error.main' },
  },
  '& .cell': {
    position: 'relative',
    p: '14px 4px 4px',
    cursor: 'cell',
    minWidth: 0,
    // Mown lanes: every second day a shade darker.
    '&:nth-of-type(odd)': { bgcolor: 'rgba(30,59,48,.045)' },
    // The tray of what has no day yet.
    '&[data-cell$=" 0"]': { bgcolor: 'transparent', borderRight: '2px solid', borderColor: 'line', pt: '4px' },
    '&.selected': { boxShadow: 'inset 0 0 0 1.5px rgba(30,59,48,.55)', bgcolor: 'rgba(30,59,48,.1)' },
    '&:focus-visible': { outlineOffset: -3 },
    '&.over': { boxShadow: 'inset 0 0 0 3px currentColor' },
  },
  '& .chip': chipLook,
  '& .sum': {
    px: 1,
    py: 0.5,
    '& small': { display: 'block', color: 'text.secondary', fontSize: 12 },
    '& .much': { color: 'secondary.main', fontWeight: 640 },
  },
} as const;
