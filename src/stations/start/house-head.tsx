import Link from 'next/link';
import type { ReactNode } from 'react';
import '../shell/head.css';

/** The head of a page that belongs to no brief. */
export function HouseHead({ page }: { page: string }): ReactNode {
  return (
    <header className="head">
      <div className="head-title">
        <Link href="/" className="head-home" aria-label="All briefs">
          ≡
        </Link>
        <strong>Build Brief</strong>
        <span>{page}</span>
      </div>
    </header>
  );
}
