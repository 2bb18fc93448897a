const tokens: Partial<Record<Intl.DateTimeFormatPartTypes, string>> = { day: 'DD', month: 'MM', year: 'YYYY' };

/** The order of day, month and year in a language, as a pattern such as DD.MM.YYYY. */
export const dayOrderOf = (language: string | undefined) =>
  new Intl.DateTimeFormat(language, { day: '2-digit', month: '2-digit', year: 'numeric', calendar: 'gregory' })
    .formatToParts(new Date(2026, 4, 6))
    .map(({ type, value }) => tokens[type] ?? (/\p{L}/u.test(value) ? `[${value}]` : value))
    .join('');

/** Whether a language counts the hours to twelve. */
export const countsToTwelve = (language: string | undefined) =>
  new Intl.DateTimeFormat(language, { hour: 'numeric' }).resolvedOptions().hour12 === true;

export const dayOrder = dayOrderOf(undefined);
export const isTwelveHours = countsToTwelve(undefined);

/** The label above, as every other field has it. */
export const pickerLook = {
  '& .MuiInputLabel-root': {
    position: 'static',
    transform: 'none',
    fontSize: 14,
    fontWeight: 620,
    color: 'text.primary',
    mb: 0.5,
  },
  '& .MuiPickersOutlinedInput-root': { bgcolor: 'background.paper', borderRadius: '8px', px: 1.5 },
  '& .MuiPickersOutlinedInput-notchedOutline': { top: 0, borderColor: '#8d9488', '& legend': { display: 'none' } },
  '& .MuiPickersSectionList-root': { py: '9px' },
  '& .MuiFormHelperText-root': { mx: 0, fontSize: 13.5 },
};
