import Button from '@mui/material/Button';
import { useMutation } from '@tanstack/react-query';
import { useRef } from 'react';
import { Problem, type Schemas } from '../api/client';
import { count } from './format';
import { ErrorNotice } from './states';

type Imported = Schemas['ImportView'];

interface Props {
  /** The name the file is saved under. */
  fileName: string;
  download: () => Promise<unknown>;
  upload: (content: unknown) => Promise<Imported>;
  onImported: () => void;
}

/** Saves everything as a JSON file, and takes such a file in: all of it or nothing. */
export function FileButtons({ fileName, download, upload, onImported }: Props) {
  const input = useRef<HTMLInputElement>(null);
  const save = useMutation({
    mutationFn: download,
    onSuccess: (content) => {
      const url = URL.createObjectURL(new Blob([JSON.stringify(content, null, 2)], { type: 'application/json' }));
      const link = document.createElement('a');
      link.href = url;
      link.download = fileName;
      link.click();
      URL.revokeObjectURL(url);
    },
  });
  const take = useMutation({
    mutationFn: async (file: File) => upload(parsed(await file.text())),
    onSuccess: onImported,
  });
  return (
    <>
      <Button onClick={() => save.mutate()} disabled={save.isPending}>
        Save as a file
      </Button>
      <Button onClick={() => input.current?.click()} disabled={take.isPending}>
        Take a file in
      </Button>
      <input
        ref={input}
        type="file"
        accept="application/json,.json"
        aria-label="File to take in"
        hidden
        onChange={(e) => {
          const file = e.target.files?.[0];
          if (file) take.mutate(file);
          e.target.value = '';
        }}
      />
      {take.data && (
        <span role="status">
          {count(take.data.added, 'new one', 'new ones')}, {take.data.changed} changed, {take.data.unchanged} as before.
        </span>
      )}
      {save.error && <ErrorNotice error={save.error} />}
      {take.error && <FileTrouble error={take.error} />}
    </>
  );
}

function parsed(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch (e) {
    throw new Problem(0, 'This file is not JSON.', { file: [(e as Error).message] });
  }
}

/** Where in the file something is wrong. */
function FileTrouble({ error }: { error: Error }) {
  const places = error instanceof Problem ? Object.entries(error.errors) : [];
  return (
    <div role="alert" style={{ flexBasis: '100%' }}>
      <b>{error.message} Nothing was taken in.</b>
      <ul style={{ margin: '4px 0', paddingLeft: 20 }}>
        {places.slice(0, 8).map(([path, messages]) => (
          <li key={path}>
            <code>{path}</code>: {messages.join(' ')}
          </li>
        ))}
      </ul>
      {places.length > 8 && <span>and {places.length - 8} more</span>}
    </div>
  );
}
