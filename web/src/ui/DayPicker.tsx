import { AdapterDayjs } from '@mui/x-date-pickers/AdapterDayjs';
import { DatePicker } from '@mui/x-date-pickers/DatePicker';
import { LocalizationProvider } from '@mui/x-date-pickers/LocalizationProvider';
import dayjs from 'dayjs';
// Weeks begin on Monday, as they do everywhere else here.
import 'dayjs/locale/en-gb';
import { useState } from 'react';
import { dayName } from './format';
import { dayOrder, pickerLook } from './pickers';

export interface DayProps {
  label: string;
  /** A day as 2026-05-06; empty for none. */
  value: string;
  /** Told of whole days, too late ones included, and of an empty field; never of a day half typed. */
  onChange: (value: string) => void;
  error?: string | undefined;
  /** The last day that may be chosen, as 2026-05-06. */
  max?: string;
}

const first = dayjs('1900-01-01');
const last = dayjs('2099-12-31');

/** A day, in the order in which the person's own language writes it. */
export default function DayPicker({ label, value, onChange, error, max }: DayProps) {
  const [problem, setProblem] = useState<string | null>(null);
  const words =
    problem === 'minDate'
      ? `Enter ${first.year()} or later.`
      : problem === 'maxDate'
        ? `Enter ${max ? dayName(max) : last.year()} or earlier.`
        : 'Enter the whole date.';
  return (
    <LocalizationProvider dateAdapter={AdapterDayjs} adapterLocale="en-gb">
      <DatePicker
        label={label}
        format={dayOrder}
        value={value ? dayjs(value) : null}
        minDate={first}
        maxDate={max ? dayjs(max) : last}
        onChange={(day, { validationError }) => {
          if (validationError !== 'invalidDate') onChange(day ? day.format('YYYY-MM-DD') : '');
        }}
        onError={setProblem}
        slotProps={{
          textField: {
            fullWidth: true,
            // The field alone knows that it was left half filled: it turns red then, and its words are shown.
            sx: { ...pickerLook, '& .MuiFormHelperText-root:not(.Mui-error)': { display: 'none' } },
            ...(error !== undefined ? { error: true } : {}),
            helperText: error ?? words,
          },
        }}
      />
    </LocalizationProvider>
  );
}
