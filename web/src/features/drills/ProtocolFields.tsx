import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { readNumber } from '../../ui/numbers';
import { Checkbox } from '../../ui/Checkbox';
import { Chips } from '../../ui/Chips';
import { Choice, Field, optionsOf } from '../../ui/Field';
import { ListField } from '../../ui/ListField';
import { NumberField } from '../../ui/NumberField';
import { parameters, type Kind } from './parameters';
import type { Protocol } from './queries';

interface Props {
  protocol: Protocol;
  /** Where it stands in the drill, for what the server says of its fields. */
  path: string;
  errorAt: (path: string) => string | undefined;
  onChange: (protocol: Protocol) => void;
}

/** The parameters of a way to score. */
export function ProtocolFields({ protocol, path, errorAt, onChange }: Props) {
  return (
    <Fields
      kinds={parameters[protocol.kind]}
      value={protocol}
      path={path}
      errorAt={errorAt}
      onChange={(value) => onChange(value as unknown as Protocol)}
    />
  );
}

interface FieldsProps {
  kinds: Record<string, Kind>;
  value: Record<string, unknown>;
  path: string;
  errorAt: (path: string) => string | undefined;
  onChange: (value: Record<string, unknown>) => void;
}

function Fields({ kinds, value, path, errorAt, onChange }: FieldsProps) {
  return (
    <Box sx={{ display: 'grid', gridTemplateColumns: 'repeat(auto-fill, minmax(130px, 1fr))', gap: 1.5 }}>
      {Object.entries(kinds).map(([key, kind]) => (
        <Box
          key={key}
          sx={{
            gridColumn: ['rows', 'some', 'texts', 'text', 'flag'].includes(kind.is) ? '1 / -1' : undefined,
            minWidth: 0,
          }}
        >
          <One
            kind={kind}
            value={value[key]}
            path={`${path}.${key}`}
            errorAt={errorAt}
            onChange={(next) => onChange({ ...value, [key]: next })}
          />
        </Box>
      ))}
    </Box>
  );
}

interface OneProps {
  kind: Kind;
  value: unknown;
  path: string;
  errorAt: (path: string) => string | undefined;
  onChange: (value: unknown) => void;
}

function One({ kind, value, path, errorAt, onChange }: OneProps) {
  const error = errorAt(path);
  switch (kind.is) {
    case 'number':
      return (
        <NumberField
          label={kind.label}
          value={value as number | null}
          optional={kind.optional}
          error={error}
          onChange={onChange}
        />
      );
    case 'text':
      return <Field label={kind.label} value={value ?? ''} error={error} onChange={(e) => onChange(e.target.value)} />;
    case 'flag':
      return <Checkbox label={kind.label} checked={(value as boolean | undefined) ?? false} onChange={onChange} />;
    case 'numbers':
      return (
        <ListField
          label={kind.label}
          value={((value as number[] | undefined) ?? []).map(String)}
          separator=", "
          error={error}
          onChange={(list) => onChange(list.map((n) => Math.round(readNumber(n) ?? 0)))}
        />
      );
    case 'texts':
      return (
        <ListField label={kind.label} value={(value as string[] | undefined) ?? []} error={error} onChange={onChange} />
      );
    case 'one':
      return (
        <Choice
          label={kind.label}
          value={(value as string | undefined) ?? ''}
          options={optionsOf(kind.names)}
          error={error}
          onChange={onChange}
        />
      );
    case 'some':
      return (
        <Chips
          label={kind.label}
          names={kind.names}
          value={(value as string[] | undefined) ?? []}
          error={error}
          onChange={onChange}
        />
      );
    case 'rows':
      return (
        <Rows
          kind={kind}
          value={(value as Record<string, unknown>[] | undefined) ?? []}
          path={path}
          errorAt={errorAt}
          onChange={onChange}
        />
      );
  }
}

function Rows({
  kind,
  value,
  path,
  errorAt,
  onChange,
}: Omit<OneProps, 'kind' | 'value'> & { kind: Extract<Kind, { is: 'rows' }>; value: Record<string, unknown>[] }) {
  const error = errorAt(path);
  return (
    <Box role="group" aria-label={kind.label}>
      <Box sx={{ fontSize: 14, fontWeight: 620, mb: 0.5 }}>{kind.label}</Box>
      {value.map((row, i) => (
        <Box
          key={i}
          sx={{
            display: 'flex',
            gap: 1,
            alignItems: 'end',
            mb: 1,
            pl: 1.5,
            borderLeft: '2px solid',
            borderColor: 'line',
          }}
        >
          <Box sx={{ flex: 1, minWidth: 0 }}>
            <Fields
              kinds={kind.row}
              value={row}
              path={`${path}[${i}]`}
              errorAt={errorAt}
              onChange={(next) => onChange(value.map((r, j) => (j === i ? next : r)))}
            />
          </Box>
          <Button
            aria-label={`Take out ${kind.one} ${i + 1}`}
            onClick={() => onChange(value.filter((_, j) => j !== i))}
          >
            Take out
          </Button>
        </Box>
      ))}
      <Button variant="outlined" size="small" onClick={() => onChange([...value, kind.fresh])}>
        Another {kind.one}
      </Button>
      {error && (
        <Box role="alert" sx={{ fontSize: 13.5, mt: 0.5, color: 'error.main' }}>
          {error}
        </Box>
      )}
    </Box>
  );
}
