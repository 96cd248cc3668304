'use client';

import Button from '@mui/material/Button';
import { useRef, useState, type ReactNode } from 'react';

/** A button that takes one file and says why it is refused. */
export function FileButton({
  label,
  disabled = false,
  accept,
  onFile,
}: {
  label: string;
  disabled?: boolean;
  accept: string;
  /** Answers with the sentence for a refusal, with null for none. */
  onFile: (file: File) => Promise<string | null>;
}): ReactNode {
  const input = useRef<HTMLInputElement>(null);
  const [wrong, setWrong] = useState<string | null>(null);
  const take = async (file: File) => {
    setWrong(null);
    setWrong(await onFile(file));
  };
  return (
    <>
      <Button variant="outlined" disabled={disabled} onClick={() => input.current?.click()}>
        {label}
      </Button>
      <input
        ref={input}
        type="file"
        accept={accept}
        aria-label={label}
        hidden
        onChange={({ target }) => {
          const file = target.files?.[0];
          target.value = '';
          if (file) void take(file);
        }}
      />
      {wrong ? (
        <span role="alert" className="danger">
          ✕ {wrong}
        </span>
      ) : null}
    </>
  );
}
