import Box from '@mui/material/Box';
import { Checkbox } from '../../ui/Checkbox';

interface Props {
  child: string;
  consents: boolean;
  onConsent: (consents: boolean) => void;
  error: string | undefined;
}

/** What a guardian consents to, in words, and the consent itself. */
export function ConsentFields({ child, consents, onConsent, error }: Props) {
  return (
    <Box sx={{ display: 'grid', gap: 1 }}>
      <Box>
        What is kept of {child}: name, level and bag, what was practised and scored, what was said about it, and pain
        that was reported. The academy’s coaches see it, and {child}; you see week, completion, pain and the coach’s
        word. You can take your consent back at any time; then {child}’s account is closed.
      </Box>
      <Box>
        Practice can hurt. A child stops when it does, and you see a doctor or physiotherapist; the range’s own rules
        for children come first.
      </Box>
      <Checkbox label={`I answer for ${child}, and I consent`} checked={consents} onChange={onConsent} />
      {error && (
        <Box role="alert" sx={{ fontSize: 13.5, color: 'error.main' }}>
          {error}
        </Box>
      )}
    </Box>
  );
}
