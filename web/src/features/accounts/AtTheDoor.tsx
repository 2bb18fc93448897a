import Box from '@mui/material/Box';
import type { ReactNode } from 'react';
import { Link } from 'react-router';
import { Mark } from '../../app/Mark';
import { PageHeading } from '../../ui/PageHeading';

/** A page for somebody who is not signed in: the mark, one thing to do, and the way back to the door. */
export function AtTheDoor({ heading, children }: { heading: string; children: ReactNode }) {
  return (
    <Box component="main" sx={{ maxWidth: 480, mx: 'auto', px: 3, py: 5 }}>
      <Mark size={24} />
      <PageHeading sx={{ mt: 4 }}>{heading}</PageHeading>
      {children}
      <Box sx={{ mt: 4 }}>
        <Link to="/sign-in">To the sign-in</Link>
      </Box>
    </Box>
  );
}
