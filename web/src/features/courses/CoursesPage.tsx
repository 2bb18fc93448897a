import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { Link } from 'react-router';
import { v7 as uuid } from 'uuid';
import { answer, api, type Schemas } from '../../api/client';
import { useKeys } from '../../app/keys';
import { FileButtons } from '../../ui/FileButtons';
import { count } from '../../ui/format';
import { PageHeading } from '../../ui/PageHeading';
import { Empty, ErrorNotice, Key, Loading } from '../../ui/states';
import { CourseForm } from './CourseForm';
import { useCourses, useRefreshCourses } from './queries';
import { DeletedLink } from '../../ui/deleted';

/** The courses of the academy: which there are, and the one in hand drawn hole by hole. */
export function CoursesPage() {
  const courses = useCourses();
  const refresh = useRefreshCourses();
  const [chosen, setChosen] = useState<string>();
  const [added, setAdded] = useState<string>();
  const add = () => setAdded(uuid());
  useKeys({ n: add });
  const current = courses.data?.find((c) => c.id === chosen) ?? courses.data?.[0];
  const id = added ?? current?.id;
  return (
    <>
      <Box sx={{ display: 'flex', alignItems: 'baseline', gap: 1, mt: 3, mb: 1.5, flexWrap: 'wrap' }}>
        <PageHeading sx={{ mr: 'auto' }}>Courses</PageHeading>
        <Link to="/places">Places</Link>
        <DeletedLink />
        <FileButtons
          fileName="courses.json"
          download={() => answer(api.GET('/api/courses/file'))}
          upload={(content) => answer(api.POST('/api/courses/file', { body: content as Schemas['CourseFile'] }))}
          onImported={refresh}
        />
        <Button variant="contained" onClick={add}>
          New course<Key>n</Key>
        </Button>
      </Box>
      {courses.isPending && <Loading what="the courses" />}
      {courses.error && <ErrorNotice error={courses.error} onRetry={() => void courses.refetch()} />}
      {courses.data?.length === 0 && !added && (
        <Empty title="No courses yet">
          Draw one, or take one in from a file: its holes are then played at the range.
        </Empty>
      )}
      {courses.data && courses.data.length + (added ? 1 : 0) > 1 && (
        <Box component="ul" sx={{ listStyle: 'none', display: 'flex', flexWrap: 'wrap', gap: 1, m: 0, mb: 2, p: 0 }}>
          {courses.data.map((c) => (
            <li key={c.id}>
              <Button
                aria-pressed={c.id === id}
                onClick={() => {
                  setChosen(c.id);
                  setAdded(undefined);
                }}
                sx={{ bgcolor: c.id === id ? 'background.paper' : undefined }}
              >
                {c.course.name}, {count(c.course.holes.length, 'hole')}
              </Button>
            </li>
          ))}
        </Box>
      )}
      {id && courses.data && (
        <CourseForm
          key={id}
          id={id}
          view={courses.data.find((c) => c.id === id)}
          onSaved={() => {
            setChosen(id);
            setAdded(undefined);
          }}
          onGone={() => setAdded(undefined)}
        />
      )}
    </>
  );
}
