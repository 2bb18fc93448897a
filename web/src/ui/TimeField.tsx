import { AdapterDayjs } from '@mui/x-date-pickers/AdapterDayjs';
import { LocalizationProvider } from '@mui/x-date-pickers/LocalizationProvider';
import { TimePicker } from '@mui/x-date-pickers/TimePicker';
import dayjs from 'dayjs';
import { useState } from 'react';
import { isTwelveHours, pickerLook } from './pickers';

interface Props {
  label: string;
  /** A time of the day as 09:00:00. */
  value: string;
  /** Told of whole times only. */
  onChange: (value: string) => void;
}

/** A time of the day, as the person's own language counts the hours. */
export function TimeField({ label, value, onChange }: Props) {
  const [isOdd, setOdd] = useState(false);
  return (
    <LocalizationProvider dateAdapter={AdapterDayjs}>
      <TimePicker
        label={label}
        ampm={isTwelveHours}
        value={dayjs(`2000-01-01T${value}`)}
        onChange={(time, { validationError }) => {
          if (time && !validationError) onChange(time.format('HH:mm:00'));
        }}
        onError={(problem) => setOdd(problem !== null)}
        slotProps={{
          textField: {
            fullWidth: true,
            sx: pickerLook,
            error: isOdd,
            helperText: isOdd ? 'A whole time, please.' : '',
          },
        }}
      />
    </LocalizationProvider>
  );
}
