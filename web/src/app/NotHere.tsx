import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import Box from '@mui/material/Box';
import { Link } from 'react-router';
import { PageHeading } from '../ui/PageHeading';

/** A page that this person can't open, or that isn't there: it says so, and leads on. */
export function NotHere({ title, why, home }: { title: string; why: string; home: { to: string; name: string } }) {
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
