import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import Box from '@mui/material/Box';
import { Link } from 'react-router';
import { PageHeading } from '../ui/PageHeading';
import { homes } from './homes';
import { usePerson } from './signIn';

/** A page that this person can't open, or that isn't there: it says so, and leads on. */
function NotHere({ title, why }: { title: string; why: string }) {
  const home = homes[usePerson().role];
  return (
    <Box sx={{ pt: 4, maxWidth: 560 }}>
      <PageHeading>{title}</PageHeading>
      <Typography sx={{ my: 1.5 }}>{why}</Typography>
      <Button component={Link} to={home.to} variant="contained" sx={{ minHeight: 48 }}>
        {home.name}
      </Button>
    </Box>
  );
}

/** An address that leads nowhere. */
export const Nowhere = () => (
  <NotHere title="Page not found" why="This link doesn’t work. It may be old or mistyped." />
);

/** A page that isn't this person's to open. */
export function ForOthers() {
  const { role, name } = usePerson();
  return (
    <NotHere
      title={role === 'student' ? 'This page is for coaches' : 'This page is for students'}
      why={`You are signed in as ${name}.`}
    />
  );
}
