'use client';

import Autocomplete from '@mui/material/Autocomplete';
import TextField from '@mui/material/TextField';
import { useMemo, type ReactNode } from 'react';
import { useFetched } from '@/ui/use-fetched';
import './head.css';

/** Something that can be found by name: a zone to choose, or a place to go to. */
export interface Findable {
  label: string;
  kind: string;
  path: string;
  zone?: string;
}

export function FindField({
  zones,
  from,
  onFound,
  onClose,
}: {
  zones: readonly { key: string; title: string }[];
  /** The address that tells what else there is; null for zones alone. */
  from: string | null;
  onFound: (item: Findable) => void;
  onClose: () => void;
}): ReactNode {
  const elsewhere = useFetched<Findable[]>(from);
  const findable = useMemo(
    () => [
      ...zones.map(({ key, title }) => ({ label: title, kind: 'Zones', path: '', zone: key })),
      ...(elsewhere ?? []),
    ],
    [zones, elsewhere],
  );
  return (
    <Autocomplete<Findable>
      className="head-search"
      size="small"
      options={findable}
      groupBy={(item) => item.kind}
      getOptionLabel={(item) => item.label}
      value={null}
      openOnFocus
      getOptionKey={(item) => `${item.kind} ${item.label} ${item.path} ${item.zone ?? ''}`}
      onChange={(_, item) => item && onFound(item)}
      onBlur={onClose}
      onKeyDown={(event) => event.key === 'Escape' && onClose()}
      renderInput={(field) => (
        <TextField
          {...field}
          autoFocus
          placeholder="Find zone, source, colour, step…"
          slotProps={{ ...field.slotProps, htmlInput: { ...field.slotProps.htmlInput, 'aria-label': 'Find' } }}
        />
      )}
    />
  );
}
