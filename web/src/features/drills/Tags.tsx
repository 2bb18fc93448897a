import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useState } from 'react';
import type { Schemas } from '../../api/client';
import { Chip } from '../../ui/Chips';

const tagGroups = [
  ['contact', 'Contact', { heavy: 'heavy', thin: 'thin', heel: 'heel', toe: 'toe', low: 'low', high: 'high' }],
  ['line', 'Line', { pull: 'pull', push: 'push', curve: 'curve' }],
  ['cause', 'Cause', { hurried: 'hurried', decision: 'decision', read: 'read', pace: 'pace' }],
  ['routine', 'Routine', { done: 'done', partly: 'partly', notDone: 'not done' }],
] as const;

/** At most one tag of each group for the attempt to come, one tap each; none is fine. */
export function Tags({
  value,
  onChange,
}: {
  value: Schemas['AttemptTags'];
  onChange: (value: Schemas['AttemptTags']) => void;
}) {
  const [isOpen, setIsOpen] = useState(false);
  return (
    <>
      <Button aria-expanded={isOpen} onClick={() => setIsOpen((o) => !o)}>
        Tag this one
      </Button>
      {isOpen && <TagChoices value={value} onChange={onChange} />}
    </>
  );
}

/** The tags themselves, group by group. */
export function TagChoices({
  value,
  onChange,
}: {
  value: Schemas['AttemptTags'];
  onChange: (value: Schemas['AttemptTags']) => void;
}) {
  return (
    <>
      {tagGroups.map(([group, title, names]) => (
        <Box
          key={group}
          role="group"
          aria-label={title}
          sx={{ display: 'flex', gap: 0.5, flexWrap: 'wrap', alignItems: 'center', mb: 0.75, width: '100%', px: 0.5 }}
        >
          <Box component="span" sx={{ width: '100%', fontSize: 14, color: 'text.secondary' }}>
            {title}
          </Box>
          {Object.entries(names).map(([tag, name]) => (
            <Chip
              key={tag}
              isOn={value[group] === tag}
              onClick={() => onChange({ ...value, [group]: value[group] === tag ? null : tag })}
            >
              {name}
            </Chip>
          ))}
        </Box>
      ))}
    </>
  );
}
