// On a low screen the answers of a drill come first: what can be read elsewhere gives way to them.

/** What a phone held upright leaves out when it is low; it stands under the instructions, or in the week. */
export const hiddenOnLow = { '@media (max-height: 660px)': { display: 'none' } } as const;

/** What a phone on its side leaves out besides. */
export const hiddenOnItsSide = { '@media (max-height: 480px)': { display: 'none' } } as const;

/** On its side a segment's name and its clock share a line. */
export const nameBesideClock = {
  '@media (max-height: 480px)': {
    display: 'grid',
    gridTemplateColumns: 'minmax(0, 1fr) minmax(0, 1fr)',
    columnGap: 2,
    alignItems: 'center',
    '& > *': { gridColumn: '1 / -1' },
    '& > [data-name]': { gridColumn: 1, gridRow: 1 },
    '& > [data-clock]': { gridColumn: 2, gridRow: 1 },
  },
} as const;
