import type { ReactNode } from 'react';

/** Which marking of the scheme is meant. */
export function MarkingChoice({
  label,
  markings,
  chosen,
  onChoose,
}: {
  label: string;
  markings: readonly { id: string; title: string }[];
  chosen: string;
  onChoose: (id: string) => void;
}): ReactNode {
  return (
    <select value={chosen} onChange={({ target }) => onChoose(target.value)} aria-label={label}>
      {markings.map(({ id, title }) => (
        <option key={id} value={id}>
          {title}
        </option>
      ))}
    </select>
  );
}
