import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { answer, api, type Schemas } from '../../api/client';
import { drillKeys } from '../../api/queryKeys';
import { useKeys } from '../../app/keys';
import { FileButtons } from '../../ui/FileButtons';
import { PageHeading } from '../../ui/PageHeading';
import { Key } from '../../ui/states';
import type { Search } from './queries';
import { Shelf } from './Shelf';
import { DeletedLink } from '../../ui/deleted';

/** All drills of the academy, to be found by what the coach has in hand. */
export function ShelfPage() {
  const navigate = useNavigate();
  const queries = useQueryClient();
  const [search, setSearch] = useState<Search>({});
  useKeys({
    n: () => void navigate('/drills/new'),
    '/': () => document.getElementById('shelf-text')?.focus(),
  });
  return (
    <>
      <Box sx={{ display: 'flex', alignItems: 'baseline', gap: 1, mt: 3, mb: 2, flexWrap: 'wrap' }}>
        <PageHeading sx={{ mr: 'auto' }}>Drill shelf</PageHeading>
        <DeletedLink />
        <FileButtons
          fileName="drills.json"
          download={() => answer(api.GET('/api/drills/file'))}
          upload={(content) => answer(api.POST('/api/drills/file', { body: content as Schemas['DrillFile'] }))}
          onImported={() => void queries.invalidateQueries({ queryKey: drillKeys.all })}
        />
        <Button component={Link} to="/drills/new" variant="contained">
          New drill<Key>n</Key>
        </Button>
      </Box>
      <Shelf
        search={search}
        onSearch={setSearch}
        action={(drill, name) => (
          <Link to={`/drills/${drill.id}`} style={{ fontWeight: 650, fontSize: 17 }}>
            {name}
          </Link>
        )}
      />
    </>
  );
}
