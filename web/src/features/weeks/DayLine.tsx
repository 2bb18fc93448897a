import { markOf, type Row } from './sheet';
import { weekdayOf } from '../../ui/weekdays';

/** The hours that a day is drawn from and to. */
const first = 6;
const last = 22;

const hours = (time: string) => Number(time.slice(0, 2)) + Number(time.slice(3, 5)) / 60;
const at = (hour: number) => `${(100 * (Math.min(last, Math.max(first, hour)) - first)) / (last - first)}%`;
const wide = (from: number, to: number) => `${(100 * (Math.min(last, to) - Math.max(first, from))) / (last - first)}%`;

/**
 * What a day is like for a student: a hairline from early to late, thick where there is time; ground under repair where they are
 * away; a flag where a competition is played, and the way there the day they arrive.
 */
export function DayLine({ row, day }: { row: Row; day: string }) {
  const times = row.times.filter((t) => t.weekday === weekdayOf(day));
  const mark = markOf(row, day);
  return (
    <>
      {row.away.includes(day) && <span aria-hidden style={repair} />}
      <svg aria-hidden width="100%" height="12" style={{ position: 'absolute', left: 0, top: 0 }}>
        <line
          x1="4"
          x2="100%"
          y1="9.5"
          y2="9.5"
          stroke="currentColor"
          strokeOpacity={row.times.length > 0 ? 0.28 : 0.4}
          strokeDasharray={row.times.length > 0 ? undefined : '1 4'}
        />
        {times.map((t, i) => (
          <rect
            key={i}
            x={at(hours(t.from))}
            y="7"
            width={wide(hours(t.from), hours(t.from) + t.minutes / 60)}
            height="5"
            rx="1.5"
            fill="currentColor"
            fillOpacity="0.75"
          />
        ))}
      </svg>
      {mark && (
        <small aria-hidden style={word}>
          {mark}
        </small>
      )}
    </>
  );
}

const repair = {
  position: 'absolute',
  inset: 0,
  background: 'repeating-linear-gradient(135deg, transparent 0 7px, rgba(30,59,48,.16) 7px 8px)',
  pointerEvents: 'none',
} as const;

const word = {
  display: 'block',
  overflow: 'hidden',
  whiteSpace: 'nowrap',
  textOverflow: 'ellipsis',
  fontSize: 12,
  fontWeight: 640,
} as const;
