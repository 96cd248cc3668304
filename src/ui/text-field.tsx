'use client';

import { useId, type ChangeEvent, type InputHTMLAttributes, type ReactNode, type Ref } from 'react';
import './text-field.css';

/** A line to type in. The library's own field brings every list and menu with it, for pages on which there is none. */
export function TextField({
  label,
  onChange,
  error = false,
  helperText,
  inputRef,
  width = '100%',
  ...input
}: {
  label: string;
  onChange: (event: ChangeEvent<HTMLInputElement>) => void;
  error?: boolean;
  /** Under the line: what is wrong with it, or what comes of it. */
  helperText?: string;
  inputRef?: Ref<HTMLInputElement>;
  width?: number | string;
} & Pick<
  InputHTMLAttributes<HTMLInputElement>,
  'value' | 'defaultValue' | 'required' | 'inputMode' | 'list' | 'aria-label'
>): ReactNode {
  const id = useId();
  return (
    <div className="text-field" style={{ width }}>
      <label htmlFor={id}>{label}</label>
      <input
        id={id}
        ref={inputRef}
        onChange={onChange}
        aria-invalid={error}
        aria-describedby={helperText ? `${id}-help` : undefined}
        {...input}
      />
      {helperText ? <small id={`${id}-help`}>{helperText}</small> : null}
    </div>
  );
}
