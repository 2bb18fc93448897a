import Box from '@mui/material/Box';
import { useId, type ReactNode } from 'react';
import { thumb } from '../app/theme';
import { useRoving } from './roving';

interface Props<K extends string> {
  label: string;
  sections: readonly { value: K; name: string; hasError: boolean }[];
  value: K;
  onChange: (value: K) => void;
  children: ReactNode;
}

/** The parts of something long, one at a time: one stop for the Tab key, the arrow keys go from part to part. */
export function Sections<K extends string>({ label, sections, value, onChange, children }: Props<K>) {
  const id = useId();
  const { row } = useRoving(0);
  return (
    <Box sx={{ minWidth: 0 }}>
      <Box
        role="tablist"
        aria-label={label}
        onKeyDown={row.onKeyDown}
        sx={{ display: 'flex', flexWrap: 'wrap', columnGap: 2, borderBottom: '1px solid', borderColor: 'line' }}
      >
        {sections.map((section) => (
          <Box
            component="button"
            type="button"
            role="tab"
            key={section.value}
            id={`${id}-${section.value}`}
            aria-selected={section.value === value}
            aria-controls={`${id}-panel`}
            tabIndex={section.value === value ? 0 : -1}
            onClick={() => onChange(section.value)}
            onFocus={() => onChange(section.value)}
            sx={{
              border: 0,
              background: 'none',
              font: 'inherit',
              fontSize: 15,
              fontWeight: 620,
              color: section.value === value ? 'text.primary' : 'text.secondary',
              px: 0.25,
              minHeight: thumb(34),
              cursor: 'pointer',
              borderBottom: '3px solid',
              borderColor: section.value === value ? 'text.primary' : 'transparent',
              mb: '-1px',
            }}
          >
            {section.name}
            {section.hasError && (
              <Box component="span" sx={{ color: 'error.main' }}>
                {' '}
                (to mend)
              </Box>
            )}
          </Box>
        ))}
      </Box>
      <Box role="tabpanel" id={`${id}-panel`} aria-labelledby={`${id}-${value}`} sx={{ pt: 1.5 }}>
        {children}
      </Box>
    </Box>
  );
}
