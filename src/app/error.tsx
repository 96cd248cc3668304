'use client';

import Button from '@mui/material/Button';
import '@/stations/start/start.css';

export default function ErrorPage({ reset }: { reset: () => void }) {
  return (
    <main className="home">
      <h1>This could not be shown</h1>
      <p>The server or its database did not answer. What is saved is safe.</p>
      <Button variant="contained" onClick={reset}>
        Try again
      </Button>
    </main>
  );
}
