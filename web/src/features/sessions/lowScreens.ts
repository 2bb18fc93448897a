// On a low screen the answers of a drill come first: what can be read elsewhere gives way to them.

/** What a phone held upright leaves out when it is low; it stands under the instructions, or in the week. */
export const hiddenOnLow = { '@media (max-height: 660px)': { display: 'none' } } as const;

/** What every phone leaves out while holes are played. */
export const hiddenForHoles = { '@media (max-width: 619px), (max-height: 660px)': { display: 'none' } } as const;

/** What takes one line on a phone on its side, until the instructions are opened. */
export const oneLineOnItsSide = {
  '@media (max-height: 480px)': { overflow: 'hidden', whiteSpace: 'nowrap', textOverflow: 'ellipsis' },
} as const;

/** While holes are played, the hole and its picture come first: name and clock share a line on every phone, in fewer words. */
export const oneLineForHoles = {
  '@media (max-width: 619px)': {
    display: 'grid',
    gridTemplateColumns: 'auto minmax(0, 1fr)',
    columnGap: 1,
    alignItems: 'center',
    '& > *': { gridColumn: '1 / -1' },
    '& > [data-name]': { gridColumn: 1, gridRow: 1 },
    '& > [data-clock]': { gridColumn: 2, gridRow: 1, m: 0 },
    '& > [data-name] h1': {
      position: 'absolute',
      clipPath: 'inset(50%)',
      width: '1px',
      height: '1px',
      overflow: 'hidden',
    },
    '& > [data-name] button': { m: 0, minHeight: 48 },
    '& > [data-clock] button': { minHeight: 48 },
    '& [data-planned]': { display: 'none' },
  },
} as const;

/** On its side a segment's name and its clock share a line. */
export const nameBesideClock = {
  '@media (max-height: 480px)': {
    display: 'grid',
    gridTemplateColumns: 'minmax(0, 1fr) minmax(0, 1fr)',
    columnGap: 2,
    alignItems: 'center',
    '& > *': { gridColumn: '1 / -1' },
    '& > [data-name] button, & > [data-clock] button': { minHeight: 48 },
    '& > [data-name]': { gridColumn: 1, gridRow: 1 },
    '& > [data-clock]': { gridColumn: 2, gridRow: 1 },
  },
} as const;
