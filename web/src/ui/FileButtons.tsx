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
  /** The same as a table, where there is one. */
  table?: { fileName: string; download: () => Promise<string>; upload: (text: string) => Promise<Imported> };
  onImported: () => void;
}

function saveAs(fileName: string, type: string, text: string) {
  const url = URL.createObjectURL(new Blob([text], { type }));
  const link = document.createElement('a');
  link.href = url;
  link.download = fileName;
  link.click();
  URL.revokeObjectURL(url);
}

/** Saves everything as a JSON file, or as a table, and takes such a file in: all of it or nothing. */
export function FileButtons({ fileName, download, upload, table, onImported }: Props) {
  const input = useRef<HTMLInputElement>(null);
  const save = useMutation({
    mutationFn: async (as: 'json' | 'csv') => {
      if (table && as === 'csv') saveAs(table.fileName, 'text/csv', await table.download());
      else saveAs(fileName, 'application/json', JSON.stringify(await download(), null, 2));
    },
  });
  const take = useMutation({
    mutationFn: async (file: File) => {
      const text = await file.text();
      return table && /\.csv$/i.test(file.name) ? table.upload(text) : upload(parsed(text));
    },
    onSuccess: onImported,
  });
  return (
    <>
      <Button onClick={() => save.mutate('json')} disabled={save.isPending}>
        Save as a file
      </Button>
      {table && (
        <Button onClick={() => save.mutate('csv')} disabled={save.isPending}>
          Save as a table
        </Button>
      )}
      <Button onClick={() => input.current?.click()} disabled={take.isPending}>
        Take a file in
      </Button>
      <input
        ref={input}
        type="file"
        accept={table ? 'application/json,.json,text/csv,.csv' : 'application/json,.json'}
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
