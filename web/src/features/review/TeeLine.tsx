import Box from '@mui/material/Box';
import type { Schemas } from '../../api/client';

/** Bays in a row at most: more are no line any more, but a crowd. */
const most = 14;

const initials = (name: string) =>
  name
    .split(' ')
    .map((part) => part.charAt(0))
    .slice(0, 2)
    .join('');

/** The rows behind which the coach walks, in as many rows as the screen is narrow; the walk has stopped at one. */
export function TeeLine({
  rows,
  at,
  onStop,
}: {
  rows: Schemas['ReviewRow'][];
  at: number;
  onStop: (index: number) => void;
}) {
  return (
    <Box
      role="group"
      aria-label="Bays"
      sx={{
        pt: 1,
        display: 'grid',
        gridTemplateColumns: {
          xs: 'repeat(auto-fit, minmax(56px, 1fr))',
          sm: `repeat(auto-fit, minmax(max(84px, ${Math.floor(100 / most)}%), 1fr))`,
        },
        rowGap: 1.5,
      }}
    >
      {rows.map(({ student, attention, isSeen, heldBy }, index) => {
        const isHere = index === at;
        return (
          <Box
            key={student.id}
            component="button"
            type="button"
            aria-pressed={isHere}
            aria-label={[
              `${student.name}: ${attention.text ?? ''}`,
              ...(isSeen ? ['seen'] : []),
              ...(heldBy ? [`${heldBy} is looking`] : []),
            ].join(', ')}
            onClick={() => onStop(index)}
            sx={{
              minWidth: 0,
              p: 0,
              border: 0,
              background: 'none',
              font: 'inherit',
              color: 'inherit',
              cursor: 'pointer',
              display: 'flex',
              flexDirection: 'column',
              alignItems: 'center',
            }}
          >
            <Box
              sx={{
                height: 74,
                display: 'flex',
                alignItems: 'flex-end',
                width: '100%',
                justifyContent: 'center',
                borderBottom: '2.5px solid',
                borderColor: 'text.primary',
              }}
            >
              <Box
                sx={{
                  width: isHere ? { xs: 54, sm: 72 } : { xs: 46, sm: 58 },
                  height: isHere ? 66 : 42,
                  display: 'grid',
                  placeItems: 'center',
                  fontWeight: 650,
                  fontSize: isHere ? 22 : 16,
                  border: '1.5px solid',
                  borderColor: isHere ? 'text.primary' : 'text.secondary',
                  borderWidth: isHere ? 2.5 : 1.5,
                  borderBottom: 0,
                  bgcolor: isHere ? 'background.paper' : 'transparent',
                  transition: 'height 120ms, width 120ms',
                }}
              >
                {initials(student.name)}
              </Box>
            </Box>
            <Mark reason={attention.reasons[0]?.reason ?? 'onTrack'} isSeen={isSeen} />
            <Box
              sx={{
                // On a phone the words of the bay stand at the stop below.
                display: { xs: 'none', sm: 'block' },
                fontSize: 13.5,
                lineHeight: 1.25,
                px: 0.5,
                textAlign: 'center',
                fontWeight: isHere ? 620 : 400,
              }}
            >
              {attention.text}
            </Box>
          </Box>
        );
      })}
    </Box>
  );
}

/** A dot for what presses, a ring for what waits, a short line for what is fine, a tick for who was seen. */
function Mark({ reason, isSeen }: { reason: Schemas['AttentionReason']; isSeen: boolean }) {
  return (
    <svg width="16" height="16" viewBox="0 0 16 16" aria-hidden style={{ margin: '5px 0 2px' }}>
      {isSeen ? (
        <path d="M3 8.5l3.5 3.5L13 4.5" fill="none" stroke="currentColor" strokeWidth="2" />
      ) : reason === 'pain' || reason === 'safety' ? (
        <circle cx="8" cy="8" r="6" fill="#b24e0c" />
      ) : reason === 'onTrack' || reason === 'away' ? (
        <path d="M4 8h8" stroke="currentColor" strokeWidth="2" opacity=".45" />
      ) : (
        <circle cx="8" cy="8" r="4.8" fill="none" stroke="#b24e0c" strokeWidth="2" />
      )}
    </svg>
  );
}
