import { AdapterDayjs } from '@mui/x-date-pickers/AdapterDayjs';
import { DatePicker } from '@mui/x-date-pickers/DatePicker';
import { LocalizationProvider } from '@mui/x-date-pickers/LocalizationProvider';
import dayjs from 'dayjs';
// Weeks begin on Monday, as they do everywhere else here.
import 'dayjs/locale/en-gb';
import { useState } from 'react';
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
  const [isHalf, setHalf] = useState(false);
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
        onError={(problem) => setHalf(problem === 'invalidDate')}
        slotProps={{
          textField: {
            fullWidth: true,
            sx: pickerLook,
            ...(isHalf || error !== undefined ? { error: true } : {}),
            helperText: isHalf ? 'A whole day, please.' : error,
          },
        }}
      />
    </LocalizationProvider>
  );
}
