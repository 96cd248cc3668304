'use client';

import Autocomplete from '@mui/material/Autocomplete';
import TextField from '@mui/material/TextField';
import type { ReactNode } from 'react';
import './head.css';

/** Something that can be found by name: a zone to choose, or a place to go to. */
export interface Findable {
  label: string;
  kind: string;
  path: string;
  zone?: string;
}

export function FindField({
  findable,
  onFound,
  onClose,
}: {
  findable: Findable[];
  onFound: (item: Findable) => void;
  onClose: () => void;
}): ReactNode {
  return (
    <Autocomplete
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
